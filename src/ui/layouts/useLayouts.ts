'use client';

import { useSyncExternalStore } from 'react';
import { atFirst, layoutStore, type LayoutState } from './layoutStore';

/** The layouts known so far; the component is shown again when there are more. */
export const useLayouts = (): LayoutState =>
  useSyncExternalStore(layoutStore.subscribe, layoutStore.read, () => atFirst);
