import type { Closing, Kind, School } from './body/kinds';
import { PLACE_FACTS, type Place } from './body/places';
import type { WearPart } from './body/wear';
import type { Caution } from './cautions';
import type { ClosureDoubt, ClosurePart } from './closures/closure';
import {
  formatChange,
  formatLength,
  formatFigure,
  formatFine,
  formatThread,
  type LengthProblem,
  type LengthStyle,
} from './length/length';
import type { Problem, Warning } from './plan';
import type { Misfit, Substitution } from './substitution';
import type { HoleState } from './supplies/holeFill';
import type { ThreadDoubt } from './supplies/threadSense';

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
    case 'no-girth':
      return problem.nobody
        ? `Choose who wears it, or a way to find the length that needs nobody’s ${problem.place}.`
        : `The ${problem.place} is not measured yet. ${PLACE_FACTS[problem.place].how}`;
    case 'structure':
      return problem.messages.join(' ');
    case 'wrong-holes':
      return problem.beads
        .map(({ role, bead, part }) => {
          const holes = part.holes === 2 ? 'two holes' : 'one hole';
          return `Bead ${role} is the ${part.part} here and needs ${holes}; a ${bead} does not have them. Choose another under Beads.`;
        })
        .join(' ');
    case 'cannot-close':
      return (
        `This stitch cannot be ${CLOSING_WORDS[problem.closing]} as it stands. ` +
        (problem.can.length > 0
          ? `It can be ${problem.can.map((one) => CLOSING_WORDS[one]).join(' or ')}: change it under Ends.`
          : 'Choose another stitch, or fewer rows.')
      );
    case 'rules':
      return `No count keeps all of these: ${problem.rules.map(({ why }) => why).join('; ')}. Let one of them go.`;
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
    case 'breaks-rule':
      return {
        title: warning.rule.must
          ? `${warning.units} will not do.`
          : `${warning.units} would do, with a blemish.`,
        text: `Better another count, because ${warning.rule.why}.`,
      };
    case 'typical-size':
      return {
        title: 'A usual size, nobody’s own.',
        text: `The girths are those of a ${warning.size} adult as tables give them. Measure before you close it.`,
      };
    case 'between-knuckle':
      return {
        title: 'Knuckle and base are far apart.',
        text: 'More than two sizes lie between them, so the ring is sized between. Try it on before you close it.',
      };
    case 'flat-strip-long':
      return {
        title: 'A flat strip lies well only as a collar.',
        text: `Longer than ${formatLength(warning.mostMm, style)} it stands off the neck. Take a softer stitch or a rope, or a shorter strip with chains.`,
      };
    case 'over-the-head':
      return {
        title: 'It must go over the head.',
        text: `Closed for good at ${formatLength(warning.finishedMm, style)} it will hardly pass: a head is about ${formatLength(warning.headMm, style)} round. Take a clasp, or make it longer.`,
      };
    case 'chain-ran-out':
      return {
        title: 'No room for chain.',
        text: `The woven part alone is ${formatChange(warning.offMm, style)} off the wish. Weave fewer units, and chain makes up the rest.`,
      };
    case 'end-fixed-first':
      return {
        title: 'One end is final from the start.',
        text: `The clasp at the ${warning.ends.join(' and the ')} is sewn on before the body is woven. Only the other end can still be fitted.`,
      };
    case 'closure':
      return wordDoubt(warning.doubt, style);
    case 'gauge-differs':
      return {
        title: 'That is not what the beads would make.',
        text: `Your unit comes to ${formatFine(warning.gaugeMm, style)}; thread path and beads make ${formatFine(warning.workedOutMm, style)}. Count the units again, or look whether these are the beads.`,
      };
    case 'example-figures':
      return {
        title: 'Example figures, nobody’s own.',
        text: 'Work a few units of your stitch, and write under Structure how many there are, how long they measure and how much thread they took.',
      };
    case 'no-path':
      return {
        title: 'Your own stitch.',
        text: 'Beads, length and thread are reckoned from what you measured. Its thread path is not known, so there are no steps, holes are not checked, and the picture shows amounts, not places.',
      };
    case 'other-thread':
      return {
        title: 'Your swatch is in another thread.',
        text: 'Its gauge is used all the same. A thicker thread makes a unit a little longer.',
      };
    case 'one-pass-through-clasp':
      return {
        title: 'One thread holds the clasp.',
        text: 'If it wears through, the piece is lost. Go through twice or more.',
      };
    case 'thread':
      return wordThreadDoubt(warning.doubt, style);
    case 'several-lengths':
      return {
        title: `${warning.lengths} lengths of thread.`,
        text: `At most ${formatThread(warning.longestMm, style.unit, style.decimal)} each: one longer than about a wingspan and a half tangles. The joins are counted in.`,
      };
    case 'two-states':
      return {
        title: 'This stitch can lie in more than one way.',
        text: `A unit may also come to ${warning.othersMm.map((mm) => formatFine(mm, style)).join(' or ')}. Keep to the way your first units lie, and measure them.`,
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
        title: warning.source === 'table' ? 'From a chart, not measured.' : 'Worked out, not measured.',
        text:
          `Bead lots differ by 2 to 3.5 %${warning.mayShorten > 0 ? `, and the stitch may draw in by up to ${Math.round(warning.mayShorten * 100)} %` : ''}. ` +
          'Lay the first inch on a ruler before you trust the count.',
      };
  }
}

export const CLOSING_WORDS: Readonly<Record<Closing, string>> = {
  clasp: 'closed with a clasp',
  joined: 'joined into a ring',
  open: 'left open at both ends',
};

/** How a length is found, whatever the kind of piece. */
export const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  ease: 'body and ease',
  flat: 'one length',
  like: 'one that fits',
  drop: 'how far it falls',
  over: 'what it goes over',
  elastic: 'elastic',
};

export const CLOSURE_PART_WORDS: Readonly<Record<ClosurePart, string>> = {
  clasp: 'clasp',
  loops: 'loops of seeds',
  rings: 'jump rings',
  chain: 'chain on both sides',
};

/** What a part of the wish is called; the body by its place. */
export function wordWearPart(part: WearPart['what'], kind: Kind, place: Place | null): string {
  switch (part) {
    case 'body':
      return place ?? (kind === 'bail' ? 'what it goes over' : 'body');
    case 'ease':
      return 'ease';
    case 'wide band':
      return 'for a wide band';
    case 'thickness':
      return 'for thickness';
    case 'drop':
      return 'for the drop';
    case 'length':
      return 'finished length';
    case 'other thickness':
      return 'for a thickness unlike that piece’s';
  }
}

/** Where in the work a trip is made: its pass, and the end it belongs to. */
export const tripWords = ({ bead, at }: HoleState): string => {
  const { pass, section } = at.move.place;
  const where = /^(start|end) loop$/.test(section) ? ` at the ${section.split(' ')[0]}` : '';
  const unit = section === 'body' ? `, unit ${bead.place.unit + 1}` : '';
  return `trip ${at.trip}, ${pass === 'base' ? 'the weave itself' : pass}${where}${unit}`;
};

function wordThreadDoubt(doubt: ThreadDoubt, style: LengthStyle): { title: string; text: string } {
  switch (doubt.code) {
    case 'will-not-go':
      return {
        title: `It will not go through ${doubt.bead}.`,
        text: doubt.state.eyePasses
          ? `At ${tripWords(doubt.state)}, thread and needle want ${percent(doubt.state.at.fill)} of the hole. Forced, the bead cracks. What helps stands under Thread.`
          : 'The eye of the needle is wider than the hole. Forced, the bead cracks. What helps stands under Thread.',
      };
    case 'two-cords':
      return {
        title: `Two cords do not go through ${doubt.bead}.`,
        text: `Crossing, they want ${percent(doubt.state.at.fill)} of the hole. What helps stands under Thread.`,
      };
    case 'goes-hard':
      return {
        title: `It goes hard through ${doubt.bead}.`,
        text: `At ${tripWords(doubt.state)}, ${percent(doubt.state.at.fill)} of the hole is taken. Try it on one bead first; do not force it.`,
      };
    case 'sharp-and-soft':
      return {
        title: `${doubt.beads.join(' and ')} can cut this thread.`,
        text: 'Their edges are sharp and the thread is soft. Take gel-spun thread, or a small seed on either side of each.',
      };
    case 'stiff-for-supple':
      return {
        title: 'A stiff thread for a supple piece.',
        text: `This stitch is to be ${doubt.feel}. A thinner, single, braided thread lets it fall.`,
      };
    case 'elastic-knots':
      return {
        title: 'Elastic is tied, not hitched.',
        text: 'Tie a square knot with one more turn while it is stretched, let it slip into a bead with a wide hole, and trim away from it. Catch no bead in the knot.',
      };
    case 'change-in-full-hole':
      return {
        title: `Full holes where thread is changed, after unit ${doubt.unit + 1}.`,
        text: 'Both ends must be woven in there. Move the change, or take a finer needle or a thinner thread.',
      };
    case 'length-too-long':
      return {
        title: `One length is ${formatThread(doubt.longestMm, style.unit, style.decimal)}.`,
        text: doubt.joins
          ? 'That is more than is handy to pull through. Move the change, or add one.'
          : 'Elastic is not joined on the way: every knot may slip. Begin in its middle, or make the piece in parts.',
      };
    case 'thread-shows':
      return {
        title: `The thread shows: ${doubt.colour} beside ${doubt.like}.`,
        text: `Up to ${formatFine(doubt.longestMm, style)} of it lies bare between beads. In ${doubt.like} it vanishes.`,
      };
  }
}

/** What comes of another bead, in a few words for a list. */
export function substitutionWords(told: Substitution, style: LengthStyle): string {
  switch (told.answer) {
    case 'fits':
      return 'fits as it is';
    case 'refit':
      return `refit: ${told.units} units`;
    case 'will not fit':
      return `will not fit: ${misfitWords(told.why, style)}`;
  }
}

function misfitWords(why: Misfit, style: LengthStyle): string {
  switch (why.code) {
    case 'plan':
      return wordProblem(why.problem, style);
    case 'shape':
      return `no shape for the ${why.part.part}`;
    case 'apart':
      return `holes ${formatFine(Math.abs(why.offMm), style)} ${why.offMm > 0 ? 'further apart' : 'closer'} than those of ${why.role}`;
    case 'hole':
      return `hole too small at ${tripWords(why.state)}`;
  }
}

export const percent = (part: number): string => `${Math.round(100 * part)} %`;

function wordDoubt(doubt: ClosureDoubt, style: LengthStyle): { title: string; text: string } {
  switch (doubt.code) {
    case 'bar-cannot-swing':
      return {
        title: 'The bar cannot swing through its ring.',
        text: `Half of it must go through first, with what is sewn to it. Take ${doubt.seeds} seeds a side at that end, or end the work in small beads.`,
      };
    case 'wire-too-thick':
      return {
        title: `The wire of a ${doubt.ring} does not pass the bead.`,
        text: `The wire is ${doubt.wireMm} mm, the hole ${doubt.holeMm} mm. Sew a loop of seeds and hang the ring in that.`,
      };
    case 'ring-too-small':
      return {
        title: `A ${doubt.ring} is too small here.`,
        text: `Inside it is ${doubt.insideMm} mm; clasp and thread want ${formatFigure(doubt.needsMm, 1, style.decimal)} mm.`,
      };
    case 'loops-and-width':
      return {
        title: `${doubt.loops} loops do not fit side by side.`,
        text:
          doubt.loops > doubt.most
            ? `This stitch, as wide as it is, holds ${doubt.most} at an end; the others stay empty and are not counted. Take a clasp with fewer loops, or a wider strip.`
            : `The strip is ${formatLength(doubt.widthMm, style)} wide; so many loops take ${formatLength(doubt.needsMm, style)}. Take a clasp with fewer loops, or a wider strip.`,
      };
    case 'one-loop-for-wide-strip':
      return {
        title: 'A wide strip on one loop turns.',
        text: `At ${formatLength(doubt.widthMm, style)} wide a slide tube or a box with several loops holds it flat.`,
      };
    case 'turned-loop':
      return {
        title: 'The loop of this clasp lies flat.',
        text: 'One jump ring, or a seed more on each side, turns it the way the work lies.',
      };
    case 'loop-count':
      return doubt.seeds < doubt.least
        ? {
            title: `A loop of ${doubt.seeds} is tight.`,
            text: `${doubt.least} or ${doubt.most} seeds pass over. A tight loop cracks beads or cuts thread.`,
          }
        : {
            title: `A loop of ${doubt.seeds} is loose.`,
            text: `${doubt.least} or ${doubt.most} seeds hold. A loose loop loses the piece.`,
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
    case 'children':
      return {
        title: 'For a child.',
        text: 'Small beads are a choking hazard for young children, and a cord round an infant’s neck can strangle: a child’s necklace needs a breakaway clasp. Rules on lead and nickel differ by country.',
      };
    case 'swelling':
      return {
        title: 'Leave room.',
        text: 'Fingers and hands swell in heat and overnight. A ring or bangle that is tight to take off is too tight: take it off at night.',
      };
    case 'wire-ends':
      return { title: 'Wire ends fly.', text: 'Wear eye protection when you cut chain or open rings.' };
    case 'glue':
      return { title: 'Glue.', text: 'Air the room and wear gloves; keep to the words on the tube.' };
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
