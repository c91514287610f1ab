'use client';

import { useMemo } from 'react';
import type { PartOfPiece } from '@/core/piece/partOfPiece';
import type { Plan } from '@/core/plan/plan';
import { swatchPlan } from '@/core/gauge/swatchPlan';
import { useLookups } from '../../../shell/useLookups';
import { useLengths } from '../../../shell/lengths';

/** The smallest swatch that tells the count; nothing once the maker's own work is the source. */
export function SwatchPlan({ piece, plan }: { readonly piece: PartOfPiece; readonly plan: Plan }) {
  const { show, thread } = useLengths();
  const lookups = useLookups();
  const { source } = plan.gauge;
  const measured = source === 'this piece' || source === 'swatch';
  const swatch = useMemo(
    () => (measured ? null : swatchPlan(piece, plan, lookups)),
    [measured, piece, plan, lookups],
  );
  if (!swatch) return null;
  const beads = swatch.beads.map(({ role, total }) => `${total} ${role}`).join(', ');
  return (
    <p>
      <strong>A swatch worth making: {swatch.units} units.</strong> About {show(swatch.lengthMm)} of beads
      alone: {beads}, and {thread(swatch.threadMm)} of thread. Half a millimetre misread on it moves the count
      by half a unit at most. Measure it, and write it here as this piece, measured.
    </p>
  );
}
