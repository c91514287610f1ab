'use client';

import { useLayoutEffect, useRef, useState } from 'react';

const LEAST_PX = 280;

/** Width of an element as it is laid out; a guess until then. */
export function useWidth(guess: number) {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(guess);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = () => setWidth(Math.max(element.clientWidth, LEAST_PX));
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width] as const;
}
