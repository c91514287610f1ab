import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import type { Point, Pose } from '../layout/layout';
import { solidOf } from '../layout/solver/solid';
import { reachOf } from '../layout/solver/support';
import { remembered } from '../tools/remember';
import { against, bothEnds, forth, type Edge, type Loom, type Made } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { START, type Bead, type Slot } from '../weave/path';
import { asItEnds, endingField, endingSchema, extraWords, firstOf, SECTION } from './extra';
import { at, inRows, partsOf, runningSum, sequenceSchema, structure } from './structure';

const MOST = 24;
const ROUNDS = [4, 6, 8] as const;
/** Beads of a column that the thread goes through where an end is drawn shut. */
const DEEP = [1, 2] as const;

const params = z
  .object({
    sequence: sequenceSchema(MOST),
    extra: endingSchema,
    around: z.literal(ROUNDS).default(4),
    shut: z.literal(DEEP).default(1),
  })
  .transform(asItEnds);
type Params = z.infer<typeof params>;

const extraRounds = ({ extra }: Params) => extra;
const roleOfRound = ({ sequence }: Params, round: number) => at(sequence, round % sequence.length);

interface Pair {
  readonly left: Bead;
  readonly right: Bead;
}

/**
 * A ring of the first round, then round upon round: a pair onto each two columns, down the one and up the
 * next, and a step up into the new round at its end.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const rounds = units * p.sequence.length + extraRounds(p);
  const pairs = p.around / 2;
  const pick = (round: number, i: number): Pair => {
    const pair = t.string([roleOfRound(p, round), roleOfRound(p, round)], 'p', { run: i });
    return { left: at(pair, 0), right: at(pair, 1) };
  };

  const first = w.in({ pass: START, row: 0 }, () => {
    t.begin('none');
    const ring = Array.from({ length: pairs }, (_, i) => pick(0, i));
    t.close(at(ring, 0).left);
    return ring;
  });
  const { items, last } = w.repeat<readonly Pair[]>(1, rounds, first, (previous, number) => {
    const round = previous.map((_, i) => {
      const pair = pick(number, i);
      t.through(at(previous, i).right, at(previous, (i + 1) % pairs).left);
      return pair;
    });
    t.stepUp(at(round, 0).left);
    return round;
  });

  // What hangs at an end hangs across the opening, from one column to that opposite.
  const opposite = (round: readonly Pair[]) => at(round, Math.floor((pairs - 1) / 2)).right;
  // What it is sewn to all round is sewn pair by pair.
  const top: Edge = {
    posts: last.map(({ left, right }) => [{ out: outOf(left), into: forth(right) }]),
    alone: [{ out: outOf(at(last, 0).left), into: forth(opposite(last)) }],
    mouth: forth(...lastShut(last, p.shut === 2 ? (items.at(-2) ?? first) : null)),
  };
  const end = loom.reached('end', top, t);
  const start: Edge = {
    posts: first.map(({ left, right }) => [{ out: backOutOf(left), into: against(right) }]),
    alone: [{ out: backOutOf(at(first, 0).left), into: against(opposite(first)) }],
    mouth: against(...firstShut(first, p.shut === 2 ? (items.at(0) ?? null) : null)),
  };
  const all = [first, ...items].map((round) => round.flatMap(({ left, right }) => [left, right]));
  return { edges: { start, end }, ends: bothEnds(loom, t, all, WOVEN_BEADS) };
}

/**
 * Once round the end that was made last, from the top of its first column: down the next column and up the one after, to the first
 * again; through the outermost bead of each, or as deep as the round inside it.
 */
const lastShut = (round: readonly Pair[], inner: readonly Pair[] | null): Bead[] =>
  round.flatMap(({ right }, i) => {
    const next = (i + 1) % round.length;
    return [right, ...(inner ? [at(inner, i).right, at(inner, next).left] : []), at(round, next).left];
  });

/** The same round the first ring, from below its first column: pair by pair, the other way round. */
const firstShut = (round: readonly Pair[], inner: readonly Pair[] | null): Bead[] =>
  round
    .flatMap(({ left, right }, i) => [left, ...(inner ? [at(inner, i).left, at(inner, i).right] : []), right])
    .toReversed();

export const tubularHerringbone = structure({
  id: 'tubular-herringbone',
  name: 'Tubular herringbone',
  family: 'herringbone',
  about: 'Pairs of beads round and round, a supple tube. Rounds of larger beads swell it where you like.',
  feel: 'a supple tube that bends any way and turns in the hand',
  handles: 'round like a rope',
  grows: 'up',
  uses: ['rope', 'necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb.',
  looks: [
    { after: 'the first round', look: 'A flat ring that puffs and will not stand.' },
    {
      after: 'the third round',
      look: 'It closes to a tube. Until then hold it on a former, or on a finger.',
    },
  ],
  watch: [
    'Step up at the end of every round: through two beads, the old one and the new one. Missed, the columns lean away.',
    'Draw both ends shut before the clasp is sewn on, or the tube gapes there.',
    'Larger beads in one round need a round of middle size on either side, or thread shows.',
  ],
  params,
  defaults: { sequence: ['A', 'A', 'A', 'B'], extra: SECTION, around: 4, shut: 1 },
  usual: {},
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Rounds of one unit, in order',
      help: 'Each letter is one round. Sections of larger beads stand between sections of seeds.',
      most: MOST,
    },
    endingField('Rounds'),
    {
      key: 'around',
      kind: 'choice',
      label: 'Beads in a round',
      help: 'Two for each pair.',
      options: ROUNDS.map((value) => ({ value, label: `${value}` })),
    },
    {
      key: 'shut',
      kind: 'choice',
      label: 'An end is drawn shut',
      help: 'Through two beads of each column it holds more firmly, and tapers.',
      options: [
        { value: 1, label: 'bead by bead' },
        { value: 2, label: 'two by two' },
      ],
    },
  ],
  unlike: { inColumns: true, of: inRows },
  bind: (p) => ({
    parts: partsOf(p.sequence, 'bead of a round'),
    minimumUnits: Math.max(1, Math.ceil((2 - extraRounds(p)) / p.sequence.length)),
    rowWord: 'round',
    extraWord: 'round',
    closing: extraWords(p, 'round'),
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => weave(p, units, loom),
    /** Closed form: one bead length a round, up to 6 % less as the beads lean; in a round each touches its neighbours. */
    form(body) {
      const { starts, total } = runningSum(p.sequence.map((role) => body(role).lengthMm));
      const widest = Math.max(...p.sequence.map((role) => body(role).diameterMm));
      const half = Math.PI / p.around;
      // Neighbours touch in the plane halfway between them; the edges of cubes do so first.
      const radius = remembered(
        (role: string) => reachOf(solidOf(body(role)), 0, Math.cos(half), Math.sin(half)) / Math.sin(half),
      );
      const reaches = Math.max(...p.sequence.map((role) => radius(role) + body(role).diameterMm / 2));
      const angleOf = (column: number) => ((column + 0.5) / p.around) * 2 * Math.PI;
      const columnOf = ({ run: pair = 0, index }: Slot) => ({
        up: index === 0,
        angle: angleOf(2 * pair + index),
      });
      const columns = Array.from({ length: p.around }, (_, column) => angleOf(column));
      const across = (of: (angle: number) => number) =>
        2 * (reaches - widest / 2) * Math.max(...columns.map(of)) + widest;
      return {
        pitchMm: total,
        extraMm: firstOf(
          p.sequence.map((role) => body(role).lengthMm),
          p.extra,
        ),
        widthMm: across(Math.cos),
        thicknessMm: across(Math.sin),
        mayShorten: 0.06,
        /** Each bead is drawn to its partner above, and to its neighbour below. */
        leansTo({ slot }): Point {
          const { angle, up } = columnOf(slot);
          const to = up ? 1 : -1;
          return [0, -to * Math.sin(angle), to * Math.cos(angle)];
        },
        held: 'former',
        pose({ role, slot, place: { unit, row } }): Pose {
          const { lengthMm } = body(role);
          const { angle, up } = columnOf(slot);
          const r = radius(role);
          return {
            centre: [
              unit * total + at(starts, row % p.sequence.length) + lengthMm / 2,
              r * Math.cos(angle),
              r * Math.sin(angle),
            ],
            axis: [up ? 1 : -1, 0, 0],
            across: [0, -Math.sin(angle), Math.cos(angle)],
          };
        },
      };
    },
  }),
});
