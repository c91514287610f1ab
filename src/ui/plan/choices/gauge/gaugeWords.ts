import { counted } from '@/core/words/figures';
import type { Plan } from '@/core/plan/plan';
import type { LayingOut } from '../../../layouts/layoutStore';

/** Where the length of a unit comes from, in words. */
export function sourceWords({ gauge, weaveable }: Plan, layingOut: LayingOut): string {
  switch (gauge.source) {
    case 'this piece':
      return 'measured on this piece';
    case 'swatch': {
      const { count, pieces } = gauge.swatches ?? { count: 1, pieces: 0 };
      const swatches = count - pieces;
      if (pieces === 0) return count === 1 ? 'from your swatch' : `from ${count} swatches of yours`;
      const finished = counted(pieces, 'piece that you finished', 'pieces that you finished');
      return swatches === 0
        ? `from ${finished}`
        : `from ${counted(swatches, 'swatch', 'swatches')} and ${finished}`;
    }
    case 'table':
      return weaveable.byMeasure?.example ? 'from figures that are only an example' : 'from a chart';
    case 'solver':
      return 'laid out from thread path and beads';
    case 'closed form':
      if (weaveable.formIsExact) return EXACT[weaveable.formIsExact].source;
      if (layingOut !== null && typeof layingOut !== 'number')
        return `by rule of thumb; it could not be laid out: ${layingOut.why}`;
      return layingOut === null
        ? 'by rule of thumb'
        : `by rule of thumb; laying it out, ${Math.round(100 * layingOut)} %`;
  }
}

/** Closed forms that nothing needs to be laid out for. */
const EXACT = {
  'end to end': {
    source: 'the beads’ own lengths, end to end',
    trust:
      'Strung beads are as long as they are; only lots differ. The sizes are usual values: ten beads on a ruler are surer.',
  },
  'with knots': {
    source: 'the beads’ own lengths, and a knot of your thread between them',
    trust:
      'How long a knot lies goes by the thread and by the hand. Knot ten beads, lay them on a ruler, and write it under this piece.',
  },
  'in circles': {
    source: 'the beads’ own sizes, in circles of four',
    trust:
      'Round beads in circles of four touch each other, so that their sizes say how long it is; only lots differ. The sizes are usual values: beads on a ruler are surer.',
  },
  'as its edges': {
    source: 'the runs of beads along its edges, drawn straight',
    trust:
      'Beads strung along both edges keep a net as long as it is; its meshes open as far as those let them. Edges that wave are shorter: measure a swatch as it will be worn.',
  },
  'as begun': {
    source: 'its legs, as open as the first ring',
    trust:
      'A net is as long as you pull it: this is how it lies on a former as wide as its first ring. Measure a swatch as it will be worn.',
  },
} as const;

/** What the source means for how far it can be trusted. */
export function trustWords({ gauge, weaveable }: Plan, fine: (mm: number) => string): string {
  switch (gauge.source) {
    case 'this piece':
      return 'Your ruler on your own work: surer than anything worked out.';
    case 'swatch':
      return gauge.meanBetweenMm
        ? `Your own work. The mean of your swatches lies between ${fine(gauge.meanBetweenMm[0])} and ${fine(gauge.meanBetweenMm[1])} (nearly always).`
        : 'Your own work, measured once. A second swatch would show how even your hand is.';
    case 'table':
      if (weaveable.byMeasure?.example)
        return 'Nobody has measured this stitch yet: work a few units, measure them, and write them under Stitch.';
      return 'Copied from a chart: other beads and another hand. A swatch of your own is surer.';
    case 'solver':
      return 'Found by drawing the thread taut on beads of these sizes. The range covers bead lots and how round their edges are. The sizes are usual values, not yours: a measured piece of your own work is surer.';
    case 'closed form':
      if (weaveable.formIsExact) return EXACT[weaveable.formIsExact].trust;
      return 'A rule of thumb from the beads’ own sizes, which are usual values, not yours. A measured piece of your own work is surer.';
  }
}
