import { head, runs } from '../read/runs';
import type { Act, ToldStep } from '../told/told';
import { withCapital } from './figures';
import { lineOf } from './refrain';
import type { StepWords } from './stepWords';
import { beadsWords, toldWords } from './told';

/** Passes of a manner that who knows the stitch is told of. */
const MANNERS = {
  'step-up': 'step up',
  close: 'close up',
  turn: 'turn at the edge',
  reinforce: 'once more',
} as const;

/**
 * What a needle does in a row, for who knows the stitch: what is picked up, and what is out of the way of the stitch. A step that picks up
 * nothing, and is nothing out of the way, is told in full.
 */
export function briefWords(step: ToldStep, words: StepWords): string {
  const phrases = runs(step.acts, briefKey).flatMap((run) => {
    const phrase = brief(run, words);
    return phrase === null ? [] : [phrase];
  });
  if (phrases.length === 0) return toldWords(step, words);
  return `${withCapital(lineOf(phrases))}.`;
}

const briefKey = (act: Act): string => (act.act === 'go' ? `go ${act.as ?? ''}` : act.act);

/** Null for what goes without saying. */
function brief(run: readonly Act[], words: StepWords): string | null {
  const act = head(run);
  switch (act.act) {
    case 'pick':
      return runs(act.beads, ({ role }) => role)
        .map((same) => beadsWords(same.length, head(same).role, words))
        .join(' ');
    case 'go':
      return act.as && act.as in MANNERS ? MANNERS[act.as as keyof typeof MANNERS] : null;
    case 'weave':
      return act.asBefore ? 'weave it in' : 'weave on, hidden';
    case 'attach':
      return `the ${act.finding}`;
    case 'enclose':
      return `set in 1 ${words.role(act.role)}`;
    case 'again':
      return 'the same way again';
    case 'knot':
      return act.knot === 'between beads' ? 'knot' : act.knot;
    case 'begin':
      return act.next ? 'the next length' : act.stop === 'foreign' ? 'stop bead' : null;
    case 'turn':
      return act.how === 'over' ? 'turn over' : 'turn end for end';
    case 'release':
      return 'stop bead off';
    case 'tail':
      return 'weave in';
    case 'under':
    case 'around':
    case 'between':
    case 'skip':
      return null;
  }
}
