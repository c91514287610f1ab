import { NO_SWATCHES, type SwatchBook } from '../fit/swatchBook';
import type { Layouts } from '../layout/kept';
import { NO_EXPERIENCE, type ExperienceBook } from '../records/experience';
import { USUAL_SETTINGS } from '../records/settings';
import type { ThreadHabits } from '../supplies/threadPlan';

/** What a plan looks up beside the choices of a piece. */
export interface Lookups {
  /** Finds what the solver has laid out; what it has not stands on the closed form, and is named. */
  readonly layouts: Layouts;
  readonly swatches: SwatchBook;
  /** What was learnt from the pieces that were made. */
  readonly experience: ExperienceBook;
  readonly habits: ThreadHabits;
}

export const NO_LOOKUPS: Lookups = {
  layouts: () => undefined,
  swatches: NO_SWATCHES,
  experience: NO_EXPERIENCE,
  habits: USUAL_SETTINGS,
};
