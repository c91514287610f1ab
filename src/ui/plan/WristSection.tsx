'use client';

import type { Piece } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { bodyOf } from '@/core/materials/material';
import { useLengths } from '../shell/lengths';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
}

/** The closed piece on the wrist, cut across, to scale: how much room is left between them. */
export function WristSection({ piece, plan }: Props) {
  const { show } = useLengths();
  const { chosen, thicknessMm } = plan;
  const { layout, path } = plan.work();
  const radius = chosen.finishedMm / (2 * Math.PI);
  const inside = radius - thicknessMm / 2;
  const wrist = piece.wearer ? piece.wearer.wristMm / (2 * Math.PI) : null;
  const size = radius + thicknessMm / 2 + 2;
  const around = (mm: number) => (mm / chosen.finishedMm) * 2 * Math.PI - Math.PI / 2;
  const rim = path.beads.filter(
    (bead) => bead.name === 'left' || bead.place.section !== 'body' || /\d/.test(bead.name),
  );
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
      {wrist !== null && (
        <circle r={wrist} cy={-hang} fill="var(--skin)" stroke="#a5907c" strokeWidth={0.4} />
      )}
      <circle r={radius} fill="none" stroke="#b08d3e" strokeWidth={0.8} />
      {rim.map((bead) => {
        const pose = layout.poses[bead.id];
        const material = piece.beads[bead.role as keyof Piece['beads']];
        if (!pose || !material) return null;
        const angle = around(pose.centre[0]);
        const { lengthMm, diameterMm } = bodyOf(material);
        return (
          <rect
            key={bead.id}
            x={-lengthMm / 2}
            y={-diameterMm / 2}
            width={lengthMm}
            height={diameterMm}
            rx={Math.min(lengthMm, diameterMm) * 0.3}
            fill={material.colour}
            stroke="#1e2b24"
            strokeOpacity={0.6}
            strokeWidth={0.25}
            transform={`translate(${radius * Math.cos(angle)} ${radius * Math.sin(angle)}) rotate(${(angle * 180) / Math.PI + 90})`}
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
