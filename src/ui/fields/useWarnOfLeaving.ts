'use client';

import { useEffect } from 'react';

/** Has the browser ask before the page is left, while something on it has been typed and is not kept yet. */
export function useWarnOfLeaving(owing: boolean): void {
  useEffect(() => {
    if (!owing) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener('beforeunload', warn);
    return () => removeEventListener('beforeunload', warn);
  }, [owing]);
}
