import * as z from 'zod';
import { CLOSINGS, FITS, KINDS, MOST_DROP_MM } from '../body/kinds';
import { PLACE_FACTS, PLACES, SIZES } from '../body/places';
import { colouringSchema, shadeSchema, type Shade } from '../colour/shades';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { NEEDLES, byId } from '../materials/catalogue';
import {
  beadMaterialSchema,
  claspSchema,
  findingSchema,
  needleSchema,
  sizeOf,
  threadSchema,
  type BeadMaterial,
  type BeadSize,
} from '../materials/material';
import { migrateDocument } from './migrations';
import { easeSchema } from '../records/settings';
import { storableSchema } from '../records/storable';
import { structureById } from '../structures/registry';
import { ROLE_LETTERS, type RoleLetter } from '../structures/structure';

/** The version of the document below. A change of its shape raises it and adds a step to `migrations.ts`. */
export const PIECE_FORMAT = 2;

/** Letters of a name. */
export const MOST_LETTERS = 80;

/** More units than any piece has; beyond it the count is a slip of the finger. */
export const MOST_UNITS = 5000;

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

/** Everything that a bead is chosen for. */
export const BEAD_ROLES = [...ROLE_LETTERS, LOOP_ROLE] as const;

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
  rings: z.object({ finding: findingSchema, count: z.number().int().min(1).max(6) }).nullable(),
});

/** The choices of a piece, and nothing that can be worked out from them. */
export const choicesSchema = z.object({
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
  structure: z
    .object({ id: z.string(), params: z.record(z.string(), z.unknown()) })
    .refine((s) => structureById(s.id) !== undefined, 'This version knows no such structure.'),
  /** The bead of each role, copied from the catalogue. */
  beads: z.record(z.enum(BEAD_ROLES), beadMaterialSchema),
  /** Roles whose beads come in several colours, and how they share them out. */
  colourings: z.partialRecord(z.enum(ROLE_LETTERS), colouringSchema).default({}),
  thread: threadSchema,
  /** Its colour; null while it is left open. */
  threadColour: shadeSchema.nullable().default(null),
  needle: needleSchema.default(byId(NEEDLES, 'needle-11')),
  /** Thread folded at the needle, so that every trip lays two strands. */
  doubled: z.boolean().default(false),
  /** Where the maker changes thread: after a unit of a pass. Null leaves it to the plan. */
  threadChanges: z
    .array(
      z.object({
        needle: z.string().max(60),
        pass: z.string().max(60),
        unit: z.number().int().min(0).max(MOST_UNITS),
      }),
    )
    .max(40)
    .nullable()
    .default(null),
  /** The hand that holds the needle: steps and picture are mirrored for the left. */
  hand: z.enum(['right', 'left']).default('right'),
  /** Optional passes that are left out. */
  without: z.array(z.string().max(60)).max(20).default([]),
  ends: z.object({
    closing: z.enum(CLOSINGS),
    clasp: claspSchema,
    start: endSchema,
    end: endSchema,
    loopSeeds: z.number().int().min(2).max(200).nullable(),
    extender: z
      .object({ linkMm: z.number().min(1).max(40), links: z.number().int().min(1).max(40) })
      .nullable(),
    chain: z.object({ linkMm: z.number().min(0.5).max(40), wovenMm: z.number().min(5).max(2000) }).nullable(),
  }),
  /** The maker's own rules on the count. */
  rules: z.object({ parity: z.enum(['any', 'even', 'odd']), multipleOf: z.number().int().min(1).max(24) }),
  /** A gauge that the maker gives; null leaves it to her swatches and the layout. */
  gauge: z
    .discriminatedUnion('source', [
      z.object({
        source: z.literal('this piece'),
        units: z.number().int().min(1).max(MOST_UNITS),
        lengthMm: z.number().min(1).max(5000),
        /** Whether the later passes were worked when it was measured. */
        finished: z.boolean(),
      }),
      z.object({ source: z.literal('table'), pitchMm: z.number().min(0.2).max(300) }),
    ])
    .nullable(),
  /** The count the maker chose; null leaves it to the nearest one. */
  units: z.number().int().min(1).max(MOST_UNITS).nullable(),
});

export const pieceSchema = choicesSchema.refine(
  ({ kind, wear }) => kind !== 'bail' || (wear.school === 'over' && wear.overMm !== null),
  'Say what the bail is to go over.',
);
export type Piece = z.infer<typeof pieceSchema>;
export type Wearer = NonNullable<Piece['wearer']>;

/** Brings an older document to the present format. Throws a ZodError where it is not a piece at all. */
export const migratePiece = (raw: unknown): Piece =>
  pieceSchema.parse(migrateDocument(storableSchema.parse(raw)));

/** The bead of a role. */
export const beadOf = (piece: Piece, role: string): BeadMaterial => piece.beads[role as keyof Piece['beads']];

/** The colours that a role's beads come in: its own first. */
export const shadesOf = (
  { beads, colourings }: Pick<Piece, 'beads' | 'colourings'>,
  role: string,
): Shade[] => {
  const { colourName: name, colour: hex } = beads[role as keyof Piece['beads']];
  return [{ name, hex }, ...(colourings[role as RoleLetter]?.more ?? [])];
};

/** What the layout must know of the bead of each role. Throws for a role that has none. */
export function bodiesOf(piece: Pick<Piece, 'beads'>): (role: string) => BeadSize {
  const bodies = new Map(Object.entries(piece.beads).map(([role, bead]) => [role, sizeOf(bead)]));
  return (role) => {
    const body = bodies.get(role);
    if (!body) throw new Error(`No bead is chosen for ${role}.`);
    return body;
  };
}
