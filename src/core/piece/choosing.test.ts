import { isTraversal } from '../weave/path';
import { describe, expect, it } from 'vitest';
import { planned } from '../testing/planned';
import { cardOf } from '../plan/card';
import { choosing, countWords, hasChosen, stepsWords } from './choosing';
import { newPart } from './newPiece';
import type { PartOfPiece } from './partOfPiece';
import { once, remembered } from '../tools/remember';

const wearer = { personId: null, name: 'Maren', girths: { wrist: 159, neck: 360 }, typical: null };
const plain = newPart('Breakwater', 'flat-herringbone', wearer);
const graduated: PartOfPiece = newPart('Swell', 'graduated-line', wearer, 'necklace');

describe('choosing a count', () => {
  it('takes it, and leaves it to the fit again', () => {
    expect(choosing(plain, { units: 21, counts: null })).toEqual({ units: 21 });
    expect(choosing({ ...plain, units: 21 }, null)).toEqual({ units: null });
  });

  it('of a graduated line takes the counts of its steps, and gives them back', () => {
    const change = choosing(graduated, { units: 30, counts: [5, 4, 4] });
    expect(change.structure?.params).toMatchObject({
      counts: [5, 4, 4],
      steps: graduated.structure.params.steps,
    });
    expect(change.units).toBeUndefined();
    expect(choosing({ ...graduated, ...change }, null).structure?.params).toMatchObject({ counts: [] });
  });

  it('knows whether the maker has', () => {
    expect(hasChosen(plain)).toBe(false);
    expect(hasChosen({ ...plain, units: 4 })).toBe(true);
    expect(hasChosen(graduated)).toBe(false);
    expect(hasChosen({ ...graduated, units: 4 })).toBe(false);
    expect(hasChosen({ ...graduated, ...choosing(graduated, { units: 9, counts: [1, 1, 1] }) })).toBe(true);
  });

  it('says what is counted', () => {
    expect(countWords(planned(plain), 21)).toBe('21 units');
    expect(countWords(planned(plain), 1)).toBe('1 unit');
    expect(countWords(planned(graduated), 47)).toBe('47 beads');
    expect(stepsWords(['A', 'B', 'C'], [5, 4])).toBe('5 A · 4 B · 0 C');
  });
});

describe('the card of a piece', () => {
  it('says what the plan says', () => {
    const plan = planned(plain);
    expect(cardOf(plan)).toEqual({
      ok: true,
      units: plan.chosen.units,
      counted: 'units',
      finishedMm: plan.chosen.finishedMm,
      closing: 'clasp',
      oneEnd: false,
      sit: plan.sit,
      beads: plan.quantities.reduce((sum, { total }) => sum + total, 0),
      threadMm: plan.thread.totalMm,
      structure: 'flat-herringbone',
      // Counted over the whole path; the plan reads them off short ones.
      trips: plan.work().path.moves.filter(isTraversal).length,
    });
    expect(cardOf(planned(graduated))).toMatchObject({ counted: 'beads' });
  });

  it('and what stands in its way', () => {
    const problem = { code: 'structure' as const, messages: ['no'] };
    expect(cardOf({ ok: false, problem })).toEqual({ ok: false, problem });
  });
});

describe('what is worked out once', () => {
  it('is, for each question and for none', () => {
    let made = 0;
    const squared = remembered((n: number) => (made++, n * n));
    expect([squared(3), squared(3), squared(4), made]).toEqual([9, 9, 16, 2]);
    const first = once(() => ++made);
    expect([first(), first(), made]).toEqual([3, 3, 3]);
  });
});
