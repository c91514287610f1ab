'use client';

import { useEffect } from 'react';

/** Keeps the screen from going dark while one works, where the browser can. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const hold = async () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        const held = await navigator.wakeLock.request('screen');
        if (left) void held.release();
        else lock = held;
      } catch {
        // A device that saves its battery says no: then the screen goes dark as it always does.
      }
    };
    void hold();
    // The lock goes when the page is hidden, and does not come back by itself.
    document.addEventListener('visibilitychange', hold);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, []);
}
