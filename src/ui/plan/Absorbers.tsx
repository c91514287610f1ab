'use client';

import { useMemo } from 'react';
import { absorbers, type Absorber } from '@/core/plan/absorbers';
import { differenceMm, formatChange, type LengthStyle } from '@/core/length/length';
import { counted, offTarget, withArticle } from '@/core/words/figures';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import type { Catalogue } from '@/server/screens';
import { useLookups } from '../shell/useLookups';
import { useAfterPaint } from '../shell/useAfterPaint';
import { useLengths } from '../shell/lengths';
import styles from './CountHills.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly catalogue: Catalogue;
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** What would absorb the rest, with the count as it is: one press does it. */
export function Absorbers({ piece, plan, catalogue, onChange }: Props) {
  const { style } = useLengths();
  const lookups = useLookups();
  // Worked out after the count itself is on screen.
  const later = useAfterPaint(plan);
  const offered = useMemo(
    () => (later === plan ? absorbers(piece, plan, catalogue, lookups) : []),
    [later, plan, piece, catalogue, lookups],
  );
  if (offered.length === 0) return null;
  return (
    <section data-screen-only className={styles.rest} aria-labelledby="rest">
      <h3 id="rest">
        Or keep {plan.chosen.units} and change something else: it is {offTarget(plan.chosen, style)}
      </h3>
      <ul>
        {offered.map((one) => (
          <li key={JSON.stringify(one.what)}>
            <button type="button" className={styles.chip} onClick={() => onChange(one.change)}>
              <span>{words(one, plan.weaveable.extraWord ?? 'row')}</span>
              <strong className={one.fits ? styles.fits : styles.off}>
                {one.fits ? '✓ ' : ''}
                {lands(one, plan, style)}
              </strong>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What a change is, in a weaver's words. */
function words({ what }: Absorber, row: string): string {
  switch (what.kind) {
    case 'clasp':
      return what.name;
    case 'seeds':
      return `${counted(Math.abs(what.more), 'seed')} ${what.more > 0 ? 'more' : 'less'} a side at the ${what.end}`;
    case 'ring':
      return what.more > 0
        ? `${withArticle(what.name)} at the ${what.end}`
        : `one ${what.name} less at the ${what.end}`;
    case 'extender':
      return `an extender of ${counted(what.links, 'link')}`;
    case 'rows':
      return `${counted(Math.abs(what.more), row)} ${what.more > 0 ? 'more' : 'less'} at the end`;
    case 'bead':
      return `${what.role} in ${what.name}`;
  }
}

/** How much it changes the finished length; with other beads the target moves too, so it says how far off it lands. */
function lands(one: Absorber, plan: Plan, style: LengthStyle): string {
  const { finishedMm, what } = one;
  if (what.kind === 'bead') return offTarget(one, style);
  const by = formatChange(differenceMm(finishedMm, plan.chosen.finishedMm, style), style);
  return what.kind === 'extender' ? `up to ${by}` : by;
}
