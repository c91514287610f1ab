import fc from 'fast-check';
import { expect, it } from 'vitest';
import { listed, MOST_SECTIONS, type Sections } from '../structures/sections';
import { hasSections, sectionsSchema } from '../structures/sections';
import {
  canMove,
  hasRoomFor,
  withoutSection,
  withSection,
  withSectionChanged,
  withSectionMoved,
} from './sectioning';
import { sectionsWords } from './changes';

const INCHES = { unit: 'in', denominator: 16 } as const;

const some: Sections = {
  before: [{ sequence: ['A'], times: 2 }],
  after: [{ sequence: ['B', 'C'], times: 3 }],
  mirrored: true,
};

it('sections are added beside the part’s own units, changed, and taken out', () => {
  expect(withSection('before', 'D', some).before.map(({ sequence }) => sequence)).toEqual([['A'], ['D']]);
  expect(withSection('after', 'D', some).after.map(({ sequence }) => sequence)).toEqual([['D'], ['B', 'C']]);
  expect(withSectionChanged(some, 2, { times: 9 }).after).toEqual([{ sequence: ['B', 'C'], times: 9 }]);
  // The part's own units are none of them.
  expect(withSectionChanged(some, 1, { times: 9 })).toEqual(some);
  expect(withoutSection(some, 0)).toEqual({ ...some, before: [] });
  expect(sectionsWords(some, INCHES)).toBe('2 × A, own units, 3 × B C, mirrored');
  expect(sectionsWords(undefined, INCHES)).toBe('none');
});

it('moved past the part’s own units, a section is on the other side of them', () => {
  const moved = withSectionMoved(some, 0, 1);
  expect(moved).toEqual({ before: [], after: [...some.before, ...some.after], mirrored: true });
  expect(withSectionMoved(moved, 1, -1)).toEqual(some);
});

const anySection = fc.record({
  sequence: fc.array(fc.constantFrom('A' as const, 'B' as const), { minLength: 1, maxLength: 3 }),
  times: fc.integer({ min: 1, max: 9 }),
});

it('whatever is done to a list, it stays one that is kept, with all its sections', () => {
  fc.assert(
    fc.property(
      fc.array(anySection, { maxLength: MOST_SECTIONS }),
      fc.array(anySection, { maxLength: MOST_SECTIONS }),
      fc.array(fc.tuple(fc.nat({ max: 17 }), fc.constantFrom(1 as const, -1 as const)), { maxLength: 12 }),
      (before, after, moves) => {
        const start: Sections = { before, after, mirrored: false };
        const end = moves.reduce(
          (now, [i, by]) => (canMove(now, i, by) ? withSectionMoved(now, i, by) : now),
          start,
        );
        expect(sectionsSchema.parse(end)).toEqual(end);
        const words = (all: Sections) =>
          listed(all)
            .flatMap((one) => (one.own ? [] : [`${one.times}${one.sequence.join('')}`]))
            .sort();
        expect(words(end)).toEqual(words(start));
        for (const side of ['before', 'after'] as const)
          if (hasRoomFor(side, end)) {
            const more = withSection(side, 'A', end);
            expect(sectionsSchema.parse(more)).toEqual(more);
            expect(hasSections(more)).toBe(true);
          }
      },
    ),
    { seed: 20 },
  );
});
