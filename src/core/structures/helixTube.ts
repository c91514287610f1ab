import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import type { Pose } from '../layout/layout';
import type { BeadShape, BeadSize } from '../materials/material';
import { given } from '../tools/given';
import { against, bothEnds, forth, straight, type Edge, type Loom, type Made } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { START, type Bead } from '../weave/path';
import { tubePose } from './tubePose';
import { at, distinct, girthOf, lengthOf, partsOf, sequenceSchema, structure } from './structure';

const MOST = 12;
const MOST_SEEDS = 4;
const AROUND = [3, 4, 5, 6] as const;
const SEEDS: readonly BeadShape[] = ['seed', 'cylinder'];

const params = z.object({
  /** The long bead of each stitch, one stitch after another. */
  sequence: sequenceSchema(MOST),
  /** The seeds of a stitch: thread comes back through the first of them a round later. */
  seeds: sequenceSchema(MOST_SEEDS).min(
    2,
    'A stitch has two seeds at least: one that stands up, and one that leads on.',
  ),
  around: z.literal(AROUND).default(3),
});
type Params = z.infer<typeof params>;

const roleOfStitch = ({ sequence }: Params, stitch: number) =>
  at(sequence, ((stitch % sequence.length) + sequence.length) % sequence.length);

/** A stitch as it is strung: the long bead, and seeds after it. */
interface Stitch {
  readonly long: Bead;
  readonly seeds: readonly Bead[];
}
/** The seed that stands up, and is gone through a round later. */
const upOf = ({ seeds }: Stitch) => at(seeds, 0);
const beadsOf = ({ long, seeds }: Stitch) => [long, ...seeds];

/**
 * A ring of stitches, and round and round without a step: each stitch is laid over the gap to the next seed that stands up, and
 * drawn down by it.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const count = units * p.sequence.length;
  const pick = (row: number): Stitch => {
    const [long] = t.string([roleOfStitch(p, row)], 'long');
    return { long: given(long, 'long bead'), seeds: t.string(p.seeds, 'seed') };
  };
  const ring = w.in({ pass: START }, () => {
    t.begin('none');
    return Array.from({ length: p.around }, (_, row) => w.in({ row }, () => pick(row)));
  });
  w.in({ pass: START, row: 0 }, () => {
    t.close(at(ring, 0).long);
    t.through(upOf(at(ring, 0)));
  });
  const { items } = w.repeat<readonly Stitch[]>(p.around, count, ring, (round, row) => {
    const stitch = pick(row);
    t.through(upOf(at(round, 1)));
    return [...round.slice(1), stitch];
  });
  const all = [...ring, ...items.map((round) => at(round, -1))];

  // Thread has come out of the first seed of the last round that stands up.
  const ups = all.slice(-p.around).map(upOf);
  const opposite = at(ups, Math.floor(p.around / 2));
  const end = loom.reached(
    'end',
    {
      posts: ups.map((bead) => [straight(forth(bead))]),
      alone: [{ out: outOf(at(ups, 0)), into: forth(opposite) }],
      mouth: forth(...ups.slice(1), at(ups, 0)),
    },
    t,
  );
  const foot = beadsOf(at(ring, Math.floor((p.around - 1) / 2)));
  const start: Edge = {
    posts: ring.map(({ long }) => [straight(against(long))]),
    alone: [{ out: backOutOf(at(ring, 0).long), into: against(at(foot, -1)) }],
    mouth: against(...ring.toReversed().flatMap((stitch) => beadsOf(stitch).toReversed())),
  };
  return { edges: { start, end }, ends: bothEnds(loom, t, all.map(beadsOf), WOVEN_BEADS) };
}

/** What is measured of a tube in these beads, mm and radians. */
interface Helix {
  /** How far it grows in a round, and how far a stitch stands round from the one before. */
  readonly roundMm: number;
  readonly turn: number;
  /** How far round a seed stands from the one that it comes to stand over, a whole round apart. */
  readonly shift: number;
  readonly radiusMm: number;
}

/** Unrolled, the two legs of a stitch meet at this angle, as threads do that pull alike (fitted to layouts). */
const APEX = (2 * Math.PI) / 3;
/** Beads keep thread bare at the foot of each leg, by this part of a seed's girth (fitted to layouts). */
const BARE = 0.55;

/**
 * From a seed that stands up the long bead and the next seed of a stitch lead up, a round on; its other seeds lead down from there to
 * the seed ahead. Going round once, these legs close.
 */
function helixOf(p: Params, body: (role: string) => BeadSize): Helix {
  const longMm = Math.max(...p.sequence.map((role) => body(role).lengthMm));
  const up = body(at(p.seeds, 0));
  const bareMm = BARE * up.diameterMm;
  const riseMm = longMm + up.lengthMm + bareMm;
  const fallMm = lengthOf(p.seeds, body) + bareMm;
  const falls = 1 - 1 / p.around;
  const open = Math.PI - APEX;
  const slope = Math.atan2(fallMm * Math.sin(open), riseMm * falls + fallMm * Math.cos(open));
  const [onMm, aheadMm] = [riseMm * Math.cos(slope), fallMm * Math.cos(open - slope)];
  const radiusMm = ((p.around - 1) * onMm + p.around * aheadMm) / (2 * Math.PI);
  return {
    roundMm: riseMm * Math.sin(slope),
    turn: (onMm + aheadMm) / radiusMm,
    shift: onMm / radiusMm,
    radiusMm,
  };
}

/** Long beads thicker than so many of the seeds that stand up lie this way or that (tried in all beads of the catalogue). */
const THICKEST = 2;

export const helixTube = structure({
  id: 'helix-tube',
  name: 'Helix tube',
  family: 'spiral',
  about: 'Long beads and seeds by turns, round and round: the long ones climb the tube like a stair.',
  feel: 'springy and round; it twists a little as it bends',
  handles: 'round like a rope',
  grows: 'up',
  uses: ['rope', 'necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb, and nothing softer with bugles or cubes: their edges cut.',
  looks: [
    { after: 'the first ring', look: 'A flat ring. The first round pulls it to a cup.' },
    { after: 'the third round', look: 'A tube that leans. From the fifth on the stair shows.' },
  ],
  watch: [
    'There is no step up: go straight on into the next round.',
    'Go through the first seed after the long bead, never through the others.',
    'Hold it on a thin former for the first rounds, and keep the thread tight.',
  ],
  params,
  defaults: { sequence: ['A', 'A', 'A'], seeds: ['B', 'B'], around: 3 },
  usual: { A: 'bugle-3' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Long beads, stitch by stitch',
      help: 'As many as there are around and each keeps its own stair; one more or one fewer and the colours turn against it.',
      most: MOST,
    },
    {
      key: 'seeds',
      kind: 'sequence',
      label: 'Seeds of a stitch',
      help: 'After the long bead. Thread comes back through the first a round later.',
      most: MOST_SEEDS,
    },
    {
      key: 'around',
      kind: 'choice',
      label: 'Stitches around',
      help: 'More make a wider tube.',
      options: AROUND.map((value) => ({ value, label: `${value}` })),
    },
  ],
  bind: (p) => ({
    parts: [...partsOf(p.sequence, 'long bead'), ...partsOf(p.seeds, 'seed', { shapes: SEEDS })],
    minimumUnits: Math.ceil((2 * p.around) / p.sequence.length),
    rowWord: 'stitch',
    slots: { long: 'stair', seed: 'side' },
    closing: null,
    legs: p.around,
    closings: ['clasp', 'open'],
    notJoined: 'A helix tube is not joined here: take a clasp.',
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const restMm = lengthOf(p.seeds.slice(1), body);
      const short = distinct(p.sequence).filter((role) => body(role).lengthMm < restMm);
      const thick = distinct(p.sequence).filter(
        (role) => body(role).diameterMm > THICKEST * body(at(p.seeds, 0)).diameterMm,
      );
      return [
        ...(short.length > 0
          ? [
              `Bead ${short.join(' and ')} is shorter than the seeds beside it, so the stair does not climb. Take a longer one, or fewer seeds.`,
            ]
          : []),
        ...(thick.length > 0
          ? [
              `Bead ${thick.join(' and ')} is so thick that the seeds do not hold it in its place. Take a thinner one, or larger seeds.`,
            ]
          : []),
      ];
    },
    /** Closed form: see `helixOf`. */
    form(body) {
      const { roundMm, turn, shift, radiusMm } = helixOf(p, body);
      const riseMm = roundMm / p.around;
      const upX = (row: number) => row * riseMm;
      const onTube = tubePose(radiusMm);
      const place = (row: number, seed: number | null): Pose => {
        const over = (row - p.around) * turn;
        if (seed === null) {
          // Halfway from the seed below to its own: each has half a seed to go from the long bead's ends.
          return onTube(upX(row - p.around) + roundMm / 2, over + shift / 2, roundMm, shift * radiusMm);
        }
        if (seed === 0) return onTube(upX(row), row * turn, 0, 1);
        // From the seed that stands up down to the next one that did, a round before.
        const ahead = turn - shift;
        const lengths = p.seeds.map((role) => body(role).lengthMm);
        const before =
          lengths.slice(1, seed).reduce((mm, one) => mm + one, 0) +
          at(lengths, seed) / 2 +
          at(lengths, 0) / 2;
        const all = lengthOf(p.seeds, body);
        const part = before / all;
        const fall = riseMm - roundMm;
        return onTube(upX(row) + part * fall, row * turn + part * ahead, fall, ahead * radiusMm);
      };
      /** How far beads of a stitch reach along the tube, as a box round each does. */
      const reaches = (row: number): [number, number] => {
        const beads = [null, ...p.seeds.keys()].map((seed) => {
          const { lengthMm, diameterMm, widthMm } = body(
            seed === null ? roleOfStitch(p, row) : at(p.seeds, seed),
          );
          const { centre, axis } = place(row, seed);
          const half =
            (Math.abs(axis[0]) * lengthMm +
              Math.sqrt(1 - axis[0] ** 2) * Math.max(diameterMm, widthMm ?? 0)) /
            2;
          return [centre[0] - half, centre[0] + half] as const;
        });
        return [Math.min(...beads.map(([from]) => from)), Math.max(...beads.map(([, to]) => to))];
      };
      const few = Array.from({ length: p.sequence.length + p.around }, (_, i) => i);
      const leadMm = -Math.min(...few.map((row) => reaches(row)[0]));
      const lastMm = Math.max(...few.map((row) => reaches(-1 - row)[1]));
      const across = 2 * radiusMm + girthOf([...p.sequence, ...p.seeds], body);
      return {
        pitchMm: p.sequence.length * riseMm,
        extraMm: leadMm + lastMm,
        widthMm: across,
        thicknessMm: across,
        mayShorten: 0.06,
        held: 'twisting tube',
        pose({ slot: { of, index }, place: { row } }): Pose {
          const lies = place(row, of === 'long' ? null : index);
          return { ...lies, centre: [leadMm + lies.centre[0], lies.centre[1], lies.centre[2]] };
        },
      };
    },
  }),
});
