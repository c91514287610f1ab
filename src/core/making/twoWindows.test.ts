import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { event, onMat, worked } from '../testing/atTheMat';
import { given } from '../tools/given';
import type { Happening, MakingEvent, Place } from './events';
import { back, forward, making, stepsDone, type Making } from './making';
import { lastPart, type Mat } from './mat';

/** The simplest there is: a number of steps done, by each window, and whether they knew of each other. */
interface Model {
  readonly at: Record<'one' | 'two', number>;
  joins: number;
  measures: number;
  culled: number;
  ripped: number;
}

class Bench {
  /** What each window knows, and what the server has. */
  readonly known: Record<'one' | 'two', MakingEvent[]> = { one: [], two: [] };
  server: MakingEvent[] = [];
  constructor(readonly mat: Mat) {}
  state(window: 'one' | 'two'): Making {
    return making(this.mat, this.known[window], window);
  }
  tell(window: 'one' | 'two', what: Happening) {
    this.known[window] = [...this.known[window], event(what, this.state(window), window)];
  }
  /** All that one window told arrives, some of it twice; it hears what the server has. */
  meet(window: 'one' | 'two') {
    const own = this.known[window].filter(({ id }) => !this.server.some((one) => one.id === id));
    this.server = [...this.server, ...own, ...own.slice(0, 1)];
    this.known[window] = [...this.server];
  }
}

const MAT = onMat(examplePiece('capstan'));
const ALL = MAT.parts.reduce((sum, { steps, times }) => sum + steps.length * times, 0);
const placeAt = (steps: number): Place => {
  let left = steps;
  for (const { id, times, steps: own } of MAT.parts) {
    if (left < times * own.length)
      return { part: id, made: Math.floor(left / own.length), at: left % own.length };
    left -= times * own.length;
  }
  const last = lastPart(MAT);
  return { part: last.id, made: last.times, at: 0 };
};

type Window = 'one' | 'two';
const other = (window: Window): Window => (window === 'one' ? 'two' : 'one');

/** A command on both: what it does to the model, and what to the bench. */
const command = (
  name: string,
  window: Window,
  run: (model: Model, bench: Bench) => void,
): fc.Command<Model, Bench> => ({
  check: () => true,
  run(model, bench) {
    run(model, bench);
    const state = bench.state(window);
    expect(stepsDone(MAT, state.where)).toBe(model.at[window]);
    expect(state.threads.length + state.measures.length + state.wastes.length).toBeLessThanOrEqual(
      model.joins + model.measures + model.culled,
    );
  },
  toString: () => `${name} (${window})`,
});

const anyWindow = fc.constantFrom<Window>('one', 'two');
const commands = [
  anyWindow.map((w) =>
    command('forward', w, (model, bench) => {
      if (model.at[w] === ALL) return;
      bench.tell(w, { did: 'go', to: forward(MAT, bench.state(w)) });
      model.at[w]++;
    }),
  ),
  anyWindow.map((w) =>
    command('back', w, (model, bench) => {
      const to = back(MAT, bench.state(w));
      expect(to === null).toBe(model.at[w] === 0);
      if (!to) return;
      bench.tell(w, { did: 'go', to });
      model.at[w]--;
    }),
  ),
  fc.tuple(anyWindow, fc.nat(12)).map(([w, steps]) =>
    command(`rip ${steps}`, w, (model, bench) => {
      const to = Math.max(0, model.at[w] - steps);
      bench.tell(w, { did: 'rip', to: placeAt(to) });
      model.ripped += model.at[w] - to;
      model.at[w] = to;
    }),
  ),
  anyWindow.map((w) =>
    command('measure', w, (model, bench) => {
      bench.tell(w, {
        did: 'measure',
        part: lastPart(MAT).id,
        units: 5,
        from: 1,
        lengthMm: 20,
        finished: false,
      });
      model.measures++;
    }),
  ),
  anyWindow.map((w) =>
    command('join', w, (model, bench) => {
      bench.tell(w, { did: 'thread', needle: 'working', mm: 1200, at: placeAt(model.at[w]), joined: true });
      model.joins++;
    }),
  ),
  anyWindow.map((w) =>
    command('cull', w, (model, bench) => {
      bench.tell(w, { did: 'waste', why: 'culled', part: lastPart(MAT).id, role: 'A', count: 2 });
      model.culled++;
    }),
  ),
  anyWindow.map((w) =>
    command('the windows meet', w, (model, bench) => {
      bench.meet(w);
      bench.meet(other(w));
      bench.meet(w);
      const [one, two] = [bench.state('one'), bench.state('two')];
      const apart = model.at.one !== model.at.two;
      // Nothing of either is lost; where both went on and differ, both are there.
      expect(one.measures).toHaveLength(model.measures);
      expect(one.threads).toHaveLength(model.joins);
      expect(one.wastes).toHaveLength(model.culled);
      const places = new Set(one.heads.map(({ where }) => stepsDone(MAT, where)));
      expect(one.heads).toEqual(two.heads);
      if (one.heads.length > 1) {
        expect(apart).toBe(true);
        expect(places).toEqual(new Set([model.at.one, model.at.two]));
        const keep = given(one.heads.find((head) => head.window === w) ?? one.heads[0], 'head');
        bench.tell(w, { did: 'choose', keep: given(keep.id, 'id') });
        bench.meet(w);
        bench.meet(other(w));
        const so = stepsDone(MAT, keep.where);
        model.at.one = so;
        model.at.two = so;
        expect(bench.state('one').heads).toHaveLength(1);
        expect(bench.state(other(w)).heads).toHaveLength(1);
      } else {
        // One of them had done nothing since they last met: it goes on from the other.
        const so = stepsDone(MAT, one.where);
        expect([model.at.one, model.at.two]).toContain(so);
        model.at.one = so;
        model.at.two = so;
      }
    }),
  ),
];

describe('the state of the work against a simple model', () => {
  it('forward, back, measure, rip, join, cull, in two windows: what each told is kept, and both know where the work is', () => {
    fc.assert(
      fc.property(fc.commands(commands, { maxCommands: 60, size: 'max' }), (all) =>
        fc.modelRun(
          () => ({
            model: { at: { one: 0, two: 0 }, joins: 0, measures: 0, culled: 0, ripped: 0 },
            real: new Bench(MAT),
          }),
          all,
        ),
      ),
      { numRuns: 150, seed: 24 },
    );
  });

  it('told twice, or in another order than it was made, it is the same', () => {
    const mat = MAT;
    const events = worked(mat, 12);
    const [first] = events;
    expect(making(mat, [...events, given(first, 'event')]).where).toEqual(making(mat, events).where);
  });
});
