import type { Flat } from '@/core/layout/outline';
import type { BeadMaterial } from '@/core/materials/material';
import type { BeadPart, StepPicture } from '@/core/told/picture';
import { SeenBead } from './BeadShape';
import { INK, outlinePath, THREAD_COLOUR } from './beadLook';
import styles from './piece.module.css';

interface Props {
  readonly picture: StepPicture;
  readonly beadOf: (role: string) => BeadMaterial;
  /** What is to be seen, in words. */
  readonly label: string;
}

/** How strongly a bead is drawn by what it is to the step. */
const STRENGTH: Readonly<Record<BeadPart, number>> = { new: 1, through: 0.8, there: 0.4 };

/** The smallest bead is drawn so large, and the picture no larger than this, pixels. */
const BEAD_PX = 24;
const MOST_PX = { wide: 330, high: 250 };

/** Numbers on beads and points of arrows, as parts of the smallest bead. */
const FIGURE = 0.62;
const POINT = 0.5;

/** A step as a picture: the work so far quiet, what is new strong, the thread with its numbers and an arrow where it comes out. */
export function StepDrawing({ picture, beadOf, label }: Props) {
  const { shapes, beads, ways, marks, findings, from, to, beadMm } = picture;
  const [wide, high] = [to[0] - from[0], to[1] - from[1]];
  const scale = Math.min(BEAD_PX / beadMm, MOST_PX.wide / wide, MOST_PX.high / high);
  const line = ways.flat();
  const [before, tip] = [line.at(-2), line.at(-1)];
  const [start] = line;
  // Where a long way makes beads small, its numbers and points stay as large as they can be read.
  const unit = Math.max(beadMm, 20 / scale);
  return (
    <svg
      viewBox={`${from[0]} ${from[1]} ${wide} ${high}`}
      width={Math.round(wide * scale)}
      height={Math.round(high * scale)}
      className={styles.stepDrawing}
      role="img"
      aria-label={label}
    >
      {beads.map(({ bead, shape, at, angle, part, nth = 0 }) => {
        const seen = shapes.get(shape);
        if (!seen) return null;
        return (
          <g key={`${bead.id} ${nth} ${at[0].toFixed(1)}`} opacity={STRENGTH[part]}>
            <SeenBead bead={beadOf(seen.role)} shape={seen} lies={{ at, angle }} />
            {part === 'new' && (
              <path
                d={outlinePath(seen.edge)}
                transform={`translate(${at.join(' ')}) rotate(${angle})`}
                fill="none"
                stroke={INK}
                strokeWidth={2}
                vectorEffect="non-scaling-stroke"
              />
            )}
          </g>
        );
      })}
      {findings.map(([x, y], i) => (
        <circle key={i} cx={x} cy={y} r={unit * 0.45} className={styles.stepFinding} />
      ))}
      <g fill="none" strokeLinecap="round" strokeLinejoin="round">
        <path d={path(line)} stroke="#fff" strokeOpacity={0.85} strokeWidth={unit * 0.2} />
        <path d={path(line)} stroke={THREAD_COLOUR} strokeWidth={unit * 0.11} />
      </g>
      {start && <circle cx={start[0]} cy={start[1]} r={unit * 0.14} fill={THREAD_COLOUR} />}
      {tip && before && (
        <path
          d={`M0 0L${-POINT * unit} ${-0.24 * unit}L${-POINT * unit} ${0.24 * unit}Z`}
          transform={`translate(${tip[0]} ${tip[1]}) rotate(${degrees(before, tip).toFixed(1)}) translate(${(0.3 * unit).toFixed(3)} 0)`}
          fill={THREAD_COLOUR}
          stroke="#fff"
          strokeWidth={unit * 0.05}
        />
      )}
      {marks.map(({ at: [x, y], text }) => (
        <text
          key={text}
          x={x}
          y={y}
          dy="0.36em"
          fontSize={unit * FIGURE}
          className={styles.stepFigure}
          strokeWidth={unit * 0.16}
        >
          {text}
        </text>
      ))}
    </svg>
  );
}

const path = (way: readonly Flat[]): string =>
  way.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('');

const degrees = (a: Flat, b: Flat): number => (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
