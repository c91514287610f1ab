import { z } from 'zod';

/** Bodies that the engine knows how to draw and to lay. */
export const BEAD_SHAPES = ['seed', 'cylinder', 'cube', 'ball', 'bicone', 'bugle'] as const;
export type BeadShape = (typeof BEAD_SHAPES)[number];

export const FINISHES = ['plain', 'lustre', 'plated', 'matte'] as const;
export type Finish = (typeof FINISHES)[number];

const source = z.enum(['published', 'practice', 'memory', 'measured']);
const mm = z.number().positive().max(200);

/** A bead as the catalogue knows it, before a colour is chosen. Sizes are for a plain finish. */
export const beadKindSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(80),
  shape: z.enum(BEAD_SHAPES),
  /** Along the hole. */
  lengthMm: mm,
  diameterMm: mm,
  holeMm: mm,
  /** Null where nobody has weighed it. */
  perGram: z.number().positive().nullable(),
  source,
});
export type BeadKind = z.infer<typeof beadKindSchema>;

/** A bead as a piece uses it: copied from the catalogue, with its colour and finish. */
export const beadMaterialSchema = beadKindSchema.extend({
  colourName: z.string().min(1).max(40),
  colour: z.string().regex(/^#[0-9a-f]{6}$/i),
  finish: z.enum(FINISHES),
});
export type BeadMaterial = z.infer<typeof beadMaterialSchema>;

export const threadSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(80),
  diameterMm: mm,
  source,
});
export type ThreadMaterial = z.infer<typeof threadSchema>;

export const CLASP_SHAPES = ['toggle', 'lobster', 'spring ring', 'magnetic', 'box'] as const;

export const claspSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(80),
  shape: z.enum(CLASP_SHAPES),
  /** What each half takes of the closed length, start and end of the work; they add up to the whole. */
  startMm: mm,
  endMm: mm,
  plated: z.boolean(),
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

/** Spread of bead lots of one size, one standard deviation as a part of the length: half of 2 to 3.5 % (memory). */
export const LOT_SPREAD = (0.02 + 0.035) / 2 / 2;
