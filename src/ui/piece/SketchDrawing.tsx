import { range } from 'd3';
import { memo, useId, useMemo } from 'react';
import { timesWithin, type Sketch, type SketchPart, type Stretch } from '@/core/layout/sketch';
import { SeenBead } from './BeadShape';
import { STEPPED_BACK, threadLook } from './beadLook';
import { useLooks, useOnPaper, type Looks } from './looks';
import { SketchImage } from './SketchImage';
import type { SketchProps } from './sketchProps';

/** More beads than this that all lie differently are painted, not drawn one by one. */
const MOST_DRAWN = 1200;

/** A sketch in millimetres, drawn or, where it is too much for that, painted. */
export const SketchDrawing = memo(function SketchDrawing(props: SketchProps) {
  const drawn = props.sketch.parts.reduce((sum, { beads }) => sum + beads.length, 0);
  const onPaper = useOnPaper();
  return drawn > MOST_DRAWN && !onPaper ? <SketchImage {...props} /> : <Drawn {...props} />;
});

const EVERYWHERE: Stretch = { fromMm: -Infinity, toMm: Infinity };

/** What repeats is drawn once and used. */
function Drawn({ piece, sketch, lit = null, within = EVERYWHERE }: SketchProps) {
  const id = useId();
  const looks = useLooks(piece);
  const drawn = {
    shapes: sketch.shapes,
    looks,
    lit,
    threadMm: piece.thread.diameterMm,
    threadColour: threadLook(piece),
  };
  return (
    <g>
      <defs>
        {sketch.parts.map(
          (part, i) =>
            part.times > 1 && (
              <g key={i} id={`${id}part${i}`}>
                <Part part={part} {...drawn} />
              </g>
            ),
        )}
      </defs>
      {sketch.parts.map((part, i) => {
        const [first, end] = timesWithin(sketch, part, within);
        if (part.times > 1)
          return range(first, end).map((k) => (
            <use key={`${i}/${k}`} href={`#${id}part${i}`} x={part.atMm + k * part.stepMm} />
          ));
        return (
          first < end && (
            <g key={i} transform={`translate(${part.atMm} 0)`}>
              <Part part={part} {...drawn} />
            </g>
          )
        );
      })}
    </g>
  );
}

interface PartProps extends Pick<Sketch, 'shapes'> {
  readonly part: SketchPart;
  readonly looks: Looks;
  readonly lit: readonly string[] | null;
  readonly threadMm: number;
  readonly threadColour: string;
}

/** Thread and beads of a part, from the back to the front. */
function Part({ part: { beads, threads }, shapes, looks, lit, threadMm, threadColour }: PartProps) {
  // Outlines are worked out once: what is pointed at only makes the others step back.
  const seen = useMemo(
    () =>
      beads.flatMap((lies) => {
        const shape = shapes.get(lies.shape);
        const look = shape && looks(shape.role, shape.shade);
        if (!look) return [];
        const { id, role } = lies.bead;
        return [
          { key: `${id}/${lies.nth ?? ''}`, role, picture: <SeenBead {...look} shape={shape} lies={lies} /> },
        ];
      }),
    [beads, shapes, looks],
  );
  return (
    <>
      <path
        d={threads.map(({ from, to }) => `M${mm(from[0])} ${mm(from[1])}L${mm(to[0])} ${mm(to[1])}`).join('')}
        fill="none"
        stroke={threadColour}
        strokeWidth={Math.max(threadMm, 0.12)}
        strokeLinecap="round"
      />
      {threads.map(
        ({ from, to, knotMm }, i) =>
          knotMm > 0 && (
            <circle
              key={i}
              cx={mm((from[0] + to[0]) / 2)}
              cy={mm((from[1] + to[1]) / 2)}
              r={mm(knotMm / 2)}
              fill={threadColour}
            />
          ),
      )}
      {seen.map(({ key, role, picture }) => (
        <g key={key} opacity={lit && !lit.includes(role) ? STEPPED_BACK : undefined}>
          {picture}
        </g>
      ))}
    </>
  );
}

const mm = (value: number) => value.toFixed(2);
