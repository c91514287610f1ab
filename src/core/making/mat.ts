import * as z from 'zod';
import { keptLayoutSchema, type KeptLayout } from '../layout/kept';
import type { StitchKey } from '../fit/swatchBook';
import { NO_LOOKUPS, type Lookups } from '../plan/lookups';
import { inWorkInAllMm, madeApart } from '../plan/madeApart';
import { timeMs } from '../plan/time';
import { planPiece, type NoPlan, type Plan } from '../plan/plan';
import { planMade } from '../plan/steps';
import type { Piece } from '../piece/piece';
import { partOf, withPart, type PartOfPiece } from '../piece/partOfPiece';
import { migratePiece } from '../piece/piece';
import { experienceSchema, NO_EXPERIENCE, type Experience } from '../records/experience';
import { readSettings, type Settings } from '../records/settings';
import { runs, head } from '../read/runs';
import type { Step } from '../read/steps';
import { threadMm } from '../read/thread';
import { LATER_ROLES } from '../structures/roles';
import { hash } from '../tools/hash';
import { listOf } from '../tools/listOf';
import { BASE, isTraversal, WOVEN, type Move } from '../weave/path';
import { needleWords, WORKING } from '../words/needles';
import { stepTitle } from '../words/stepTitles';

/** Beads to pick up, alike and one after another: the role, which of its colours, and how many. */
const pickedSchema = z.object({
  role: z.string().max(80),
  shade: z.number().int().min(0).nullable(),
  count: z.number().int().min(1),
});
export type Picked = z.infer<typeof pickedSchema>;

const stepSchema = z.object({
  /** What it is a step of, as a heading. */
  title: z.string(),
  /** Whether it is of what grows with the piece: then its unit and its row count, from 0. */
  woven: z.boolean(),
  pass: z.string(),
  unit: z.number().int(),
  row: z.number().int(),
  text: z.string(),
  brief: z.string(),
  beads: listOf(pickedSchema),
  /** Times that thread goes through a bead in it: how much there is to do. */
  trips: z.number().int().min(0),
  /** The needle or the end of thread that it is done with, and what that is called where there are several. */
  needle: z.string(),
  needleWords: z.string().nullable(),
  /** Thread that it lays, mm. */
  threadMm: z.number().min(0),
  /** The thread is changed here: what comes after it is worked with a new length. */
  newThread: z.boolean(),
  why: z.string().nullable(),
  /** What goes wrong here, asked. */
  ask: z.string().nullable(),
  optional: z.boolean(),
  tension: z.enum(['tight', 'medium', 'loose']),
});
/** One thing to do, told on its own. */
export type MatStep = z.infer<typeof stepSchema>;

const matPartSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** How many of it are made. */
  times: z.number().int().min(1),
  /** What the maker calls one row, and one unit. */
  rowWord: z.string(),
  units: z.number().int().min(1),
  /** How long a unit was reckoned, mm. */
  pitchMm: z.number().positive(),
  steps: listOf(stepSchema),
  /** What it looks like where that seems wrong and is right. */
  looks: listOf(z.object({ after: z.string(), look: z.string() })),
  watch: listOf(z.string()),
});
/** A part as it is made: those made apart first, each so many times; the one that carries them last. */
export type MatPart = z.infer<typeof matPartSchema>;

/** Whether all that the steps name is of the piece: its parts, each once, and their beads. */
function hasItsBeads({
  piece,
  parts,
}: {
  readonly piece: Piece;
  readonly parts: readonly MatPart[];
}): boolean {
  const ids = new Set(parts.map(({ id }) => id));
  return (
    ids.size === parts.length &&
    parts.every(({ id, steps }) => {
      if (!piece.parts.some((part) => part.id === id)) return false;
      const { beads } = partOf(piece, id);
      const known = (role: string) => role in beads || LATER_ROLES.some((later) => later === role);
      return steps.every((step) => step.beads.every(({ role }) => known(role)));
    })
  );
}

const swatchFindingSchema = z.object({
  readings: listOf(z.object({ units: z.number(), lengthMm: z.number() })),
  sameThread: z.boolean(),
  pieces: z.number().default(0),
});

/** Whether what is picked up for a role is itself made of beads, and counted with its own part. */
export const isMadeApart = ({ piece }: Pick<Mat, 'piece'>, part: string, role: string): boolean =>
  role in partOf(piece, part).strung;

/** What lies on the mat: a plan as it was when making began. It does not change; a changed plan is laid beside it. */
export const matSchema = z
  .object({
    format: z.literal(1),
    /** The build of the program that froze it. */
    program: z.string(),
    /** Of any format so far: it is read as the newest. */
    piece: z.unknown().transform(migratePiece),
    /** What its plan was looked up from: with these it is planned again as it was. */
    looked: z.object({
      layouts: listOf(z.tuple([z.string(), keptLayoutSchema])),
      swatches: listOf(z.tuple([z.string(), swatchFindingSchema])),
      experience: listOf(z.tuple([z.string(), experienceSchema])).default([]),
      /** As any version so far wrote them. */
      habits: z.unknown().transform(readSettings),
    }),
    /** A fingerprint of the work that the steps tell. */
    work: z.string(),
    /** How long it was to be, finished, mm: what it was reckoned at, and the wish. */
    planned: z.object({
      finishedMm: z.number(),
      wishMm: z.number(),
      /** Of a piece whose units are all alike: how long they were to be together, and which passes draw them in. */
      woven: z
        .object({ units: z.number().int().min(1), mm: z.number().positive(), drawnInBy: listOf(z.string()) })
        .nullable()
        .default(null),
      /** Thread that lies in it, and the time that it was to take; 0 where nobody reckoned it. */
      threadMm: z.number().min(0).default(0),
      timeMs: z.number().min(0).default(0),
    }),
    /** Lengths of thread to cut, in the order in which they are taken up, mm. */
    cutMm: listOf(z.number()),
    /** Thread to spare, as a part of what lies in the work. */
    margin: z.number(),
    parts: listOf(matPartSchema).refine((parts) => parts.length > 0),
  })
  .refine(hasItsBeads, 'It tells of parts or of beads that the piece does not have.');
export type Mat = z.infer<typeof matSchema>;

/** Reads what lies on a mat. Throws what the schema says where it cannot. */
export const readMat = (raw: unknown): Mat => matSchema.parse(raw);

/** Whether the choices of a piece are those that lie on a mat: there the count is fixed, which here may be left to the plan. */
export function sameChoices(piece: Piece, onMat: Piece): boolean {
  const counted = partOf(piece).units === null ? withPart(piece, { units: partOf(onMat).units }) : piece;
  return inOrder(counted) === inOrder(onMat);
}

/** A document as text in which the order of keys says nothing: a database keeps them in its own. */
export const inOrder = (document: unknown): string =>
  JSON.stringify(document, (_key, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );

/** The part that carries the others: it is made last. */
export const lastPart = ({ parts }: Pick<Mat, 'parts'>): MatPart => parts[parts.length - 1] as MatPart;

/**
 * Freezes a plan to be made: choices, materials, the steps as they are told now, and what the plan was looked up from.
 * @param program the build of the program
 */
export function layOnMat(
  piece: Piece,
  given: Partial<Lookups> & { readonly habits: Settings },
  program: string,
): { readonly ok: true; readonly mat: Mat } | NoPlan {
  const lookups = { ...NO_LOOKUPS, ...given };
  const layouts = new Map<string, KeptLayout>();
  const swatches = new Map<string, z.infer<typeof swatchFindingSchema>>();
  const experience = new Map<string, Experience>();
  const plan = planPiece(piece, {
    ...lookups,
    swatches: (stitch, threadId) => {
      const found = lookups.swatches(stitch, threadId);
      if (found) swatches.set(swatchKey(stitch, threadId), { ...found, readings: [...found.readings] });
      return found;
    },
    experience: (structure) => {
      const found = lookups.experience(structure);
      experience.set(structure, found);
      return found;
    },
    layouts: (key) => {
      const found = lookups.layouts(key);
      if (found) layouts.set(key, found);
      return found;
    },
  });
  if (!plan.ok) return plan;
  const own = partOf(piece);
  // What is being made is made in so many units, whatever fits best later. A count of her own stays hers, also where the
  // fewest that can be made are more.
  const counted = withPart(piece, { units: own.units ?? (plan.arrangement ? null : plan.chosen.units) });
  const apart = madeApart(plan).map(({ component, times }) =>
    matPart(component.plan, { id: component.id, name: component.name, times }),
  );
  const mat: Mat = {
    format: 1,
    program,
    piece: counted,
    looked: {
      layouts: [...layouts],
      swatches: [...swatches],
      experience: [...experience],
      habits: lookups.habits,
    },
    work: workMark(plan),
    planned: {
      finishedMm: plan.chosen.finishedMm,
      wishMm: plan.wear.wishMm,
      woven: wovenOf(plan, own),
      threadMm: inWorkInAllMm(plan),
      timeMs: timeMs(plan),
    },
    cutMm: plan.thread.divisions.flatMap(({ cuts }) => cuts.map(({ mm }) => mm)),
    margin: plan.thread.margin,
    parts: [...apart, matPart(plan, { id: own.id, name: piece.name, times: 1 })],
  };
  return { ok: true, mat };
}

/** How long the units of a piece are together; null where they are not all alike, or where a measure stands for them already. */
function wovenOf(plan: Plan, own: PartOfPiece): Mat['planned']['woven'] {
  const { chosen, closure, gauge, weaveable } = plan;
  if (plan.arrangement || weaveable.sections || weaveable.byMeasure || Object.keys(own.strung).length > 0)
    return null;
  const mm = chosen.finishedMm - closure.allowanceMm - 2 * closure.chainMm;
  return mm > 0 ? { units: chosen.units, mm, drawnInBy: [...(gauge.shortening?.passes ?? [])] } : null;
}

/** The lookups by which what lies on a mat is planned again as it was. */
export const lookedUp = ({ looked }: Pick<Mat, 'looked'>): Lookups => {
  const [layouts, swatches] = [new Map(looked.layouts), new Map(looked.swatches)];
  const experience = new Map(looked.experience);
  return {
    layouts: (key) => layouts.get(key),
    swatches: (stitch, threadId) => swatches.get(swatchKey(stitch, threadId)) ?? null,
    experience: (structure) => experience.get(structure) ?? NO_EXPERIENCE(structure),
    habits: looked.habits,
  };
};

const swatchKey = ({ key, rowsOfUnit }: StitchKey, threadId: string): string =>
  `${rowsOfUnit} ${threadId} ${key}`;

/** What tells one work from another: every move of its path, and of those of the parts made apart. */
export const workMark = (plan: Plan): string =>
  hash([...madeApart(plan).map(({ component }) => component.plan), plan].map(movesOf).join('/'));

const movesOf = (plan: Plan): string =>
  plan.weaveable.pathless
    ? 'none'
    : plan
        .work()
        .path.moves.map((move) => `${move.kind} ${'bead' in move ? `${move.bead.role}${move.bead.id}` : ''}`)
        .join('|');

function matPart(plan: Plan, named: Pick<MatPart, 'id' | 'name' | 'times'>): MatPart {
  const shades = plan.weaveable.pathless ? new Map<number, number>() : plan.shades();
  const mmOf = new Map<Move, number>(
    plan.weaveable.pathless ? [] : plan.work().thread.map((laid) => [laid.move, threadMm([laid])]),
  );
  const { looks, watch, madeWhole } = plan.structure;
  const steps = planMade(plan).flatMap(({ place, info, newThread, steps: told }) => {
    const title = stepTitle(
      {
        section: place.section,
        pass: place.pass,
        info,
        fromUnit: place.unit + 1,
        toUnit: place.unit + 1,
        stride: 1,
        back: false,
      },
      madeWhole?.by,
    );
    return told.map((step): MatStep => ({
      title,
      woven: place.section === WOVEN,
      pass: place.pass,
      unit: place.unit,
      row: rowOf(step),
      text: step.text,
      brief: step.brief,
      beads: pickedIn(step, shades),
      trips: step.moves.filter(isTraversal).length,
      needle: step.needle,
      needleWords:
        step.needle === WORKING ? null : needleWords(step.by, step.lies, plan.gear.needleMm !== null),
      threadMm: step.moves.reduce((sum, move) => sum + (mmOf.get(move) ?? 0), 0),
      newThread,
      why: info.why,
      ask: askOf(step),
      optional: info.optional,
      tension: info.tension,
    }));
  });
  return {
    ...named,
    rowWord: plan.weaveable.rowWord,
    // Of a piece in sections the plan counts those that are fitted; she counts all.
    units: Math.max(plan.chosen.units, plan.along.units),
    pitchMm: plan.gauge.pitchMm,
    steps: plan.weaveable.pathless ? unitByUnit(plan) : steps,
    looks: looks.map(({ after, look }) => ({ after, look })),
    watch: [...watch],
  };
}

/** Where nobody has told the path, its units are ticked off as they are made. */
const unitByUnit = ({ chosen: { units }, quantities }: Plan): MatStep[] =>
  Array.from({ length: units }, (_, unit) => ({
    title: `Unit ${unit + 1}`,
    woven: true,
    pass: BASE,
    unit,
    row: unit,
    text: `Make unit ${unit + 1} of ${units}.`,
    brief: `Unit ${unit + 1}.`,
    beads: quantities.flatMap(({ role, perUnit }) =>
      Math.round(perUnit) > 0 ? [{ role, shade: null, count: Math.round(perUnit) }] : [],
    ),
    trips: Math.max(1, Math.round(quantities.reduce((sum, { perUnit }) => sum + perUnit, 0))),
    needle: WORKING,
    needleWords: null,
    threadMm: 0,
    newThread: false,
    why: null,
    ask: null,
    optional: false,
    tension: 'tight',
  }));

/** Where people go wrong: through a clasp, at the beginning of a thread, in a bead of two holes (common practice, no source). */
function askOf({ moves }: Step): string | null {
  if (moves.some(({ kind }) => kind === 'attach'))
    return 'Did the thread catch it? Tug at it before you go on.';
  if (moves.some(({ kind }) => kind === 'begin')) return 'Is the tail free, and as long as it is to be?';
  if (moves.some((move) => isTraversal(move) && move.kind !== 'pick' && move.bead.holes > 1))
    return 'Is it the hole that was meant? These beads have two.';
  return null;
}

const rowOf = ({ moves }: Step): number => moves[0]?.place.row ?? 0;

function pickedIn({ moves }: Step, shades: ReadonlyMap<number, number>): Picked[] {
  const beads = moves.flatMap((move) => (move.kind === 'pick' ? [move.bead] : []));
  const shadeOf = ({ id }: { readonly id: number }) => shades.get(id) ?? null;
  return runs(beads, (bead) => `${bead.role} ${shadeOf(bead) ?? ''}`).map((alike) => ({
    role: head(alike).role,
    shade: shadeOf(head(alike)),
    count: alike.length,
  }));
}
