import * as z from 'zod';
import type { Pose } from '../layout/layout';
import { forth, inRun, onePost, straight, type Loom, type Made } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { goThrough, grid, rowPass, type Run, put } from './grid';
import { at, lengthOf, partsOf, sequenceSchema, structure } from './structure';
import { crossUnits, DRAWN_ALIKE, FIRST_CROSSING, FOLDED, upperOf } from './twoNeedles';

const MOST = 5;
const ROWS = [1, 2, 3, 4] as const;
/** Units between an end and where its thread is woven in. */
const WOVEN_UNITS = 2;

const params = z.object({
  side: sequenceSchema(MOST),
  other: sequenceSchema(MOST),
  rung: sequenceSchema(MOST),
  rows: z.literal(ROWS).default(1),
});
type Params = z.infer<typeof params>;

/** Sides that differ by more than this part bend the strip so that it shows (from memory). */
const BENDS = 0.15;

const leftwards = (row: number) => row % 2 === 1;

/**
 * Two needles on one cord. In each unit one strings a side, the other the side opposite (or goes along the one
 * that is there), and both cross in the rung. The cord's middle holds what hangs at the start.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w, ring } = loom;
  const row = crossUnits(loom, {
    units,
    side: (_, side) => (side === 'upper' ? p.side : p.other),
    rung: () => p.rung,
    of: 'rung',
    ring,
  });
  const { left, right, sides } = row;
  let { upper, lower } = row;
  const tops: Run[][] = [sides.upper.map((beads) => ({ beads, forward: true }))];
  const rungs: Run[][] = [row.rungs];

  /** The lower needle strings a rung, the upper one goes through it the opposite way; they change places. */
  const cross = (row: number, boundary: number) => {
    const run: Run = { beads: lower.string(p.rung, 'far'), forward: true };
    goThrough(upper, run, false);
    put(rungs, row, boundary, run);
    [upper, lower] = [lower, upper];
  };

  // What hangs at the end is hung when the last row that runs there is done, by the needle that strung its rung.
  const lastOnward = p.rows % 2 === 1 ? p.rows - 1 : p.rows - 2;
  const edge = (row: number, boundary: number) =>
    onePost(straight(forth(...at(at(rungs, row), boundary).beads)));
  const reachEnd = (row: number) => {
    const { forward } = at(at(rungs, row), units);
    loom.reached('end', edge(row, units), forward ? upper : lower);
  };
  if (lastOnward === 0) reachEnd(0);

  for (let row = 1; row < p.rows; row++) {
    const back = leftwards(row);
    w.pass(rowPass(row), {}, () => {
      for (let i = 0; i < units; i++) {
        const unit = back ? units - 1 - i : i;
        const far = back ? unit : unit + 1;
        w.in({ row: unit, run: row }, () => {
          const below = at(at(tops, row - 1), unit);
          if (i === 0) {
            // The lower needle goes round the unit below, to the corner where the two will meet.
            const inner = at(at(rungs, row - 1), far);
            lower.travel(inner.forward ? outOf(at(inner.beads, -1)) : backOutOf(at(inner.beads, 0)));
            // The outermost rung belongs to the unit beyond: there it is what every unit ends with.
            const beyond = { row: back ? unit + 1 : -1 };
            const beads = upper.string(p.rung, 'far', beyond);
            put(rungs, row, back ? unit + 1 : 0, { beads, forward: true });
          } else goThrough(lower, below, !back);
          put(tops, row, unit, { beads: upper.string(p.side, 'top'), forward: !back });
          cross(row, far);
        });
      }
    });
    if (row === lastOnward) reachEnd(row);
  }

  const boundary = p.rows % 2 === 1 ? Math.max(0, units - WOVEN_UNITS) : Math.min(units, WOVEN_UNITS);
  const anchor = inRun(at(at(rungs, p.rows - 1), boundary).beads);
  return {
    edges: { start: edge(0, 0), end: edge(lastOnward, units) },
    ends: [left, right].map((needle) => [needle, anchor]),
  };
}

export const crossWeave = structure({
  id: 'cross-weave',
  name: 'Cross-weave, two needles',
  family: 'right-angle weave',
  about: 'The two ends of one cord, a side each, cross in every rung. A large bead can be the rung.',
  feel: 'supple, lies flat; firmer with large rungs',
  handles: 'soft like cloth',
  uses: ['bracelet', 'necklace', 'ring band'],
  needles: 2,
  threads: ['gel-spun', 'cord'],
  thread: FOLDED,
  looks: [
    FIRST_CROSSING,
    { after: 'the third unit', look: 'The strip turns in the hand until both ends are drawn alike.' },
  ],
  watch: [
    DRAWN_ALIKE,
    'The two ends change sides in every rung. Lay down the one that is done, so as not to string a side twice.',
    'Two threads go through every rung: choose a rung bead with room in its hole.',
  ],
  params,
  defaults: { side: ['A'], other: ['A'], rung: ['B'], rows: 1 },
  usual: { A: 'bicone-4', B: 'bicone-4' },
  fields: [
    {
      key: 'side',
      kind: 'sequence',
      label: 'The upper side of a unit',
      help: 'Along the piece.',
      most: MOST,
    },
    {
      key: 'other',
      kind: 'sequence',
      label: 'The lower side',
      help: 'As long as the upper one, or the piece bends.',
      most: MOST,
    },
    {
      key: 'rung',
      kind: 'sequence',
      label: 'The rung, where the ends cross',
      help: 'Both ends go through all of it.',
      most: MOST,
    },
    {
      key: 'rows',
      kind: 'choice',
      label: 'Rows',
      help: 'In each later row one end goes along the row before, the other strings the new side.',
      options: ROWS.map((value) => ({ value, label: `${value}` })),
    },
  ],
  bind: (p) => ({
    parts: [...partsOf([...p.side, ...p.other], 'side'), ...partsOf(p.rung, 'rung')],
    minimumUnits: 2,
    rowWord: 'unit',
    slots: { rung: 'rung', far: 'rung', left: 'side', right: 'side', top: 'side' },
    closing: null,
    notJoined: p.rows === 1 ? undefined : 'Only a single row is joined here: take one row.',
    closings: p.rows === 1 ? ['clasp', 'joined', 'open'] : ['clasp', 'open'],
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const [one, other] = [lengthOf(p.side, body), lengthOf(p.other, body)];
      return Math.abs(one - other) > BENDS * Math.max(one, other)
        ? [
            'The two sides differ in length, so the piece bends like a collar. Make them alike if it is to lie straight.',
          ]
        : [];
    },
    form(body) {
      const net = grid(body, { sides: [p.side, p.other], rung: p.rung, rows: p.rows });
      return {
        pitchMm: net.pitchMm,
        extraMm: net.rungGirthMm,
        widthMm: net.widthMm,
        thicknessMm: net.thicknessMm,
        mayShorten: 0,
        held: 'mat',
        net: net.net,
        pose({ slot: { of: word, index: k, run: row = 0 }, place: { row: unit } }): Pose {
          switch (word) {
            case 'rung':
              return net.rung(k, 0, unit + 1, upperOf(unit) === 'right');
            case 'far':
              return net.rung(k, row, leftwards(row) ? unit : unit + 1, true);
            case 'top':
              return net.side(p.side, k, row + 1, unit, !leftwards(row));
            default:
              return word === upperOf(unit)
                ? net.side(p.side, k, 1, unit, true)
                : net.side(p.other, k, 0, unit, true);
          }
        },
      };
    },
  }),
});
