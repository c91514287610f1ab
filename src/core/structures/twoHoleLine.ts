import * as z from 'zod';
import { hang } from '../layout/arc';
import type { Body, Pose } from '../layout/layout';
import {
  forth,
  onePost,
  ownAndTail,
  straight,
  towards,
  type Edge,
  type EdgeName,
  type Loom,
  type Made,
} from '../weave/edge';
import { backOutOf, hole, outOf } from '../weave/needle';
import { wovenAt, type Bead } from '../weave/path';
import { SHORTENS } from './shortening';
import { at, partsOf, runningSum, sequenceSchema, structure, type Form } from './structure';
import { FIRST_ROLES, ROLE_LETTERS, type RoleLetter } from './roles';

const MOST = 6;
const LENS = 'A';
const SMALL = ROLE_LETTERS.slice(1);
const TURNS = [3, 4, 5] as const;
const NONE = 'none';
/** Beads of two holes between an end and where its thread is woven in. */
const WOVEN_UNITS = 2;

const params = z.object({
  between: sequenceSchema(MOST, SMALL),
  turn: z.literal(TURNS),
  /** The bead in the middle of a turn, through which a jump ring can go; a seed as the others where it is none. */
  ring: z.enum([NONE, ...SMALL]).default(NONE),
  overlay: z.enum(['crosses', 'diagonals']),
  over: sequenceSchema(7, SMALL).refine(
    (over) => over.length % 2 === 1,
    'A diagonal has a bead in its middle where two cross: give it an odd number of beads.',
  ),
  face: z.enum(['front', 'back']),
});
type Params = z.infer<typeof params>;

/** A diagonal shorter than this part of its way leaves thread bare at both ends (from memory). */
const REACHES = 0.9;
/** How far along the piece a long diagonal reaches, as a part of its length, until it is laid out (from memory). */
const SLANT = 0.6;

/** What the clasp hangs on: the last of the first half of a turn. */
const ringOf = ({ turn }: Pick<Params, 'turn'>) => Math.ceil(turn / 2) - 1;
/** The seeds of a turn are those between the beads, but for the one that holds what hangs there. */
const turnRoles = ({ between, ring, turn }: Params): RoleLetter[] =>
  Array.from({ length: turn }, (_, k) => (ring !== NONE && k === ringOf({ turn }) ? ring : at(between, 0)));
const middleOf = ({ over }: Params) => Math.floor(over.length / 2);

interface Unit {
  readonly lens: Bead;
  readonly between: readonly Bead[];
}

/**
 * Beads of two holes in a line, seeds between: along one row of holes, round the end by a few seeds that hold
 * what hangs there, and back along the other row with seeds between again. Over the gaps lie diagonals, from one row of
 * holes to the other and back; a second trip crosses them, through their middle beads.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working').begin('with a stop bead');
  const pickLens = () => t.pick({ lens: LENS }).lens;

  const line = w.repeat<Unit | null>(0, units, null, () => ({
    lens: pickLens(),
    between: t.string(p.between, 'near'),
  }));
  const last = w.in({ row: units, pass: 'closing bead' }, pickLens);
  const lenses = [...line.items.map((unit) => (unit as Unit).lens), last];

  /** Half the seeds of a turn, what hangs from the one in the middle, and the other half. */
  const turn = (which: EdgeName, row: number): Edge => {
    const seeds = (roles: readonly RoleLetter[], name: string) =>
      w.in({ section: wovenAt(which, w.part), pass: 'turn', row }, () => t.string(roles, name));
    const middle = at(seeds(turnRoles(p).slice(0, ringOf(p) + 1), 'turn'), -1);
    const edge = loom.reached(which, onePost(straight(forth(middle))), t);
    seeds(turnRoles(p).slice(ringOf(p) + 1), 'on');
    return edge;
  };
  const end = turn('end', units);
  w.pass('back along the other holes', {}, () => {
    w.in({ row: units }, () => t.back(hole(last, 1)));
    w.along(line, { backwards: true }, (unit) => {
      t.string([...p.between].reverse(), 'far');
      t.back(hole((unit as Unit).lens, 1));
    });
  });
  loom.release(loom.tail);
  const start = turn('start', 0);
  w.in({ row: 0, pass: 'close the line' }, () => t.through(at(lenses, 0)));

  const lower = (k: number) => k % 2;
  const why = 'Not too tight: the line must still bend.';
  const shortens = SHORTENS['crosses over a two-hole base'];
  const done = w.pass(p.overlay, { optional: true, tension: 'medium', face: p.face, why, shortens }, () => {
    const middles: Bead[] = [];
    w.along(line, {}, (_, k) => {
      middles.push(at(t.string(p.over, 'over'), middleOf(p)));
      t.through(hole(at(lenses, k + 1), lower(k + 1)));
    });
    if (p.overlay === 'diagonals') return true;
    w.in({ row: units - 1 }, () => t.travel(backOutOf(last, 1 - lower(units))));
    w.along(line, { backwards: true }, (_, k) => {
      const half = p.over.slice(0, middleOf(p));
      t.string(half, 'across');
      t.back(at(middles, k));
      t.string([...half].reverse(), 'beyond');
      t.back(hole(at(lenses, k), 1 - lower(k)));
    });
    return true;
  });

  const into = (k: number) =>
    towards(...[0, 1].flatMap((n) => [outOf(at(lenses, k), n), backOutOf(at(lenses, k), n)]));
  const few = Math.min(WOVEN_UNITS, units);
  const atEnd = done && p.overlay === 'diagonals';
  return {
    edges: { start, end },
    ends: ownAndTail(loom, t, into(atEnd ? units - few : few), into(few)),
  };
}

const ringOption = (role: RoleLetter) => ({ value: role, label: role });

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
    {
      key: 'turn',
      kind: 'choice',
      label: 'Seeds that turn the end',
      help: 'The clasp hangs on the one in the middle.',
      options: TURNS.map((value) => ({ value, label: `${value}` })),
    },
    {
      key: 'ring',
      kind: 'choice',
      label: 'In the middle of a turn',
      help: 'A larger bead, such as an 8/0, is a ring that a jump ring goes through.',
      options: [{ value: NONE, label: 'a seed' }, ...FIRST_ROLES.slice(1).map(ringOption)],
      roleOption: ringOption,
    },
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
    {
      key: 'face',
      kind: 'choice',
      label: 'On the',
      help: 'Which face it lies on.',
      options: [
        { value: 'front', label: 'front' },
        { value: 'back', label: 'back' },
      ],
    },
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

const lengthOf = (roles: readonly string[], body: (role: string) => Body) =>
  roles.reduce((sum, role) => sum + body(role).lengthMm, 0);

function formOf(p: Params, body: (role: string) => Body, without: ReadonlySet<string>): Form {
  const lens = body(LENS);
  const apart = lens.apartMm ?? lens.diameterMm;
  const between = runningSum(p.between.map((role) => body(role).lengthMm));
  const turn = turnRoles(p).map((role) => body(role));
  const arc = hang(
    apart,
    turn.map(({ lengthMm }) => lengthMm),
  );
  const turnMm = Math.max(...arc.map(({ at: [, out] }, k) => out + at(turn, k).diameterMm / 2));
  const pitch = lens.lengthMm + between.total;
  const girth = Math.max(...p.over.map((role) => body(role).diameterMm));
  const over = { z: (p.face === 'front' ? -1 : 1) * (lens.diameterMm + girth) * 0.5 };
  const diagonal = runningSum(p.over.map((role) => body(role).lengthMm));
  /** How far along a diagonal its k-th bead lies, from −½ to ½. */
  const part = (k: number) =>
    (at(diagonal.starts, k) + body(at(p.over, k)).lengthMm / 2) / diagonal.total - 0.5;
  const middle = middleOf(p);

  const pose = ({ slot, role, place: { row, section } }: Bead): Pose => {
    const { of: word, index: k } = slot;
    const lensEnd = turnMm + row * pitch + lens.lengthMm;
    switch (word) {
      case 'turn':
      case 'on': {
        const { at: place, way } = at(arc, word === 'turn' ? k : ringOf(p) + 1 + k);
        const atEnd = section.joint === 'end';
        const to = atEnd ? 1 : -1;
        const x = atEnd ? lensEnd : turnMm;
        return {
          centre: [x + to * place[1], to * (place[0] - apart / 2), 0],
          axis: [to * way[1], to * way[0], 0],
        };
      }
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
        // Diagonals rise from one row of holes to the other, by turns; what crosses them falls, strung from its far end.
        const rises = (row % 2 === 0) === (word === 'over') ? 1 : -1;
        const t = part(word === 'beyond' ? middle - 1 - k : word === 'across' ? p.over.length - 1 - k : k);
        const to = word === 'over' ? 1 : -1;
        const reach = Math.max(between.total, SLANT * diagonal.total);
        return {
          centre: [lensEnd + between.total / 2 + t * reach, rises * t * apart, over.z],
          axis: unit(to * reach, to * rises * apart),
        };
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

function unit(x: number, y: number): Pose['axis'] {
  const length = Math.hypot(x, y);
  return [x / length, y / length, 0];
}
