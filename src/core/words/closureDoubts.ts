import type { ClosureDoubt } from '../closures/closure';
import { formatFigure, formatLength, type LengthStyle } from '../length/length';
import { withArticle, withCapital } from './figures';
import type { Said } from './said';

/** What speaks against a clasp and how it is fastened. */
export function wordClosureDoubt(doubt: ClosureDoubt, style: LengthStyle): Said {
  switch (doubt.code) {
    case 'strands-over-button':
      return {
        title: `${doubt.strands} loops go over one ball, button or bar.`,
        text: `Each strand ends in a loop of its own. Take a clasp with ${doubt.strands} loops, or one ring that holds them all.`,
      };
    case 'legs-too-short':
      return {
        title: `The legs at the ${doubt.end} are too short to meet.`,
        text: `They lie across the opening instead of leading on from it. Take ${doubt.seeds} seeds for each.`,
      };
    case 'bar-cannot-swing':
      return {
        title: 'The bar cannot swing through.',
        text: `Half of it must go through first, with what is sewn to it. Take ${doubt.seeds} seeds a side at that end, or end the work in small beads.`,
      };
    case 'bar-slips':
      return {
        title: 'The bar slips back through its loop.',
        text: `It is ${formatLength(doubt.barMm, style)} long, the loop ${formatLength(doubt.needsMm, style)} when it is pulled flat. Take a longer bar, or a thinner one with fewer seeds in its loop.`,
      };
    case 'wire-too-thick':
      return {
        title: `The wire of ${withArticle(doubt.ring)} does not pass the bead.`,
        text: `The wire is ${doubt.wireMm} mm, the hole ${doubt.holeMm} mm. Sew a loop of seeds and hang the ring in that.`,
      };
    case 'ring-too-small':
      return {
        title: `${withCapital(withArticle(doubt.ring))} is too small here.`,
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
        text: 'Turn the end loops, or take one jump ring: either lets it lie the way the work does.',
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
