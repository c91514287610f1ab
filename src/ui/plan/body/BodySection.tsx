'use client';

import { holdsOneEnd } from '@/core/closures/suits';
import { useId } from 'react';
import { KIND_FACTS } from '@/core/body/kinds';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { useLooks } from '../../piece/looks';
import { ShapeDefs } from '../../piece/ShapeDefs';
import { useLengths } from '../../shell/lengths';
import { OnNeck } from './OnNeck';
import { WornBeads } from './WornBeads';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
}

/** The closed piece on the body, to scale: round a limb or a finger, or hanging from a neck. */
export function BodySection({ piece, plan }: Props) {
  // What hangs free goes round nothing.
  if (piece.ends.closing === 'open' || holdsOneEnd(piece.ends.clasp)) return null;
  return KIND_FACTS[piece.kind].place === 'neck' ? (
    <OnNeck piece={piece} plan={plan} />
  ) : (
    <RoundBody piece={piece} plan={plan} />
  );
}

/** Cut across: how much room is left between the piece and the body. */
function RoundBody({ piece, plan }: Props) {
  const { show } = useLengths();
  const id = useId();
  const looks = useLooks(plan.seen);
  const { chosen, thicknessMm, wear, stations } = plan;
  const { place, hangs } = KIND_FACTS[piece.kind];
  const radius = chosen.finishedMm / (2 * Math.PI);
  const inside = radius - thicknessMm / 2;
  const body = wear.bodyMm === null ? null : wear.bodyMm / (2 * Math.PI);
  const size = Math.max(radius + thicknessMm / 2, body ?? 0) * 1.03 + 0.5;
  const side = plan.sketch('side');
  // On skin the piece lies against the body below and leaves its room above.
  const low = body === null ? 0 : Math.max(0, inside - body);
  /** How far round a point of the piece lies, degrees. */
  const turnOf = (mm: number) => (mm / stations.totalMm) * 360 - 90;
  const label = `The closed piece cut across${wear.bodyMm === null ? '' : ` on a ${place ?? 'rope'} of ${show(wear.bodyMm)}`}, to scale.`;
  return (
    <svg
      viewBox={`${-size} ${-size} ${2 * size} ${2 * size}`}
      width={150}
      height={150}
      role="img"
      aria-label={label}
    >
      <ShapeDefs id={id} shapes={side.shapes} looks={looks} />
      {body !== null && (
        <circle
          r={body}
          cy={hangs ? -low : low}
          fill="var(--skin)"
          stroke="var(--skin-line)"
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      )}
      <circle r={radius} fill="none" stroke="var(--brass)" strokeWidth={size / 45} />
      <WornBeads
        sketch={side}
        looks={looks}
        id={id}
        broadMm={thicknessMm}
        at={(mm) => {
          const turn = (turnOf(mm) * Math.PI) / 180;
          return { x: radius * Math.cos(turn), y: radius * Math.sin(turn) };
        }}
        place={({ x, on, out, angle }) =>
          `rotate(${turnOf(x).toFixed(1)}) translate(${(radius - out).toFixed(2)} ${on.toFixed(2)}) rotate(${(90 + angle).toFixed(1)})`
        }
      />
      {wear.bodyMm !== null && (
        <text
          y={(hangs ? -low : low) + size * 0.05}
          textAnchor="middle"
          fontSize={size * 0.19}
          fill="var(--ink)"
        >
          {show(wear.bodyMm)}
        </text>
      )}
    </svg>
  );
}
