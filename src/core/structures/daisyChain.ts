import * as z from 'zod';
import type { Pose } from '../layout/layout';
import { solidOf } from '../layout/solver/solid';
import { reachOf } from '../layout/solver/support';
import type { BeadSize } from '../materials/material';
import { against, inside, onePost, ownAndTail, type Loom, type Made } from '../weave/edge';
import { backOutOf } from '../weave/needle';
import type { Bead } from '../weave/path';
import { asItEnds, endingField, endingSchema, extraWords, firstOf } from './extra';
import { beadField } from './field';
import { at, distinct, girthOf, lengthOf, partsOf, runningSum, sequenceSchema, structure } from './structure';
import { ROLE_LETTERS, FIRST_ROLES } from './roles';

const MOST = 6;
const MOST_OF_A_STEM = 12;
const PETALS = [6, 8, 10] as const;

const params = z
  .object({
    /** The petals of one daisy after another. */
    sequence: sequenceSchema(MOST),
    extra: endingSchema,
    petals: z.literal(PETALS).default(8),
    centre: z.enum(ROLE_LETTERS),
    between: z.enum(['stems', 'touching']).default('stems'),
    stem: sequenceSchema(MOST_OF_A_STEM),
  })
  .transform(asItEnds);
type Params = z.infer<typeof params>;

const roleOfDaisy = ({ sequence }: Params, daisy: number) => at(sequence, daisy % sequence.length);

/**
 * A ring of petals, closed through its first; the centre laid across it; and back through the petal opposite the first, so that
 * thread comes out where the next stem, or the next daisy, begins.
 */
function weave(p: Params, units: number, loom: Loom): Made {
  const { w } = loom;
  const t = w.needle('working');
  const daisies = units * p.sequence.length + p.extra;
  const daisy = (row: number): Bead[] => {
    const ring = t.string(Array<string>(p.petals).fill(roleOfDaisy(p, row)), 'petal');
    t.close(at(ring, 0));
    t.string([p.centre], 'centre');
    t.back(at(ring, p.petals / 2));
    if (p.between === 'stems' && row < daisies - 1) t.string(p.stem, 'stem');
    return ring;
  };
  const first = w.in({ row: 0 }, () => {
    t.begin('none');
    return daisy(0);
  });
  const { items, last } = w.repeat<Bead[]>(1, daisies, first, (_, row) => daisy(row));
  const all = [first, ...items];
  const half = p.petals / 2;
  // Thread comes out between two petals: what hangs there goes back in by the other.
  const end = loom.reached(
    'end',
    onePost({ out: backOutOf(at(last, half)), into: against(at(last, half - 1)) }),
    t,
  );
  const start = onePost({ out: backOutOf(at(first, 0)), into: against(at(first, -1)) });
  return {
    edges: { start, end },
    ends: ownAndTail(
      loom,
      t,
      inside(...at(all, -1).slice(0, half - 2)),
      inside(...at(all, 0).slice(2, half)),
    ),
  };
}

/** A daisy by its numbers, mm. */
interface Daisy {
  /** How far from its middle its petals lie, and how far it reaches along the chain. */
  readonly middleMm: number;
  readonly reachMm: number;
  readonly acrossMm: number;
  /** How wide it is inside, before a centre is in it. */
  readonly clearMm: number;
}

/** Beyond their middles, the part of their reach that two petals keep: they turn out of the way of what goes on between them (fitted to layouts). */
const NESTLES = 0.5;
/** Ways in which two beads may face each other where they touch: from along the chain to across it. */
const FACING = Array.from({ length: 45 }, (_, i) => (i * Math.PI) / 90);

/**
 * Petals touch in the planes between them, or stand about the centre where that is larger. Beyond the two between which the chain goes
 * on lies a bead of the stem, as near as its shape and theirs let it; or the next daisy, mirrored.
 */
function daisyOf(p: Params, role: string, stem: string | null, body: (role: string) => BeadSize): Daisy {
  const petal = body(role);
  const half = Math.PI / p.petals;
  const solid = solidOf(petal);
  const [cos, sin] = [Math.cos(half), Math.sin(half)];
  const closeMm = reachOf(solid, cos, sin, 0) / sin;
  const middleMm = Math.max(closeMm, (body(p.centre).diameterMm + petal.diameterMm) / 2);
  const stemmed = (of: BeadSize) => {
    const next = solidOf(of);
    // The bodies are apart in any direction in which their middles are farther apart than both reach.
    const far = FACING.map((facing) => {
      const [along, beside] = [Math.cos(facing), Math.sin(facing)];
      const both =
        reachOf(solid, Math.sin(half + facing), Math.cos(half + facing), 0) + reachOf(next, along, beside, 0);
      return middleMm * cos + (both - middleMm * sin * beside) / along;
    });
    return Math.min(...far) - of.lengthMm / 2;
  };
  const endsMm = middleMm * cos;
  const touchMm = stem === null ? endsMm + reachOf(solid, sin, cos, 0) : stemmed(body(stem));
  return {
    middleMm,
    reachMm: endsMm + NESTLES * (touchMm - endsMm),
    acrossMm: 2 * (middleMm + petal.diameterMm / 2),
    clearMm: 2 * closeMm - petal.diameterMm,
  };
}

/** Of what is clear in the middle, the least and the most that a centre may be across (from memory: it must not fall through, nor stand out). */
const FILLS = { least: 0.7, most: 1.35 } as const;

export const daisyChain = structure({
  id: 'daisy-chain',
  name: 'Daisy chain',
  family: 'chain',
  about: 'Rings of petals, each round a bead in its middle, in a chain: side by side, or with stems between.',
  feel: 'light and supple; the daisies lie flat and turn in the chain',
  handles: 'hangs like a chain',
  uses: ['necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon'],
  thread: 'Gel-spun thread of 6 lb, or nylon in the colour of the petals: little of it shows.',
  looks: [
    { after: 'the first ring', look: 'A loose ring that its middle bead falls through.' },
    {
      after: 'the centre',
      look: 'It lies askew until the thread is drawn on; then the petals close round it.',
    },
  ],
  watch: [
    'Draw each daisy tight before the next: it cannot be tightened later.',
    'Count the petals to the opposite one: one off, and the chain bends there.',
    'Lay all daisies with the same face up, or the chain twists.',
  ],
  params,
  defaults: { sequence: ['A'], extra: 0, petals: 8, centre: 'B', between: 'stems', stem: ['C', 'C', 'C'] },
  usual: { B: 'fire-polished-3' },
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'Petals, daisy by daisy',
      help: 'Each letter is one daisy: the bead of all its petals.',
      most: MOST,
    },
    endingField('Daisies'),
    {
      key: 'petals',
      kind: 'choice',
      label: 'Petals of a daisy',
      help: 'More make a larger ring, and want a larger centre.',
      options: PETALS.map((value) => ({ value, label: `${value}` })),
    },
    beadField({
      key: 'centre',
      label: 'Centre',
      help: 'The bead in the middle of each daisy.',
      roles: FIRST_ROLES,
    }),
    {
      key: 'between',
      kind: 'choice',
      label: 'Between daisies',
      help: 'Stems make a longer, lighter chain.',
      options: [
        { value: 'stems', label: 'a stem' },
        { value: 'touching', label: 'nothing: they touch' },
      ],
    },
    {
      key: 'stem',
      kind: 'sequence',
      label: 'One stem, in the order strung',
      help: 'The beads between two daisies.',
      most: MOST_OF_A_STEM,
      needs: ({ between }) => between === 'stems',
    },
  ],
  bind: (p) => ({
    parts: [
      ...partsOf(p.sequence, 'petal'),
      ...partsOf([p.centre], 'centre'),
      ...(p.between === 'stems' ? partsOf(p.stem, 'bead of a stem') : []),
    ],
    minimumUnits: Math.max(1, Math.ceil((2 - p.extra) / p.sequence.length)),
    rowWord: 'daisy',
    slots: { petal: 'ring', centre: 'centre', stem: 'stem' },
    extraWord: 'daisy',
    closing: extraWords(p, 'daisy'),
    closings: ['clasp', 'open'],
    notJoined: 'A daisy chain is not joined here: take a clasp.',
    rowsPerUnit: p.sequence.length,
    work: (loom, units) => weave(p, units, loom),
    advise(body) {
      const across = body(p.centre).diameterMm;
      const clears = distinct(p.sequence).map((role) => daisyOf(p, role, null, body).clearMm);
      return [
        ...(clears.some((clear) => across > FILLS.most * clear)
          ? [
              'The centre is too large for its ring, so thread shows between the petals. Take more petals or larger ones, or a smaller centre.',
            ]
          : []),
        ...(clears.some((clear) => across < FILLS.least * clear)
          ? [
              'The centre is too small for its ring, and falls through. Take fewer petals or smaller ones, or a larger centre.',
            ]
          : []),
      ];
    },
    /** Closed form: petals end to end round a circle, daisies and stems one after another. */
    form(body) {
      const stem = p.between === 'stems' ? p.stem : [];
      const stemMm = lengthOf(stem, body);
      const daisies = p.sequence.map((role) => ({
        ...daisyOf(p, role, stem[0] ?? null, body),
        beforeMm: daisyOf(p, role, stem.at(-1) ?? null, body).reachMm,
      }));
      const daisy = (row: number) => at(daisies, row % daisies.length);
      const takes = daisies.map(({ beforeMm, reachMm }) => beforeMm + reachMm + stemMm);
      const { starts, total } = runningSum(takes);
      /** The first daisy begins with two petals, not with a stem: so much stands out over where a stem would end. */
      const out = ({ middleMm }: Daisy, role: string) => {
        const petal = body(role);
        const half = Math.PI / p.petals;
        return middleMm * Math.cos(half) + boxed(petal, half);
      };
      const [firstRole, lastRole] = [roleOfDaisy(p, 0), roleOfDaisy(p, p.extra + p.sequence.length - 1)];
      const leadMm = out(daisy(0), firstRole) - daisy(0).beforeMm;
      const lastMm =
        out(daisy(p.extra + p.sequence.length - 1), lastRole) -
        daisy(p.extra + p.sequence.length - 1).reachMm;
      const middleX = (row: number) =>
        leadMm +
        Math.floor(row / daisies.length) * total +
        at(starts, row % daisies.length) +
        daisy(row).beforeMm;
      return {
        pitchMm: total,
        extraMm: firstOf(takes, p.extra) - stemMm + leadMm + lastMm,
        widthMm: Math.max(...daisies.map(({ acrossMm }) => acrossMm)),
        endWidthMm: body(firstRole).diameterMm,
        thicknessMm: girthOf([...p.sequence, p.centre, ...stem], body),
        mayShorten: 0.03,
        held: 'mat',
        pose({ role, slot: { of, index }, place: { row } }): Pose {
          const x = middleX(row);
          if (of === 'stem') {
            const before = lengthOf(stem.slice(0, index), body) + body(role).lengthMm / 2;
            return { centre: [x + daisy(row).reachMm + before, 0, 0], axis: [1, 0, 0] };
          }
          if (of === 'centre') {
            // Thread comes to it from behind the first petal, and leaves it behind the opposite one.
            const turn = (2 * Math.PI) / p.petals;
            return { centre: [x, 0, 0], axis: [Math.cos(turn), Math.sin(turn), 0] };
          }
          const angle = Math.PI - ((index + 0.5) * 2 * Math.PI) / p.petals;
          const [c, s] = [Math.cos(angle), Math.sin(angle)];
          const { middleMm } = daisy(row);
          return { centre: [x + middleMm * c, -middleMm * s, 0], axis: [s, c, 0] };
        },
      };
    },
  }),
});

/** How far a bead turned so reaches along the chain, as a box round it does, mm. */
const boxed = ({ lengthMm, diameterMm }: BeadSize, turn: number): number =>
  (Math.sin(turn) * lengthMm + Math.cos(turn) * diameterMm) / 2;
