import { describe, expect, it } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { event, onMat } from '../testing/atTheMat';
import { END_MM } from '../supplies/threadPlan';
import { given } from '../tools/given';
import type { Place } from './events';
import { making } from './making';
import { lastPart } from './mat';
import { threadLeft } from './threadLeft';

describe('thread left', () => {
  it('by hand: what was cut less what lies in the work and what is spared; it says after which unit to stop', () => {
    const mat = onMat(examplePiece('slack-water'));
    const part = lastPart(mat);
    const at = 30;
    const laid = part.steps
      .slice(0, at)
      .reduce((sum, { needle, threadMm }) => sum + (needle === 'working' ? threadMm : 0), 0);
    const place = (to: number): Place => ({ part: part.id, made: 0, at: to });
    const none = making(mat, []);
    const events = (mm: number) => [
      event({ did: 'thread', needle: 'working', mm, at: place(0), joined: true }, none),
      event({ did: 'go', to: place(at) }, none),
    ];
    expect(threadLeft(mat, none)).toBeNull();
    const cut = 4000;
    const left = given(threadLeft(mat, making(mat, events(cut)), 'working'), 'thread');
    expect(left.leftMm).toBeCloseTo(cut - laid * (1 + mat.margin), 6);
    // Just enough for two units more, and for what is held in the hand.
    const unitAt = given(part.steps[at], 'step').unit;
    const ofUnit = (unit: number) =>
      part.steps.filter((step, i) => i >= at && step.woven && step.unit === unit);
    const two = [...ofUnit(unitAt), ...ofUnit(unitAt + 1)];
    const units = two.map(({ threadMm }) => threadMm);
    const short = laid * (1 + mat.margin) + END_MM + (1 + mat.margin) * units.reduce((a, b) => a + b, 0) + 1;
    const scarce = given(threadLeft(mat, making(mat, events(short)), 'working'), 'thread');
    expect(scarce.reaches).toBe(false);
    expect(scarce).toMatchObject({ units: 2, stopBefore: at + two.length });
  });

  it('measured again, it goes by how fast it went', () => {
    const mat = onMat(examplePiece('slack-water'));
    const part = lastPart(mat);
    const place = (to: number): Place => ({ part: part.id, made: 0, at: to });
    const none = making(mat, []);
    const laid = part.steps
      .slice(0, 40)
      .reduce((sum, { needle, threadMm }) => sum + (needle === 'working' ? threadMm : 0), 0);
    const events = [
      event({ did: 'thread', needle: 'working', mm: 4000, at: place(0), joined: true }, none),
      event({ did: 'thread', needle: 'working', mm: 4000 - 1.3 * laid, at: place(40), joined: false }, none),
      event({ did: 'go', to: place(40) }, none),
    ];
    expect(threadLeft(mat, making(mat, events), 'working')).toMatchObject({ learned: true });
    expect(threadLeft(mat, making(mat, events), 'working')?.factor).toBeCloseTo(1.3, 6);
  });
});
