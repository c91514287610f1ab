import { describe, expect, it } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { NO_SWATCHES } from '../fit/swatchBook';
import { shippedLayouts } from '../layout/shipped';
import { USUAL_SETTINGS } from '../records/settings';
import type { Happening, MakingEvent } from './events';
import { making } from './making';
import { lastPart, layOnMat } from './mat';
import { AWAY_MS } from './progress';
import { rowsOf } from './recount';
import { countDue, restDue, sittingSince } from './reminders';

const MIN = 60_000;

describe('rests', () => {
  it('are due after so long at the mat, counted anew after every break', () => {
    const steady = Array.from({ length: 24 }, (_, i) => i * 2 * MIN);
    expect(restDue(steady, 46 * MIN, 45)).toBe(true);
    expect(restDue(steady, 40 * MIN, 45)).toBe(false);
    expect(restDue(steady, 46 * MIN, null)).toBe(false);
    // She rested, and went on.
    const rested = [...steady, 46 * MIN + AWAY_MS + MIN];
    expect(sittingSince(rested, 54 * MIN)).toBe(46 * MIN + AWAY_MS + MIN);
    expect(restDue(rested, 54 * MIN, 45)).toBe(false);
    // Away, nobody is told.
    expect(sittingSince(steady, 46 * MIN + AWAY_MS)).toBeNull();
  });
});

describe('a count of her own', () => {
  const laid = layOnMat(
    examplePiece('slack-water'),
    { layouts: shippedLayouts, swatches: NO_SWATCHES, habits: USUAL_SETTINGS },
    'test',
  );
  if (!laid.ok) throw new Error(laid.problem.code);
  const { mat } = laid;
  const part = lastPart(mat);
  const event = (n: number, what: Happening, after: string | null): MakingEvent => ({
    id: `00000000-0000-4000-8000-00000000000${n}`,
    window: 'one',
    after,
    at: '2026-06-01T10:00:00.000Z',
    what,
  });
  const place = (at: number) => ({ part: part.id, made: 0, at });

  it('is asked for at the end of a unit, so many rows after the last', () => {
    const due = part.steps.map((_, at) =>
      countDue(mat, making(mat, [event(1, { did: 'go', to: place(at) }, null)]), 12),
    );
    const first = due.indexOf(true);
    expect(rowsOf(part, first).length).toBeGreaterThanOrEqual(12);
    expect(rowsOf(part, first).length).toBeLessThan(20);
    expect(part.steps[first]?.unit).not.toBe(part.steps[first - 1]?.unit);
    const went = event(1, { did: 'go', to: place(first) }, null);
    const counted = event(2, { did: 'count', at: place(first), rows: 12 }, went.id);
    expect(countDue(mat, making(mat, [went, counted]), 12)).toBe(false);
    expect(due.every((one) => !one)).toBe(false);
    expect(countDue(mat, making(mat, [went]), null)).toBe(false);
  });
});
