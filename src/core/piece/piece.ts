import * as z from 'zod';
import { CLOSINGS, FITS, KINDS, MOST_DROP_MM } from '../body/kinds';
import { PLACE_FACTS, PLACES, SIZES } from '../body/places';
import { shadeSchema } from '../colour/shades';
import { NEEDLES, byId } from '../materials/catalogue';
import { claspSchema, findingSchema, needleSchema, threadSchema } from '../materials/material';
import { easeSchema } from '../records/settings';
import { CORE_ROLE } from '../joints/setIn';
import { STOP_BEADS } from '../weave/path';
import { storableDocument } from '../records/storable';
import { migrateDocument } from './migrations';
import { idSchema, partSchema } from './part';

/** The version of the document below. A change of its shape raises it and adds a step to `migrations.ts`. */
export const PIECE_FORMAT = 3;

/** Letters of a name. */
export const MOST_LETTERS = 80;

const girth = (place: keyof typeof PLACE_FACTS) => {
  const { minMm, maxMm } = PLACE_FACTS[place].range;
  return z.number().min(minMm).max(maxMm).optional();
};

/** Girths as somebody measured them; those not known are left out. */
export const girthsSchema = z.object(
  Object.fromEntries(PLACES.map((place) => [place, girth(place)])) as {
    [P in (typeof PLACES)[number]]: z.ZodOptional<z.ZodNumber>;
  },
);

const finished = z.number().min(5).max(5000);
const wearSchema = z.discriminatedUnion('school', [
  z.object({
    school: z.literal('ease'),
    fit: z.enum(FITS),
    easeMm: easeSchema,
    thicknessEffect: z.boolean(),
  }),
  z.object({ school: z.literal('flat'), finishedMm: finished }),
  z.object({
    school: z.literal('like'),
    finishedMm: finished,
    thicknessMm: z.number().min(0).max(60).nullable(),
  }),
  z.object({ school: z.literal('drop'), dropMm: z.number().min(0).max(MOST_DROP_MM) }),
  z.object({
    school: z.literal('over'),
    fit: z.enum(FITS),
    easeMm: easeSchema,
    thicknessEffect: z.boolean(),
    overMm: z.number().min(3).max(500).nullable(),
  }),
  z.object({ school: z.literal('elastic') }),
]);

const endSchema = z.object({
  seedsEachSide: z.number().int().min(0).max(24),
  passes: z.number().int().min(1).max(4),
  turned: z.boolean().optional(),
  /** It hangs from a V of legs, at the end of a tube. */
  legs: z.boolean().optional(),
  rings: z.object({ finding: findingSchema, count: z.number().int().min(1).max(6) }).nullable(),
});

/** More parts than any piece is made of. */
export const MOST_PARTS = 12;

/** The choices of a piece, and nothing that can be worked out from them. */
const choicesSchema = z.object({
  format: z.literal(PIECE_FORMAT),
  name: z
    .string()
    .trim()
    .min(1, 'Give the piece a name.')
    .max(MOST_LETTERS, `A name has at most ${MOST_LETTERS} letters.`),
  kind: z.enum(KINDS),
  /** Who wears it: copied, so that the piece stands on its own. Null while nobody is chosen. */
  wearer: z
    .object({
      personId: z.string().nullable(),
      name: z.string().min(1).max(80),
      girths: girthsSchema,
      /** Set where nobody could be measured and the girths are a size's usual ones. */
      typical: z.enum(SIZES).nullable(),
    })
    .nullable(),
  wear: wearSchema,
  /** A finished length of the maker's own, in the place of what `wear` comes to; null leaves it to that. */
  targetMm: finished.nullable().default(null),
  /** What it is made of, in the order in which it is made. */
  parts: z
    .array(partSchema)
    .min(1, 'A piece has one part at least.')
    .max(MOST_PARTS)
    .refine(
      (parts) => new Set(parts.map(({ id }) => id)).size === parts.length,
      'Two parts have the same id.',
    )
    .refine(
      (parts) => parts.filter(({ count }) => count.by === 'fit').length === 1,
      'One part, and one only, takes up what the wish leaves.',
    )
    .refine(
      (parts) => parts.every(({ count, beads }) => count.by !== 'around' || beads[CORE_ROLE]),
      'A part that goes round a body must have one.',
    )
    .refine(
      (parts) =>
        parts.every(({ strung }) => Object.values(strung).every((id) => parts.some((one) => one.id === id))),
      'A part is strung that the piece does not have.',
    ),
  thread: threadSchema,
  /** Its colour; null while it is left open. */
  threadColour: shadeSchema.nullable().default(null),
  needle: needleSchema.default(byId(NEEDLES, 'needle-11')),
  /** Thread folded at the needle, so that every trip lays two strands. */
  doubled: z.boolean().default(false),
  /** The hand that holds the needle: steps and picture are mirrored for the left. */
  hand: z.enum(['right', 'left']).default('right'),
  /** How the first beads are kept on, in a stitch that is begun with a stop bead. */
  stop: z.enum(STOP_BEADS).default('foreign'),
  /** The work is turned over at the end of each row, so that all rows are worked the same way. */
  turning: z.boolean().default(false),
  ends: z.object({
    closing: z.enum(CLOSINGS),
    clasp: claspSchema,
    start: endSchema,
    end: endSchema,
    loopSeeds: z.number().int().min(2).max(200).nullable(),
    /** A part made apart that closes it in the place of the clasp. */
    woven: idSchema.nullable().default(null),
    extender: z
      .object({
        linkMm: z.number().min(1).max(40),
        links: z.number().int().min(1).max(40),
        /** What its links are, where they are no links of a chain: jump rings, one in the other. */
        rings: findingSchema.nullable().default(null),
      })
      .nullable(),
    /** A part made apart that hangs in the last link of the extender. */
    dangle: idSchema.nullable().default(null),
    chain: z.object({ linkMm: z.number().min(0.5).max(40), wovenMm: z.number().min(5).max(2000) }).nullable(),
  }),
});

export const pieceSchema = choicesSchema
  .refine(
    ({ parts, ends }) =>
      ends.woven === null || parts.some(({ id, count }) => id === ends.woven && count.by === 'fixed'),
    'It is closed by a part that the piece does not have.',
  )
  .refine(
    ({ parts, ends }) =>
      ends.dangle === null || parts.some(({ id, count }) => id === ends.dangle && count.by === 'fixed'),
    'A part hangs from it that the piece does not have.',
  )
  .refine(
    ({ kind, wear }) => kind !== 'bail' || (wear.school === 'over' && wear.overMm !== null),
    'Say what the bail is to go over.',
  );
export type Piece = z.infer<typeof pieceSchema>;
export type Wearer = NonNullable<Piece['wearer']>;

/** A document of any format so far, brought to the present one; what is no piece is refused with these words. */
export const documentSchema = (otherwise: string) =>
  z.unknown().transform((raw, context): Piece => {
    try {
      return migratePiece(raw);
    } catch {
      context.addIssue(otherwise);
      return z.NEVER;
    }
  });

/** Brings an older document to the present format. Throws a ZodError where it is not a piece at all. */
export const migratePiece = (raw: unknown): Piece =>
  pieceSchema.parse(migrateDocument(storableDocument.parse(raw)));
