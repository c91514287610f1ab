'use client';

import { startTransition, useEffect, useState } from 'react';

/**
 * A value that follows another once that has been painted: what takes long to draw does not keep the numbers waiting.
 * While the value changes again and again, only the newest is followed. Null before the first paint.
 */
export function useAfterPaint<T>(value: T): T | null {
  const [followed, follow] = useState<T | null>(null);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => follow(() => value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [value]);
  return followed;
}
