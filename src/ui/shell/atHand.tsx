'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import type { Known } from '@/core/plan';
import type { Settings } from '@/core/settings';
import { swatchBook } from '@/core/fit/swatchBook';
import { entriesOf } from '@/core/swatches';
import type { KeyedSwatch } from '@/server/screens';
import { useLayouts } from '../layouts/useLayouts';

interface AtHand {
  readonly settings: Settings;
  readonly swatches: readonly KeyedSwatch[];
}

const Context = createContext<AtHand | null>(null);

/** Habits and swatches, for everything below. */
export function AtHandProvider({ settings, swatches, children }: AtHand & { readonly children: ReactNode }) {
  const value = useMemo(() => ({ settings, swatches }), [settings, swatches]);
  return <Context value={value}>{children}</Context>;
}

export function useAtHand(): AtHand {
  const atHand = use(Context);
  if (!atHand) throw new Error('useAtHand needs an AtHandProvider above it.');
  return atHand;
}

/** All that a plan is worked out from beside the piece: layouts as they come in, swatches, habits. */
export function useKnown(): Known {
  const { layouts } = useLayouts();
  const { settings, swatches } = useAtHand();
  const book = useMemo(
    () => swatchBook(swatches.flatMap(({ doc, stitch }) => entriesOf(doc, stitch))),
    [swatches],
  );
  return useMemo(() => ({ layouts, swatches: book, habits: settings }), [layouts, book, settings]);
}
