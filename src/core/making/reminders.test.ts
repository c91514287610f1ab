import { describe, expect, it } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { event, onMat } from '../testing/atTheMat';
import { making } from './making';
import { lastPart } from './mat';
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
  const mat = onMat(examplePiece('slack-water'));
  const part = lastPart(mat);
  const place = (at: number) => ({ part: part.id, made: 0, at });

  it('is asked for at the end of a unit, so many rows after the last', () => {
    const due = part.steps.map((_, at) =>
      countDue(mat, making(mat, [event({ did: 'go', to: place(at) })]), 12),
    );
    const first = due.indexOf(true);
    expect(rowsOf(part, first).length).toBeGreaterThanOrEqual(12);
    expect(rowsOf(part, first).length).toBeLessThan(20);
    expect(part.steps[first]?.unit).not.toBe(part.steps[first - 1]?.unit);
    const went = event({ did: 'go', to: place(first) });
    const counted = event({ did: 'count', at: place(first), rows: 12 }, { after: went.id });
    expect(countDue(mat, making(mat, [went, counted]), 12)).toBe(false);
    expect(due.every((one) => !one)).toBe(false);
    expect(countDue(mat, making(mat, [went]), null)).toBe(false);
  });
});
