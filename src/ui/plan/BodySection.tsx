'use client';

import { useId } from 'react';
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

/** The closed piece on the wrist, cut across, to scale: how much room is left between them. */
export function WristSection({ piece, plan }: Props) {
  const { show } = useLengths();
  const id = useId();
  const { chosen, thicknessMm } = plan;
  const radius = chosen.finishedMm / (2 * Math.PI);
  const inside = radius - thicknessMm / 2;
  const wrist = piece.wearer ? piece.wearer.wristMm / (2 * Math.PI) : null;
  const size = radius + thicknessMm / 2 + 2;
  const side = plan.sketch('side');
  // On skin the piece lies against the wrist below and leaves its room above.
  const hang = wrist === null ? 0 : Math.max(0, inside - wrist);
  const label = `The closed piece cut across${wrist === null ? '' : ` on a wrist of ${show(piece.wearer?.wristMm ?? 0)}`}, to scale.`;
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
      {wrist !== null && (
        <circle r={wrist} cy={-hang} fill="var(--skin)" stroke="#a5907c" strokeWidth={0.4} />
      )}
      <circle r={radius} fill="none" stroke="#b08d3e" strokeWidth={0.8} />
      {around(side).map(({ key, shape, x, out, angle }) => {
        const turn = (x / chosen.finishedMm) * 360 - 90;
        return (
          <use
            key={key}
            href={`#${id}${shape}`}
            transform={`rotate(${turn.toFixed(1)}) translate(${(radius - out).toFixed(2)} 0) rotate(${(90 + angle).toFixed(1)})`}
          />
        );
      })}
      {wrist !== null && (
        <text y={-hang + 2} textAnchor="middle" fontSize={6.4} fill="#1e2b24">
          {show(piece.wearer?.wristMm ?? 0)}
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
