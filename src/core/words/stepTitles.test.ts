import { describe, expect, it } from 'vitest';
import { newPart } from '../piece/newPiece';
import { planSteps, planUnits } from '../plan/steps';
import { tells } from '../read/steps';
import { fieldsThatCount } from '../structures/field';
import { STRUCTURES } from '../structures/registry';
import { planned } from '../testing/planned';
import { jointOf, PLAIN_PASS, WOVEN } from '../weave/path';
import { stepTitle, unitsWords } from './stepTitles';

const about = { section: WOVEN, pass: 'picots', info: PLAIN_PASS, stride: 1, back: false } as const;

it('reads in the order of the work (by hand)', () => {
  expect(stepTitle({ ...about, fromUnit: 1, toUnit: 20 }, undefined)).toBe('Picots, units 1 to 20, each');
  expect(stepTitle({ ...about, fromUnit: 1, toUnit: 20, back: true }, undefined)).toBe(
    'Picots, units 20 back to 1, each',
  );
  expect(stepTitle({ ...about, fromUnit: 2, toUnit: 8, stride: 2, back: true }, undefined)).toBe(
    'Picots, units 8 back to 2, every second one',
  );
  expect(
    stepTitle(
      {
        ...about,
        section: jointOf('end'),
        pass: 'reinforce the loop 1',
        info: { ...PLAIN_PASS, again: true },
        fromUnit: 1,
        toUnit: 1,
      },
      undefined,
    ),
  ).toBe('Once more round the loop');
  expect(stepTitle({ ...about, pass: 'base', fromUnit: 4, toUnit: 4 }, 'two points')).toBe('Ring, point 4');
});

type Params = Readonly<Record<string, unknown>>;
const NONE: Params = {};

/** A stitch with each of its choices. */
const VARIANTS = STRUCTURES.flatMap((structure) => {
  const { id, defaults } = structure;
  const choices = fieldsThatCount(structure, defaults).flatMap((field): Params[] => {
    if (field.kind === 'choice') return field.options.map(({ value }) => ({ [field.key]: value }));
    return field.kind === 'switch' ? [{ [field.key]: true }, { [field.key]: false }] : [];
  });
  return [NONE, ...choices].map((params) => [`${id} ${JSON.stringify(params)}`, id, params] as const);
});

describe.each(VARIANTS)('%s', (_, id, params) => {
  it('a heading names its units as they are worked', () => {
    const part = newPart('x', id, null);
    const structure = { id, params: { ...part.structure.params, ...params } };
    const plan = planned({ ...part, structure, units: null });
    const told = planUnits(plan);
    for (const group of planSteps(plan)) {
      if (group.section !== WOVEN || group.times === 1) continue;
      const units = told.filter(({ place }) => tells(group, place)).map(({ place }) => place.unit + 1);
      // A pass that comes by twice is told in two groups, which this cannot tell apart.
      if (units.length !== group.times) continue;
      const [first = NaN, last = NaN] = [units[0], units.at(-1)];
      const said = unitsWords(group, 'unit');
      const run = first > last ? `units ${first} back to ${last}` : `units ${first} to ${last}`;
      // What comes before the first unit is none.
      expect(said).toContain(Math.max(first, last) < 1 ? 'start' : run);
      // One way all along.
      const ways = new Set(units.slice(1).map((unit, i) => Math.sign(unit - (units[i] ?? NaN))));
      expect([...ways]).toEqual([first > last ? -1 : 1]);
    }
  });
});
