import * as z from 'zod';
import type { Pose } from '../layout/layout';
import { against, forth, inside, ownAndTail, reversed, straight, type Loom, type Made } from '../weave/edge';
import { counted } from '../words/figures';
import { onCircle, ringRadiusMm, type Bodies } from './loops';
import { at, girthOf, partsOf, runningSum, sequenceSchema, structure } from './structure';
import type { RoleLetter } from './roles';

const FEWEST_LOOP = 3;
const MOST_LOOP = 15;
const MOST_STEM = 24;
const MOST_TIP = 5;

const params = z.object({
  loop: sequenceSchema(MOST_LOOP).min(
    FEWEST_LOOP,
    `A loop has at least ${FEWEST_LOOP} beads, for thread is to go through it. Add one.`,
  ),
  stem: sequenceSchema(MOST_STEM),
  tip: sequenceSchema(MOST_TIP),
});
type Params = z.infer<typeof params>;

const [LOOP, STEM, TIP] = ['loop', 'stem', 'tip'] as const;

/**
 * Down the stem to the tip and back up without it, so that it holds the thread; the loop, and all of it the same way again.
 */
function weave(p: Params, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const { stem, tip, up } = w.in({ pass: 'the stem' }, () => {
    const stem = t.begin('none').string(p.stem, STEM);
    const tip = t.string(p.tip, TIP);
    const [first, ...more] = tip;
    if (first && more.length === 0) t.skip(first);
    const up = reversed(forth(...stem));
    t.enter(up);
    return { stem, tip, up };
  });
  const loop = w.in({ pass: 'the loop' }, () => {
    const beads = t.string(p.loop, LOOP);
    t.close(...stem);
    return beads;
  });
  w.pass('the same way again', { why: 'One thread alone would wear through in the loop.' }, () => {
    t.reinforce(...tip)
      .enter(up, 'reinforce')
      .reinforce(...loop);
  });
  // What hangs from it hangs from the middle of its loop; what it hangs from goes through that.
  const middle = at(loop, Math.floor(loop.length / 2));
  const end = loom.reached('end', { posts: [[straight(forth(middle))]] }, t);
  return {
    edges: { start: { posts: [[straight(against(middle))]] }, end },
    ends: ownAndTail(loom, t, inside(...stem), inside(...stem)),
  };
}

/** Beads that hang together from one point, mm: aside of it, how far on from it, and where their holes lead. */
interface Hung {
  readonly asideMm: number;
  readonly onMm: number;
  readonly heading: number;
}

/** A loop of beads from one point on and back to it: a polygon in its circle. */
function loopFrom(
  roles: readonly RoleLetter[],
  body: Bodies,
): { beads: Hung[]; clearMm: number; onMm: number } {
  const lengths = roles.map((role) => body(role).lengthMm);
  const girth = girthOf(roles, body);
  const radiusMm = ringRadiusMm(lengths);
  let turned = 0;
  const beads = lengths.map((mm): Hung => {
    const { outMm, half } = onCircle(radiusMm, mm);
    const angle = turned + half;
    turned += 2 * half;
    return { asideMm: outMm * Math.sin(angle), onMm: radiusMm - outMm * Math.cos(angle), heading: angle };
  });
  const inner = Math.min(...lengths.map((mm) => onCircle(radiusMm, mm).outMm));
  return {
    beads,
    clearMm: Math.max(0, 2 * inner - girth),
    onMm: Math.max(...beads.map(({ onMm }) => onMm)) + girth / 2,
  };
}

/** Whether a loop leaves an opening for thread. */
const isOpen = (roles: readonly RoleLetter[], body: Bodies) => loopFrom(roles, body).clearMm > 0;

/** The same drop with so many beads more in its loop that it opens; null where none would. */
function opened(p: Params, body: Bodies): Params | null {
  const more = Array.from({ length: MOST_LOOP - p.loop.length }, (_, i) => [
    ...p.loop,
    ...Array.from({ length: i + 1 }, (_, k) => at(p.loop, k % p.loop.length)),
  ]);
  const loop = more.find((roles) => isOpen(roles, body));
  return loop ? { ...p, loop } : null;
}

export const hangingDrop = structure({
  id: 'hanging-drop',
  name: 'Drop',
  madeWhole: { called: 'drop', by: 'its loop' },
  family: 'motif',
  about:
    'A stem of beads that hangs by a loop, held by the bead at its tip. Made one at a time, and strung by its loop.',
  feel: 'swings freely',
  handles: 'hangs like a chain',
  uses: ['necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread: 'Gel-spun thread of 6 to 10 lb: all of it hangs by the thread in the loop.',
  looks: [{ after: 'the stem', look: 'It slides on its thread until the loop is closed.' }],
  watch: [
    'Leave out the bead at the tip on the way back: it is what holds.',
    'Pull the loop down onto the stem before you go round again.',
    'A loop that is wider inside than the beads beside it slips over them.',
  ],
  params,
  defaults: {
    loop: ['A', 'A', 'A', 'A', 'A', 'A', 'A', 'A', 'A'],
    stem: ['A', 'B', 'A'],
    tip: ['A'],
  },
  usual: { B: 'pressed-4' },
  fields: [
    {
      key: 'loop',
      kind: 'sequence',
      label: 'The loop',
      help: 'Thread goes through it. No wider inside than the beads on either side, or it slips over them.',
      most: MOST_LOOP,
    },
    {
      key: 'stem',
      kind: 'sequence',
      label: 'The stem, from the loop down',
      help: 'Add beads in order.',
      most: MOST_STEM,
    },
    {
      key: 'tip',
      kind: 'sequence',
      label: 'The tip',
      help: 'One bead is gone round; several make a picot.',
      most: MOST_TIP,
    },
  ],
  bind: (p) => ({
    parts: [
      ...partsOf(p.stem, 'bead of the stem'),
      ...partsOf(p.loop, 'bead of the loop'),
      ...partsOf(p.tip, 'tip'),
    ],
    minimumUnits: 1,
    mostUnits: 1,
    rowWord: 'drop',
    slots: { [STEM]: 'stem', [TIP]: 'tip', [LOOP]: 'loop' },
    closing: null,
    closings: ['open'],
    loopClearMm: (body) => loopFrom(p.loop, body).clearMm,
    work: (loom) => weave(p, loom),
    advise(body) {
      if (isOpen(p.loop, body)) return [];
      const better = opened(p, body);
      return [
        better
          ? `The loop has no opening: its beads fill it. ${counted(better.loop.length, 'bead')} would leave one.`
          : 'The loop has no opening: its beads fill it. Take other beads for it.',
      ];
    },
    suited: (body) => (isOpen(p.loop, body) ? null : opened(p, body)),
    /** Closed form: loops are polygons in their circles, between them the stem bead upon bead. */
    form(body) {
      const loop = loopFrom(p.loop, body);
      const { starts, total } = runningSum(p.stem.map((role) => body(role).lengthMm));
      const picot = p.tip.length > 1 ? loopFrom(p.tip, body) : null;
      // A loop hangs so near to the stem as the flanks of its beads let it.
      const stemMm = loop.onMm + girthOf(p.loop, body) / 2;
      const tipMm = stemMm + total + (picot ? girthOf(p.tip, body) / 2 : 0);
      const lengthMm = tipMm + (picot ? picot.onMm : body(at(p.tip, 0)).lengthMm);
      const all = [...p.loop, ...p.stem, ...p.tip];
      const broad = [...loop.beads, ...(picot?.beads ?? [])].map(({ asideMm }) => Math.abs(asideMm));
      return {
        pitchMm: lengthMm,
        extraMm: 0,
        widthMm: Math.max(2 * Math.max(...broad) + girthOf(p.loop, body), girthOf(all, body)),
        thicknessMm: girthOf(all, body),
        mayShorten: 0,
        held: 'mat',
        pose({ role, slot: { of, index } }): Pose {
          const hung =
            of === LOOP ? at(loop.beads, index) : of === TIP && picot ? at(picot.beads, index) : null;
          if (!hung) {
            const fromMm = of === TIP ? tipMm : stemMm + at(starts, index);
            return { centre: [fromMm + body(role).lengthMm / 2, 0, 0], axis: [1, 0, 0] };
          }
          const { asideMm, onMm, heading } = hung;
          const [on, aside] = [Math.sin(heading), Math.cos(heading)];
          // A loop leads up from the stem, a picot down.
          return of === LOOP
            ? { centre: [loop.onMm - onMm, asideMm, 0], axis: [-on, aside, 0] }
            : { centre: [tipMm + onMm, asideMm, 0], axis: [on, aside, 0] };
        },
      };
    },
  }),
});
