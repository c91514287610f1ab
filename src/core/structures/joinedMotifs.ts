import * as z from 'zod';
import type { Pose } from '../layout/layout';
import { solidOf } from '../layout/solver/solid';
import { reachOf } from '../layout/solver/support';
import type { BeadSize } from '../materials/material';
import { against, onePost, ownAndTail, type Anchor, type Loom, type Made } from '../weave/edge';
import { backOutOf, hole, outOf } from '../weave/needle';
import type { Bead, HoleEnd } from '../weave/path';
import { at, distinct, partsOf, runningSum, sequenceSchema, structure } from './structure';
import { FIRST_ROLES } from './roles';

const MOST = 9;
const ROUNDS = [1, 2] as const;
const MOST_CORNER = 8;
/** Motifs between an end and where its thread is woven in. */
const WOVEN_MOTIFS = 1;

/** What is joined: a bead of two holes, or a motif, which holds at two of its points. */
const MOTIF = 'A';
/** The one in the middle of a V, which is held at points that do not lie opposite each other. */
const MIDDLE = 'M';

const params = z.object({
  /** The beads on one side of a joint; those on the other side mirror them. */
  joint: sequenceSchema(MOST, FIRST_ROLES.slice(1)),
  /** How often thread goes round in it. */
  rounds: z.literal(ROUNDS),
  set: z.enum(['line', 'V']).default('line'),
  /** Points between the two joints of the one in the middle, of a V. */
  corner: z.number().int().min(1).max(MOST_CORNER).default(3),
});
type Params = z.infer<typeof params>;

/** Where something stands in a V: a bead's place along it depends on whether it comes before the middle or behind. */
const RUNS = { before: 0, 'to the middle': 1, 'from the middle': 2, behind: 3 } as const;
type Stand = keyof typeof RUNS;

/** How a unit, counted from 0, stands to the one in the middle; null in a line. */
function standOf({ set }: Params, unit: number, units: number): Stand | null {
  if (set === 'line') return null;
  const on = unit - Math.floor((units - 1) / 2);
  return on < 0 ? 'before' : on === 0 ? 'to the middle' : on === 1 ? 'from the middle' : 'behind';
}

/** The run that a stand is told by; a line has none. */
const run = (stand: Stand | null) => (stand === null ? {} : { run: RUNS[stand] });

/**
 * One after another: out of the far hole, across, through the near hole of the next, and back across; round in the joint
 * again, and by a hidden way on to the far hole of what has just been joined.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working').begin('none');
  const pick = (unit: number) => {
    const stand = standOf(p, unit, units);
    const role = stand === 'to the middle' ? MIDDLE : MOTIF;
    // What is joined behind the middle stands behind it; only its joint leads from there.
    return at(t.string([role], 'motif', run(stand === 'from the middle' ? 'behind' : stand)), 0);
  };
  const first = pick(0);
  const { items, last } = w.repeat(1, units, first, (previous, unit) => {
    const stands = run(standOf(p, unit, units));
    t.turnInto({ bead: previous, hole: 1, enter: 1 });
    const over = t.string(p.joint, 'over', stands);
    const motif = pick(unit);
    const under = t.string([...p.joint].reverse(), 'under', stands);
    t.back(hole(previous, 1)).through(...over, motif);
    for (let round = 1; round < p.rounds; round++)
      t.reinforce(...under)
        .enter(against(hole(previous, 1)), 'reinforce')
        .reinforce(...over, motif);
    return motif;
  });
  w.in({ row: units - 1 }, () => t.turnInto({ bead: last, hole: 1, enter: 1 }));
  const far = onePost({ out: backOutOf(last, 1), into: against(hole(last, 1)) });
  const end = loom.reached('end', far, t);
  const all = [first, ...items];
  const few = Math.min(WOVEN_MOTIFS, units - 1);
  // Round by the edge into the other hole, and on to what is joined there.
  const inside = (bead: Bead, turn: HoleEnd): Anchor => ({
    first: { through: () => [turn], as: 'turn' },
    way: { to: [outOf(bead), backOutOf(bead), outOf(bead, 1), backOutOf(bead, 1)] },
  });
  return {
    edges: { start: onePost({ out: backOutOf(first), into: against(first) }), end },
    ends: ownAndTail(
      loom,
      t,
      inside(at(all, units - 1 - few), { bead: last, hole: 0, end: 0 }),
      inside(at(all, few), { bead: first, hole: 1, end: 0 }),
    ),
  };
}

/** A two-hole bead's width, from outside to outside of what holds it. */
const acrossMm = ({ widthMm, diameterMm }: Pick<BeadSize, 'widthMm' | 'diameterMm'>) => widthMm ?? diameterMm;

/** How far a bead reaches halfway between along its hole and across it, mm. */
const slanted = (bead: BeadSize) => reachOf(solidOf(bead), Math.SQRT1_2, Math.SQRT1_2, 0);

/** What a joint is sewn to on either side: a bead at a motif's point, or what is left of a bead beyond its hole. */
function postOf(joined: BeadSize): {
  readonly lengthMm: number;
  readonly girthMm: number;
  readonly slantMm: number;
} {
  const { post } = joined.inside ?? {};
  if (post) return { lengthMm: post.lengthMm, girthMm: post.diameterMm, slantMm: slanted(post) };
  const apartMm = joined.apartMm ?? 0;
  return {
    lengthMm: joined.lengthMm,
    girthMm: acrossMm(joined) - apartMm,
    slantMm: slanted(joined) - (apartMm / 2) * Math.SQRT1_2,
  };
}

/** A joint between two of the same, by closed form. */
interface Joint {
  /** From post to post. */
  readonly lengthMm: number;
  /** How far its two rows lie from the middle. */
  readonly asideMm: number;
  /** Where the beads of a row lie, from the middle of the joint. */
  readonly along: readonly number[];
}

/**
 * A circle of four sides, as in right-angle weave: beads that meet at a corner touch halfway between their holes, and their
 * ends are as far from it as each other. √2·D for four equal balls. No nearer than the posts let each other.
 */
function jointOf(row: readonly BeadSize[], joined: BeadSize): Joint {
  const post = postOf(joined);
  const corners = [at(row, 0), at(row, -1)].map((bead) => {
    const both = Math.SQRT2 * (slanted(bead) + post.slantMm);
    const more = (bead.lengthMm - post.lengthMm) / 2;
    return {
      before: (both + more) / 2 - bead.lengthMm / 2,
      aside: (both - more) / 2,
      girthMm: bead.diameterMm,
    };
  });
  const { starts, total } = runningSum(row.map(({ lengthMm }) => lengthMm));
  const [from, to] = [at(corners, 0), at(corners, 1)];
  const tight = from.before + total + to.before;
  return {
    lengthMm: Math.max(tight, post.girthMm),
    asideMm: Math.max(...corners.flatMap(({ aside, girthMm }) => [aside, girthMm / 2])),
    along: row.map(({ lengthMm }, k) => from.before + at(starts, k) + lengthMm / 2 - tight / 2),
  };
}

/** What can be joined: it has two holes, side by side. */
const JOINED = { holes: 2, shapes: ['lens', 'tile', 'half tile', 'bar', 'brick', 'set stone'] } as const;

export const joinedMotifs = structure({
  id: 'joined-motifs',
  name: 'Motifs in a line',
  family: 'two-hole line',
  about: 'Motifs made beforehand, or beads of two holes, each joined to the next by two short rows of beads.',
  feel: 'flat, hinged at every joint',
  handles: 'holds flat',
  uses: ['bracelet', 'necklace'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb; every joint is gone round twice, for all hangs on it.',
  looks: [
    {
      after: 'the first joint',
      look: 'It hinges like a door. That is as it should be: so it lies round the wrist.',
    },
  ],
  watch: [
    'Lay all motifs out first, the same face up, and turn each so that two points lie in the line.',
    'Between two joints the thread goes through the motif, hidden: leave none of it bare on the back.',
  ],
  params,
  defaults: { joint: ['B'], rounds: 2, set: 'line', corner: 3 },
  usual: { A: 'lens', M: 'lens' },
  fields: [
    {
      key: 'joint',
      kind: 'sequence',
      label: 'One side of a joint, from motif to motif',
      help: 'The other side mirrors it.',
      most: MOST,
      roles: FIRST_ROLES.slice(1),
    },
    {
      key: 'rounds',
      kind: 'choice',
      label: 'Thread round each joint',
      help: 'Twice where the holes allow it: a joint that goes takes the line apart.',
      options: [
        { value: 1, label: 'once' },
        { value: 2, label: 'twice' },
      ],
    },
    {
      key: 'set',
      kind: 'choice',
      label: 'Set in',
      help: 'In a V the one in the middle is held at points nearer to each other, and both arms rise from it. On the tape it lies straight, as it is measured; on the neck it hangs in its V.',
      options: [
        { value: 'line', label: 'a line' },
        { value: 'V', label: 'a V' },
      ],
    },
    {
      key: 'corner',
      kind: 'count',
      label: 'Points from joint to joint of the one in the middle',
      needs: ({ set }) => set === 'V',
      help: 'Half of all its points would lie in a line; fewer make the V steeper.',
      least: 1,
      most: MOST_CORNER,
    },
  ],
  bind: (p) => ({
    parts: [
      { ...JOINED, role: MOTIF, part: 'motif' },
      ...(p.set === 'V' ? [{ ...JOINED, role: MIDDLE, part: 'motif in the middle' } as const] : []),
      ...partsOf(p.joint, 'bead of a joint'),
    ],
    ...(p.set === 'V' && { corner: { role: MIDDLE, as: MOTIF, points: p.corner } as const }),
    minimumUnits: p.set === 'V' ? 3 : 1,
    rules: () =>
      p.set === 'V' ? [{ of: 2, rest: 1, must: true, why: 'a V has one motif in its middle' }] : [],
    rowWord: 'unit',
    slots: { over: 'joint', under: 'joint' },
    closing: null,
    closings: ['clasp', 'open'],
    holes: { [MOTIF]: 2, [MIDDLE]: 2 },
    work: (loom, units) => weave(p, units, loom),
    /** Closed form: from hole to hole of what is joined, and from there the circle of four sides that a joint is. */
    form(body) {
      const motif = body(MOTIF);
      const middle = p.set === 'V' ? body(MIDDLE) : motif;
      const [apartMm, middleMm] = [motif.apartMm ?? 0, middle.apartMm ?? 0];
      const row = p.joint.map(body);
      const joint = jointOf(row, motif);
      const pitchMm = apartMm + joint.lengthMm;
      /** By how much a joint is longer at the end that the middle has to it. */
      const moreMm = (jointOf(row, middle).lengthMm - joint.lengthMm) / 2;
      /** From its outside to its first hole. */
      const wallMm = (acrossMm(motif) - apartMm) / 2;
      const widerMm = middleMm - apartMm;
      /** How much further along something stands than it would in a line. */
      const onMm = (stand: number | undefined, ofMotif: boolean): number => {
        if (stand === undefined || stand === RUNS.before) return 0;
        if (stand === RUNS['to the middle']) return ofMotif ? moreMm + widerMm / 2 : moreMm / 2;
        return widerMm + (stand === RUNS.behind ? 2 : 1.5) * moreMm;
      };
      return {
        pitchMm,
        extraMm: 2 * wallMm - joint.lengthMm + (p.set === 'V' ? widerMm + 2 * moreMm : 0),
        widthMm: Math.max(
          motif.lengthMm,
          middle.lengthMm,
          2 * joint.asideMm + Math.max(...row.map(({ diameterMm }) => diameterMm)),
        ),
        ...(motif.inside && { endWidthMm: motif.inside.post.lengthMm }),
        thicknessMm: Math.max(
          motif.diameterMm,
          middle.diameterMm,
          ...distinct(p.joint).map((role) => body(role).diameterMm),
        ),
        mayShorten: 0,
        held: 'mat',
        pose({ slot: { of, index, run: stand }, place: { row: unit } }): Pose {
          if (of === 'motif')
            return {
              centre: [wallMm + unit * pitchMm + apartMm / 2 + onMm(stand, true), 0, 0],
              axis: [0, 1, 0],
              across: [1, 0, 0],
            };
          const over = of === 'over';
          // The row that leads back is strung from its far end.
          const along = at(joint.along, over ? index : p.joint.length - 1 - index);
          const middleMm = wallMm + unit * pitchMm - joint.lengthMm / 2 + onMm(stand, false);
          return {
            centre: [middleMm + along, (over ? -1 : 1) * joint.asideMm, 0],
            axis: [over ? 1 : -1, 0, 0],
          };
        },
      };
    },
  }),
});
