import { needsNeedle, type ThreadMake } from '../materials/material';
import type { Path } from '../weave/path';

/** How a thread is made ready; of the two arms of one it is one and the same. */
interface Preparation {
  readonly words: string;
}

/** What is done with each end of thread before it is first worked with, by its needle; nothing where it is ready as it is. */
export function preparations({ threads, moves }: Path, make: ThreadMake): [needle: string, Preparation][] {
  const needled = needsNeedle({ make, name: '' });
  const [first] = moves;
  return threads.flatMap(({ needles: [one, other], folded, doubled }): [string, Preparation][] => {
    if (folded) {
      const ends = needled
        ? 'Put a needle on each end of the thread, and mark one of them.'
        : 'Mark one end of the cord, so that you can tell the two apart.';
      // What hangs at the start hangs in the middle of it.
      const middle =
        first?.place.section.zone === 'joint'
          ? ' What is strung first hangs in its middle: even out both ends then.'
          : '';
      const both = { words: `${ends}${middle}` };
      return [
        [one, both],
        [other, both],
      ];
    }
    if (!needled) return [];
    return [
      [
        one,
        {
          words: doubled
            ? 'Thread the needle, and bring both ends of the thread together.'
            : 'Thread the needle.',
        },
      ],
      [other, { words: 'Thread this tail on a needle.' }],
    ];
  });
}
