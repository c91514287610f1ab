import * as z from 'zod';
import type { Body, Pose } from '../layout/layout';
import { ownAndTail, type Loom, type Made } from '../weave/edge';
import { backOutOf, hole } from '../weave/needle';
import type { Bead } from '../weave/path';
import { SHORTENS } from './shortening';
import { crossDiagonals, edgeAt, faceField, layDiagonals, oddSequence, overlayPose } from './overlay';
import { at, lengthOf, partsOf, runningSum, sequenceSchema, structure, type Form } from './structure';
import { FIRST_ROLES, ROLE_LETTERS } from './roles';
import { turnFields, turnForm, TURNS, WOVEN_UNITS, weaveTwoRows } from './twoRows';
import { NONE } from './field';

const MOST = 6;
const LENS = 'A';
const SMALL = ROLE_LETTERS.slice(1);

const params = z.object({
  between: sequenceSchema(MOST, SMALL),
  turn: z.literal(TURNS),
  /** The bead in the middle of a turn, through which a jump ring can go; a seed as the others where it is none. */
  ring: z.enum([NONE, ...SMALL]).default(NONE),
  overlay: z.enum(['crosses', 'diagonals']),
  over: oddSequence(7, SMALL),
  face: z.enum(['front', 'back']),
});
type Params = z.infer<typeof params>;

/** A diagonal shorter than this part of its way leaves thread bare at both ends (from memory). */
const REACHES = 0.9;
/** How far along the piece a long diagonal reaches, as a part of its length, until it is laid out (from memory). */
const SLANT = 0.6;

/**
 * Beads of two holes in a line, seeds between: along one row of holes, round the end by a few seeds that hold
 * what hangs there, and back along the other row with seeds between again. Over the gaps lie diagonals, from one row of
 * holes to the other and back; a second trip crosses them, through their middle beads.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working').begin('with a stop bead');
  const station = { name: 'lens', role: LENS, between: p.between } as const;
  const { heads: lenses, edges, into } = weaveTwoRows({ loom, t, units, turn: p }, [station]);

  const over = {
    over: p.over,
    gaps: units,
    inGap: (gap: number, work: () => void) => w.in({ row: gap }, work),
    through: (k: number, n: 0 | 1, onward: boolean) =>
      onward ? t.through(hole(at(lenses, k), n)) : t.back(hole(at(lenses, k), n)),
  };
  const why = 'Not too tight: the line must still bend.';
  const shortens = SHORTENS['crosses over a two-hole base'];
  const done = w.pass(p.overlay, { optional: true, tension: 'medium', face: p.face, why, shortens }, () => {
    const middles = layDiagonals(t, over);
    if (p.overlay === 'diagonals') return true;
    w.in({ row: units - 1 }, () => t.travel(backOutOf(at(lenses, -1), edgeAt(units, 'second'))));
    crossDiagonals(t, over, middles, false);
    return true;
  });

  const few = Math.min(WOVEN_UNITS, units);
  const atEnd = done && p.overlay === 'diagonals';
  return {
    edges,
    ends: ownAndTail(loom, t, into(atEnd ? units - few : few), into(few)),
  };
}

export const twoHoleLine = structure({
  id: 'two-hole-line',
  name: 'Two-hole line',
  family: 'two-hole line',
  about: 'Beads of two holes in a line with seeds between, and diagonals or crosses laid over one face.',
  feel: 'bends along its length, holds flat across; firmer with crosses',
  handles: 'holds flat',
  stopBead: true,
  uses: ['bracelet', 'necklace'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb; four passes go through the holes, so no thicker.',
  looks: [
    {
      after: 'the first row of holes',
      look: 'The beads turn on the thread like blinds. The way back sets them flat.',
    },
    { after: 'the first diagonals', look: 'The line leans one way until the second pass crosses them.' },
  ],
  watch: [
    'Look through both holes of every bead before it goes on.',
    'On the way back, take the second hole of the same bead: the nearest hole is easily the wrong one.',
    'Keep to one face with the crosses. Turn the work over and they land on the skin.',
  ],
  params,
  defaults: { between: ['B'], turn: 3, ring: NONE, overlay: 'crosses', over: ['C', 'D', 'C'], face: 'front' },
  usual: { A: 'lens', B: 'seed-11', C: 'seed-15', D: 'seed-11' },
  fields: [
    {
      key: 'between',
      kind: 'sequence',
      label: 'Between two beads, in each row of holes',
      help: 'Bead A is the bead of two holes.',
      most: MOST,
      roles: SMALL,
    },
    ...turnFields(FIRST_ROLES.slice(1)),
    {
      key: 'overlay',
      kind: 'choice',
      label: 'Laid over it',
      help: 'Crosses are diagonals, crossed on the way back.',
      options: [
        { value: 'crosses', label: 'crosses' },
        { value: 'diagonals', label: 'diagonals' },
      ],
    },
    {
      key: 'over',
      kind: 'sequence',
      label: 'One diagonal',
      help: 'The bead in its middle is shared where two cross.',
      most: 7,
      roles: SMALL,
    },
    faceField,
  ],
  bind: (p) => ({
    parts: [
      { role: LENS, part: 'bead of two holes', holes: 2 },
      ...partsOf(p.between, 'bead between'),
      ...(p.ring === NONE ? [] : partsOf([p.ring], 'bead that the clasp hangs on')),
      ...partsOf(p.over, 'bead laid over'),
    ],
    minimumUnits: 2,
    rowWord: 'unit',
    slots: { over: 'diagonal', across: 'diagonal', beyond: 'diagonal', turn: 'turn', on: 'turn' },
    closing: 'then one more bead of two holes',
    holes: { [LENS]: 2 },
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const lens = body(LENS);
      const gap = lengthOf(p.between, body);
      return lengthOf(p.over, body) < REACHES * Math.hypot(gap, lens.apartMm ?? 0)
        ? ['The beads laid over are too few to reach from one row of holes to the other. Add one.']
        : [];
    },
    /** Closed form: a bead's length along its holes and the seeds between. */
    form: (body, without) => formOf(p, body, without),
  }),
});

function formOf(p: Params, body: (role: string) => Body, without: ReadonlySet<string>): Form {
  const lens = body(LENS);
  const apart = lens.apartMm ?? lens.diameterMm;
  const between = runningSum(p.between.map((role) => body(role).lengthMm));
  const turn = turnForm(p, apart, body);
  const turnMm = turn.outMm;
  const pitch = lens.lengthMm + between.total;
  const girth = Math.max(...p.over.map((role) => body(role).diameterMm));
  const over = { z: (p.face === 'front' ? -1 : 1) * (lens.diameterMm + girth) * 0.5 };
  const lengthsMm = p.over.map((role) => body(role).lengthMm);
  const reachMm = Math.max(between.total, SLANT * lengthOf(p.over, body));
  const overlay = { reachMm, apartMm: apart, z: over.z, lengthsMm };

  const pose = (bead: Bead): Pose => {
    const {
      slot: { of: word, index: k },
      role,
      place: { row },
    } = bead;
    const lensEnd = turnMm + row * pitch + lens.lengthMm;
    switch (word) {
      case 'turn':
      case 'on':
        return turn.pose(bead, { from: turnMm, to: lensEnd });
      case 'near':
      case 'far': {
        const along = word === 'near' ? k : p.between.length - 1 - k;
        const x = lensEnd + at(between.starts, along) + body(role).lengthMm / 2;
        return {
          centre: [x, ((word === 'near' ? -1 : 1) * apart) / 2, 0],
          axis: [word === 'near' ? 1 : -1, 0, 0],
        };
      }
      case 'over':
      case 'across':
      case 'beyond': {
        const { centre, axis } = overlayPose(bead, overlay, word === 'over');
        return { centre: [lensEnd + between.total / 2 + centre[0], centre[1], centre[2]], axis };
      }
      default:
        return {
          centre: [turnMm + row * pitch + lens.lengthMm / 2, 0, 0],
          axis: [1, 0, 0],
          across: [0, 1, 0],
        };
    }
  };
  return {
    pitchMm: pitch,
    extraMm: 2 * turnMm + lens.lengthMm,
    widthMm: lens.widthMm ?? lens.diameterMm,
    thicknessMm: lens.diameterMm + (without.has(p.overlay) ? 0 : girth),
    mayShorten: 0,
    held: 'mat',
    pose,
  };
}
