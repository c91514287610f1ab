'use client';

import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** False on the server and for the very first paint, true from then on. */
export const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
