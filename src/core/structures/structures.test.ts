import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LOOP_ROLE, loopSection } from '../closures/sewnLoop';
import { type Pose } from '../layout/layout';
import { turnOf } from '../layout/pose';
import { tally, unitTally } from '../read/tally';
import { threadMm, threadMoves } from '../read/thread';
import { findingPasses } from '../read/traversals';
import { steps } from '../read/steps';
import { longDefault } from '../testing/anyParams';
import { inALine } from '../testing/inALine';
import { cellOf } from '../weave/cell';
import { isTraversal, type Bead, WOVEN } from '../weave/path';
import { STRUCTURES } from './registry';
import type { Weaveable } from './structure';
import { misfit } from './parts';
import { ROLE_LETTERS, type RoleLetter } from './roles';
import { BEADS, byId } from '../materials/catalogue';
import { runs } from '../testing/thorough';
import { all, bodies, eight, ends, layOut, strandsOf, sum } from '../testing/woven';

/** Parameters of any structure built from its fields, so that a new family is tested without a word here. */
const anyParams = (structure: (typeof STRUCTURES)[number]) =>
  fc
    .record(
      Object.fromEntries(
        structure.fields.map((field) => [
          field.key,
          field.kind === 'sequence'
            ? fc.array(fc.constantFrom(...(field.roles ?? ROLE_LETTERS)), {
                minLength: longDefault(structure, field.key) ?? 1,
                maxLength: longDefault(structure, field.key) ?? Math.min(5, field.most),
              })
            : field.kind === 'switch'
              ? fc.boolean()
              : field.kind === 'choice'
                ? fc.constantFrom(...field.options.map((o) => o.value))
                : field.kind === 'count'
                  ? fc.integer({ min: field.least, max: Math.min(field.most, 3) })
                  : fc.constant(structure.defaults[field.key]),
        ]),
      ),
    )
    // Sizes that do not suit each other are told on the plan; here they would only leave thread bare.
    .filter((params) => {
      if (structure.check(params).length > 0) return false;
      const weaveable = structure.bind(params);
      // A V does not go on as it begins: it has tests of its own (plan/joined.test.ts).
      if (weaveable.corner) return false;
      return (weaveable.advise?.(bodies(weaveable)) ?? []).length === 0;
    });

describe.each(STRUCTURES.map((s) => [s.name, s] as const))('%s', (_, structure) => {
  const each = (check: (weaveable: Weaveable, units: number) => void) =>
    fc.assert(
      fc.property(anyParams(structure), fc.integer({ min: 0, max: 36 }), (params, more) => {
        const weaveable = structure.bind(params);
        check(weaveable, weaveable.minimumUnits + more);
      }),
      { numRuns: runs(20), seed: 7 },
    );

  it('has defaults that its own check accepts, and refuses a sequence with no beads in words', () => {
    expect(structure.check(structure.defaults)).toEqual([]);
    const key = structure.fields.find((field) => field.kind === 'sequence')?.key;
    if (!key) return;
    expect(structure.check({ ...structure.defaults, [key]: [] }).join()).toMatch(/no beads.*add/i);
    expect(structure.check({ ...structure.defaults, [key]: ['A', 'z'] })).not.toEqual([]);
  });

  it('starts in beads that suit each other and their parts', () => {
    const usual = (role: string) => byId(BEADS, structure.usual[role as RoleLetter] ?? 'seed-11');
    expect(structure.bind(structure.defaults).advise?.(usual) ?? []).toEqual([]);
    for (const part of structure.bind(structure.defaults).parts)
      expect(misfit(part, usual(part.role)), part.role).toBeNull();
  });

  it('builds at every count from the fewest to 40, and every bead is gone through', () => {
    const weaveable = structure.bind(structure.defaults);
    for (let n = weaveable.minimumUnits; n <= 40; n++) {
      const path = weaveable.weave(n, ends);
      const gone = new Set(path.moves.filter(isTraversal).map((move) => move.bead.id));
      expect(gone.size).toBe(path.beads.length);
    }
  });

  it('repeats after one unit or two, found from the path alone', () =>
    each((weaveable, n) => {
      expect([1, 2]).toContain(cellOf(weaveable.weave(n + 8, ends))?.period);
    }));

  it('totals are start + n · cell + end, for the same n modulo the period', () =>
    each((weaveable, n) => {
      const units = n + 8;
      const path = weaveable.weave(units, ends);
      const period = cellOf(path)?.period ?? 1;
      const before = tally(path);
      const cells = Array.from({ length: period }, (_, k) => unitTally(path, Math.floor(units / 2) + k));
      for (const k of [1, 2, 5]) {
        const after = tally(weaveable.weave(units + k * period, ends));
        for (const [role, count] of after)
          expect(count - (before.get(role) ?? 0)).toBe(k * sum(cells.map((cell) => cell.get(role) ?? 0)));
      }
    }));

  it('thread in the woven part grows by the same for every period', () =>
    each((weaveable, n) => {
      const period = cellOf(weaveable.weave(n + 8, ends))?.period ?? 1;
      const inWork = (units: number) =>
        threadMm(layOut(weaveable, units).thread, (move) => move.place.section === WOVEN);
      const step = inWork(n + 8 + period) - inWork(n + 8);
      expect(inWork(n + 8 + 6 * period) - inWork(n + 8)).toBeCloseTo(6 * step, 6);
      expect(step).toBeGreaterThan(0);
    }));

  it('strings every bead once, before it is gone through, and never through a bead that is not there', () =>
    each((weaveable, n) => {
      const path = weaveable.weave(n, ends);
      const strung = new Set<number>();
      for (const move of path.moves) {
        if (move.kind === 'pick') {
          expect(strung.has(move.bead.id)).toBe(false);
          strung.add(move.bead.id);
        } else if (move.kind === 'pass') expect(strung.has(move.bead.id)).toBe(true);
      }
      expect(strung.size).toBe(path.beads.length);
    }));

  it('leaves no thread longer than two beads’ girth bare, in any gap', () =>
    each((weaveable, n) => {
      const { thread } = layOut(weaveable, n);
      const { widthMm } = weaveable.form(bodies(weaveable), all);
      for (const { move, gapMm } of thread) {
        // A loop hangs in the middle; its thread may leave at an edge.
        const { section, unit } = move.place;
        const toLoop = section === WOVEN && unit >= 0 ? 0 : widthMm / 2;
        if (isTraversal(move)) expect(gapMm).toBeLessThanOrEqual(2 * eight.diameterMm + toLoop);
      }
    }));

  /** Thread bare over a whole piece, and over the same with some of its beads lying otherwise. */
  const laidOtherwise = (weaveable: Weaveable, n: number) => {
    const { path, layout, thread } = layOut(weaveable, n);
    // A loop is come to and left from wherever it hangs: it says nothing of how a bead of the work lies.
    const loops = [loopSection('start'), loopSection('end')];
    const bareMm = (moves: typeof thread) =>
      sum(moves.map(({ move, gapMm }) => (loops.includes(move.place.section) ? 0 : gapMm)));
    // The first unit, which may lie otherwise than the others, and one in the middle.
    const looked = path.beads.filter(
      ({ place: { section, unit } }) => section === WOVEN && [0, Math.floor(n / 2)].includes(unit),
    );
    expect(looked.length).toBeGreaterThan(1);
    const poseOf = ({ id }: Bead) => layout.poses[id] as Pose;
    const bareWith = (changed: ReadonlyMap<number, Pose>) =>
      bareMm(
        threadMoves(path, { ...layout, poses: layout.poses.map((pose, id) => changed.get(id) ?? pose) }),
      );
    return { looked, poseOf, nowMm: bareMm(thread), bareWith };
  };
  /**
   * Many beads on a short diagonal overlap by a little, and a bead of a starting rung is come to from both sides; a bead
   * that is turned round costs several times as much.
   */
  const CROWDED_MM = 1;

  it('lies so that its thread takes the short way: no bead turned round would leave less of it bare', () =>
    each((weaveable, n) => {
      // What is looked at is near the first unit: a longer piece says no more of it, and takes its square of the time.
      const { looked, poseOf, nowMm, bareWith } = laidOtherwise(
        weaveable,
        Math.min(n, weaveable.minimumUnits + 6) + 4,
      );
      for (const bead of looked) {
        const [x, y, z] = poseOf(bead).axis;
        const turned = new Map([[bead.id, { ...poseOf(bead), axis: [-x, -y, -z] as const }]]);
        expect(nowMm, bead.name).toBeLessThanOrEqual(bareWith(turned) + CROWDED_MM);
      }
    }));

  it('lies in the order of its path: no two beads in each other’s places would leave less thread bare', () => {
    const { looked, poseOf, nowMm, bareWith } = laidOtherwise(structure.bind(structure.defaults), 8);
    for (const one of looked)
      for (const other of looked) {
        if (other.id <= one.id || one.role !== other.role) continue;
        const changed = new Map([
          [one.id, poseOf(other)],
          [other.id, poseOf(one)],
        ]);
        expect(nowMm, `${one.name} and ${other.name}`).toBeLessThanOrEqual(bareWith(changed) + CROWDED_MM);
      }
  });

  it('is as long as its form says, and no two beads of it share a place', () =>
    each((weaveable, n) => {
      const { path, layout } = layOut(weaveable, n);
      const body = bodies(weaveable);
      const form = weaveable.form(body, all);
      // What can be left out, or hangs, may stand out over the ends.
      const woven = path.beads.filter(({ place: { section, pass } }) => {
        const later = path.passes.get(pass);
        return section.zone !== 'joint' && !later?.optional && !later?.face;
      });
      const xs = woven.flatMap((bead) => {
        const { lengthMm, diameterMm, widthMm } = body(bead.role);
        const pose = layout.poses[bead.id] as Pose;
        const [along, across, out] = turnOf(pose);
        const half =
          (Math.abs(along) * lengthMm + Math.hypot(across * (widthMm ?? diameterMm), out * diameterMm)) / 2;
        return [pose.centre[0] - half, pose.centre[0] + half];
      });
      const lengthMm = Math.max(...xs) - Math.min(...xs);
      // Seeds that turn an end stand askew: less than a millimetre is what a box round them adds.
      const turned = path.beads.some(({ place }) => place.pass === 'turn');
      expect(Math.abs(lengthMm - (n * form.pitchMm + form.extraMm))).toBeLessThan(turned ? 0.8 : 1e-6);
      const places = new Set(layout.poses.map((pose) => pose.centre.map((c) => c.toFixed(3)).join()));
      expect(places.size).toBe(path.beads.length);
    }));

  it('holds each clasp half by the threads asked for, on loops of the seeds asked for', () =>
    each((weaveable, n) => {
      const path = weaveable.weave(n, ends);
      const strands = strandsOf(weaveable);
      expect([...findingPasses(path).values()]).toEqual(Array<number>(2 * strands).fill(2));
      for (const end of ['start', 'end'] as const)
        expect(tally(path, (b) => b.place.section === loopSection(end)).get(LOOP_ROLE)).toBe(6 * strands);
    }));

  it('words every move: each pick is in a step, and equal units are told once', () =>
    each((weaveable, n) => {
      const path = weaveable.weave(n + 6, ends);
      const groups = steps(inALine(path), { row: weaveable.rowWord, role: (role) => role });
      const told = groups
        .flatMap((g) => g.steps.map((s) => ({ text: s.text, times: g.times })))
        // What is told once for several times counts as often.
        .map(({ text, times }) => ({
          times,
          text: text.replace(/(\d+) times: ([^;]*)/gi, (_, k: string, once: string) =>
            once.repeat(Number(k)),
          ),
        }))
        .flatMap(({ text, times }) =>
          [...text.matchAll(/pick up ([^,.]*(?:, \d+ [^,.]*)*)/gi)].map((m) => ({ text: m[1] ?? '', times })),
        )
        .reduce(
          (sum, { text, times }) =>
            sum + times * [...text.matchAll(/\d+/g)].reduce((n, d) => n + Number(d[0]), 0),
          0,
        );
      expect(told).toBe(path.beads.length);
      expect(groups.length).toBeLessThan(30 * strandsOf(weaveable));
    }));
});
