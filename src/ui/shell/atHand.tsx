'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import type { Settings } from '@/core/settings';
import type { KeyedSwatch } from '@/server/screens';

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
