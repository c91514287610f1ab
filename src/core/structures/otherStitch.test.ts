import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { BEADS, byId, FINDINGS } from '../materials/catalogue';
import { tally } from '../read/tally';
import { findingPasses } from '../read/traversals';
import { runs } from '../testing/thorough';
import { checkMeetings, checkPath, type Fault } from '../weave/check';
import { isEdgeName } from '../weave/edge';
import { WOVEN, type Bead } from '../weave/path';
import { boundStitch, STRUCTURES } from './registry';
import { isBetween, seamOf, USUAL_SEAM, type Seam } from './seam';
import { edgeOf } from './sectionRuns';
import type { SectionChoice, Sections } from './sections';
import type { Weaveable } from './structure';

const LOOP = { seedsEachSide: 2, passes: 1 };
const CLOSED = { start: LOOP, end: LOOP };
const size = () => byId(BEADS, 'seed-11');

const section = (
  id: string,
  times: number,
  params: Readonly<Record<string, unknown>> = {},
  seam: Seam = USUAL_SEAM,
  matched = true,
): SectionChoice => ({ sequence: ['A'], times, other: { id, params, matched, seam } });

const messages = (id: string, params: Readonly<Record<string, unknown>>, sections: Sections) => {
  const found = boundStitch({
    id,
    params: { ...STRUCTURES.find((s) => s.id === id)?.defaults, ...params },
    sections,
  });
  return found.ok ? [] : found.messages;
};
function bound(id: string, params: Readonly<Record<string, unknown>>, sections: Sections): Weaveable {
  const found = boundStitch({
    id,
    params: { ...STRUCTURES.find((s) => s.id === id)?.defaults, ...params },
    sections,
  });
  if (!found.ok) throw new Error(found.messages.join(' '));
  return found.weaveable;
}

/** Faults of a path but for units that are meant to be unlike. */
const faults = (all: readonly Fault[]) => all.filter(({ code }) => code !== 'cell-unlike');

/** Beads of the pieces that are woven, of an end that hangs on them none. */
const woven = ({ place }: Bead) => place.section === WOVEN;

/** Stitches with an edge that others can be joined to, in one-hole beads. */
const JOINABLE = STRUCTURES.filter(({ bind, defaults }) => {
  const { arrangement, corner, parts } = bind(defaults);
  return !arrangement && !corner && parts.every(({ holes }) => holes === 1);
});

describe('a section in another stitch', () => {
  it('takes its own beads, and those of the seam at every post; the whole is both and the seam (by hand)', () => {
    // Two columns of herringbone have one post, and a row of right-angle weave has one.
    const weaveable = bound(
      'right-angle-weave',
      {},
      {
        before: [
          section(
            'flat-herringbone',
            6,
            { columns: 2, sequence: ['C'] },
            { by: 'beads', across: 2, back: 1, rounds: 2 },
          ),
        ],
        after: [],
        mirrored: true,
      },
    );
    const path = weaveable.weave(5, CLOSED);
    expect(faults(checkPath(path))).toEqual([]);
    // Two strips of six rows of two, and two seams of three beads.
    expect(tally(path, woven).get('C')).toBe(2 * 6 * 2);
    expect(tally(path, ({ place }) => seamOf(place.section) !== null)).toEqual(new Map([[LOOP_ROLE, 6]]));
    // Each stretch has a thread, and each seam.
    expect(path.threads).toHaveLength(5);
    const own = (id: string, units: number, params: Readonly<Record<string, unknown>>) => {
      const alone = bound(id, params, { before: [], after: [], mirrored: false });
      const { pitchMm, extraMm } = alone.form(size, new Set());
      return units * pitchMm + extraMm;
    };
    const form = weaveable.form(size, new Set());
    expect(5 * form.pitchMm + form.extraMm).toBeCloseTo(
      own('right-angle-weave', 5, {}) +
        2 * own('flat-herringbone', 6, { columns: 2, sequence: ['B'], extra: 0 }) +
        2 * 2 * size().lengthMm,
      6,
    );
  });

  it('is as broad as what it is joined to, where it can be', () => {
    const wide = bound(
      'flat-peyote',
      { wide: 8 },
      { before: [], after: [section('right-angle-weave', 4)], mirrored: false },
    );
    const [own, other] = wide.sections?.runs(9) ?? [];
    expect(other?.params).toMatchObject({ rows: 4 });
    expect(own && other && edgeOf(own.stitch).end.posts).toBe(4);
    // What is joined to that is as broad again.
    const on = bound(
      'flat-peyote',
      { wide: 8 },
      {
        before: [],
        after: [section('right-angle-weave', 4), section('flat-herringbone', 4)],
        mirrored: false,
      },
    );
    expect(on.sections?.runs(9).at(-1)?.params).toMatchObject({ columns: 8 });
  });

  it('that cannot be joined says why, and what would do', () => {
    const after = (...all: SectionChoice[]): Sections => ({ before: [], after: all, mirrored: false });
    expect(
      messages(
        'flat-peyote',
        { wide: 8 },
        after(section('right-angle-weave', 4, { rows: 2 }, USUAL_SEAM, false)),
      ),
    ).toEqual(['Sections 1 and 2 have 4 and 2 places to join them by: make one as broad as the other.']);
    expect(messages('flat-peyote', { wide: 12 }, after(section('right-angle-weave', 4)))).toEqual([
      'Section 2: Right-angle weave has no breadth with 6 places to join it by, as its neighbour has.',
    ]);
    expect(messages('flat-peyote', {}, after(section('graduated-line', 1)))[0]).toBe(
      'Section 2: Graduated line is a piece of its own: it has no sections, and is none.',
    );
    expect(messages('graduated-line', {}, after(section('flat-peyote', 4)))).toEqual([
      'Graduated line is a piece of its own: it has no sections, and is none.',
    ]);
    expect(messages('flat-peyote', {}, after(section('nothing', 1)))).toEqual([
      'Section 2: This version knows no such structure.',
    ]);
    expect(
      messages('flat-peyote', {}, after(section('brick-stitch', 1, { wide: 6, sequence: ['A'] }))),
    ).toEqual(['Section 2: Brick stitch has 4 units at least.']);
    const zip: Seam = { ...USUAL_SEAM, by: 'zip' };
    expect(
      messages('flat-peyote', { wide: 6 }, after(section('right-angle-weave', 4, { rows: 3 }, zip)))[0],
    ).toMatch(/^Sections 1 and 2 cannot be zipped/);
  });

  it('zipped, peyote goes on as peyote: as long as woven in one, and each edge in the gaps of the other', () => {
    const params = { wide: 6, sequence: ['A'] };
    const zip: Seam = { ...USUAL_SEAM, by: 'zip' };
    const sections: Sections = {
      before: [],
      after: [section('flat-peyote', 10, { ...params, sequence: ['B'] }, zip)],
      mirrored: false,
    };
    const zipped = bound('flat-peyote', params, sections);
    expect(zipped.rules?.('clasp')).toMatchObject([{ of: 2, rest: 0, must: true }]);
    const path = zipped.weave(12, CLOSED);
    expect(faults(checkPath(path))).toEqual([]);
    const plain = bound('flat-peyote', params, { before: [], after: [], mirrored: false });
    const [one, all] = [zipped.form(size, new Set()), plain.form(size, new Set())];
    expect(12 * one.pitchMm + one.extraMm).toBeCloseTo(22 * all.pitchMm + all.extraMm, 6);
    // Through three beads of each edge, in turn.
    const sewn = path.moves.filter(
      ({ place }) => place.section.joint === 'seam 1' && place.pass === 'zip the edges',
    );
    expect(sewn.map((move) => ('bead' in move ? move.bead.place.row : null))).toEqual([
      11, 12, 11, 12, 11, 12,
    ]);
    const placed = one.along?.({ path, units: 12 }) ?? one;
    const layout = {
      poses: path.beads.map((bead) =>
        woven(bead) ? placed.pose(bead) : ({ centre: [0, 0, 0], axis: [1, 0, 0] } as const),
      ),
      findings: [],
      body: size,
    };
    expect(
      checkMeetings(path, layout).filter(
        (fault) => 'place' in fault && fault.place.section.joint === 'seam 1',
      ),
    ).toEqual([]);
  });

  it('by a finding, each edge has its loops, sewn by its own thread; both loops and what they hold are the length (by hand)', () => {
    const by = (id: string, count: number): Seam => ({
      by: 'finding',
      across: 3,
      back: 1,
      rounds: 2,
      finding: { what: byId(FINDINGS, id), count },
    });
    const joined = (seam: Seam, rows: number) =>
      bound(
        'right-angle-weave',
        { rows },
        {
          before: [],
          after: [section('right-angle-weave', 4, { rows }, seam, false)],
          mirrored: false,
        },
      );
    const alone = bound('right-angle-weave', { rows: 3 }, { before: [], after: [], mirrored: false });
    const { pitchMm, extraMm } = alone.form(size, new Set());
    const woven9 = 9 * pitchMm + 2 * extraMm;
    const lengthOf = (seam: Seam) => {
      const form = joined(seam, 3).form(size, new Set());
      return 5 * form.pitchMm + form.extraMm;
    };
    const loops = 2 * 3 * size().lengthMm;
    // A ring of 4 mm has 2.6 mm inside, of which three in a row make a short chain; a link of chain is 3 mm.
    expect(lengthOf(by('jump-ring-4', 3))).toBeCloseTo(woven9 + loops + 3 * 2.6, 9);
    expect(lengthOf(by('chain-link', 7))).toBeCloseTo(woven9 + loops + 7 * 3, 9);
    for (const [id, each] of [
      ['jump-ring-4', 1],
      ['chain-link', 1],
      ['strand-bar-2', 2],
      ['strand-bar-3', 3],
    ] as const) {
      const path = joined(by(id, 1), 3).weave(5, CLOSED);
      expect(faults(checkPath(path))).toEqual([]);
      // Seeds out and seeds back in every loop, at both edges; two threads, for nothing is sewn by a third.
      const seeds = tally(path, ({ place }) => seamOf(place.section) !== null);
      expect(seeds).toEqual(new Map([[LOOP_ROLE, 2 * each * 6]]));
      expect(path.threads).toHaveLength(2);
      const inSeam = [...findingPasses(path)].filter(([{ at }]) => at && !isEdgeName(at.joint));
      expect(inSeam.map(([, strands]) => strands)).toEqual(Array(2 * each).fill(2));
    }
    // Loops of one name lie opposite each other, whatever side an edge is worked from.
    for (const units of [5, 6]) {
      const weaveable = joined(by('strand-bar-3', 1), 3);
      const path = weaveable.weave(units, CLOSED);
      const form = weaveable.form(size, new Set()).along?.({ path, units });
      const across = new Map<string, number[]>();
      for (const one of path.findings) {
        const y = form?.findingAt?.(one)?.[1];
        if (y !== undefined) across.set(one.name, [...(across.get(one.name) ?? []), y]);
      }
      expect([...across.keys()].sort()).toEqual([
        'bar of 3 strands',
        'bar of 3 strands, loop 2',
        'bar of 3 strands, loop 3',
      ]);
      for (const [here = NaN, there = NaN] of across.values())
        expect(Math.abs(here - there)).toBeLessThan(size().diameterMm);
      expect(new Set([...across.values()].map(([y = NaN]) => Math.round(y))).size).toBe(3);
    }
    // A bar of more strands than an edge has places is told, and what would do.
    expect(
      messages(
        'right-angle-weave',
        { rows: 2 },
        {
          before: [],
          after: [section('right-angle-weave', 4, { rows: 3 }, by('strand-bar-3', 1), false)],
          mirrored: false,
        },
      ),
    ).toEqual([
      'The bar of 3 strands has 3 loops on either side, and section 1 2 places to sew them to: take one of fewer, or make the section broader.',
    ]);
    // Edges of unlike breadth hang in one ring.
    expect(
      messages(
        'flat-peyote',
        { wide: 12 },
        {
          before: [],
          after: [section('right-angle-weave', 4, {}, by('jump-ring-4', 1))],
          mirrored: false,
        },
      ),
    ).toEqual([]);
  });

  it('any stitch joined to any other, either side, is a path without faults, whose thread reaches over every seam', () => {
    let tried = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...JOINABLE),
        fc.constantFrom(...JOINABLE),
        fc.constantFrom(...JOINABLE),
        fc.boolean(),
        fc.record({
          by: fc.constantFrom('beads' as const, 'edge' as const, 'finding' as const),
          finding: fc.record({
            what: fc.constantFrom(...FINDINGS.filter(isBetween)),
            count: fc.integer({ min: 1, max: 9 }),
          }),
          across: fc.integer({ min: 1, max: 3 }),
          back: fc.integer({ min: 1, max: 3 }),
          rounds: fc.integer({ min: 1, max: 2 }),
        }),
        fc.integer({ min: 0, max: 6 }),
        (own, one, other, mirrored, seam, more) => {
          const times = (id: string) =>
            4 +
            (STRUCTURES.find((s) => s.id === id)?.bind({ ...STRUCTURES.find((s) => s.id === id)?.defaults })
              .minimumUnits ?? 1);
          const sections: Sections = {
            before: [section(one.id, times(one.id), {}, seam)],
            after: [section(other.id, times(other.id), {}, seam)],
            mirrored,
          };
          const found = boundStitch({ id: own.id, params: own.defaults, sections });
          if (!found.ok) return;
          tried++;
          const { weaveable } = found;
          const units = weaveable.minimumUnits + more;
          const path = weaveable.weave(units, CLOSED);
          expect(faults(checkPath(path))).toEqual([]);
          const form = weaveable.form(size, new Set());
          const { pose, findingAt } = form.along?.({ path, units }) ?? form;
          const inSeam = ({ place }: Bead) => seamOf(place.section) !== null;
          const beads = path.beads.filter((bead) => woven(bead) || inSeam(bead));
          const lengthMm = units * form.pitchMm + form.extraMm;
          for (const bead of beads) {
            const { centre } = pose(bead);
            expect(centre.every(Number.isFinite)).toBe(true);
            expect(centre[0]).toBeGreaterThan(-2);
            expect(centre[0]).toBeLessThan(lengthMm + 2);
          }
          // The seams lie between what they join.
          const xs = path.beads.filter(inSeam).map((bead) => pose(bead).centre[0]);
          // A stretch before and one after, and the one before once more where it is mirrored about the one after.
          const seams = new Set(path.moves.flatMap(({ place }) => seamOf(place.section) ?? []));
          expect([...seams]).toEqual(mirrored ? [0, 1, 2, 3] : [0, 1]);
          if (seam.by === 'edge') expect(xs).toEqual([]);
          else expect(xs.length).toBeGreaterThan(0);
          // Each seam's finding is held at either edge, and thread comes to it where it lies.
          const held = path.findings.filter((one) => findingAt?.(one));
          expect(held).toHaveLength(seam.by === 'finding' ? seams.size * 2 * seam.finding.what.loops : 0);
        },
      ),
      { numRuns: runs(150), seed: 20 },
    );
    expect(tried).toBeGreaterThan(25);
  });

  const FOUR_POSTS: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
    'flat-peyote': { wide: 8 },
    'right-angle-weave': { rows: 4 },
    'flat-herringbone': { columns: 8 },
    'brick-stitch': { wide: 8 },
  };
  it.each(
    Object.keys(FOUR_POSTS).flatMap((one) => Object.keys(FOUR_POSTS).map((other) => [one, other] as const)),
  )(
    '%s and %s are joined side to side, never crosswise, after an odd number of rows as after an even one',
    (one, other) => {
      for (const units of [6, 7]) {
        const flat = { sequence: ['A'], extra: 0 };
        const its = section(other, 6, {
          ...STRUCTURES.find((s) => s.id === other)?.defaults,
          ...FOUR_POSTS[other],
          ...flat,
        });
        const weaveable = bound(
          one,
          { ...FOUR_POSTS[one], ...flat },
          { before: [], after: [its], mirrored: false },
        );
        const path = weaveable.weave(units, CLOSED);
        const form = weaveable.form(size, new Set());
        const { pose } = form.along?.({ path, units }) ?? form;
        // The first bead gone through of each edge, for every bead that leads across and one that leads back.
        const ys: number[][] = [];
        for (const move of path.moves) {
          if (move.place.pass !== 'join the edges' || !('bead' in move)) continue;
          if (move.kind === 'pick' && move.bead.slot.of === 'across') ys.push([]);
          else if (move.kind === 'pass' && woven(move.bead)) ys.at(-1)?.push(pose(move.bead).centre[1]);
        }
        expect(ys).toHaveLength(4);
        for (const met of ys)
          expect(Math.max(...met) - Math.min(...met)).toBeLessThan(2 * size().diameterMm + 2.2);
        const middle = (met: readonly number[]) => met.reduce((a, b) => a + b, 0) / met.length;
        const order = ys.map(middle);
        const sorted = order.toSorted((a, b) => a - b);
        expect([sorted, sorted.toReversed()]).toContainEqual(order);
      }
    },
  );
});
