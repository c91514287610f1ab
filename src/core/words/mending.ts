import type { Mending } from '../making/mending';
import { counted } from './figures';

/**
 * What to do about a broken bead, in words.
 * @param nameOf what a bead of a role is called
 */
export function mendingWords(
  { holds, trips, before, after }: Mending,
  nameOf: (role: string) => string,
): string {
  const through = `${counted(trips, 'trip')} of thread went through it`;
  if (!holds)
    return `${through}, and it alone joins what is on either side of it: a new bead does not go onto a thread whose ends are sewn in.`;
  const place = [
    before && `out of the ${nameOf(before.role)} before it`,
    after && `into the ${nameOf(after.role)} after it`,
  ];
  const way = place.filter(Boolean).join(', a new bead, ');
  return `What is beside it holds together another way. Crack away what is left of it with pliers, under a cloth and with your eyes covered, without nicking the thread; weave in a thread, ${way || 'a new bead in its place'}, ${
    trips > 1 ? `and through it ${trips} times, as often as before` : 'as the thread went before'
  }. ${through}.`;
}
