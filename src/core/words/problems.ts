import { PLACE_FACTS } from '../body/places';
import {
  formatFigure,
  formatLength,
  type Decimal,
  type LengthProblem,
  type LengthStyle,
  type ReadStyle,
  type ReadUnit,
} from '../length/length';
import type { Problem } from '../plan/plan';
import { withArticle } from './figures';
import { CLOSING_WORDS } from './closings';

/** How many holes a bead has. */
export const holeWords = (holes: 1 | 2): string => (holes === 2 ? 'two holes' : 'one hole');

/** How a length may be written. */
const WAYS: Readonly<Record<ReadUnit, (decimal: Decimal | undefined) => string>> = {
  in: (decimal) => `7 1/4, ${formatFigure(7.25, 2, decimal)} in or ${formatFigure(18.5, 1, decimal)} cm`,
  cm: (decimal) => `${formatFigure(18.5, 1, decimal)} cm, 185 mm or 7 1/4"`,
  mm: (decimal) => `${formatFigure(1.5, 1, decimal)} or ${formatFigure(1.5, 1, decimal)} mm`,
};

/** What is wrong with a length as it was typed, and what to write instead. */
export function wordLengthProblem(problem: LengthProblem, style: ReadStyle): string {
  const ways = WAYS[style.unit](style.decimal);
  switch (problem.code) {
    case 'empty':
      return `Write a length, such as ${ways}.`;
    case 'unreadable':
      return `“${problem.text}” is not a length. Write it like ${ways}.`;
    case 'not-positive':
      return `A length is more than nothing. Write it like ${ways}.`;
    case 'implausible': {
      const range = `${formatLength(problem.range.minMm, style)} to ${formatLength(problem.range.maxMm, style)}`;
      const perhaps =
        problem.perhaps.length > 0
          ? ` Did you mean ${problem.perhaps.join(' or ')}? Write the unit with it.`
          : '';
      return `${formatLength(problem.mm, style)} cannot be right here: ${range} is possible.${perhaps}`;
    }
  }
}

/** Why there is no plan, and what to do about it. */
export function wordProblem(problem: Problem, style: LengthStyle): string {
  switch (problem.code) {
    case 'no-girth':
      return problem.nobody
        ? `Choose who wears it, or a way to find the length that needs nobody’s ${problem.place}.`
        : `The ${problem.place} is not measured yet. ${PLACE_FACTS[problem.place].how}`;
    case 'no-place':
      return `The length of ${withArticle(problem.kind)} goes by no girth: under “Who and length”, choose another way to find it.`;
    case 'structure':
      return problem.messages.join(' ');
    case 'wrong-holes':
      return problem.beads
        .map(
          ({ role, bead, part }) =>
            `Bead ${role} is the ${part.part} here and needs ${holeWords(part.holes)}; ${withArticle(bead)} has other holes. Choose another under Beads.`,
        )
        .join(' ');
    case 'cannot-close':
      return (
        `This stitch cannot be ${CLOSING_WORDS[problem.closing]} as it stands. ` +
        (problem.why === null ? '' : `${problem.why} `) +
        (problem.can.length > 0
          ? `It can be ${problem.can.map((one) => CLOSING_WORDS[one]).join(' or ')}: change it under Clasp and ends.`
          : 'Choose another stitch, or fewer rows.')
      );
    case 'rules':
      return `No count keeps all of these: ${problem.rules.map(({ why }) => why).join('; ')}. Let one of them go.`;
    case 'clasp-longer-than-piece':
      return (
        `The clasp and its loops take ${formatLength(problem.allowanceMm, style)}, and the whole piece is to be ` +
        `${formatLength(problem.wishMm, style)}. Nothing is left to weave: take a shorter clasp or fewer loop seeds.`
      );
    case 'strung-in-itself':
      return `The ${problem.part} would be strung in itself. Take a bead in its place in one of the two parts.`;
    case 'cannot-be-strung':
      return `The ${problem.part} is about no body, so that no thread leads through it: string a bead in its place.`;
    case 'part':
      return `The ${problem.part}: ${wordProblem(problem.of, style)}`;
    case 'fault':
      return `This could not be worked out, by a fault of the program (${problem.why}). Your choices are kept: take the last one back, or choose otherwise.`;
    case 'too-many-units':
      return `That would be ${problem.units} units; ${problem.most} is the most. Is a bead’s length right?`;
  }
}
