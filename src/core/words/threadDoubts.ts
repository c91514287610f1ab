import { loopEndOf } from '../closures/sewnLoop';
import { formatFine, formatTenth, formatThread, type LengthStyle } from '../length/length';
import type { HoleState } from '../supplies/holeFill';
import type { ThreadDoubt } from '../supplies/threadSense';
import { percent } from './figures';
import type { Said } from './said';
import { BASE, WOVEN } from '../weave/path';

/** Where in the work a trip is made: its pass, and the end it belongs to. */
export const tripWords = ({ bead, at }: HoleState): string => {
  const { pass, section } = at.move.place;
  const end = loopEndOf(section);
  const where = end ? ` at the ${end}` : '';
  const unit = section === WOVEN ? `, unit ${bead.place.unit + 1}` : '';
  return `pass ${at.trip}, ${pass === BASE ? 'the weave itself' : pass}${where}${unit}`;
};

/** What speaks against a thread in these beads. */
export function wordThreadDoubt(doubt: ThreadDoubt, style: LengthStyle): Said {
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
        title: `It is tight through ${doubt.bead}.`,
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
    case 'crimp-and-soft':
      return {
        title: 'A crimp can cut this thread.',
        text: 'Pressed flat, its edge wears through what is soft. Take cord for crimps, or close with bead tips.',
      };
    case 'knot-slips': {
      const fine = (mm: number) => formatFine(mm, style);
      return {
        title: `A knot slips into ${doubt.bead}.`,
        text: `It is about ${fine(doubt.knotMm)} thick and the hole ${fine(doubt.holeMm)} wide. ${
          doubt.doubledHolds ? 'Doubled, this thread holds; or take' : 'Take'
        } one of more than ${fine(doubt.holdsMm)}.`,
      };
    }
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
        text: `Up to ${formatTenth(doubt.longestMm, style)} of it lies bare between beads. In ${doubt.like} it vanishes.`,
      };
  }
}
