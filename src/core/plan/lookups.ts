import { NO_SWATCHES, type SwatchBook } from '../fit/swatchBook';
import type { Layouts } from '../layout/kept';
import { USUAL_SETTINGS } from '../records/settings';
import type { ThreadHabits } from '../supplies/threadPlan';

/** What a plan looks up beside the choices of a piece. */
export interface Lookups {
  /** Finds what the solver has laid out; what it has not stands on the closed form, and is named. */
  readonly layouts: Layouts;
  readonly swatches: SwatchBook;
  readonly habits: ThreadHabits;
}

export const NO_LOOKUPS: Lookups = {
  layouts: () => undefined,
  swatches: NO_SWATCHES,
  habits: USUAL_SETTINGS,
};
