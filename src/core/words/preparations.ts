import { needsNeedle, type ThreadMake } from '../materials/material';
import type { Path, Thread } from '../weave/path';

/** What is made ready before one of these needles is first worked with, in words. */
export interface Preparation {
  readonly needles: readonly string[];
  readonly words: string;
}

/** What is done with each thread, and with its tail, before it is first worked with; nothing where it is ready as it is. */
export function preparations({ threads, moves }: Path, make: ThreadMake): Preparation[] {
  const needled = needsNeedle({ make, name: '' });
  // What is sewn on first hangs in the middle of a folded thread.
  const fromMiddle = moves[0]?.place.section.zone === 'joint';
  return threads.flatMap((thread) =>
    thread.folded ? [folded(thread, needled, fromMiddle)] : needled ? alone(thread) : [],
  );
}

function folded({ needles }: Thread, needled: boolean, fromMiddle: boolean): Preparation {
  const ends = needled
    ? 'Put a needle on each end of the thread, and mark one of them.'
    : 'Mark one end of the cord, so that you can tell the two apart.';
  const middle = fromMiddle ? ' What is strung first hangs in its middle: even out both ends then.' : '';
  return { needles, words: `${ends}${middle}` };
}

function alone({ needles: [needle, tail], doubled }: Thread): Preparation[] {
  const both = doubled ? ', and bring both ends of the thread together' : '';
  return [
    { needles: [needle], words: `Thread the needle${both}.` },
    { needles: [tail], words: 'Thread this tail on a needle.' },
  ];
}
