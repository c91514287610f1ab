import { shippedLayouts } from '@/core/layout/shipped';
import { layOnMat, type Mat } from '@/core/making/mat';
import { forward, making } from '@/core/making/making';
import type { Happening, MakingEvent } from '@/core/making/events';
import type { Piece } from '@/core/piece/piece';
import { USUAL_SETTINGS } from '@/core/records/settings';

/** What the demo world has on the mat: one piece half made, one finished. All invented. */
export const ON_THE_MAT = [
  { name: 'tide-rope', part: 0.55, finalOver: null },
  { name: 'thimble-ring', part: 1, finalOver: 1.02 },
] as const;

/** The day of the midsummer concert that comes next. */
export function concertAfter(now: Date): string {
  const year = now.getUTCMonth() > 5 || (now.getUTCMonth() === 5 && now.getUTCDate() > 20) ? 1 : 0;
  return `${now.getUTCFullYear() + year}-06-20`;
}

const EVENING_MS = 24 * 60 * 60_000;
/** Seconds for each trip of the needle, and steps of an evening. */
const [TRIP_MS, EVENING_STEPS] = [4600, 60];

/** A piece laid on the mat and worked on, evening after evening, up to a part of its steps. */
export function workedOn(
  piece: Piece,
  { part, finalOver }: { readonly part: number; readonly finalOver: number | null },
  now: Date,
): { readonly mat: Mat; readonly events: readonly MakingEvent[] } {
  const laid = layOnMat(piece, { layouts: shippedLayouts, habits: USUAL_SETTINGS }, 'demo');
  if (!laid.ok) throw new Error(laid.problem.code);
  const { mat } = laid;
  const all = mat.parts.reduce((sum, { steps, times }) => sum + steps.length * times, 0);
  const steps = Math.floor(all * part);
  const evenings = Math.ceil(steps / EVENING_STEPS);
  const events: MakingEvent[] = [];
  let [after, time]: [string | null, number] = [null, now.getTime() - (evenings + 1) * EVENING_MS];
  const happens = (what: Happening) => {
    const event: MakingEvent = {
      id: crypto.randomUUID(),
      window: 'demo',
      after,
      at: new Date(time).toISOString(),
      what,
    };
    if (what.did === 'go') after = event.id;
    events.push(event);
  };
  for (let i = 0; i < steps; i++) {
    if (i % EVENING_STEPS === 0) time += EVENING_MS - (time % EVENING_MS) + 18 * 60 * 60_000;
    const state = making(mat, events);
    const at = state.where.done[state.where.part];
    const trips = mat.parts.find(({ id }) => id === state.where.part)?.steps[at?.at ?? 0]?.trips ?? 1;
    time += TRIP_MS * Math.max(1, trips);
    happens({ did: 'go', to: forward(mat, state) });
  }
  if (finalOver !== null)
    happens({ did: 'finish', finalMm: Math.round(finalOver * mat.planned.finishedMm), sits: 'well' });
  return { mat, events };
}
