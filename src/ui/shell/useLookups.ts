'use client';

import { useMemo } from 'react';
import type { Lookups } from '@/core/plan/plan';
import { experienceBook } from '@/core/records/experience';
import { bookOfKeyed } from '@/core/records/swatches';
import { useLayouts } from '../layouts/useLayouts';
import { useAtHand } from './atHand';

/** All that a plan is worked out from beside the piece: layouts as they come in, swatches, habits. */
export function useLookups(): Lookups {
  const { layouts } = useLayouts();
  const { settings, swatches, records } = useAtHand();
  const book = useMemo(
    () =>
      bookOfKeyed([
        ...swatches,
        ...records.flatMap(({ record, stitch }) =>
          record.swatch ? [{ doc: record.swatch, stitch, piece: true }] : [],
        ),
      ]),
    [swatches, records],
  );
  const experience = useMemo(() => experienceBook(records.map(({ record }) => record)), [records]);
  return useMemo(
    () => ({ layouts, swatches: book, experience, habits: settings }),
    [layouts, book, experience, settings],
  );
}
