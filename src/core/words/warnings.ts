import type { Closing } from '../body/kinds';
import { formatFine, formatLength, formatThread, type LengthStyle } from '../length/length';
import type { Disagreement } from '../gauge/gauge';
import type { Warning } from '../plan/plan';
import { wordClosureDoubt } from './closureDoubts';
import { counted, offTarget, withArticle, withCapital } from './figures';
import type { Said } from './said';
import { wordThreadDoubt } from './threadDoubts';

/** What moves the length of a piece by less than a unit, by how it is closed. */
const MOVES: Readonly<Record<Closing, string>> = {
  clasp: 'Another clasp, or one loop seed more or less, moves it.',
  joined: 'Beads of another size move it, or a little more or less room.',
  open: 'Beads of another size move it.',
};

/** What the two say, of whatever they disagree on. */
function twoOpinions({ pitchMm, thicknessMm }: Disagreement, style: LengthStyle): string {
  const opinions = (what: string, [laidOut, closed]: readonly [number, number]) =>
    `${what} is ${formatFine(laidOut, style)} as the beads lie, ${formatFine(closed, style)} by the rule: ${percent(laidOut, closed)} apart.`;
  const thick = Math.abs(thicknessMm[0] / thicknessMm[1] - 1) > Math.abs(pitchMm[0] / pitchMm[1] - 1);
  return thick ? opinions('The work’s thickness', thicknessMm) : opinions('A unit', pitchMm);
}
const percent = (a: number, b: number) => `${Math.round(100 * Math.abs(a / b - 1))} %`;

/** What is not known of a part made apart, and how to find it out. */
function notMeasured(
  { by, betweenMm }: Extract<Warning, { code: 'part-not-measured' }>,
  style: LengthStyle,
): string {
  const [least, most] = betweenMm.map((mm) => formatFine(mm, style));
  const measure = 'Make one, string it between two neighbours, measure it, and write that under This part.';
  switch (by) {
    case 'two points':
      return `It is between ${least} and ${most} wide, by how tight a hand draws it. Make one, measure it from point to point, and write that under This part.`;
    case 'its middle':
      return `Strung, it takes between ${least} and ${most} of the thread’s length, for its beads give way to their neighbours. ${measure}`;
    case 'its loop':
      return `Strung, it takes between ${least} and ${most} of the thread’s length, by how its loop lies. ${measure}`;
  }
}

/** What a weaver should know about a plan that stands. */
export function wordWarning(warning: Warning, style: LengthStyle): Said {
  switch (warning.code) {
    case 'none-fits':
      return {
        title: 'No whole number of units fits.',
        text: `${counted(warning.nearest.units, 'unit')} come nearest, ${offTarget(warning.nearest, style)}. ${MOVES[warning.closing]}`,
      };
    case 'chosen-does-not-fit':
      return {
        title:
          warning.sit === 'too tight' || warning.sit === 'too loose'
            ? `This sits ${warning.sit}.`
            : 'This is not the length you want.',
        text: `${withCapital(offTarget(warning.chosen, style))}. ${counted(warning.best.units, 'unit')} fit best.`,
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
        text: `The woven part alone makes it ${offTarget(warning.chosen, style)}. Weave fewer units, and chain makes up the rest.`,
      };
    case 'end-fixed-first':
      return {
        title: 'One end is final from the start.',
        text: `The clasp at the ${warning.ends.join(' and the ')} is sewn on before the body is woven. Only the other end can still be fitted.`,
      };
    case 'closure':
      return wordClosureDoubt(warning.doubt, style);
    case 'gauge-differs':
      return {
        title: 'That is not what the beads would make.',
        text: `Your unit comes to ${formatFine(warning.gaugeMm, style)}; thread path and beads make ${formatFine(warning.workedOutMm, style)}. Count the units again, or look whether these are the beads.`,
      };
    case 'example-figures':
      return {
        title: 'Example figures, nobody’s own.',
        text: 'Work a few units of your stitch, and write under Stitch how many there are, how long they measure and how much thread they took.',
      };
    case 'no-path':
      return {
        title: 'Your own stitch.',
        text: 'Beads, length and thread are reckoned from what you measured. Its thread path is not known, so there are no steps, holes are not checked, and the picture shows amounts, not places.',
      };
    case 'edge-full':
      return {
        title: `The edge of the ${warning.part} is too full.`,
        text: `Bead ${warning.roles.join(' and ')} of it has no room for the thread that sews the piece on. Take fewer passes under Clasp and ends, a finer needle or thread, or beads with a wider hole.`,
      };
    case 'way-full':
      return {
        title: `There is no way through the ${warning.part}.`,
        text: `From joint to joint the thread goes through it, and bead ${warning.roles.join(' and ')} of it has no room for that. Take a finer thread or needle, or beads with a wider hole.`,
      };
    case 'slips':
      return warning.into === 'hole'
        ? {
            title: `The hole of the ${warning.part} is wider than the bead beside it.`,
            text: 'That bead slips into it, and how long the piece becomes is anybody’s guess. String a larger bead on either side of it, or weave it of smaller ones.',
          }
        : {
            title: `The loop of the ${warning.part} is wider than the bead beside it.`,
            text: 'It slips over that bead and wanders along the thread. Take fewer or smaller beads in the loop, or string a larger bead on either side of it.',
          };
    case 'loop-too-thick':
      return {
        title: `The loop of the ${warning.part} does not go into a ${warning.ring}.`,
        text: `Its beads are ${formatFine(warning.beadMm, style)} thick, and the ring is ${formatFine(warning.insideMm, style)} wide inside. Take smaller beads for the loop, or larger rings.`,
      };
    case 'loose-parts':
      return {
        title: `Nothing takes up ${warning.parts.map((part) => `the ${part}`).join(' or ')}.`,
        text: 'What is framed, a ball or a drop is strung in the place of a bead, and motifs are joined by Motifs in a line, under This part; a top closes a piece that is closed by a clasp, and a drop hangs in the last link of its extender, under Clasp and ends. Choose that, or take the part out.',
      };
    case 'part-not-measured':
      return {
        title: `How much room a ${warning.part} takes is not sure.`,
        text: notMeasured(warning, style),
      };
    case 'other-thread':
      return {
        title: 'Your swatch is in another thread.',
        text: 'Its gauge is used all the same. A thicker thread makes a unit a little longer.',
      };
    case 'one-pass-through-clasp':
      return {
        title: `One thread holds the ${warning.holder}.`,
        text: 'If it wears through, the piece is lost. Go through twice or more.',
      };
    case 'thread':
      return wordThreadDoubt(warning.doubt, style);
    case 'several-lengths':
      return {
        title: `${warning.lengths} lengths of thread.`,
        text: `At most ${formatThread(warning.longestMm, style.unit, style.decimal)} each: one longer than about a wingspan and a half tangles. The joins are counted in.`,
      };
    case 'soft-net':
      return {
        title: 'This net is soft.',
        text: `By how tight you draw it, a unit lies anywhere from ${formatFine(warning.betweenMm[0], style)} to ${formatFine(warning.betweenMm[1], style)}. Keep to the way your first units lie, and measure them.`,
      };
    case 'two-opinions':
      return {
        title: 'Layout and rule of thumb disagree.',
        text: `${twoOpinions(warning.of, style)} Make a swatch before you buy the beads.`,
      };
    case 'not-settled':
      return {
        title: 'These beads did not come to rest.',
        text: 'Laid out bead by bead they find no place to stay, so the length of a unit is a rule of thumb. Make a swatch before you buy the beads.',
      };
    case 'odd-shape': {
      const { role, bead, part } = warning.bead;
      return {
        title: `Bead ${role} is an unusual ${part.part}.`,
        text: `${withCapital(withArticle(bead))} can be woven there, but is not made for it. Usual: ${part.shapes?.join(', ') ?? ''}.`,
      };
    }
    case 'sizes':
      return { title: 'These sizes do not suit each other.', text: warning.advice };
    case 'make-a-swatch':
      return {
        title: warning.source === 'table' ? 'From a chart, not measured.' : 'Worked out, not measured.',
        text:
          `Bead lots differ by 2 to 3.5 %${warning.mayShorten > 0 ? `, and the stitch may draw in by up to ${Math.round(warning.mayShorten * 100)} %` : ''}. ` +
          `Lay the first ${style.unit === 'in' ? 'inch' : '3 cm'} on a ruler before you trust the count.`,
      };
  }
}
