import { formatFine, type LengthStyle } from '../length/length';
import type { Misfit, Substitution } from '../plan/substitution';
import { holeWords, wordProblem } from './problems';
import { tripWords } from './threadDoubts';

/** What comes of another bead, in a few words for a list. */
export function substitutionWords(answer: Substitution, style: LengthStyle): string {
  switch (answer.answer) {
    case 'fits':
      return 'fits as it is';
    case 'refit':
      return `refit: ${answer.units} units`;
    case 'will not fit':
      return `will not fit: ${misfitWords(answer.why, style)}`;
  }
}

function misfitWords(why: Misfit, style: LengthStyle): string {
  switch (why.code) {
    case 'plan':
      return why.problem.code === 'wrong-holes'
        ? why.problem.beads.map(({ part }) => `needs ${holeWords(part.holes)}`).join(', ')
        : wordProblem(why.problem, style);
    case 'shape':
      return `no shape for the ${why.part.part}`;
    case 'apart':
      return `holes ${formatFine(Math.abs(why.offMm), style)} ${why.offMm > 0 ? 'further apart' : 'closer'} than those of ${why.role}`;
    case 'hole':
      return `hole too small at ${tripWords(why.state)}`;
  }
}
