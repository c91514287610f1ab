'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { countWords } from '@/core/piece/choosing';
import { correctedBeads, withCorrected, type CorrectedBead } from '@/core/piece/corrected';
import type { BeadKind } from '@/core/materials/material';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import { planPartOrFault, type Plan } from '@/core/plan/plan';
import { useAfterPaint } from '../shell/useAfterPaint';
import { useLengths } from '../shell/lengths';
import { useLookups } from '../shell/useLookups';
import styles from './PlanScreen.module.css';

interface Props {
  readonly piece: PartOfPiece;
  readonly plan: Plan;
  readonly kinds: readonly BeadKind[];
  readonly onChange: (change: Partial<PartOfPiece>) => void;
}

/** Beads that were measured anew since the piece took them: what would come of it, and one press that takes them all. */
export function Corrected({ piece, plan, kinds, onChange }: Props) {
  const lookups = useLookups();
  const later = useAfterPaint(plan);
  // What is strung in the place of a bead is measured by its own.
  const roles = plan.quantities
    .map(({ role }) => role)
    .filter((role) => !plan.components.has(role))
    .join();
  const offer = useMemo(() => {
    const beads = correctedBeads(piece, roles.split(',').filter(Boolean), kinds);
    if (beads.length === 0) return null;
    const change = withCorrected(piece, beads);
    return { beads, change };
  }, [piece, roles, kinds]);
  const then = useMemo(
    () => (later === plan && offer ? planPartOrFault({ ...piece, ...offer.change }, lookups) : null),
    [later, plan, offer, piece, lookups],
  );
  if (!offer) return null;
  const [now, next] = [plan.chosen.units, then?.ok ? then.chosen.units : null];
  return (
    <section className={`card ${styles.offer}`} aria-label="Beads measured anew">
      <p>
        {offer.beads.map((one) => (
          <Sizes key={one.now.id} {...one} />
        ))}
        {then?.ok &&
          (next === now
            ? ' The count stays the same.'
            : ` With them it takes ${countWords(then, then.chosen.units)} instead of ${now}.`)}
      </p>
      <Button type="primary" onClick={() => onChange(offer.change)}>
        Use the new sizes here
      </Button>
    </section>
  );
}

/** What differs, first the sizes that a plan goes by. */
function Sizes({ was, now }: CorrectedBead) {
  const { exact } = useLengths();
  const sizes = [
    ['along the hole', was.lengthMm, now.lengthMm],
    ['across', was.diameterMm, now.diameterMm],
    ['hole', was.holeMm, now.holeMm],
    ['wide', was.widthMm, now.widthMm],
    ['from hole to hole', was.apartMm, now.apartMm],
  ] as const;
  const told = sizes.flatMap(([what, before, after]) =>
    before !== after && before !== null && after !== null
      ? [`${what} ${exact(after)} instead of ${exact(before)}`]
      : [],
  );
  return (
    <>
      Your <strong>{now.name}</strong> has another {told.length > 0 ? 'size' : 'weight'} now than when this
      piece took it{told.length > 0 && `: ${told.join(', ')}`}.{' '}
    </>
  );
}
