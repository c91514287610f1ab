import { memo, useId } from 'react';
import type { Sketch, SketchPart } from '@/core/layout/sketch';
import type { Piece } from '@/core/piece';
import { SeenBead } from './BeadShape';
import { THREAD_COLOUR } from './beadLook';
import { SketchImage } from './SketchImage';

interface Props {
  readonly piece: Pick<Piece, 'beads' | 'thread'>;
  readonly sketch: Sketch;
  /** Beads of this role stand out; the others step back. */
  readonly lit?: string | null;
}

/** More beads than this that all lie differently are painted, not drawn one by one. */
const MOST_DRAWN = 1200;

/** A sketch in millimetres, drawn or, where it is too much for that, painted. */
export const SketchDrawing = memo(function SketchDrawing(props: Props) {
  const drawn = props.sketch.parts.reduce((sum, { beads }) => sum + beads.length, 0);
  return drawn > MOST_DRAWN ? <SketchImage {...props} /> : <Drawn {...props} />;
});

/** Every way a bead lies is drawn once and used, and so is what repeats. */
function Drawn({ piece, sketch, lit = null }: Props) {
  const id = useId();
  const keys = new Map([...sketch.shapes.keys()].map((key, i) => [key, `${id}${i}`]));
  const { diameterMm } = piece.thread;
  return (
    <g>
      <defs>
        {[...sketch.shapes].map(([key, shape]) => {
          const bead = piece.beads[shape.role as keyof Piece['beads']];
          return (
            <g key={key} id={keys.get(key)} opacity={lit && lit !== shape.role ? 0.35 : 1}>
              {bead && <SeenBead bead={bead} shape={shape} />}
            </g>
          );
        })}
        {sketch.parts.map(
          (part, i) =>
            part.times > 1 && (
              <g key={i} id={`${id}part${i}`}>
                <Part part={part} keys={keys} threadMm={diameterMm} />
              </g>
            ),
        )}
      </defs>
      {sketch.parts.map((part, i) =>
        part.times > 1 ? (
          Array.from({ length: part.times }, (_, k) => (
            <use key={`${i}/${k}`} href={`#${id}part${i}`} x={part.atMm + k * part.stepMm} />
          ))
        ) : (
          <g key={i} transform={`translate(${part.atMm} 0)`}>
            <Part part={part} keys={keys} threadMm={diameterMm} />
          </g>
        ),
      )}
    </g>
  );
}

interface PartProps {
  readonly part: SketchPart;
  readonly keys: ReadonlyMap<string, string>;
  readonly threadMm: number;
}

/** Thread and beads of a part, from the back to the front. */
function Part({ part: { beads, threads }, keys, threadMm }: PartProps) {
  return (
    <>
      <path
        d={threads.map(({ from, to }) => `M${mm(from[0])} ${mm(from[1])}L${mm(to[0])} ${mm(to[1])}`).join('')}
        fill="none"
        stroke={THREAD_COLOUR}
        strokeWidth={Math.max(threadMm, 0.12)}
        strokeLinecap="round"
      />
      {beads.map(({ bead, shape, at: [x, y], angle }) => (
        <use
          key={bead.id}
          href={`#${keys.get(shape) ?? ''}`}
          transform={`translate(${mm(x)} ${mm(y)})${angle === 0 ? '' : ` rotate(${angle.toFixed(1)})`}`}
        />
      ))}
    </>
  );
}

const mm = (value: number) => value.toFixed(2);
