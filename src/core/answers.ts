import type { Plan } from './plan';
import type { Weaveable } from './structures/structure';

/** How many and how long: what a plan answers first, in plain values that a page can bring along. */
export interface Answers extends Pick<
  Plan,
  'kind' | 'sit' | 'chosen' | 'best' | 'candidates' | 'arrangement'
> {
  readonly wear: Pick<Plan['wear'], 'wishMm' | 'band'>;
  readonly gauge: Pick<Plan['gauge'], 'pitchMm'>;
  readonly closure: Pick<Plan['closure'], 'closing' | 'chainMm'>;
  readonly weaveable: Pick<Weaveable, 'closing'>;
}

/** The first answers of a plan. */
export const answersOf = ({
  kind,
  sit,
  chosen,
  best,
  candidates,
  arrangement,
  wear: { wishMm, band },
  gauge: { pitchMm },
  closure: { closing, chainMm },
  weaveable,
}: Plan): Answers => ({
  kind,
  sit,
  chosen,
  best,
  candidates,
  arrangement,
  wear: { wishMm, band },
  gauge: { pitchMm },
  closure: { closing, chainMm },
  weaveable: { closing: weaveable.closing },
});
