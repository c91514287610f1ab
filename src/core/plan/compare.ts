import { changeBetween } from '../piece/changes';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { countWords } from '../piece/choosing';
import { formatLength, formatThread, type LengthStyle } from '../length/length';
import type { Piece } from '../piece/piece';
import { beadsInAll, lengthsInAll, madeApart, threadInAllMm } from './madeApart';
import type { Plan } from './plan';
import { counted, offTarget } from '../words/figures';

/** One line of a comparison: the same thing said of every version. */
export interface ComparedLine {
  readonly what: string;
  /** One for each version; null where it has no plan. */
  readonly says: readonly (string | null)[];
  /** Whether the versions differ in it. */
  readonly differs: boolean;
}

interface Facet {
  readonly what: string;
  readonly of: (plan: Plan, style: LengthStyle) => string;
}

/** "A round seed 8/0, black and cream" */
const beadWords = ({ role, bead, shades }: Plan['quantities'][number]): string => {
  const colours = shades.length > 0 ? shades.map(({ name }) => name).join(' and ') : bead.colourName;
  return `${role === LOOP_ROLE ? 'loops' : role} ${bead.name}, ${colours}`;
};

/** "7 floats, 1 top" */
const madeWords = (plan: Plan): string =>
  madeApart(plan)
    .map(({ component, times }) => counted(times, component.name))
    .join(', ') || 'nothing';

/** What versions of a piece are compared by, in the order in which a weaver asks. */
const FACETS: readonly Facet[] = [
  { what: 'stitch', of: ({ structure }) => structure.name.toLowerCase() },
  { what: 'count', of: (plan) => countWords(plan, plan.chosen.units) },
  { what: 'finished length', of: ({ chosen }, style) => formatLength(chosen.finishedMm, style) },
  { what: 'against the target', of: ({ chosen }, style) => offTarget(chosen, style) },
  { what: 'sits', of: ({ sit }) => sit ?? 'fixed length' },
  { what: 'beads', of: ({ quantities }) => quantities.map(beadWords).join('; ') },
  { what: 'made first', of: madeWords },
  { what: 'beads in all', of: (plan) => String(beadsInAll(plan)) },
  { what: 'thread', of: (plan, style) => formatThread(threadInAllMm(plan), style.unit, style.decimal) },
  { what: 'lengths of thread', of: (plan) => String(lengthsInAll(plan)) },
  { what: 'wide', of: ({ widthMm }, style) => formatLength(widthMm, style) },
  { what: 'thick', of: ({ thicknessMm }, style) => formatLength(thicknessMm, style) },
  { what: 'weighs', of: ({ weight }) => `${Math.round(weight.grams)} g` },
  { what: 'feel', of: ({ structure }) => structure.feel },
  { what: 'warnings', of: ({ warnings }) => (warnings.length === 0 ? 'none' : String(warnings.length)) },
];

/** Several versions side by side, line by line; what is made first only where one of them has such parts. */
export const compared = (plans: readonly (Plan | null)[], style: LengthStyle): ComparedLine[] => {
  const facets = plans.some((plan) => plan && madeApart(plan).length > 0)
    ? FACETS
    : FACETS.filter(({ of }) => of !== madeWords);
  return facets.map(({ what, of }) => {
    const says = plans.map((plan) => plan && of(plan, style));
    return { what, says, differs: new Set(says).size > 1 };
  });
};

/** What one version has that the other has not: "count: 11, not 12". Null where they are the same. */
export function apartFrom(version: Piece, from: Piece, style: LengthStyle): string | null {
  const change = changeBetween({ ...from, name: version.name }, version, style);
  if (!change) return null;
  const { details, what } = change;
  const words = details.map(({ name, was, is }) => `${name}: ${is}, not ${was}`).join('; ');
  return words + (what.length > details.length ? ', and what goes with it' : '');
}
