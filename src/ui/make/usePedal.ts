'use client';

import { useEffect, useRef } from 'react';
import { isTyping } from '../shortcuts/useShortcut';
import { shortcut, type ShortcutId } from '../shortcuts/shortcuts';

type Pressed = Partial<Record<ShortcutId, () => void>>;

/** How a key that a pedal sends is called in the list of keys. */
const nameOf = ({ key }: KeyboardEvent): string => key.toLowerCase().replace('arrow', '');

/**
 * Keys of a foot pedal, which move the work whatever has the focus: they write nothing anywhere. They stay where single keys are
 * switched off.
 */
export function usePedal(pressed: Pressed): void {
  const latest = useRef(pressed);
  useEffect(() => {
    latest.current = pressed;
  });
  useEffect(() => {
    const hear = (event: KeyboardEvent) => {
      // Page keys write nothing in a field either.
      const page = event.key === 'PageDown' || event.key === 'PageUp';
      if (event.ctrlKey || event.metaKey || event.altKey || (isTyping(event.target) && !page)) return;
      if (document.querySelector('.ant-modal-wrap:not([style*="display: none"])')) return;
      for (const [id, act] of Object.entries(latest.current))
        if (
          shortcut(id as ShortcutId)
            .keys.split(', ')
            .includes(nameOf(event))
        ) {
          // A choice that has the focus keeps its arrows.
          if (nameOf(event) !== event.key.toLowerCase() && event.target instanceof HTMLInputElement) return;
          event.preventDefault();
          if (!event.repeat) act();
        }
    };
    addEventListener('keydown', hear);
    return () => removeEventListener('keydown', hear);
  }, []);
}
