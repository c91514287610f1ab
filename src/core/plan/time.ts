import { GUESSED_TRIP_MS } from '../records/pace';
import { madeApart } from './madeApart';
import type { Plan } from './planned';

/** Time at the mat that a piece takes, with all that is made apart for it, ms: each stitch at one's own pace in it, or at the usual guess. */
export const timeMs = (plan: Plan): number =>
  madeApart(plan).reduce((sum, { component, times }) => sum + times * ownMs(component.plan), ownMs(plan));

const ownMs = ({ trips, experience }: Plan): number => trips * (experience.pace?.tripMs ?? GUESSED_TRIP_MS);
