import * as z from 'zod';
import { hang } from '../layout/arc';
import type { Body, Pose } from '../layout/layout';
import { ownAndTail, type Loom, type Made } from '../weave/edge';
import { backOutOf, hole } from '../weave/needle';
import type { Bead } from '../weave/path';
import { SHORTENS } from './shortening';
import { at, lengthOf, partsOf, runningSum, sequenceSchema, structure, type Form } from './structure';
import { smallAfter, turnFields, turnForm, TURNS, WOVEN_UNITS, weaveTwoRows } from './twoRows';
import { NONE } from './field';

const MOST = 4;
const MOST_AT_THE_EDGE = 9;
const BEAD = 'A';
const STONE = 'B';
const SMALL = smallAfter([BEAD, STONE]);
const EDGES = 'edges';

const params = z.object({
  between: sequenceSchema(MOST, SMALL),
  turn: z.literal(TURNS),
  ring: z.enum([NONE, ...SMALL]).default(NONE),
  edge: sequenceSchema(MOST_AT_THE_EDGE, SMALL),
});
type Params = z.infer<typeof params>;

/**
 * Beads of two holes and stones of two channels by turns, seeds between; a bead more than there are stones, so that both ends are
 * alike. Then seeds along either edge, round the outside of every stone.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working').begin('with a stop bead');
  const { line, heads, edges, into } = weaveTwoRows({ loom, t, units, turn: p }, [
    { name: 'bead', role: BEAD, between: p.between, run: 0 },
    { name: 'stone', role: STONE, between: p.between, run: 1 },
  ]);

  const why = 'It frames the stones, and hides the thread beside them. Too tight, and the band curls.';
  const shortens = SHORTENS['picots, edge beads without tension'];
  w.pass(EDGES, { optional: true, tension: 'medium', why, shortens }, () => {
    w.along(line, {}, (_, k) => {
      t.string(p.edge, 'near edge');
      t.through(at(heads, k + 1));
    });
    w.in({ row: units }, () => t.travel(backOutOf(at(heads, -1), 1)));
    w.along(line, { backwards: true }, (_, k) => {
      t.string([...p.edge].reverse(), 'far edge');
      t.back(hole(at(heads, k), 1));
    });
  });

  const few = into(Math.min(WOVEN_UNITS, units));
  return { edges, ends: ownAndTail(loom, t, few, few) };
}

export const stoneLattice = structure({
  id: 'stone-lattice',
  name: 'Lattice of stones',
  family: 'two-hole line',
  about: 'Set stones of two channels and beads of two holes by turns, framed by seeds along both edges.',
  feel: 'firm between the stones, bends at the seeds',
  handles: 'holds flat',
  stopBead: true,
  uses: ['bracelet', 'necklace'],
  needles: 1,
  threads: ['gel-spun'],
  thread: 'Gel-spun thread of 6 lb and a fine needle: the channels of the stones are the narrowest.',
  looks: [
    { after: 'the first row of holes', look: 'The stones swing round. The way back sets them flat.' },
    { after: 'one edge', look: 'It bows to that side until the other edge is done.' },
  ],
  watch: [
    'Try the needle in both channels of every stone before it goes on: glue or plating can close one.',
    'All stones face up. One that is turned over shows its setting.',
    'Settings have edges: pull along the channel, never across it.',
  ],
  params,
  defaults: { between: ['C'], turn: 3, ring: NONE, edge: ['C', 'C', 'C', 'D', 'C', 'C', 'C'] },
  usual: { A: 'half-tile', B: 'set-stone', C: 'seed-11', D: 'seed-8' },
  fields: [
    {
      key: 'between',
      kind: 'sequence',
      label: 'Between a bead and a stone, in each row of holes',
      help: 'Bead A has two holes, and B is the stone with two channels.',
      most: MOST,
      roles: SMALL,
    },
    ...turnFields(SMALL.slice(0, 4)),
    {
      key: 'edge',
      kind: 'sequence',
      label: 'Along the edge, round one stone',
      help: 'From one bead of two holes to the next.',
      most: MOST_AT_THE_EDGE,
      roles: SMALL,
    },
  ],
  bind: (p) => ({
    parts: [
      { role: BEAD, part: 'bead of two holes', holes: 2 },
      { role: STONE, part: 'stone', holes: 2, shapes: ['set stone'] },
      ...partsOf(p.between, 'bead between'),
      ...(p.ring === NONE ? [] : partsOf([p.ring], 'bead that the clasp hangs on')),
      ...partsOf(p.edge, 'bead of the edge'),
    ],
    minimumUnits: 2,
    rowWord: 'unit',
    slots: { 'near edge': 'edge', 'far edge': 'edge', turn: 'turn', on: 'turn' },
    closing: 'then one more bead of two holes',
    holes: { [BEAD]: 2, [STONE]: 2 },
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const { chordMm, roundMm } = frameOf(p, body);
      const edgeMm = lengthOf(p.edge, body);
      return [
        ...(edgeMm < 2 * Math.hypot(chordMm / 2, roundMm)
          ? ['The stones are too large for the edge: it cannot reach round them. Add a seed to it.']
          : []),
        ...(edgeMm > LOOSE * (chordMm + 2 * roundMm)
          ? ['The edge is so long that it stands away from the stones. Take a seed out of it.']
          : []),
      ];
    },
    form: (body, without) => formOf(p, body, without),
  }),
});

/** An edge longer than this part of the way along two sides and the end of a stone stands away from it (from memory). */
const LOOSE = 1;

/** What the edge goes round: so far from bead to bead, and so far beyond their holes. */
function frameOf(p: Params, body: (role: string) => Body) {
  const [bead, stone] = [body(BEAD), body(STONE)];
  const chordMm = 2 * lengthOf(p.between, body) + stone.lengthMm;
  const apartMm = bead.apartMm ?? bead.diameterMm;
  return { chordMm, roundMm: Math.max(0, (stone.widthMm ?? stone.diameterMm) - apartMm) / 2 };
}

/** Closed form: the lengths of a bead and of a stone along their holes, and the seeds between; edges lie against the stones. */
function formOf(p: Params, body: (role: string) => Body, without: ReadonlySet<string>): Form {
  const [bead, stone] = [body(BEAD), body(STONE)];
  const apart = bead.apartMm ?? bead.diameterMm;
  /** Seeds lie halfway between the holes of a bead and those of a stone. */
  const rowMm = (apart + (stone.apartMm ?? stone.diameterMm)) / 4;
  const between = runningSum(p.between.map((role) => body(role).lengthMm));
  const turn = turnForm(p, apart, body);
  const { chordMm, roundMm } = frameOf(p, body);
  const pitch = bead.lengthMm + chordMm;
  const arc = hang(
    chordMm,
    p.edge.map((role) => body(role).lengthMm),
  );
  const beadAt = (unit: number) => turn.outMm + unit * pitch;
  /** How far beyond the holes a bead of the edge lies: outside the stone where it is beside it. */
  const outOf = (k: number) => {
    const { at: place } = at(arc, k);
    const { lengthMm, diameterMm } = body(at(p.edge, k));
    const beside = Math.abs(place[0] - chordMm / 2) < (stone.lengthMm + lengthMm) / 2;
    return beside ? Math.max(place[1], roundMm + diameterMm / 2) : place[1];
  };
  const framed = !without.has(EDGES);
  const reachMm = Math.max(
    (stone.widthMm ?? stone.diameterMm) / 2,
    (bead.widthMm ?? bead.diameterMm) / 2,
    ...(framed ? p.edge.map((role, k) => apart / 2 + outOf(k) + body(role).diameterMm / 2) : []),
  );

  const pose = (one: Bead): Pose => {
    const { slot, role, place } = one;
    const from = beadAt(place.row);
    switch (slot.of) {
      case 'turn':
      case 'on':
        return turn.pose(one, { from: turn.outMm, to: from + bead.lengthMm });
      case 'bead':
        return { centre: [from + bead.lengthMm / 2, 0, 0], axis: [1, 0, 0], across: [0, 1, 0] };
      case 'stone':
        return {
          centre: [from + bead.lengthMm + chordMm / 2, 0, 0],
          axis: [1, 0, 0],
          across: [0, 1, 0],
        };
      case 'near':
      case 'far': {
        const along = slot.of === 'near' ? slot.index : p.between.length - 1 - slot.index;
        const gap = from + bead.lengthMm + (slot.run === 1 ? between.total + stone.lengthMm : 0);
        const way = slot.of === 'near' ? 1 : -1;
        return {
          centre: [gap + at(between.starts, along) + body(role).lengthMm / 2, -way * rowMm, 0],
          axis: [way, 0, 0],
        };
      }
      default: {
        const near = slot.of === 'near edge';
        const k = near ? slot.index : p.edge.length - 1 - slot.index;
        const { at: lies, way } = at(arc, k);
        const to = near ? -1 : 1;
        return {
          centre: [from + bead.lengthMm + lies[0], to * (apart / 2 + outOf(k)), 0],
          axis: [-to * way[0], -way[1], 0],
        };
      }
    }
  };
  return {
    pitchMm: pitch,
    extraMm: 2 * turn.outMm + bead.lengthMm,
    widthMm: 2 * reachMm,
    endWidthMm: bead.widthMm ?? bead.diameterMm,
    thicknessMm: Math.max(bead.diameterMm, stone.diameterMm),
    mayShorten: 0,
    held: 'mat',
    pose,
  };
}
