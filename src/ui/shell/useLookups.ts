'use client';

import { useMemo } from 'react';
import type { Lookups } from '@/core/plan/plan';
import { bookOfKeyed } from '@/core/records/swatches';
import { useLayouts } from '../layouts/useLayouts';
import { useAtHand } from './atHand';

/** All that a plan is worked out from beside the piece: layouts as they come in, swatches, habits. */
export function useLookups(): Lookups {
  const { layouts } = useLayouts();
  const { settings, swatches } = useAtHand();
  const book = useMemo(() => bookOfKeyed(swatches), [swatches]);
  return useMemo(() => ({ layouts, swatches: book, habits: settings }), [layouts, book, settings]);
}
