import * as z from 'zod';
import { CLOSINGS, FITS, KIND_FACTS, KINDS, MOST_DROP_MM, type Kind } from '../body/kinds';
import { PLACE_FACTS, PLACES, SIZES } from '../body/places';
import { missingGirth, type WearChoice } from '../body/wear';
import { colouringSchema, shadeSchema, type Shade } from '../colour/shades';
import { LOOP_ROLE } from '../closures/sewnLoop';
import { BEADS, CLASPS, NEEDLES, PALETTE, THREADS, byId } from '../materials/catalogue';
import {
  beadMaterialSchema,
  claspSchema,
  findingSchema,
  needleSchema,
  sizeOf,
  threadSchema,
  type BeadKind,
  type BeadMaterial,
  type BeadSize,
} from '../materials/material';
import { migrateDocument } from './migrations';
import { easeOf, easeSchema, USUAL_SETTINGS, type Settings } from '../records/settings';
import { cutTo, storableSchema } from '../records/storable';
import { boundStitch, structureById } from '../structures/registry';
import { misfit } from '../structures/parts';
import { ROLE_LETTERS, type RoleLetter, type Structure } from '../structures/structure';

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

/** A bead of the catalogue in a colour. */
export const inColour = (kind: BeadKind, colour: { name: string; hex: string }): BeadMaterial => ({
  ...kind,
  colourName: colour.name,
  colour: colour.hex,
  finish: 'plain',
});

const colourOf = (role: string, i: number) => {
  const colour = role === LOOP_ROLE ? PALETTE.find((c) => c.name === 'cream') : PALETTE[i];
  if (!colour) throw new Error('The palette has fewer colours than there are roles.');
  return colour;
};

/** The bead of the catalogue that a stitch starts with in a role. */
const usualKind = ({ usual }: Structure, role: string): BeadKind =>
  byId(BEADS, usual[role as RoleLetter] ?? 'seed-11');

/** A bead for every role, so that a role that comes into use already has one. */
function startingBeads(structure: Structure): Piece['beads'] {
  const entries = BEAD_ROLES.map(
    (role, i) => [role, inColour(usualKind(structure, role), colourOf(role, i))] as const,
  );
  return Object.fromEntries(entries) as Piece['beads'];
}

/**
 * The same piece in another stitch, with its usual parameters or those given. Beads that cannot be woven so give
 * way to the stitch's usual ones in their colour and finish; all others stay. Throws for an unknown structure.
 */
export function inStructure(piece: Piece, id: string, params?: Piece['structure']['params']): Piece {
  const structure = structureById(id);
  if (!structure) throw new Error(`There is no structure "${id}".`);
  const own = { ...structure.defaults, ...params };
  const bound = boundStitch({ id, params: own });
  const beads = { ...piece.beads };
  for (const part of bound.ok ? bound.weaveable.parts : []) {
    const { colour, colourName, finish } = beads[part.role];
    if (misfit(part, beads[part.role]) === 'holes')
      beads[part.role] = { ...usualKind(structure, part.role), colour, colourName, finish };
  }
  return { ...piece, structure: { id, params: own }, beads, threadChanges: null, units: null };
}

/**
 * The same piece in another main bead: every role that has the bead of the first one, and can be woven with it, has it
 * now, in its own colour.
 */
export function inBead(piece: Piece, kind: BeadKind): Piece {
  const bound = boundStitch(piece.structure);
  const parts = bound.ok ? bound.weaveable.parts : [];
  const [first] = parts;
  if (!first) return piece;
  const { id } = piece.beads[first.role];
  const beads = { ...piece.beads };
  for (const role of new Set(parts.map((part) => part.role))) {
    const fits = parts.every((part) => part.role !== role || misfit(part, kind) === null);
    if (beads[role].id === id && fits) beads[role] = { ...beads[role], ...kind };
  }
  return { ...piece, beads };
}

/** To start from, and to be written over: the thickness of a beaded rope, and how far a V falls (from memory), mm. */
const ROPE_MM = 6;
const DROP_MM = 60;

/** A wear choice of a school, with the usual amounts of a kind. */
export function usualWear(
  kind: Kind,
  school: WearChoice['school'],
  settings: Settings = USUAL_SETTINGS,
): WearChoice {
  const { flat } = KIND_FACTS[kind];
  const easeMm = easeOf(settings, kind);
  const { thicknessEffect } = settings;
  switch (school) {
    case 'ease':
      return { school, fit: 'comfortable', easeMm, thicknessEffect };
    case 'over':
      return {
        school,
        fit: 'comfortable',
        easeMm,
        thicknessEffect,
        overMm: kind === 'bail' ? Math.PI * ROPE_MM : null,
      };
    case 'flat':
      return { school, finishedMm: flat.wishMm };
    case 'like':
      return { school, finishedMm: flat.wishMm, thicknessMm: null };
    case 'drop':
      return { school, dropMm: DROP_MM };
    case 'elastic':
      return { school };
  }
}

/** The school to start from: the kind's usual one that asks for nothing nobody has measured. */
function startingWear(kind: Kind, wearer: Piece['wearer'], settings: Settings = USUAL_SETTINGS): WearChoice {
  const { place, schools } = KIND_FACTS[kind];
  const measured = place === null || wearer?.girths[place] !== undefined;
  const free = schools.find((school) => school === 'flat' || school === 'like');
  const first = kind === 'bracelet' ? settings.school : schools[0];
  return usualWear(kind, (measured ? first : (free ?? first)) ?? 'flat', settings);
}

/**
 * The same piece for another place: everything that does not belong to the place stays. Throws nothing; what no
 * longer suits is warned of in the plan.
 */
export function forPlace(piece: Piece, kind: Kind): Piece {
  const { closings } = KIND_FACTS[kind];
  // What was merely usual for the old place gives way to what is usual for the new one.
  const usual = KIND_FACTS[piece.kind].closings[0] === piece.ends.closing;
  const kept = !usual && closings.includes(piece.ends.closing) ? piece.ends.closing : closings[0];
  const hadTop = piece.ends.clasp.shape === 'ring top';
  return {
    ...piece,
    kind,
    wear: startingWear(kind, piece.wearer),
    targetMm: null,
    ends: {
      ...piece.ends,
      closing: kept ?? 'clasp',
      clasp: hadTop && kind !== 'ring' ? byId(CLASPS, 'lobster-12') : piece.ends.clasp,
      chain: kind === 'necklace' ? piece.ends.chain : null,
    },
    units: null,
  };
}

/** What was fitted to one body and one half-made piece: the next one finds its own. */
function unfitted(piece: Piece): Piece {
  const { counts, ...params } = piece.structure.params;
  return {
    ...piece,
    structure: { ...piece.structure, params: Array.isArray(counts) ? params : piece.structure.params },
    gauge: piece.gauge?.source === 'this piece' ? null : piece.gauge,
    threadChanges: null,
    targetMm: null,
    units: null,
  };
}

/** The piece as a pattern: without its wearer, and without what was fitted to her. */
export const asPattern = (piece: Piece): Piece => ({ ...unfitted(piece), wearer: null });

/**
 * The same piece for somebody else, or for nobody yet. A length that asks for a girth nobody has measured gives way
 * to one that asks for none.
 */
export function forWearer(piece: Piece, wearer: Piece['wearer'], settings: Settings = USUAL_SETTINGS): Piece {
  const next = { ...unfitted(piece), wearer, name: nameFor(piece, wearer) };
  const { kind, wear } = next;
  const lacks = missingGirth({ kind, girths: wearer?.girths ?? {}, choice: wear }) !== null;
  return lacks ? { ...next, wear: startingWear(kind, wearer, settings) } : next;
}

/** The name of a piece for another wearer: hers in the place of the old one, where the name had it. */
function nameFor({ name, wearer: before }: Piece, wearer: Piece['wearer']): string {
  if (!wearer) return name;
  const renamed =
    before && name.includes(before.name)
      ? name.replace(before.name, () => wearer.name)
      : `${name} for ${wearer.name}`;
  return pieceName(renamed);
}

/** A name made of others, no longer than a piece may have. */
export const pieceName = (name: string): string => cutTo(name, MOST_LETTERS);

/** The same piece, told apart by what stands behind its name. */
export const named = (piece: Piece, behind: string): Piece => ({
  ...piece,
  name: `${cutTo(piece.name, MOST_LETTERS - behind.length)}${behind}`,
});

/** A copy to go on from. */
export const copyOf = (piece: Piece): Piece => named(piece, ', again');

const USUAL_END = { seedsEachSide: 3, passes: 2, rings: null } as const;

/** A piece with everything at its usual value, ready to be changed. Throws for an unknown structure. */
export function newPiece(
  name: string,
  structureId: string,
  wearer: Piece['wearer'],
  kind: Kind = 'bracelet',
  settings: Settings = USUAL_SETTINGS,
): Piece {
  const structure = structureById(structureId);
  if (!structure) throw new Error(`There is no structure "${structureId}".`);
  const [closing = 'clasp'] = KIND_FACTS[kind].closings;
  return {
    format: PIECE_FORMAT,
    name,
    kind,
    wearer,
    wear: startingWear(kind, wearer, settings),
    targetMm: null,
    structure: { id: structureId, params: { ...structure.defaults } },
    beads: startingBeads(structure),
    colourings: {},
    thread: byId(THREADS, 'gel-6'),
    threadColour: null,
    needle: byId(NEEDLES, 'needle-11'),
    doubled: false,
    threadChanges: null,
    hand: 'right',
    without: [],
    ends: {
      closing,
      clasp: byId(CLASPS, 'lobster-12'),
      start: USUAL_END,
      end: USUAL_END,
      loopSeeds: null,
      extender: null,
      chain: null,
    },
    rules: { parity: 'any', multipleOf: 1 },
    gauge: null,
    units: null,
  };
}

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
