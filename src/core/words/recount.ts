import type { Question, Verdict } from '../making/recount';
import { head, list, runs } from '../read/runs';
import { ordinal, plural } from './numbers';

/** The beads of a row: `2 A and 1 B`. */
const beadsWords = (beads: readonly string[]): string =>
  list(runs(beads, (bead) => bead).map((alike) => `${alike.length} ${head(alike)}`));

/** A question of the recount, as the maker is asked it: what it should be is not said. */
export function questionWords(question: Question, rowWord: string): string {
  const rows = plural(rowWord);
  switch (question.ask) {
    case 'rows':
      return `How many ${rows} are there, from the first to where you are?`;
    case 'rows to':
      return `Find the ${ordinal(question.nth)} ${rowWord} of ${beadsWords(question.beads)}. Which ${rowWord} is it, counted from the first?`;
    case 'beads':
      return question.from === question.to
        ? `How many ${question.bead} are in ${rowWord} ${question.from}?`
        : `How many ${question.bead} are in ${rows} ${question.from} to ${question.to}?`;
  }
}

const WRONG: Readonly<Record<Exclude<Verdict['kind'], 'none'>, (rowWord: string) => string>> = {
  'row left out': (rowWord) => `A ${rowWord} was left out`,
  'row twice': (rowWord) => `A ${rowWord} was worked twice`,
  'bead left out': () => 'A bead was left out',
  'bead too many': () => 'There is a bead too many',
};

/** Where the slip most likely is, and what can be done. */
export function verdictWords(
  { kind, rows, units, chance, alike }: Verdict,
  rowWord: string,
): { readonly title: string; readonly text: string } {
  if (kind === 'none' || !rows || !units)
    return { title: 'All is as it should be.', text: 'What you counted agrees with the steps.' };
  const per = `${Math.round(chance * 100)} in 100`;
  const [low, high] = [rows[0] + 1, rows[1] + 1];
  const [from, to] = [Math.max(0, units[0]) + 1, Math.max(0, units[1]) + 1];
  const where = low === high ? `${rowWord} ${low}` : `${plural(rowWord)} ${low} to ${high}`;
  const unit = from === to ? `unit ${from}` : `units ${from} to ${to}`;
  if (alike && low !== high)
    return {
      title: `${WRONG[kind](rowWord)}.`,
      text: `The ${plural(rowWord)} are all alike there, so it makes no difference which: set the place to what you have, and go on.`,
    };
  return {
    title: `${WRONG[kind](rowWord)}, most likely in ${where}.`,
    text: `That is ${unit}; ${per} by what you counted. Look at it beside the one before: if it is so, rip back to there, or go on where it does not show.`,
  };
}
