'use client';

import { useEffect, type RefObject } from 'react';
import { isSingle, SHORTCUTS } from './shortcuts';
import { withModifier } from './useShortcut';

/** Keys that were pressed before there was anything to hear them. */
export type KeptKeysRef = RefObject<readonly KeyboardEventInit[]>;

/** Those of the planning screen: what works everywhere hears its keys already. */
const PLAN_KEYS: ReadonlySet<string> = new Set(
  SHORTCUTS.filter((one) => one.where === 'plan' && isSingle(one)).flatMap(({ keys }) => keys.split(', ')),
);

/** Keeps the keys of the planning screen while it is still to come. */
export function useKeepKeys(keptRef: KeptKeysRef): void {
  useEffect(() => {
    const keep = (event: KeyboardEvent) => {
      const { key, code } = event;
      if (PLAN_KEYS.has(key) && !withModifier(event))
        keptRef.current = [...keptRef.current, { key, code, bubbles: true }];
    };
    addEventListener('keydown', keep);
    return () => removeEventListener('keydown', keep);
  }, [keptRef]);
}

/** Presses the kept keys again, each once what the one before it did is on the page. */
export function usePressAgain(keptRef: KeptKeysRef): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const press = () => {
      const [next, ...rest] = keptRef.current;
      if (!next) return;
      keptRef.current = rest;
      document.body.dispatchEvent(new KeyboardEvent('keydown', next));
      timer = setTimeout(press);
    };
    timer = setTimeout(press);
    return () => clearTimeout(timer);
  }, [keptRef]);
}
