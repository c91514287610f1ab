'use client';

import { useEffect, useSyncExternalStore } from 'react';
import type { Settings } from '@/core/records/settings';

const QUERY = '(prefers-color-scheme: dark)';

const listen = (changed: () => void) => {
  const media = matchMedia(QUERY);
  media.addEventListener('change', changed);
  return () => media.removeEventListener('change', changed);
};

/** Whether the screen is to be dark: as the weaver said, or as her device is set. */
export function useLamp(wanted: Settings['theme']): boolean {
  const device = useSyncExternalStore(
    listen,
    () => matchMedia(QUERY).matches,
    () => false,
  );
  useEffect(() => {
    if (wanted === 'device') delete document.documentElement.dataset.theme;
    else document.documentElement.dataset.theme = wanted;
  }, [wanted]);
  return wanted === 'dark' || (wanted === 'device' && device);
}
