import { expect, it } from 'vitest';
import { byId, THREADS } from '../materials/catalogue';
import { makeOf } from '../materials/material';
import { newPart } from '../piece/newPiece';
import { STRUCTURES } from '../structures/registry';
import { planned } from '../testing/planned';
import { tailsOf } from '../weave/path';
import { planUnits } from './steps';

const THREADED = /^Thread this tail on a needle\. /;

/** A tail hangs without a needle until something is worked with it (common practice, no source). */
it.each(STRUCTURES.map(({ id }) => id))(
  'a tail of %s is threaded where it is first worked with, and only there',
  (id) => {
    const part = newPart('x', id, null);
    const plan = planned(part);
    const tails = tailsOf(plan.work().path);
    const seen = new Set<string>();
    for (const { needle, text } of planUnits(plan).flatMap(({ steps }) => steps)) {
      expect(THREADED.test(text), text).toBe(tails.has(needle) && !seen.has(needle));
      seen.add(needle);
    }
  },
);

it('elastic goes by itself: nothing is threaded', () => {
  const elastic = THREADS.find((thread) => makeOf(thread) === 'elastic');
  const part = newPart('x', 'strung-line', null);
  const plan = planned({ ...part, thread: elastic ?? byId(THREADS, 'elastic') });
  const told = planUnits(plan).flatMap(({ steps }) => steps.map(({ text }) => text));
  expect(told.length).toBeGreaterThan(0);
  expect(told.join(' ')).not.toContain('Thread this tail');
});
