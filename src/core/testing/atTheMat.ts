import { NO_SWATCHES } from '../fit/swatchBook';
import { shippedLayouts } from '../layout/shipped';
import type { Happening, MakingEvent } from '../making/events';
import { forward, making, type Making } from '../making/making';
import { layOnMat, type Mat } from '../making/mat';
import type { Piece } from '../piece/piece';
import { USUAL_SETTINGS } from '../records/settings';

/** Nothing of one’s own: layouts that ship, and the usual habits. */
export const LOOKUPS = { layouts: shippedLayouts, swatches: NO_SWATCHES, habits: USUAL_SETTINGS };

/** A piece laid on the mat. Throws where it has no plan. */
export function onMat(piece: Piece): Mat {
  const laid = layOnMat(piece, LOOKUPS, 'this build');
  if (!laid.ok) throw new Error(laid.problem.code);
  return laid.mat;
}

let told = 0;
const uuid = (): string => `00000000-0000-4000-8000-${(++told).toString(16).padStart(12, '0')}`;

/** Something that happens, so many ms after the first of June; the first thing, where nothing came before. */
export const event = (
  what: Happening,
  { after }: Pick<Making, 'after'> = { after: null },
  window = 'one',
  at = 0,
): MakingEvent => ({
  id: uuid(),
  window,
  after,
  at: new Date(Date.UTC(2026, 5, 1) + at).toISOString(),
  what,
});

/** Works on so many steps, one by one. */
export function worked(
  mat: Mat,
  steps: number,
  events: readonly MakingEvent[] = [],
  everyMs = 10_000,
): MakingEvent[] {
  let all = [...events];
  for (let i = 0; i < steps; i++) {
    const state = making(mat, all);
    all = [...all, event({ did: 'go', to: forward(mat, state) }, state, 'one', i * everyMs)];
  }
  return all;
}
