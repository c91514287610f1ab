import { list } from '../read/runs';
import type { Direction, Held } from '../told/told';
import { withCapital } from './figures';

/** The way that a step goes, or those that it goes by turns; nothing where it grows that way all along. */
export function goingWords(going: readonly (Direction | null)[], { grows, round }: Held): string {
  const across = going.flatMap((way) => (way === 'left' || way === 'right' ? [way] : []));
  if (across.length < going.length || (across.length === 1 && across[0] === grows)) return '';
  const from = round ? AROUND : ACROSS;
  const ways = list(across.map((way) => from[way]));
  return `${withCapital(across.length > 1 ? `by turns ${ways}` : ways)}.`;
}

const ACROSS = { left: 'from right to left', right: 'from left to right' } as const;
const AROUND = { left: 'round to the left', right: 'round to the right' } as const;

/** How the work is held, in words. */
export function heldWords({ grows, round }: Held, turning = false): string {
  if (round === 'tube')
    return 'Held upright, its start below: left and right are as you see the side that is towards you.';
  if (round) return 'Turned as you go, so that outwards is up: left and right are as you see it then.';
  if (grows === null) return 'Turned in the hand as you go.';
  const held = grows === 'up' ? 'upwards, its start below' : `to the ${grows}`;
  const turned = turning
    ? ' Turned over at the end of each row: left and right are as you see the face that is up.'
    : '';
  return `Held so that it grows ${held}.${turned}`;
}
