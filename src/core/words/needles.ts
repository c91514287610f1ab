import type { Direction } from '../told/told';
import { TAIL, type NeedleName } from '../weave/path';

/** A needle with nothing to tell it from others. */
export const WORKING = 'working';

/**
 * Of the two needles of one cord one is marked: they change sides at every crossing, so that no side is their name.
 */
const ARMS: Readonly<Record<string, string>> = { left: 'marked', right: 'plain' };

/** On which side of the other needle one lies. */
const SIDES: Readonly<Record<Direction, string>> = {
  up: 'above',
  down: 'below',
  left: 'on the left',
  right: 'on the right',
  towards: 'in front',
  away: 'behind',
};

/** What an end of thread is called: `working`, `tail`, `marked`. */
export const armWords = (needle: string): string => ARMS[needle] ?? needle;

/**
 * A needle as one says it: `working needle`, `tail`, `needle of seam 1`, `tail of section 2`, `marked needle, now above`.
 * @param lies on which side of the other needle of its cord
 * @param needled whether there is one: cord and elastic go by their own ends
 */
export function needleWords({ of, name }: NeedleName, lies: Direction | null = null, needled = true): string {
  const carrier = needled ? 'needle' : 'end';
  const own = name === TAIL ? TAIL : of && name === WORKING ? carrier : `${armWords(name)} ${carrier}`;
  const side = lies ? `, now ${SIDES[lies]}` : '';
  return `${of ? `${own} of ${of}` : own}${side}`;
}
