'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** Speaks what is to be done by the browser's own voice, where it has one; off until it is wanted. */
export function useSpoken(text: string | null) {
  const can = useSyncExternalStore(
    never,
    () => 'speechSynthesis' in window,
    () => false,
  );
  const [on, setOn] = useState(false);
  useEffect(() => {
    if (!can || !on || text === null) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(text));
    return () => speechSynthesis.cancel();
  }, [can, on, text]);
  return { can, on, setOn };
}
