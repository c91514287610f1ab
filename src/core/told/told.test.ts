// A reader that shares no more than types with the writer rebuilds every path from its steps.
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { holeEnd, type Layout, type Point } from '../layout/layout';
import { BEADS, CLASPS } from '../materials/catalogue';
import { newPart } from '../piece/newPiece';
import type { PartOfPiece } from '../piece/partOfPiece';
import { madeApart } from '../plan/madeApart';
import { planPart, planPiece } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { heldOf, planSteps, stepWords } from '../plan/steps';
import { head, runs as groups } from '../read/runs';
import { MADE_WHOLE, STRUCTURES } from '../structures/registry';
import type { Structure } from '../structures/structure';
import { anyComposed } from '../testing/anyComposed';
import { anyParams } from '../testing/anyParams';
import { THOROUGH, runs } from '../testing/thorough';
import { given } from '../tools/given';
import { BASE, STOP_BEADS, type HoleEnd, type Path } from '../weave/path';
import { toldWords } from '../words/told';
import { rebuilt, Stopped, type Done, type Lying } from './reader';
import { DIRECTIONS, type Act, type Held, type Ref, type ToldStep } from './told';
import { tell } from './writer';

const every = [...STRUCTURES, ...MADE_WHOLE];
/** Beads lie where the closed form says, but for this part of the smallest of them. */
const BLUR = 0.2;

/** What a path does, move by move, as the reader tells it. */
function doneIn(path: Path): Done[] {
  const at = ({ bead, hole, end }: HoleEnd) => [bead.id, hole, end].join();
  return path.moves.map((move) => {
    const done = (...what: readonly unknown[]): Done => [move.needle, ...what].join(' ');
    switch (move.kind) {
      case 'begin':
        return done('begin', move.stop);
      case 'pick':
        return done('pick', move.bead.role, move.bead.id, move.hole);
      case 'pass':
        return done('pass', move.bead.id, move.hole, move.enter);
      case 'attach':
        return done('attach', move.finding.name, move.hole);
      case 'under':
        return done('under', at(move.bridge.from), at(move.bridge.to));
      case 'between':
        return done('between', ...move.beads.map(({ id }) => id));
      case 'around':
      case 'skip':
        return done(move.kind, move.bead.id);
      case 'enclose':
        return done('enclose', move.bead.role, move.bead.id);
      case 'knot':
        return done('knot', move.knot, move.into ? at(move.into) : '');
      case 'turn':
        return done('turn', move.how);
      case 'release':
      case 'tail':
        return done(move.kind);
    }
  });
}

/** Where each bead of a path lies, each moved by up to the blur. */
function lying(path: Path, layout: Layout, noise: readonly number[]): Lying[] {
  const smallest = Math.min(
    ...path.beads.map(({ role }) => {
      const { lengthMm, diameterMm } = layout.body(role);
      return Math.min(lengthMm, diameterMm);
    }),
  );
  return path.beads.map((bead) => {
    const off = [0, 1, 2].map((k) => BLUR * smallest * (noise[(3 * bead.id + k) % noise.length] ?? 0));
    const moved = ([x, y, z]: Point): Point => [x + (off[0] ?? 0), y + (off[1] ?? 0), z + (off[2] ?? 0)];
    return {
      middle: moved(given(layout.poses[bead.id], 'place of a bead').centre),
      holes: Array.from(
        { length: bead.holes },
        (_, hole) => [moved(holeEnd(layout, bead, 0, hole)), moved(holeEnd(layout, bead, 1, hole))] as const,
      ),
    };
  });
}

const otherEnds = ({ threads }: Path): ReadonlyMap<string, string> =>
  new Map(
    threads.flatMap(({ needles: [a, b] }): [string, string][] => [
      [a, b],
      [b, a],
    ]),
  );

interface Read {
  readonly path: Path;
  readonly held: Held;
  readonly steps: readonly ToldStep[];
  readonly lies: readonly Lying[];
}

/** A planned piece told, and what its reader has beside the steps. */
function told(plan: Plan, noise: readonly number[]): Read {
  const { path, layout } = plan.work();
  const held = heldOf(plan);
  return {
    path,
    held,
    steps: tell(path, layout, held).map(({ step }) => step),
    lies: lying(path, layout, noise),
  };
}

/** Whether a bead of a motif lies nearer to its middle than any is long, as none can: no way leads round from there. */
function coversMiddle({ held: { round }, lies }: Read): boolean {
  if (round === null || round === 'tube') return false;
  const lengths = lies.flatMap(({ holes }) => holes.map(([a, b]) => Math.hypot(b[0] - a[0], b[1] - a[1])));
  return lies.some(({ middle: [x, y] }) => Math.hypot(x - round.aboutMm, y) < Math.min(...lengths));
}

const readAgain = ({ path, held, lies }: Read, steps: readonly ToldStep[]): Done[] =>
  rebuilt(steps, (bead) => given(lies[bead], 'bead that lies somewhere'), held, otherEnds(path));

/** Any piece in a stitch: its options, its closings, both hands, in any beads and in its own where those do not do. */
const anyIn = (structure: Structure, units: fc.Arbitrary<number>) =>
  fc
    .record({
      params: anyParams(structure),
      closing: structure.madeWhole
        ? fc.constant('open' as const)
        : fc.constantFrom('clasp' as const, 'clasp' as const, 'open' as const, 'joined' as const),
      hand: fc.constantFrom('right' as const, 'left' as const),
      stop: fc.constantFrom(...STOP_BEADS),
      turning: fc.boolean(),
      units,
      clasp: fc.constantFrom(...CLASPS),
      passes: fc.integer({ min: 1, max: 3 }),
      seeds: fc.integer({ min: 0, max: 5 }),
      changes: fc.subarray([0, 1, 2, 3, 4, 5], { maxLength: 2 }),
      beads: fc.array(fc.option(fc.constantFrom(...BEADS)), { minLength: 4, maxLength: 4 }),
      noise: fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 37, maxLength: 37 }),
    })
    .map((asked) => {
      const part = newPart('Told', structure.id, null);
      const end = { ...part.ends.start, passes: asked.passes, seedsEachSide: asked.seeds };
      const own: PartOfPiece = {
        ...part,
        hand: asked.hand,
        stop: asked.stop,
        turning: asked.turning,
        units: asked.units,
        structure: { id: structure.id, params: asked.params },
        ends: { ...part.ends, closing: asked.closing, clasp: asked.clasp, start: end, end },
        threadChanges: ['working', 'left', 'right'].flatMap((needle) =>
          asked.changes.map((unit) => ({ needle, pass: BASE, unit })),
        ),
      };
      const inBeads = asked.beads.reduce<PartOfPiece['beads']>((beads, bead, i) => {
        const role = (['A', 'B', 'C', 'D'] as const)[i] ?? 'A';
        return bead ? { ...beads, [role]: { ...beads[role], ...bead } } : beads;
      }, part.beads);
      // Where the beads do not do it is in its own, and where the clasp does not, closed by the usual one.
      const tries = [{ ...own, beads: inBeads }, own, { ...own, ends: part.ends }];
      const plans = tries.map((piece) => planPart(piece));
      return { plan: plans.find(({ ok }) => ok) ?? head(plans), noise: asked.noise };
    });

const short = fc.integer({ min: 3, max: 8 });

describe.each(every.map((structure) => [structure.id, structure] as const))('%s', (_, structure) => {
  it('is rebuilt from its steps alone, whatever its options, beads, closing and hand', () => {
    let read = 0;
    fc.assert(
      fc.property(anyIn(structure, short), ({ plan, noise }) => {
        if (!plan.ok) return;
        const one = told(plan, noise);
        if (coversMiddle(one)) return;
        read++;
        expect(readAgain(one, one.steps)).toEqual(doneIn(one.path));
      }),
      { numRuns: runs(12) },
    );
    expect(read).toBeGreaterThan(0);
  });

  it('the left hand works as the right hand does in a mirror, word for word', () => {
    const words = (hand: 'right' | 'left') => {
      const part = newPart('Told', structure.id, null);
      const closing = structure.madeWhole ? 'open' : 'clasp';
      const plan = planPart({ ...part, hand, units: 6, ends: { ...part.ends, closing } });
      if (!plan.ok) throw new Error(plan.problem.code);
      return told(plan, [0]).steps.map((step) => toldWords(step, stepWords(plan)));
    };
    const mirrored = (text: string) =>
      text.replace(/left|right/g, (side) => (side === 'left' ? 'right' : 'left'));
    expect(words('left').map(mirrored)).toEqual(words('right'));
  });
});

it('any piece of parts is rebuilt, part by part: sections and their seams, what is framed, tops, bails, motifs, balls and drops', () => {
  let read = 0;
  fc.assert(
    fc.property(
      anyComposed,
      fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 7 }),
      (piece, noise) => {
        const few = {
          ...piece,
          parts: piece.parts.map((part) => ({ ...part, units: Math.min(part.units ?? 8, 8) })),
        };
        const plan = planPiece(few);
        fc.pre(plan.ok);
        if (!plan.ok) return;
        for (const one of [plan, ...madeApart(plan).map(({ component }) => component.plan)]) {
          if (one.weaveable.pathless) continue;
          const own = told(one, noise);
          if (coversMiddle(own)) continue;
          read++;
          expect(readAgain(own, own.steps)).toEqual(doneIn(own.path));
          for (const { steps } of planSteps(one))
            for (const { text } of steps) expect(text).toMatch(/^[A-Z1-9].*\.$/);
        }
      },
    ),
    { numRuns: runs(40) },
  );
  expect(read).toBeGreaterThan(10);
});

it('a long piece is rebuilt too', () => {
  for (const structure of THOROUGH ? STRUCTURES : STRUCTURES.filter((_, i) => i % 4 === 1)) {
    const plan = planPart({ ...newPart('Told', structure.id, null), units: 60 });
    if (!plan.ok) continue;
    const one = told(plan, [0.5, -0.3, 0.9, -1, 0.1, 1, -0.7]);
    expect(readAgain(one, one.steps)).toEqual(doneIn(one.path));
  }
});

/** Mistakes that a writer could make in an act: each the act as it would then be; null for one that is left out. */
function mistakes(act: Act): (Act | null)[] {
  const refs = (ref: Ref): Ref[] => {
    const keys = Object.keys(ref) as (keyof Ref)[];
    const needed = keys.filter((key) => key !== 'role');
    const without = needed.map((key) =>
      Object.fromEntries(Object.entries(ref).filter(([one]) => one !== key)),
    );
    // A role may be said for courtesy; then it must be true all the same.
    const untrue = ref.role === undefined ? [] : [{ ...ref, role: `${ref.role}?` }];
    const numbers = (['added', 'back', 'next', 'strung'] as const).flatMap((key): Ref[] => {
      const value = ref[key];
      return value === undefined ? [] : [{ ...ref, [key]: value + 1 }];
    });
    return [...(keys.length > 1 ? without : []), ...untrue, ...numbers];
  };
  switch (act.act) {
    case 'go':
      return [
        null,
        ...refs(act.to).map((to) => ({ ...act, to })),
        // The other way through the same hole.
        ...[DIRECTIONS[DIRECTIONS.indexOf(act.way) ^ 1]].flatMap((way) => (way ? [{ ...act, way }] : [])),
      ];
    case 'skip':
    case 'around':
      return [null, ...refs(act.bead).map((bead) => ({ ...act, bead }))];
    case 'under':
      return [
        null,
        ...refs(act.between[0]).map((one) => ({ ...act, between: [one, act.between[1]] as const })),
      ];
    case 'weave':
      return act.legs.map((leg, i) => ({
        ...act,
        legs: act.legs.map((one, k) => (k === i ? { ...leg, beads: leg.beads + 1 } : one)),
      }));
    case 'pick':
      return [{ ...act, beads: act.beads.slice(1) }];
    default:
      return [null];
  }
}

it('of planted mistakes 99 in 100 are caught: the reader stops, or the path is another', () => {
  let [planted, stopped, differs] = [0, 0, 0];
  fc.assert(
    fc.property(
      fc.constantFrom(...every).chain((structure) => anyIn(structure, fc.integer({ min: 3, max: 4 }))),
      fc.array(fc.nat(), { minLength: 12, maxLength: 12 }),
      ({ plan, noise }, picks) => {
        if (!plan.ok) return;
        const one = told(plan, noise);
        const right = doneIn(one.path);
        for (const pick of picks) {
          const at = pick % one.steps.length;
          const step = given(one.steps[at], 'step');
          const nth = Math.floor(pick / 7) % Math.max(1, step.acts.length);
          const act = step.acts[nth];
          if (!act) continue;
          const all = mistakes(act);
          const wrong = all[Math.floor(pick / 91) % Math.max(1, all.length)];
          if (wrong === undefined) continue;
          const acts = [...step.acts.slice(0, nth), ...(wrong ? [wrong] : []), ...step.acts.slice(nth + 1)];
          const steps = one.steps.map((it, i) => (i === at ? { ...it, acts } : it));
          planted++;
          try {
            if (readAgain(one, steps).join('\n') !== right.join('\n')) differs++;
          } catch (error) {
            if (!(error instanceof Stopped)) throw error;
            stopped++;
          }
        }
      },
    ),
    { numRuns: runs(60) },
  );
  process.stderr.write(
    `planted mistakes: ${planted}; the reader alone noticed ${Math.round((100 * stopped) / planted)} %; missed ${planted - stopped - differs}\n`,
  );
  expect(differs + stopped).toBeGreaterThanOrEqual(0.99 * planted);
});

/** A row as words tell it: what comes before the first is the start, from its last row back, and far round a middle it goes by its number. */
const rowTold = (row: number, back: number, word: string): string | number =>
  row - back < 0
    ? `start ${row - back}`
    : (word === 'point' || word === 'circle') && Math.abs(back) > 2
      ? `row ${row - back}`
      : back;

it('words and data are one to one: what is told alike is the same, and what is the same is told alike', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...every).chain((structure) => anyIn(structure, short)),
      ({ plan, noise }) => {
        if (!plan.ok) return;
        const words = stepWords(plan);
        // What a step calls new it has picked up itself, so that a step is told by its own acts alone.
        const byText = groups(
          told(plan, noise)
            .steps.map((step) => ({
              text: `${step.going ?? ''} ${toldWords(step, words)}`,
              data: JSON.stringify([step.going, step.acts], (key, value: unknown) =>
                key === 'back' ? rowTold(step.row, value as number, words.row) : value,
              ),
            }))
            .sort((a, b) => (a.text < b.text ? -1 : 1)),
          ({ text }) => text,
        );
        // Twenty-first, not twenty-oneth.
        for (const { text } of byText.flat()) expect(text).not.toMatch(/(?<!1)[123]th\b/);
        for (const alike of byText)
          for (const { data } of alike) expect(data, head(alike).text).toBe(head(alike).data);
        const byData = new Map(byText.flat().map(({ data, text }) => [data, text]));
        for (const { data, text } of byText.flat()) expect(byData.get(data)).toBe(text);
      },
    ),
    { numRuns: runs(40) },
  );
});
