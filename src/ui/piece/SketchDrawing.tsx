import { memo, useId } from 'react';
import type { SketchPart } from '@/core/layout/sketch';
import { SeenBead } from './BeadShape';
import { STEPPED_BACK, threadLook } from './beadLook';
import { useLooks } from './looks';
import { SketchImage } from './SketchImage';
import type { SketchProps } from './sketchProps';

/** More beads than this that all lie differently are painted, not drawn one by one. */
const MOST_DRAWN = 1200;

/** A sketch in millimetres, drawn or, where it is too much for that, painted. */
export const SketchDrawing = memo(function SketchDrawing(props: SketchProps) {
  const drawn = props.sketch.parts.reduce((sum, { beads }) => sum + beads.length, 0);
  return drawn > MOST_DRAWN ? <SketchImage {...props} /> : <Drawn {...props} />;
});

/** Every way a bead lies is drawn once and used, and so is what repeats. */
function Drawn({ piece, sketch, lit = null }: SketchProps) {
  const id = useId();
  const looks = useLooks(piece);
  const keys = new Map([...sketch.shapes.keys()].map((key, i) => [key, `${id}${i}`]));
  const thread = { mm: piece.thread.diameterMm, colour: threadLook(piece) };
  return (
    <g>
      <defs>
        {[...sketch.shapes].map(([key, shape]) => {
          const seen = looks(shape.role, shape.shade);
          return (
            <g key={key} id={keys.get(key)} opacity={lit && !lit.includes(shape.role) ? STEPPED_BACK : 1}>
              {seen && <SeenBead {...seen} shape={shape} />}
            </g>
          );
        })}
        {sketch.parts.map(
          (part, i) =>
            part.times > 1 && (
              <g key={i} id={`${id}part${i}`}>
                <Part part={part} keys={keys} thread={thread} />
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
            <Part part={part} keys={keys} thread={thread} />
          </g>
        ),
      )}
    </g>
  );
}

interface PartProps {
  readonly part: SketchPart;
  readonly keys: ReadonlyMap<string, string>;
  readonly thread: { readonly mm: number; readonly colour: string };
}

/** Thread and beads of a part, from the back to the front. */
function Part({ part: { beads, threads }, keys, thread }: PartProps) {
  return (
    <>
      <path
        d={threads.map(({ from, to }) => `M${mm(from[0])} ${mm(from[1])}L${mm(to[0])} ${mm(to[1])}`).join('')}
        fill="none"
        stroke={thread.colour}
        strokeWidth={Math.max(thread.mm, 0.12)}
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
