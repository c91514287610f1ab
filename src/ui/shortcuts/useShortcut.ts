'use client';

import { useHotkeys } from 'react-hotkeys-hook';
import { isTypedAhead } from '../fields/typeAhead';
import { useAtHand } from '../shell/atHand';
import { isSingle, shortcut, type ShortcutId } from './shortcuts';

/**
 * Does something at a key. Not while something is typed, nor while a sheet lies over the screen.
 * @param act is told which key it was
 */
export function useShortcut(id: ShortcutId, act: (key: string) => void, enabled = true): void {
  const { settings } = useAtHand();
  const { keys } = shortcut(id);
  const single = isSingle({ keys });
  useHotkeys(single ? keys.split(', ') : keys, (event) => act(event.key), {
    // What stands on a key differs between keyboards: the sign that it makes counts, not the place.
    ...(single && { useKey: true, ignoreModifiers: true, splitKey: NO_SPLIT }),
    // A button or a choice that has the focus does not type; a field does, and keeps its keys to itself.
    enableOnFormTags: true,
    preventDefault: true,
    enabled: enabled && (!single || settings.singleKeys),
    ignoreEventWhen: (event) =>
      isTyping(event.target) || isTypedAhead(event) || sheetIsOpen() || (single && withModifier(event)),
  });
}

/** Signs stand alone: a plus is a plus. */
const NO_SPLIT = ' ';

const TYPED_IN = 'textarea, select, [contenteditable="true"], [role="combobox"], [role="textbox"]';
const TEXTLESS = ['radio', 'checkbox', 'range', 'button', 'submit'];

/** Whether keys that are pressed there write something. */
export function isTyping(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement) return !TEXTLESS.includes(target.type);
  return target instanceof Element && target.matches(TYPED_IN);
}

/** On some keyboards a bracket is made with the third level: that is no command. */
export const withModifier = (event: KeyboardEvent): boolean =>
  (event.ctrlKey || event.metaKey || event.altKey) && !event.getModifierState('AltGraph');

const sheetIsOpen = (): boolean =>
  document.querySelector('.ant-modal-wrap:not([style*="display: none"])') !== null;
