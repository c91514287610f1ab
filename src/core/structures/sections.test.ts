import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_LOOP } from '../closures/sewnLoop';
import type { Pose } from '../layout/layout';
import { byId, BEADS } from '../materials/catalogue';
import { KNOT_ROLE } from '../materials/knot';
import type { BeadSize } from '../materials/material';
import { runs } from '../testing/thorough';
import { checkMeetings, checkPath } from '../weave/check';
import { isTraversal, WOVEN, type Bead, type Path } from '../weave/path';
import { misfit } from './parts';
import { boundStitch, STRUCTURES } from './registry';
import type { Sections } from './sections';
import { at, rolesOf, type Form, type Structure, type Weaveable } from './structure';
import type { RoleLetter } from './roles';

const LOOP = { seedsEachSide: 2, passes: 1 };
const CLOSED = { start: LOOP, end: LOOP };
const OPEN = { start: NO_LOOP, end: NO_LOOP };

/** Stitches that can have sections. */
const SECTIONED = STRUCTURES.filter(({ unlike }) => unlike);

function bound(
  structure: Structure,
  params: Readonly<Record<string, unknown>>,
  sections?: Sections,
): Weaveable {
  const found = boundStitch({ id: structure.id, params: { ...structure.defaults, ...params }, sections });
  if (!found.ok) throw new Error(found.messages.join(' '));
  return found.weaveable;
}

/** What a path does, move by move, whatever its units are called. */
const told = ({ moves }: Path) =>
  moves.map((move) => {
    const { kind, needle, place } = move;
    const of = `${kind} ${needle} ${place.pass} ${place.row}`;
    return isTraversal(move) ? `${of} ${move.bead.id} ${move.bead.role} ${move.hole}.${move.enter}` : of;
  });

/** Beads of the catalogue that suit all roles of a stitch; each of its roles in one of them. */
function sizes(weaveable: Weaveable, ids: readonly string[]): ((role: string) => BeadSize) | null {
  const suited = (role: RoleLetter, id: string) =>
    weaveable.parts.every((part) => part.role !== role || misfit(part, byId(BEADS, id)) === null);
  const beads = new Map<string, string>();
  for (const [i, role] of rolesOf(weaveable).entries()) {
    const id = at(ids, i % ids.length);
    if (!suited(role, id)) return null;
    beads.set(role, id);
  }
  return (role) => byId(BEADS, beads.get(role) ?? 'seed-11');
}

const wovenBeads = (path: Path): Bead[] => path.beads.filter(({ place }) => place.section === WOVEN);

const lies = (form: Form, path: Path, units: number): Pose[] => {
  const { pose } = form.along?.({ path, units }) ?? form;
  return wovenBeads(path).map(pose);
};

const anyUnit = fc.array(fc.constantFrom<RoleLetter>('A', 'B', 'C'), { minLength: 1, maxLength: 4 });
const anySection = fc.record({ sequence: anyUnit, times: fc.integer({ min: 1, max: 6 }) });
const anySections = fc
  .record({
    before: fc.array(anySection, { maxLength: 3 }),
    after: fc.array(anySection, { maxLength: 3 }),
    mirrored: fc.boolean(),
  })
  .filter(({ before, after }) => before.length + after.length > 0);

/** Any stitch that can have sections, with any of its options. */
const anyStitch = fc
  .tuple(fc.constantFrom(...SECTIONED), anyUnit, fc.nat({ max: 3 }), fc.infiniteStream(fc.nat({ max: 20 })))
  .map(([structure, sequence, extra, drawn]) => {
    const picked = structure.fields.flatMap((field): [string, unknown][] => {
      if (field.kind !== 'choice' || field.key === 'swags') return [];
      const { options } = field;
      return [[field.key, at(options, (drawn.next().value ?? 0) % options.length).value]];
    });
    return { structure, params: { ...Object.fromEntries(picked), sequence, extra } };
  })
  .filter(({ structure, params }) => structure.check(params).length === 0 && !structure.unlike?.not(params));

describe('sections along a piece', () => {
  it('stand in most stitches: all whose units are rows or beads in a sequence', () => {
    expect(SECTIONED.map(({ id }) => id)).toEqual([
      'strung-line',
      'ladder',
      'tile-ladder',
      'flat-herringbone',
      'tubular-herringbone',
      'flat-peyote',
      'tubular-peyote',
      'brick-stitch',
    ]);
  });

  it.each(SECTIONED.map((structure) => [structure.id, structure] as const))(
    'of the same beads are the plain work: %s',
    (_, structure) => {
      const params = { sequence: ['A'], extra: 0 };
      const sections: Sections = {
        before: [{ sequence: ['A'], times: 3 }],
        after: [{ sequence: ['A'], times: 4 }],
        mirrored: false,
      };
      const [one, other] = [bound(structure, params, sections), bound(structure, params)];
      // An odd strip of peyote tells its rows in pairs; the usual one does not.
      const [n, all] = [11, 3 + 11 + 4];
      const [path, plain] = [one.weave(n, CLOSED), other.weave(all, CLOSED)];
      expect(told(path)).toEqual(told(plain));
      expect(checkPath(path).filter(({ code }) => code !== 'cell-unlike')).toEqual([]);
      const size = sizes(other, [structure.usual.A ?? 'seed-11']);
      if (!size) throw new Error('no beads');
      const [composed, own] = [one.form(size, new Set()), other.form(size, new Set())];
      expect(n * composed.pitchMm + composed.extraMm).toBeCloseTo(all * own.pitchMm + own.extraMm, 6);
      const places = lies(own, plain, all);
      lies(composed, path, n).forEach(({ centre, axis }, i) => {
        const there = at(places, i);
        [0, 1, 2].forEach((k) => {
          expect(at(centre, k)).toBeCloseTo(at(there.centre, k), 6);
          expect(at(axis, k)).toBeCloseTo(at(there.axis, k), 6);
        });
      });
    },
  );

  it('come to the length of the whole work as its own closed form has it, and run on from one to the next', () => {
    let tried = 0;
    fc.assert(
      fc.property(
        anyStitch,
        anySections,
        fc.integer({ min: 1, max: 12 }),
        fc.array(
          fc.constantFrom('seed-11', 'seed-8', 'seed-10', 'cylinder-11', 'tile', 'half-tile', 'pressed-4'),
          {
            minLength: 2,
            maxLength: 2,
          },
        ),
        ({ structure, params }, sections, more, ids) => {
          const weaveable = bound(structure, params, sections);
          const size = sizes(weaveable, ids);
          if (!size) return;
          tried++;
          const units = weaveable.minimumUnits + more;
          const path = weaveable.weave(units, CLOSED);
          expect(checkPath(path).filter(({ code }) => code !== 'cell-unlike')).toEqual([]);
          const composed = weaveable.form(size, new Set());
          const lengthMm = units * composed.pitchMm + composed.extraMm;

          // The stitch's own closed form of all rows in one unit has never heard of sections.
          const all =
            weaveable.sections
              ?.runs(units)
              .flatMap(({ unit, times }) => Array<typeof unit>(times).fill(unit)) ?? [];
          const whole = structure.unlike?.bind({ ...structure.defaults, ...params }, all);
          if (!whole) throw new Error('no sections');
          if (structure.id !== 'strung-line') {
            const { pitchMm, extraMm } = whole.form(size, new Set());
            // At a seam, and at an end, each says for itself how rows of unlike beads stand in each other: by half a bead, or less.
            const girths = wovenBeads(path).map(({ role }) => size(role).diameterMm);
            const seams = (weaveable.sections?.runs(units).length ?? 0) + 1;
            // How rows of very unlike beads stand in each other neither of them knows.
            if (Math.max(...girths) <= 1.35 * Math.min(...girths))
              expect(Math.abs(lengthMm - pitchMm - extraMm)).toBeLessThan(
                SECOND_OPINION * lengthMm + (seams * Math.max(...girths)) / 2,
              );
          } else {
            const sum = wovenBeads(path).reduce((mm, { role }) => mm + size(role).lengthMm, 0);
            const knots = path.moves.filter((move) => move.kind === 'knot' && move.knot === 'between beads');
            expect(lengthMm).toBeCloseTo(sum + knots.length * size(KNOT_ROLE).lengthMm, 6);
          }

          const poses = lies(composed, path, units);
          const most = Math.max(
            ...wovenBeads(path).map(({ role }) => Math.hypot(size(role).lengthMm, size(role).diameterMm)),
          );
          for (const { centre } of poses) {
            expect(centre[0]).toBeGreaterThan(-most);
            expect(centre[0]).toBeLessThan(lengthMm + most);
          }
          // Rows follow each other; of unequal beads, one may nest in the one before.
          const thinnest = Math.min(...wovenBeads(path).map(({ role }) => size(role).diameterMm));
          const rows = new Map<number, number[]>();
          wovenBeads(path).forEach(({ place, slot }, i) => {
            if (slot.of !== 'picot')
              rows.set(place.row, [...(rows.get(place.row) ?? []), at(poses, i).centre[0]]);
          });
          const middles = [...rows]
            .sort(([a], [b]) => a - b)
            .map(([, xs]) => xs.reduce((a, b) => a + b, 0) / xs.length);
          middles.slice(1).forEach((x, i) => expect(x).toBeGreaterThan(at(middles, i) - NESTS * thinnest));
          // Thread reaches from each bead to the next, across every seam, wherever it does in the stitch's own closed form.
          if (structure.id === 'strung-line' || (weaveable.advise?.(size) ?? []).length > 0) return;
          const open = weaveable.weave(units, openEnds(structure));
          const atOnce = whole.form(size, new Set()).pose;
          const own = tornIn(open, size, (bead) => atOnce({ ...bead, place: { ...bead.place, unit: 0 } }));
          const { pose } = composed.along?.({ path: open, units }) ?? composed;
          if (own === 0) expect(tornIn(open, size, pose)).toBe(0);
        },
      ),
      { numRuns: runs(120), seed: 20 },
    );
    expect(tried).toBeGreaterThan(20);
  });

  it('mirrored, read the same from both ends', () => {
    fc.assert(
      fc.property(
        anyStitch,
        anySections,
        fc.integer({ min: 1, max: 9 }),
        ({ structure, params }, sections, more) => {
          // What stands in the middle is its own mirror image only where its unit reads alike both ways.
          const even = (unit: readonly RoleLetter[]) => [...unit, ...unit.toReversed()];
          const own = { ...params, sequence: even(params.sequence), extra: 0 };
          const after = sections.after.map((one) => ({ ...one, sequence: even(one.sequence) }));
          const weaveable = bound(structure, own, { ...sections, after, mirrored: true });
          const path = weaveable.weave(weaveable.minimumUnits + more, CLOSED);
          const rows = new Map<string, string>();
          for (const { place, role, slot } of wovenBeads(path))
            if (slot.of !== 'picot') {
              const row = structure.id === 'strung-line' ? `${place.row}.${slot.index}` : `${place.row}`;
              rows.set(row, role);
            }
          const all = [...rows].sort(([a], [b]) => rank(a) - rank(b)).map(([, role]) => role);
          expect(all.toReversed()).toEqual(all);
        },
      ),
      { numRuns: runs(80), seed: 21 },
    );
  });

  it('end on the last that is listed', () => {
    for (const structure of SECTIONED) {
      const weaveable = bound(
        structure,
        { sequence: ['A', 'B'] },
        {
          before: [],
          after: [{ sequence: ['C'], times: 4 }],
          mirrored: false,
        },
      );
      const path = weaveable.weave(6, CLOSED);
      const beads = wovenBeads(path).filter(({ slot }) => slot.of !== 'picot');
      const last = Math.max(...beads.map(({ place }) => place.row));
      expect(new Set(beads.filter(({ place }) => place.row > last - 4).map(({ role }) => role))).toEqual(
        new Set(['C']),
      );
      expect(weaveable.closing).toBe('it ends on section 2');
    }
  });

  it('that cannot be are told in words', () => {
    const messages = (id: string, params: Readonly<Record<string, unknown>>, sections: Sections) => {
      const structure = STRUCTURES.find((one) => one.id === id);
      const found = boundStitch({ id, params: { ...structure?.defaults, ...params }, sections });
      return found.ok ? [] : found.messages;
    };
    const some: Sections = { before: [], after: [{ sequence: ['B'], times: 2 }], mirrored: false };
    expect(messages('right-angle-weave', {}, some)).toEqual([
      'Right-angle weave has no sections in its own stitch: all its units are alike. Take another stitch for them.',
    ]);
    expect(
      messages(
        'flat-peyote',
        {
          motif: [
            ['A', 'B', 'A'],
            ['B', 'A', 'B'],
          ],
        },
        some,
      ),
    ).toEqual(['A small motif repeats all along: take the motif off, or the sections.']);
    expect(messages('strung-line', { swags: 1 }, some)[0]).toMatch(/^Swags hang from units/);
    const long = { ...some, after: [{ sequence: Array<RoleLetter>(20).fill('B'), times: 1 }] };
    expect(messages('flat-peyote', {}, long)).toEqual([
      'Section 2: A sequence holds at most 12. Take some out.',
    ]);
  });

  it('parameters that do not stand at all are no matter of sections', () => {
    for (const { unlike, defaults } of SECTIONED)
      expect(unlike?.not({ ...defaults, sequence: [] })).toBeNull();
  });

  it('joined, peyote comes to an even number of rows, or says that it never does', () => {
    const structure = STRUCTURES.find(({ id }) => id === 'flat-peyote') as Structure;
    const of = (own: RoleLetter[], after: Sections['after'], mirrored: boolean) =>
      bound(structure, { sequence: own, wide: 6 }, { before: [], after, mirrored }).rules?.('joined') ?? [];
    expect(of(['A'], [{ sequence: ['B'], times: 3 }], false)).toMatchObject([{ of: 2, rest: 1, must: true }]);
    expect(of(['A', 'A'], [{ sequence: ['B'], times: 4 }], false)).toEqual([]);
    // Two halves and a middle of three rows are an odd number, whatever the count.
    expect(of(['A'], [{ sequence: ['B'], times: 3 }], true).map(({ rest }) => rest)).toEqual([0, 1]);
  });
});

/** By what part of the thinnest bead a row may stand before the one that it follows. */
const NESTS = 0.5;
/** The largest part by which runs one after another may differ from the closed form of all rows at once. */
const SECOND_OPINION = 0.03;
const rank = (row: string): number =>
  row.split('.').reduce((sum, n, i) => sum + Number(n) * (i === 0 ? 1000 : 1), 0);
const openEnds = ({ bind, defaults }: Structure) =>
  bind(defaults).closings?.includes('open') ? OPEN : CLOSED;
/** Stretches of bare thread in the woven part that are longer than any could be. */
function tornIn(path: Path, body: (role: string) => BeadSize, pose: Form['pose']): number {
  const poses = path.beads.map((bead) => (bead.place.section === WOVEN ? pose(bead) : NOWHERE));
  return checkMeetings(path, { poses, findings: [], body }).filter(
    (fault) => 'place' in fault && fault.place.section === WOVEN,
  ).length;
}

/** Where the loops of an end lie is not asked here. */
const NOWHERE: Pose = { centre: [0, 0, 0], axis: [1, 0, 0] };
