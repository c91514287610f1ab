import type { KeyboardEvent } from 'react';

/** Letters typed so soon after one another belong together, ms. */
const TOGETHER_MS = 1500;
/** A word begins with a letter or a figure, and has any sign in it, spaces too: no button is pressed by one. */
const BEGINS = /^[\p{L}\p{N}]$/u;
const GOES_ON = /^.$/u;

const NOTHING = { text: '', at: -Infinity };
let typed = NOTHING;
let answered: Event | null = null;

/** A space that belongs to a word presses nothing, in browsers too that press when a key is let go. */
export function letGo(event: KeyboardEvent<HTMLElement>): void {
  const { key, timeStamp } = event;
  if (key === ' ' && timeStamp - typed.at < TOGETHER_MS) event.preventDefault();
}

/** Whether a key was a letter of a word that is typed ahead: then it is nobody’s shortcut. */
export const isTypedAhead = (event: Event): boolean => event === answered;

const isWritten = (element: Element) => element.matches('input:not([type="radio"]), textarea, select');

const nameOf = (option: HTMLElement): string =>
  ((option.closest('label') ?? option).textContent ?? '').trim().toLocaleLowerCase();

/**
 * As in any list, the first letters of a choice or a button of a group bring the focus to it: the group that has the focus.
 * The same letter again goes on to the next.
 */
export function typeAhead(event: KeyboardEvent<HTMLElement>): void {
  const { key, target, timeStamp, ctrlKey, metaKey, altKey } = event;
  if (key === 'Shift') return;
  const together = timeStamp - typed.at < TOGETHER_MS;
  if (ctrlKey || metaKey || altKey || !(together ? GOES_ON : BEGINS).test(key)) {
    // Whoever goes elsewhere has done with the word.
    typed = NOTHING;
    return;
  }
  if (!(target instanceof Element) || isWritten(target)) return;
  const group = target.closest('fieldset');
  if (!group) return;
  const letter = key.toLocaleLowerCase();
  const text = together && typed.text !== letter ? typed.text + letter : letter;
  const options = [...group.querySelectorAll<HTMLElement>('button, input[type="radio"]')];
  const here = options.indexOf(target as HTMLElement);
  // One letter looks behind where the focus is; more of them may still mean what has it.
  const from = here + (text.length === 1 ? 1 : 0);
  const inTurn = [...options.slice(from), ...options.slice(0, from)];
  const found = inTurn.find((option) => nameOf(option).startsWith(text));
  if (!found && !together) return;
  // A letter in the middle of a word belongs to it, whether the word is found or not.
  event.preventDefault();
  answered = event.nativeEvent;
  typed = { text: found ? text : typed.text, at: timeStamp };
  if (!found) return;
  found.focus();
  if (found instanceof HTMLInputElement) found.click();
}
