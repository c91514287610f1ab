'use client';

import { createContext, use, useMemo, type ReactNode } from 'react';
import type { AtHand as All } from '@/server/screens';

type AtHand = Pick<All, 'settings' | 'swatches' | 'unreadableSwatches' | 'records'>;

const Context = createContext<AtHand | null>(null);

/** Habits, swatches and what was made, for everything below. */
export function AtHandProvider({
  settings,
  swatches,
  unreadableSwatches,
  records,
  children,
}: AtHand & { readonly children: ReactNode }) {
  const value = useMemo(
    () => ({ settings, swatches, unreadableSwatches, records }),
    [settings, swatches, unreadableSwatches, records],
  );
  return <Context value={value}>{children}</Context>;
}

export function useAtHand(): AtHand {
  const atHand = use(Context);
  if (!atHand) throw new Error('useAtHand needs an AtHandProvider above it.');
  return atHand;
}
