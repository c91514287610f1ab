'use client';

import { useMemo } from 'react';
import { standing, type StandingBead } from '@/core/layout/sketch';
import type { Plan } from '@/core/plan/plan';
import { usePointed, type Pointed } from '../pointed';
import { WOVEN } from '@/core/weave/path';

/** The very bead that is pointed at, where it stands in a picture of the plan; null where there is none. */
export function usePointedBead(plan: Plan, view: 'above' | 'side' | 'end'): StandingBead | null {
  const pointed = usePointed();
  const bead = pointed?.bead ?? null;
  return useMemo(
    () =>
      bead === null || view === 'end'
        ? null
        : (standing(plan.sketch(view)).find(
            ({ drawn, time }) => drawn.bead.id === bead.id && time === bead.time,
          ) ?? null),
    [plan, view, bead],
  );
}

/** What lights up with a bead: its role, its unit, its step. */
export const pointedAt = ({ drawn, unit, time }: StandingBead): Pointed => ({
  roles: [drawn.bead.role],
  units: drawn.bead.place.section === WOVEN ? [unit, unit] : null,
  place: drawn.bead.place,
  bead: { id: drawn.bead.id, time },
});
