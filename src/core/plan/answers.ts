import type { Plan } from './plan';
import type { Weaveable } from '../structures/structure';

/** What of a plan is taken over as it is. */
const WHOLE = ['kind', 'sit', 'chosen', 'best', 'candidates', 'arrangement'] as const;
type Whole = Pick<Plan, (typeof WHOLE)[number]>;

/** How many and how long: what a plan answers first, in plain values that a page can bring along. */
export interface Answers extends Whole {
  readonly wear: Pick<Plan['wear'], 'wishMm' | 'band'>;
  readonly gauge: Pick<Plan['gauge'], 'pitchMm'>;
  readonly closure: Pick<Plan['closure'], 'closing' | 'chainMm'>;
  readonly weaveable: {
    readonly closing: Weaveable['closing'];
    /** How often the section that is fitted comes; nothing where all units are alike. */
    readonly sections?: { readonly copies: number };
  };
  readonly clasp: Pick<Plan['clasp'], 'shape'>;
  /** The woven part that closes it in the place of a clasp. */
  readonly closedBy: { readonly name: string } | null;
}

/** The first answers of a plan. */
export function answersOf(plan: Plan): Answers {
  const { wear, gauge, clasp, closure, weaveable, closedBy } = plan;
  return {
    ...(Object.fromEntries(WHOLE.map((key) => [key, plan[key]])) as unknown as Whole),
    wear: { wishMm: wear.wishMm, band: wear.band },
    gauge: { pitchMm: gauge.pitchMm },
    closure: { closing: closure.closing, chainMm: closure.chainMm },
    weaveable: {
      closing: weaveable.closing,
      ...(weaveable.sections && { sections: { copies: weaveable.sections.copies } }),
    },
    clasp: { shape: clasp.shape },
    closedBy: closedBy && { name: closedBy.name },
  };
}
