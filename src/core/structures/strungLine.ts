import * as z from 'zod';
import { WOVEN_BEADS } from '../joints/fastenOff';
import { hang } from '../layout/arc';
import type { Body, Pose } from '../layout/layout';
import {
  against,
  forth,
  ownAndTail,
  towards,
  turnedAt,
  type Anchor,
  type Loom,
  type Made,
} from '../weave/edge';
import { backOutOf, outOf } from '../weave/needle';
import type { Bead, PassInfo } from '../weave/path';
import { NONE } from './field';
import { knotMm, knotsField, knotsSchema, mayShortenBy, takesMm } from './knotted';
import { asItEnds, endingField, endingSchema, extraWords, firstOf, ringed } from './extra';
import {
  at,
  distinct,
  girthOf,
  lengthOf,
  partsOf,
  runningSum,
  sequenceSchema,
  structure,
  type Unit,
} from './structure';

const MOST = 24;
const MOST_SWAG = 30;
const WITH_LINE = 'with a line above';

const params = z
  .object({
    sequence: sequenceSchema(MOST),
    extra: endingSchema,
    trips: z.union([z.literal(1), z.literal(2)]),
    /** Rows of swags: drops hung across every other unit, and a shorter row above them, or a line above the units between. */
    swags: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(WITH_LINE)]).default(0),
    swag: sequenceSchema(MOST_SWAG).default(['C', 'C', 'C', 'D', 'C', 'C', 'C']),
    line: sequenceSchema(MOST).default(['C', 'C', 'C']),
    knots: knotsSchema,
  })
  .refine(
    ({ swags, knots }) => swags === 0 || knots === NONE,
    'Swags hang from a second way through the beads, and no knot lets it pass: leave out the swags, or the knots.',
  )
  .transform(asItEnds);
type Params = z.infer<typeof params> & {
  /** Its units in order, where they are not all alike. */
  readonly run?: readonly Unit[];
};

/** Swags need the way back along the line, and so does a line with a free end: it holds itself. */
const tripsOf = ({ trips, swags, knots }: Params, free: boolean) =>
  knots === NONE ? (swags !== 0 || free ? 2 : trips) : 1;
/** The row above is shorter: without the first and the last bead of the one below. */
const upper = ({ swag }: Params) => (swag.length > 2 ? swag.slice(1, -1) : swag);
/** A swag hangs across every second unit that has a neighbour on both sides. */
const swagged = (unit: number, units: number) => unit % 2 === 1 && unit < units - 1;
/** The line above spans the units between two swags. */
const spanned = (unit: number, units: number) => unit % 2 === 0 && unit > 0 && unit < units - 1;

/** How long the line above may be, as a part of the unit it spans: a little short it is drawn taut, longer it stands off as an arch (from memory). */
const SPANS = { least: 0.92, most: 1.25 } as const;

/** What the third pass adds. */
const THIRD: Readonly<Record<2 | typeof WITH_LINE, readonly [string, Partial<PassInfo>]>> = {
  2: [
    'swags above',
    { tension: 'loose', face: 'below', why: 'They lie on the first row, a little shorter.' },
  ],
  [WITH_LINE]: [
    'line above',
    { face: 'above', why: 'It spans the units between the swags, and keeps them straight.' },
  ],
};

/**
 * String the units and (on a second trip) come back through them all to the first. Swags
 * are strung on the trips back and forth, across every other unit instead of through it.
 */
export function weaveLine(given: Params, units: number, loom: Loom): Made {
  const { w, ring } = loom;
  const p = ringed(given, ring);
  const open = !ring && loom.hangs('start') === 0;
  const free = !ring && loom.hangs('end') === 0;
  const { sequence, extra, swags, swag, line: above, run = [], knots } = p;
  const t = w.needle('working').begin('with a stop bead');
  const knotted = knots === NONE ? undefined : knots === 'bead' ? 'each' : 'first';
  const string = (roles: Unit) => t.string(roles, '', { knotted });
  const line = w.repeat<Bead[]>(0, units, [], (_, unit) => string(run[unit] ?? sequence));
  const begun = Array.from({ length: Math.ceil(extra / sequence.length) }, (_, i) =>
    sequence.slice(0, extra - i * sequence.length),
  );
  const closing = begun.flatMap((roles, i) =>
    w.in({ row: units + i, pass: 'closing bead' }, () => string(roles)),
  );

  const first = at(line.first, 0);
  const last = at([...line.last, ...closing], -1);
  const all = [...line.items.flat(), ...closing];
  // Closed into a ring: once more through its beginning, or all round again, and a knot with the tail.
  const again = forth(...(tripsOf(p, free) === 2 ? all : [first]));
  const meeting = { through: again, as: 'close', knotted: true } as const;
  const edges = {
    start: { posts: [turnedAt(backOutOf(first), forth(first))] },
    end: loom.reached('end', { posts: [turnedAt(outOf(last), against(last))], meeting }, t),
  };
  const few = (beads: readonly Bead[]) => at(beads, Math.min(WOVEN_BEADS, beads.length - 1));
  const intoStart = towards(outOf(few(line.items.flat())));
  const fromEnd = backOutOf(few(all.toReversed()));
  const ended = (own: Anchor | null, tail: Anchor | null): Made => ({
    edges,
    ends: ownAndTail(loom, t, own, tail),
  });
  if (ring) return ended(intoStart, towards(fromEnd));

  // At a free end the outermost bead is gone round: it holds the thread.
  const turned = (bead: Bead) => bead === last || (open && bead === first);
  const backThrough = (unit: readonly Bead[]) => t.back(...unit.filter((bead) => !turned(bead)).reverse());

  if (swags !== 0) {
    const why = 'Let them hang: pulled tight, a swag draws the line into waves.';
    w.pass('swags', { tension: 'loose', face: 'below', why }, () =>
      w.along(line, { backwards: true }, (unit, i) => {
        if (swagged(i, units)) t.string([...swag].reverse(), 'swag');
        else backThrough(unit);
      }),
    );
  } else if (tripsOf(p, free) === 2)
    w.pass('back along the line', { why: 'Should one thread wear through, the other holds.' }, () =>
      w.along(line, { backwards: true }, backThrough),
    );

  if (swags === 2 || swags === WITH_LINE) {
    loom.reached('start', edges.start, t);
    const [name, about] = THIRD[swags];
    w.pass(name, about, () =>
      w.along(line, {}, (unit, i) => {
        if (swags === 2 && swagged(i, units)) t.string(upper(p), 'above');
        else if (swags === WITH_LINE && spanned(i, units)) t.string(above, 'line');
        // The first bead has been gone through from its edge; the last few are where the end is woven in.
        else if (i === units - 1) t.through(at(unit, 0));
        else t.through(...unit.filter((bead) => bead !== first));
      }),
    );
    return ended(towards(outOf(last), fromEnd), null);
  }
  if (open) {
    // Both ends come out beside the first bead, the tail round its outside, and run back into the line.
    const back = forth(...all.slice(1, 1 + WOVEN_BEADS));
    const anchor: Anchor = { over: true, way: { along: () => back } };
    return ended(anchor, anchor);
  }
  if (tripsOf(p, free) === 2) return ended(intoStart, null);
  if (free) {
    // Knotted, it does not come back: one knot more holds the last bead.
    t.knot('between beads');
    return ended(null, intoStart);
  }
  // The needle stays at the end; the tail, which sews the start, is fastened off there first.
  return { edges, ends: ownAndTail(loom, t, towards(fromEnd), intoStart).reverse() };
}

/** What the line takes beyond whole units with the knot after each: beads and their knots, but none after the last. */
function beyondMm({ sequence, extra, knots }: Params, body: (role: string) => Body): number {
  const beadsMm = firstOf(takesMm(sequence, body, knots), extra);
  // Within a unit there is no knot to take off.
  return knots === 'unit' && extra % sequence.length > 0 ? beadsMm : beadsMm - knotMm(body, knots);
}

/** How far below the middle of the line a swag begins: its first bead and its last find room there. */
const below = ({ sequence, swag }: Params, body: (role: string) => Body) =>
  (girthOf(sequence, body) + girthOf(swag, body)) / 2;

export const strungLine = structure({
  id: 'strung-line',
  name: 'Strung line',
  family: 'strung line',
  about: 'Beads strung one after another in a sequence that repeats; swags can hang from it.',
  feel: 'rope-like: hangs and turns freely',
  handles: 'hangs like a chain',
  stopBead: true,
  uses: ['necklace', 'bracelet'],
  needles: 1,
  threads: ['gel-spun', 'waxed nylon', 'cord'],
  thread: 'Gel-spun thread of 6 to 10 lb; cord where the holes are wide.',
  looks: [
    { after: 'the first pass', look: 'A loose line that turns in the hand. It steadies on the way back.' },
    { after: 'the first swags', look: 'They swing to either side until the clasp is on and the line hangs.' },
  ],
  watch: [
    'Leave no gap, but let the line bend: pulled too hard it stands like wire.',
    'Slide the beads along before the clasp is sewn: a loose bead length becomes bare thread.',
  ],
  params,
  defaults: {
    sequence: ['A', 'A', 'B'],
    extra: 1,
    trips: 2,
    swags: 0,
    swag: ['C', 'C', 'C', 'D', 'C', 'C', 'C'],
    line: ['C', 'C', 'C'],
    knots: NONE,
  },
  usual: {},
  fields: [
    {
      key: 'sequence',
      kind: 'sequence',
      label: 'One unit, in the order strung',
      help: 'Add beads in order.',
      most: MOST,
    },
    endingField('Beads'),
    {
      key: 'trips',
      kind: 'choice',
      label: 'Thread along the line',
      help: 'Going back through every bead makes the line safe should one thread wear through.',
      options: [
        { value: 1, label: 'once' },
        { value: 2, label: 'there and back' },
      ],
      needs: ({ knots }) => knots === NONE,
    },
    knotsField('unit'),
    {
      key: 'swags',
      kind: 'choice',
      label: 'Swags',
      help: 'Swags hang across every other unit on the way back. On a third pass comes a shorter row above them, or a line above the units between.',
      options: [
        { value: 0, label: 'none' },
        { value: 1, label: 'one row' },
        { value: 2, label: 'two rows' },
        { value: WITH_LINE, label: 'one row, and a line above' },
      ],
    },
    {
      key: 'swag',
      kind: 'sequence',
      label: 'One swag',
      help: 'Longer than the unit it hangs across.',
      most: MOST_SWAG,
      needs: ({ swags }) => swags !== 0,
    },
    {
      key: 'line',
      kind: 'sequence',
      label: 'The line above a unit',
      help: 'As long as the unit that it spans.',
      most: MOST,
      needs: ({ swags }) => swags === WITH_LINE,
    },
  ],
  unlike: {
    not: ({ swags }) =>
      swags !== 0 ? 'Swags hang from units that are all alike: leave them out, or the sections.' : null,
    of: (p, units) => ({
      params: { ...p, sequence: distinct(units.flat()), extra: 0, run: units },
      units: units.length,
      rowsPerUnit: 1,
    }),
  },
  bind: (p: Params) => ({
    parts: [
      ...partsOf(p.sequence, 'bead of the line'),
      ...(p.swags !== 0 ? partsOf(p.swag, 'bead of a swag') : []),
      ...(p.swags === WITH_LINE ? partsOf(p.line, 'bead of the line above') : []),
    ],
    minimumUnits: p.swags === 0 ? 1 : p.swags === WITH_LINE ? 5 : 3,
    rowWord: 'unit',
    slots: { swag: 'swag', above: 'arch', line: 'stretch above' },
    extraWord: 'bead',
    closing: extraWords(p, 'bead'),
    closings:
      p.swags !== 0 ? ['clasp'] : p.knots === NONE ? ['clasp', 'joined', 'open'] : ['clasp', 'joined'],
    ...(p.knots !== NONE && { formIsExact: 'with knots', knotted: true }),
    rules: () =>
      p.swags !== 0
        ? [{ of: 2, rest: 1, must: false, why: 'with an odd number the swags hang alike from both ends' }]
        : [],
    work: (loom, units) => weaveLine(p, units, loom),
    advise(body) {
      if (p.swags === 0) return [];
      const unit = lengthOf(p.sequence, body);
      const shortest = lengthOf(p.swags === 2 ? upper(p) : p.swag, body);
      if (shortest <= unit + below(p, body) / 2)
        return ['A swag is hardly longer than the unit it hangs across, so it cannot hang. Add beads to it.'];
      // Both legs of a swag stand below every two units.
      if (unit < girthOf(p.swag, body))
        return [
          'The swags hang too close to lie side by side. Make the unit longer, or their beads smaller.',
        ];
      if (p.swags !== WITH_LINE) return [];
      const part = lengthOf(p.line, body) / unit;
      if (part < SPANS.least)
        return [
          'The line above is shorter than the unit it spans, and would draw it into a bow. Add beads to it.',
        ];
      return part > SPANS.most
        ? ['The line above is longer than the unit it spans, and would stand off it. Take beads from it.']
        : [];
    },
    /** Closed form: the sum of the lengths; swags hang below the line as arcs of a circle, the upper row on the lower. */
    form(body) {
      const takes = takesMm(p.sequence, body, p.knots);
      const { starts, total } = runningSum(takes);
      const arc = (roles: readonly string[]) =>
        hang(
          total,
          roles.map((role) => body(role).lengthMm),
        );
      const rows = { swag: arc(p.swag), above: arc(upper(p)), line: arc(p.line) };
      const thickest = girthOf(p.sequence, body);
      const lineMm = (thickest + girthOf(p.line, body)) / 2;
      const stands =
        p.swags === WITH_LINE ? Math.max(...rows.line.map(({ at: [, y] }) => y)) + girthOf(p.line, body) : 0;
      const belowMm = below(p, body);
      const hangs =
        p.swags !== 0
          ? belowMm + Math.max(...rows.swag.map(({ at: [, y] }) => y)) + girthOf(p.swag, body) / 2
          : 0;
      return {
        pitchMm: total,
        extraMm: beyondMm(p, body),
        widthMm: Math.max(thickest, thickest / 2 + hangs) + stands,
        thicknessMm: Math.max(thickest, (p.swags === 2 ? 2 : p.swags === 0 ? 0 : 1) * girthOf(p.swag, body)),
        mayShorten: mayShortenBy(takes, body, p.knots),
        held: 'line',
        pose({ role, slot: { of: row, index: k }, place }): Pose {
          if (row === '') {
            const x =
              (place.row + Math.floor(k / starts.length)) * total +
              at(starts, k % starts.length) +
              body(role).lengthMm / 2;
            return { centre: [x, 0, 0], axis: [1, 0, 0] };
          }
          if (row === 'line') {
            const {
              at: [x, y],
              way,
            } = at(rows.line, k);
            return { centre: [place.row * total + x, -lineMm - y, 0], axis: [way[0], -way[1], 0] };
          }
          const above = row === 'above';
          const beads = above ? rows.above : rows.swag;
          const { at: place0, way } = at(beads, above ? k : beads.length - 1 - k);
          const to = above ? 1 : -1;
          return {
            // The upper row lies on the lower one.
            centre: [place.row * total + place0[0], belowMm + place0[1], above ? -girthOf(p.swag, body) : 0],
            axis: [to * way[0], to * way[1], 0],
          };
        },
      };
    },
  }),
});
