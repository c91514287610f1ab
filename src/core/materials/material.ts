import * as z from 'zod';

/** Bodies that the engine knows how to draw and to lay. */
export const BEAD_SHAPES = [
  'seed',
  'cylinder',
  'bugle',
  'twisted bugle',
  'cube',
  'ball',
  'bicone',
  'rondelle',
  'drop',
  'oval',
  'lens',
  'tile',
  'half tile',
  'bar',
  'brick',
  'wedge',
  'triangle',
  'set stone',
  'stone',
] as const;
export type BeadShape = (typeof BEAD_SHAPES)[number];

export const FINISHES = ['plain', 'lustre', 'plated', 'matte'] as const;
export type Finish = (typeof FINISHES)[number];

const source = z.enum(['published', 'practice', 'memory', 'measured']);
/** The longest an id and a name of a material may be, letters. */
export const MOST_LETTERS_OF_AN_ID = 60;
export const MOST_LETTERS_OF_A_MATERIAL = 80;

const mm = z.number().positive().max(200);

/** A bead as the catalogue knows it, before a colour is chosen. Sizes are for a plain finish. */
export const beadKindSchema = z.object({
  id: z.string().min(1).max(MOST_LETTERS_OF_AN_ID),
  name: z.string().min(1).max(MOST_LETTERS_OF_A_MATERIAL),
  shape: z.enum(BEAD_SHAPES),
  /** Along the hole. */
  lengthMm: mm,
  /** Outside, across the hole; of a flat bead its thickness. */
  diameterMm: mm,
  /** Across the holes, in their plane; null where the bead is as wide as it is thick. */
  widthMm: mm.nullable().default(null),
  holeMm: mm,
  holes: z.number().int().min(0).max(4).default(1),
  /** Between the middles of two holes; null where there are not two. */
  apartMm: mm.nullable().default(null),
  /** Two holes that cross instead of running side by side. */
  crossing: z.boolean().default(false),
  /** Null where nobody has weighed it. */
  perGram: z.number().positive().nullable(),
  /** How it is sold: grams in a tube, millimetres of a strand; null where that is not known. */
  sold: z
    .discriminatedUnion('by', [
      z.object({ by: z.literal('tube'), grams: z.number().positive() }),
      z.object({ by: z.literal('strand'), lengthMm: z.number().positive() }),
    ])
    .nullable()
    .default(null),
  source,
});
export type BeadKind = z.infer<typeof beadKindSchema>;

/** As long as a bead keeps the name of its colour. */
export const MOST_LETTERS_OF_A_COLOUR = 40;

/** A bead as a piece uses it: copied from the catalogue, with its colour and finish. */
export const beadMaterialSchema = beadKindSchema.extend({
  colourName: z.string().min(1).max(MOST_LETTERS_OF_A_COLOUR),
  colour: z.string().regex(/^#[0-9a-f]{6}$/i),
  finish: z.enum(FINISHES),
});
export type BeadMaterial = z.infer<typeof beadMaterialSchema> & {
  /** Of a part made apart that stands for a bead; no document has it. */
  readonly inside?: HeldInside;
};

export const THREAD_MAKES = ['gel-spun', 'waxed nylon', 'monofilament', 'elastic'] as const;
export type ThreadMake = (typeof THREAD_MAKES)[number];

export const threadSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(80),
  diameterMm: mm,
  /** What it is made of; null in older catalogues, where its name says it. */
  make: z.enum(THREAD_MAKES).nullable().default(null),
  source,
});
export type ThreadMaterial = z.infer<typeof threadSchema>;

/** What a thread is made of: as it is told, else by its name. */
export const makeOf = ({ make, name }: Pick<ThreadMaterial, 'make' | 'name'>): ThreadMake =>
  make ??
  (/nylon/i.test(name)
    ? 'waxed nylon'
    : /elastic/i.test(name)
      ? 'elastic'
      : /monofilament|cord/i.test(name)
        ? 'monofilament'
        : 'gel-spun');

/** Cord and elastic are stiff enough to go through by themselves. */
export const needsNeedle = (thread: Pick<ThreadMaterial, 'make' | 'name'>): boolean =>
  ['gel-spun', 'waxed nylon'].includes(makeOf(thread));

/** Sizes of needles: the higher the finer. The eye is about 1.3 times the shaft in one direction. */
export const needleSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(80),
  /** Of the shaft. */
  diameterMm: mm,
  source,
});
export type Needle = z.infer<typeof needleSchema>;

export const FINDING_KINDS = [
  'jump ring',
  'extender link',
  'chain link',
  'strand bar',
  // Kept so that older catalogues can be read: these close a piece, and stand among the clasps now.
  'bead tip',
  'slide tube',
  'button',
] as const;

/** Small metal parts that are neither bead nor clasp. */
export const findingSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(80),
  kind: z.enum(FINDING_KINDS),
  /** What it adds to the length of a piece, closed. */
  lengthMm: mm,
  /** Clear inside of a ring; null where it has none. */
  insideMm: mm.nullable(),
  wireMm: mm.nullable(),
  /** Loops that thread or a ring goes through. */
  loops: z.number().int().min(0).max(9),
  source,
});
export type FindingMaterial = z.infer<typeof findingSchema>;

export const CLASP_SHAPES = [
  'toggle',
  'lobster',
  'spring ring',
  'magnetic',
  'box',
  'slide tube',
  'button',
  'ball',
  'bar',
  'bead tip',
  'crimp',
  'end bar',
  'end cap',
  'wire guard',
  'ribbon',
  'ring top',
  'ear wire',
] as const;

/** How a closure is fastened to the work. */
export const FASTENINGS = ['sewn loop', 'knot inside', 'crimped', 'sewn in', 'glued'] as const;

export const claspSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(80),
  shape: z.enum(CLASP_SHAPES),
  /** What each half takes of the closed length, start and end of the work; they add up to the whole. */
  startMm: z.number().min(0).max(400),
  endMm: z.number().min(0).max(400),
  /** How far the closed length of one such closure may lie from another's: half the usual range. */
  spreadMm: z.number().min(0).max(20).default(0),
  /** Loops on each side, side by side across the piece. */
  loops: z.number().int().min(1).max(9).default(1),
  /** Its loop lies flat to the work: it wants one more jump ring or a longer loop of seeds. */
  turned: z.boolean().default(false),
  fastening: z.enum(FASTENINGS).default('sewn loop'),
  /** Length of a bar, and of a toggle the inside of the ring that it swings through. */
  barMm: mm.nullable().default(null),
  ringMm: mm.nullable().default(null),
  /** Girth that a loop of seeds at the other end must pass over: a ball's, a button's on edge, a bar's along its length. */
  buttonsMm: mm.nullable().default(null),
  plated: z.boolean(),
  /** What to know when it is fitted, in words. */
  note: z.string().max(200).default(''),
  source,
});
export type Clasp = z.infer<typeof claspSchema>;

/** Length of the closed clasp, mm. */
export const claspClosedMm = (clasp: Clasp): number => clasp.startMm + clasp.endMm;

/**
 * What a finish does to diameter and length: the middle of the usual range (from memory):
 * lustre 1.00 to 1.01, plated 1.02 to 1.04, matte 0.97 to 0.99.
 */
export const FINISH_FACTOR: Readonly<Record<Finish, number>> = {
  plain: 1,
  lustre: 1.005,
  plated: 1.03,
  matte: 0.98,
};

/** Length and diameter with the finish on, mm. */
export function bodyOf(bead: BeadMaterial): { lengthMm: number; diameterMm: number } {
  const factor = FINISH_FACTOR[bead.finish];
  return { lengthMm: bead.lengthMm * factor, diameterMm: bead.diameterMm * factor };
}

/** What the layout must know of a bead's body; lengths with the finish on, mm. */
export interface BeadSize {
  readonly shape: BeadShape;
  readonly lengthMm: number;
  readonly diameterMm: number;
  readonly widthMm: number | null;
  readonly holes: number;
  readonly apartMm: number | null;
  readonly crossing: boolean;
  /** Of a part made apart that holds at two places. */
  readonly inside?: HeldInside;
}

/** What thread finds in a part made apart that stands in the place of a bead of two holes. */
export interface HeldInside {
  /** The bead that holds at either place. */
  readonly post: BeadSize;
  /** The hidden way from the one to the other, mm. */
  readonly wayMm: number;
}

/** Everything the layout must know of a bead's body, with the finish on, mm. */
export function sizeOf(bead: BeadMaterial): BeadSize {
  const factor = FINISH_FACTOR[bead.finish];
  const { shape, holes, crossing, apartMm, widthMm, inside } = bead;
  const widened = widthMm === null ? null : widthMm * factor;
  return { ...bodyOf(bead), shape, holes, crossing, apartMm, widthMm: widened, ...(inside && { inside }) };
}

/** Spread of bead lots of one size, one standard deviation as a part of the length: half of 2 to 3.5 % (memory). */
export const LOT_SPREAD = (0.02 + 0.035) / 2 / 2;
