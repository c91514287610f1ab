import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import { hang, type OnArc } from '../layout/arc';
import { halving } from '../tools/halving';
import type { Body, Pose } from '../layout/layout';
import { against, forth, ownAndTail, towards, turnedAt, type Loom, type Made } from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import { START, type Bead } from '../weave/path';
import { at, girthOf, lengthOf, partsOf, sequenceSchema, structure } from './structure';

const MOST_OF_THE_CORE = 3;
const MOST_OF_A_LOOP = 15;
const SPANS = [2, 3, 4, 5, 6] as const;

const params = z.object({
  /** Beads that each loop adds to the core. */
  core: sequenceSchema(MOST_OF_THE_CORE),
  /** Steps of the core beside which a loop lies, its own among them. */
  span: z.literal(SPANS).default(4),
  loop: sequenceSchema(MOST_OF_A_LOOP),
});
type Params = z.infer<typeof params>;

/**
 * A core, and loops beside it: with each loop the core grows by a step, and thread comes up through the last few steps of it.
 * Joined, the last loops add no core: they go on into its beginning.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w, ring } = loom;
  const t = w.needle('working');
  const step = () => t.string(p.core, 'core');
  // The core begins below the first loop, which lies beside the last of these.
  const below = 1 - p.span;
  const begun = w.in({ pass: START, row: below }, () => {
    t.begin('with a stop bead');
    return Array.from({ length: p.span - 1 }, (_, i) => w.in({ row: below + i }, step));
  });
  const all: Bead[][] = [...begun];
  w.repeat<readonly Bead[][]>(0, units, begun, (previous, number) => {
    const onward = number + p.span - 1;
    const next = ring && onward >= units ? at(all, onward - units) : step();
    if (onward === all.length) all.push(next);
    t.string(p.loop, 'loop');
    const beside = [...previous, next];
    t.through(...beside.flat());
    return beside.slice(1);
  });
  const core = all.flat();
  const first = at(core, 0);
  const last = at(core, -1);
  // In a ring thread has come round into the beginning already, and goes on there.
  const joins = core.slice((p.span - 1) * p.core.length);
  const meeting = { through: forth(...joins.slice(0, WOVEN_BEADS)) };
  const few = Math.min(WOVEN_BEADS, core.length - 1);
  const onward = [outOf(at(core, few)), backOutOf(at(core, 1))];
  const back = [backOutOf(at(core, -1 - few)), outOf(at(core, -2))];
  return {
    edges: {
      start: { posts: [turnedAt(backOutOf(first), forth(first))] },
      end: loom.reached('end', { posts: [turnedAt(outOf(last), against(last))], meeting }, t),
    },
    // Where nothing hangs, an end comes back into the core by the loop beside it.
    ends: ring
      ? ownAndTail(loom, t, towards(outOf(at(joins, -1))), towards(at(back, 0)))
      : ownAndTail(loom, t, towards(...back), towards(...onward)),
  };
}

/** A loop may be so much shorter than the core beside it (from memory): thread draws the core in a little. */
const SNUG = 0.95;
/** And so much longer before it can lie this way or that (tried in all beads of the catalogue). */
const STANDS_OFF = 1.5;

/** What is measured of a rope in these beads, mm. */
function measures(p: Params, body: (role: string) => Body) {
  const stepMm = lengthOf(p.core, body);
  const [coreMm, loopMm] = [girthOf(p.core, body), girthOf(p.loop, body)];
  /** How far from the middle of the core a loop lies where it begins, and how far it turns from loop to loop. */
  const out = (coreMm + loopMm) / 2;
  return {
    stepMm,
    chordMm: p.span * stepMm,
    out,
    loopMm,
    turn: 2 * Math.asin(Math.min(1, loopMm / (2 * out))),
  };
}

/** A loop beside the core, from its upper end down, and how far it stands out over either end of that, mm. */
interface Beside {
  readonly arc: readonly OnArc[];
  readonly aboveMm: number;
  readonly belowMm: number;
}

/**
 * A loop as an arc beside so much of the core, drawn in so far that no bead of it stands out over either end; where it is too long
 * for that, from end to end.
 */
function loopBeside(p: Params, body: (role: string) => Body, chordMm: number): Beside {
  const beads = p.loop.map((role) => body(role));
  const lengths = beads.map(({ lengthMm }) => lengthMm);
  const drawnIn = (inMm: number): Beside => {
    const arc = hang(chordMm - 2 * inMm, lengths).map((one): OnArc => ({
      ...one,
      at: [one.at[0] + inMm, one.at[1], one.at[2]],
    }));
    const half = ({ way: [along, out] }: OnArc, i: number) => {
      const { lengthMm, diameterMm } = at(beads, i);
      return (Math.abs(along) * lengthMm + Math.abs(out) * diameterMm) / 2;
    };
    return {
      arc,
      aboveMm: Math.max(0, ...arc.map((one, i) => half(one, i) - one.at[0])),
      belowMm: Math.max(0, ...arc.map((one, i) => half(one, i) - (chordMm - one.at[0]))),
    };
  };
  const standsOut = (inMm: number) => {
    const { aboveMm, belowMm } = drawnIn(inMm);
    return aboveMm + belowMm > 0;
  };
  const mostMm = chordMm / 2;
  return drawnIn(standsOut(0) && !standsOut(mostMm) ? halving(0, mostMm, standsOut) : 0);
}

export const spiralRope = structure({
  id: 'spiral-rope',
  name: 'Spiral rope',
  family: 'spiral',
  about: 'Loops one after another beside a core of beads, each a step further: they wind round it.',
  feel: 'supple and round; it drapes, and does not kink',
  handles: 'round like a rope',
  grows: 'up',
  stopBead: true,
  uses: ['necklace', 'rope', 'bracelet'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread:
    'Gel-spun thread of 6 lb: every bead of the core is gone through as often as loops lie beside it, and once more.',
  looks: [
    { after: 'the first three loops', look: 'A tuft that shows no spiral. Push each loop to the same side.' },
    { after: 'the first round of loops', look: 'The spiral shows, open at its beginning. It stays so.' },
  ],
  watch: [
    'Push every new loop to the same side of the one before, before you string the next.',
    'Count the core beads that you come up through: one too few and the spiral skips.',
    'Hold the core tight: a slack core lets loops slide, and thread shows.',
  ],
  params,
  defaults: { core: ['A'], span: 4, loop: ['B', 'B', 'C', 'B', 'B'] },
  usual: { A: 'seed-8', C: 'fire-polished-3' },
  fields: [
    {
      key: 'core',
      kind: 'sequence',
      label: 'Core beads of one loop',
      help: 'The core grows by these with each loop. One is usual.',
      most: MOST_OF_THE_CORE,
    },
    {
      key: 'span',
      kind: 'choice',
      label: 'Core beside a loop',
      help: 'So many loops’ worth of the core is gone up through: more make longer, closer loops.',
      options: SPANS.map((value) => ({ value, label: `${value}` })),
    },
    {
      key: 'loop',
      kind: 'sequence',
      label: 'One loop, in the order strung',
      help: 'As long as the core beside it, or a little longer. Its largest bead shows as the spiral.',
      most: MOST_OF_A_LOOP,
    },
  ],
  bind: (p) => ({
    parts: [...partsOf(p.core, 'core bead'), ...partsOf(p.loop, 'bead of a loop')],
    minimumUnits: p.span + 1,
    rowWord: 'loop',
    slots: { core: 'core', loop: 'loop' },
    closing: null,
    closings: ['clasp', 'joined', 'open'],
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const { chordMm, out, loopMm } = measures(p, body);
      return [
        ...(lengthOf(p.loop, body) < SNUG * chordMm
          ? [
              'A loop is shorter than the core beside it, so the core bends and thread shows. Add beads to the loop, or lay it beside less of the core.',
            ]
          : []),
        ...(lengthOf(p.loop, body) > STANDS_OFF * chordMm
          ? [
              'The loops are so much longer than the core beside them that they stand off, and how long the rope becomes is not certain. Take beads out of them, or lay them beside more of the core.',
            ]
          : []),
        ...(p.span * loopMm > 2 * Math.PI * out
          ? [
              'The loops are so thick that they crowd each other off the core. Take a thicker core, or lay them beside less of it.',
            ]
          : []),
      ];
    },
    /** Closed form: a step of the core a loop; loops lie side by side about it, each an arc of a circle. */
    form(body) {
      const { stepMm, chordMm, out, loopMm, turn } = measures(p, body);
      const steps = p.core.map(
        (_, i) => lengthOf(p.core.slice(0, i), body) + body(at(p.core, i)).lengthMm / 2,
      );
      const { arc, aboveMm, belowMm } = loopBeside(p, body, chordMm);
      const across = 2 * (out + Math.max(0, ...arc.map(({ at: [, y] }) => y))) + loopMm;
      return {
        pitchMm: stepMm,
        extraMm: (p.span - 1) * stepMm + aboveMm + belowMm,
        widthMm: across,
        thicknessMm: across,
        endWidthMm: girthOf(p.core, body),
        mayShorten: 0.08,
        held: 'rope',
        pose({ slot: { of, index }, place: { row } }): Pose {
          if (of === 'core') {
            return {
              centre: [belowMm + (row + p.span - 1) * stepMm + at(steps, index), 0, 0],
              axis: [1, 0, 0],
            };
          }
          const { at: lies, way } = at(arc, index);
          const [c, s] = [Math.cos(row * turn), Math.sin(row * turn)];
          const far = out + lies[1];
          return {
            centre: [belowMm + row * stepMm + chordMm - lies[0], far * c, far * s],
            axis: [-way[0], way[1] * c, way[1] * s],
          };
        },
      };
    },
  }),
});
