'use client';

import { range } from 'd3';
import { useId } from 'react';
import { nameOfLength } from '@/core/body/necklace';
import { typicalGirths } from '@/core/body/places';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { at } from '@/core/structures/structure';
import { useLooks } from '../../piece/looks';
import { ShapeDefs } from '../../piece/ShapeDefs';
import { useLengths } from '../../shell/lengths';
import { WornBeads } from './WornBeads';
import { wornOnNeck } from './wornOnNeck';
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
  const { chosen, wear } = plan;
  const neckMm = wear.bodyMm ?? typicalGirths('medium').neck;
  if (neckMm === undefined) return null;
  const r = neckMm / (2 * Math.PI);
  const { lines, fallsMm, placeOf } = wornOnNeck(piece, plan, neckMm);
  const innermost = at(lines, 0);
  const above = plan.sketch('above');
  const edge = plan.widthMm / 2 + 4;
  const [wide, high] = [2 * (r + edge), 2 * r + fallsMm + 2 * edge];
  const scale = Math.min(PX.wide / wide, PX.high / high);
  const whose = wear.bodyMm === null ? 'a typical neck' : 'the neck';
  const falls = fallsMm > 1 ? ` It falls ${show(fallsMm)} below it.` : '';
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
        {lines.map(({ at, roundMm }, strand) => (
          <polyline
            key={strand}
            points={range(POINTS + 1)
              .map((i) => at((i / POINTS) * roundMm))
              .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
              .join(' ')}
            fill="none"
            stroke="var(--brass)"
            strokeWidth={1.2}
          />
        ))}
        <WornBeads
          sketch={above}
          looks={looks}
          id={id}
          broadMm={plan.widthMm}
          at={innermost.at}
          place={(bead) => {
            const { x, y, angle } = placeOf(bead);
            return `translate(${x.toFixed(2)} ${y.toFixed(2)}) rotate(${((angle * 180) / Math.PI).toFixed(1)})`;
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
