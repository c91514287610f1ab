'use client';

import { useId } from 'react';
import { KIND_FACTS } from '@/core/body/kinds';
import type { Sketch } from '@/core/layout/sketch';
import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { SeenBead } from '../piece/BeadShape';
import { useLengths } from '../shell/lengths';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
}

/** More beads than this are not drawn one by one in so small a picture: the row nearest to the eye stands for all. */
const MOST = 500;

/** The closed piece on the body, cut across, to scale: how much room is left between them. */
export function BodySection({ piece, plan }: Props) {
  const { show } = useLengths();
  const id = useId();
  const { chosen, thicknessMm, wear, stations } = plan;
  const { place, hangs } = KIND_FACTS[piece.kind];
  if (piece.ends.closing === 'open') return null;
  const radius = chosen.finishedMm / (2 * Math.PI);
  const inside = radius - thicknessMm / 2;
  const body = wear.bodyMm === null ? null : wear.bodyMm / (2 * Math.PI);
  const size = Math.max(radius + thicknessMm / 2, body ?? 0) * 1.03 + 0.5;
  const side = plan.sketch('side');
  // On skin the piece lies against the body below and leaves its room above.
  const low = body === null ? 0 : Math.max(0, inside - body);
  const label = `The closed piece cut across${wear.bodyMm === null ? '' : ` on a ${place ?? 'rope'} of ${show(wear.bodyMm)}`}, to scale.`;
  return (
    <svg
      viewBox={`${-size} ${-size} ${2 * size} ${2 * size}`}
      width={150}
      height={150}
      role="img"
      aria-label={label}
    >
      <defs>
        {[...side.shapes].map(([key, shape]) => {
          const bead = piece.beads[shape.role as keyof Piece['beads']];
          return (
            <g key={key} id={`${id}${key}`}>
              {bead && <SeenBead bead={bead} shape={shape} />}
            </g>
          );
        })}
      </defs>
      {body !== null && (
        <circle
          r={body}
          cy={hangs ? -low : low}
          fill="var(--skin)"
          stroke="#a5907c"
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      )}
      <circle r={radius} fill="none" stroke="#b08d3e" strokeWidth={size / 45} />
      {around(side).map(({ key, shape, x, out, angle }) => {
        const turn = (x / stations.totalMm) * 360 - 90;
        return (
          <use
            key={key}
            href={`#${id}${shape}`}
            transform={`rotate(${turn.toFixed(1)}) translate(${(radius - out).toFixed(2)} 0) rotate(${(90 + angle).toFixed(1)})`}
          />
        );
      })}
      {wear.bodyMm !== null && (
        <text
          y={(hangs ? -low : low) + size * 0.05}
          textAnchor="middle"
          fontSize={size * 0.19}
          fill="#1e2b24"
        >
          {show(wear.bodyMm)}
        </text>
      )}
    </svg>
  );
}

/** Every bead of the side view, along the piece and outwards from its middle line (downwards is towards the skin). */
function around({ parts }: Sketch) {
  const count = parts.reduce((sum, { beads, times }) => sum + beads.length * times, 0);
  const nearest = Math.max(...parts.map(({ level }) => level));
  return parts
    .filter(({ level }) => count <= MOST || level === nearest)
    .flatMap(({ beads, times, atMm, stepMm }, part) =>
      Array.from({ length: times }, (_, k) =>
        beads.map(({ bead, shape, at: [x, out], angle }) => ({
          key: `${part}/${k}/${bead.id}`,
          shape,
          x: x + atMm + k * stepMm,
          out,
          angle,
        })),
      ).flat(),
    );
}
