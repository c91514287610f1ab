import type { Caution } from './cautions';
import {
  formatChange,
  formatLength,
  formatThread,
  type LengthProblem,
  type LengthStyle,
} from './length/length';
import type { Problem, Warning } from './plan';

/** The plain words for what the core found. One place, so that screen and command line say the same. */

export function wordLengthProblem(problem: LengthProblem, style: LengthStyle): string {
  const ways = style.unit === 'in' ? '7 1/4, 7.25 in or 18.5 cm' : '18,5 cm, 185 mm or 7 1/4"';
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

export function wordProblem(problem: Problem, style: LengthStyle): string {
  switch (problem.code) {
    case 'no-wearer':
      return 'Choose who wears it, or take the flat rule, which needs nobody’s wrist.';
    case 'structure':
      return problem.messages.join(' ');
    case 'wrong-holes':
      return problem.beads
        .map(({ role, bead, part }) => {
          const holes = part.holes === 2 ? 'two holes' : 'one hole';
          return `Bead ${role} is the ${part.part} here and needs ${holes}; a ${bead} does not have them. Choose another under Beads.`;
        })
        .join(' ');
    case 'clasp-longer-than-piece':
      return (
        `The clasp and its loops take ${formatLength(problem.allowanceMm, style)}, and the whole piece is to be ` +
        `${formatLength(problem.wishMm, style)}. Nothing is left to weave: take a shorter clasp or fewer loop seeds.`
      );
    case 'too-many-units':
      return `That would be ${problem.units} units; ${problem.most} is the most. Is a bead’s length right?`;
  }
}

export function wordWarning(warning: Warning, style: LengthStyle): { title: string; text: string } {
  switch (warning.code) {
    case 'none-fits':
      return {
        title: 'No count lands right.',
        text: `${warning.nearest.units} units come nearest, ${formatChange(warning.nearest.offMm, style)} off the wish. Another clasp, or one loop seed more or less, moves it.`,
      };
    case 'chosen-does-not-fit':
      return {
        title:
          warning.sit === 'too tight' || warning.sit === 'too loose'
            ? `This sits ${warning.sit}.`
            : 'Not as wished.',
        text: `${formatChange(warning.offMm, style)} off the wish. ${warning.best.units} units fit best.`,
      };
    case 'one-pass-through-clasp':
      return {
        title: 'One thread holds the clasp.',
        text: 'If it wears through, the piece is lost. Go through twice or more.',
      };
    case 'several-lengths':
      return {
        title: `${warning.lengths} lengths of thread.`,
        text: `Each ${formatThread(warning.eachMm, style.unit)}: one longer than about a wingspan and a half tangles. The joins are counted in.`,
      };
    case 'two-states':
      return {
        title: 'This stitch can lie in more than one way.',
        text: `A unit may also come to ${warning.othersMm.map((mm) => `${mm.toFixed(2)} mm`).join(' or ')}. Keep to the way your first units lie, and measure them.`,
      };
    case 'not-settled':
      return {
        title: 'The layout did not come to rest.',
        text: 'The length of a unit is the best found, no more. Work a few units and measure them.',
      };
    case 'odd-shape': {
      const { role, bead, part } = warning.bead;
      return {
        title: `Bead ${role} is an unusual ${part.part}.`,
        text: `A ${bead} can be woven there, but is not made for it. Usual: ${part.shapes?.join(', ') ?? ''}.`,
      };
    }
    case 'sizes':
      return { title: 'These sizes do not suit each other.', text: warning.advice };
    case 'make-a-swatch':
      return {
        title: 'Worked out, not measured.',
        text:
          `Bead lots differ by 2 to 3.5 %${warning.mayShorten > 0 ? `, and the stitch may draw in by up to ${Math.round(warning.mayShorten * 100)} %` : ''}. ` +
          'Lay the first inch on a ruler before you trust the count.',
      };
  }
}

export function wordCaution(caution: Caution): { title: string; text: string } {
  switch (caution) {
    case 'magnet':
      return {
        title: 'Magnet.',
        text: 'Keep it at least 15 cm (6 in) from implanted heart devices. Small magnets are dangerous if swallowed: not for children.',
      };
    case 'nickel':
      return {
        title: 'Nickel.',
        text: 'Plated metal can release nickel. For sensitive skin choose parts sold as nickel free; rules differ by country.',
      };
    case 'sharp-edges':
      return {
        title: 'Sharp edges.',
        text: 'Bugles cut soft thread. Use gel-spun thread, and a seed at each end of a bugle.',
      };
  }
}
