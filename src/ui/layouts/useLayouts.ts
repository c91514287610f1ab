'use client';

import { createContext, createElement, use, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import type { KeptLayout } from '@/core/layout/kept';
import { atFirst, layoutStore, type LayoutState } from './layoutStore';

/** Layouts by their keys. */
export type LaidOut = Readonly<Record<string, KeptLayout>>;

const Given = createContext<LaidOut>({});

/** What is below knows these layouts from the first paint on. */
export const GivenLayouts = ({ laidOut, children }: { laidOut: LaidOut; children: ReactNode }) =>
  createElement(Given, { value: laidOut }, children);

/** The layouts known so far; the component is shown again when there are more. One that is missing is fetched. */
export function useLayouts(): LayoutState {
  const state = useSyncExternalStore(layoutStore.subscribe, layoutStore.read, () => atFirst);
  const given = use(Given);
  return useMemo(() => {
    const layouts = (key: string) => {
      const found = given[key] ?? state.layouts(key);
      if (!found && typeof window !== 'undefined') void layoutStore.fetchShipped();
      return found;
    };
    return { ...state, layouts };
  }, [state, given]);
}
