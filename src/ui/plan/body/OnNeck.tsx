'use client';

import { range } from 'd3';
import { useId } from 'react';
import { hangingLoop, LOWEST_ROUND, nameOfLength } from '@/core/body/necklace';
import { typicalGirths } from '@/core/body/places';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { useLooks } from '../../piece/looks';
import { ShapeDefs } from '../../piece/ShapeDefs';
import { useLengths } from '../../shell/lengths';
import { WornBeads } from './WornBeads';
import styles from './body.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
}

/** Points that its line is drawn through. */
const POINTS = 90;
const PX = { wide: 190, high: 250 };

/** A necklace on the neck it is for, seen from the front: how far it falls. */
export function OnNeck({ piece, plan }: Props) {
  const { show } = useLengths();
  const id = useId();
  const looks = useLooks(plan.seen);
  const { chosen, wear, stations } = plan;
  const neckMm = wear.bodyMm ?? typicalGirths('medium').neck;
  if (neckMm === undefined) return null;
  const r = neckMm / (2 * Math.PI);
  const { corner } = plan.weaveable;
  // What stands in the middle of a V does not bend: it is the point that the arms come to.
  const cornerMm = corner && plan.components.get(corner.role)?.alongMm;
  const pointed = piece.wear.school === 'drop' || corner !== undefined;
  const lowest = cornerMm ? cornerMm / 2 / r : pointed ? LOWEST_ROUND.V : LOWEST_ROUND.rope;
  const loop = hangingLoop(neckMm, chosen.finishedMm, lowest);
  const above = plan.sketch('above');
  const { bodyStartMm, bodyEndMm, totalMm } = stations;
  // The middle of the work hangs lowest, wherever the clasp comes to lie.
  const aheadMm = (bodyStartMm + bodyEndMm - totalMm) / 2;
  const onLoop = (mm: number) => loop.at((mm - aheadMm + totalMm) % totalMm);
  const edge = plan.widthMm / 2 + 4;
  const [wide, high] = [2 * (r + edge), 2 * r + loop.fallsMm + 2 * edge];
  const scale = Math.min(PX.wide / wide, PX.high / high);
  const line = range(POINTS + 1).map((i) => loop.at((i / POINTS) * chosen.finishedMm));
  const whose = wear.bodyMm === null ? 'a typical neck' : 'the neck';
  const falls = loop.fallsMm > 1 ? ` It falls ${show(loop.fallsMm)} below it.` : '';
  return (
    <figure className={styles.onNeck}>
      <svg
        width={wide * scale}
        height={high * scale}
        viewBox={`${-wide / 2} ${-r - edge} ${wide} ${high}`}
        role="img"
        aria-label={`The piece round ${whose} of ${show(neckMm)}, from the front, to scale.${falls}`}
      >
        <ShapeDefs id={id} shapes={above.shapes} looks={looks} />
        <circle
          r={r - plan.thicknessMm / 2}
          fill="var(--skin)"
          stroke="var(--skin-line)"
          strokeDasharray={wear.bodyMm === null ? '4 3' : undefined}
          vectorEffect="non-scaling-stroke"
        />
        <polyline
          points={line.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ')}
          fill="none"
          stroke="var(--brass)"
          strokeWidth={1.2}
        />
        <WornBeads
          sketch={above}
          looks={looks}
          id={id}
          broadMm={plan.widthMm}
          at={onLoop}
          place={({ x, on, out, angle }) => {
            const at = onLoop(x);
            const turn = (at.angle * 180) / Math.PI;
            return `translate(${at.x.toFixed(2)} ${at.y.toFixed(2)}) rotate(${turn.toFixed(1)}) translate(${on.toFixed(2)} ${out.toFixed(2)}) rotate(${angle.toFixed(1)})`;
          }}
        />
        <text y={r * 0.1} textAnchor="middle" fontSize={14 / scale} fill="var(--ink)">
          {show(neckMm)}
        </text>
      </svg>
      <figcaption>
        {nameOfLength(chosen.finishedMm)} length, on {whose}.{falls}
      </figcaption>
    </figure>
  );
}
