'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import { FITS, KINDS } from '@/core/body/kinds';
import { SIZES, typicalGirths, type TypicalSize } from '@/core/body/places';
import { correctedBeads, withCorrected } from '@/core/piece/corrected';
import { dueDaySchema as daySchema } from '@/core/making/schedule';
import { aboutPatternSchema, patternOf } from '@/core/records/pattern';
import { BEAD_ROLES, partSchema } from '@/core/piece/part';
import { asPiece, type PartOfPiece } from '@/core/piece/partOfPiece';
import { documentSchema, type Piece } from '@/core/piece/piece';
import { copyOf, forWearer, inBead, pieceName } from '@/core/piece/variants';
import { newPart } from '@/core/piece/newPiece';
import { structureById } from '@/core/structures/registry';
import { people } from '@/data/people';
import { catalogue } from '@/data/materials';
import { addPattern, changePattern, patternById } from '@/data/patterns';
import { addPiece, pieceById, setDue, settle, SETTLEMENTS } from '@/data/pieces';
import { addVariant } from '@/data/variants';
import { workspaceById } from '@/data/workspaces';
import { done, refused, type Answer } from '../answer';
import { action, type At } from '../work';

const GONE = 'That piece is not here any more. Reload the bench.';
const UNREADABLE = 'That piece cannot be read by this version. Its card on the bench says why.';
const idSchema = z.uuid(GONE);
const personIdSchema = z.uuid('That person is not among your people any more. Choose again.').nullable();

/** Somebody by id, a typical size, or nobody yet. */
async function wearerOf(
  { db, workspaceId }: At,
  personId: string | null,
  typical: TypicalSize | null,
): Promise<Piece['wearer']> {
  const who = (await people(db, workspaceId)).found.find((p) => p.id === personId);
  if (who) return { personId: who.id, name: who.name, girths: who.girths, typical: null };
  return typical && { personId: null, name: `a ${typical} adult`, girths: typicalGirths(typical), typical };
}

/** The document of a piece, or in words why it cannot be had. */
async function docOf({ db, workspaceId }: At, id: string): Promise<Answer<Piece>> {
  const found = await pieceById(db, workspaceId, id);
  if (!found) return refused(GONE);
  return found.ok ? done(found.value.doc) : refused(UNREADABLE);
}

/** Sets the day by which a piece is wanted, or none. */
export const setDueAction = action(
  z.object({ id: idSchema, dueOn: daySchema.nullable() }),
  'Write the day as year, month and day.',
  async ({ id, dueOn }, { db, workspaceId }) =>
    (await setDue(db, workspaceId, id, dueOn)) ? done(null) : refused(GONE),
);

/** Starts a piece and answers with its id. */
export const startPieceAction = action(
  z.object({
    structureId: z.string(),
    kind: z.enum(KINDS).default('bracelet'),
    /** Somebody, a typical size, or nobody yet. */
    personId: personIdSchema,
    typical: z.enum(SIZES).nullable().default(null),
    /** How close it is to sit, where ease decides that; what is usual where nothing is said. */
    fit: z.enum(FITS).nullable().default(null),
    /** The bead that it is mostly of; the stitch's own where nothing is said. */
    beadId: z.string().nullable().default(null),
    /** Parameters and beads as they were played with in the gallery. */
    params: partSchema.shape.structure.shape.params.optional(),
    beads: partSchema.shape.beads.optional(),
    without: partSchema.shape.without.optional(),
  }),
  'This could not be read as the beginning of a piece. Choose what it is, for whom, and a stitch.',
  async ({ structureId, kind, personId, typical, fit, beadId, params, beads, without = [] }, at) => {
    const structure = structureById(structureId);
    if (!structure) return refused('Choose a structure to start from.');
    const [wrong] = structure.check(params ?? structure.defaults);
    if (wrong !== undefined) return refused(wrong);

    const { db, workspaceId } = at;
    const wearer = await wearerOf(at, personId, typical);
    const kindName = kind.charAt(0).toUpperCase() + kind.slice(1);
    const name = wearer && !wearer.typical ? `${kindName} for ${wearer.name}` : `New ${kind}`;
    const { settings } = await workspaceById(db, workspaceId);
    const usual = newPart(pieceName(name), structure.id, wearer, kind, settings);
    const { beads: kinds } = await catalogue(db, workspaceId);
    const chosen: PartOfPiece = {
      ...usual,
      wear: fit && 'fit' in usual.wear ? { ...usual.wear, fit } : usual.wear,
      structure: { id: structure.id, params: { ...(params ?? structure.defaults) } },
      beads: { ...usual.beads, ...beads },
      without,
    };
    // Beads that somebody has measured are hers from the start.
    const sized = { ...chosen, ...withCorrected(chosen, correctedBeads(chosen, BEAD_ROLES, kinds)) };
    const mostly = kinds.find(({ id }) => id === beadId);
    const piece = await addPiece(db, workspaceId, asPiece(mostly ? inBead(sized, mostly) : sized));
    revalidatePath('/');
    return done(piece.id);
  },
);

/** Puts a copy of a piece on the bench and answers with its id. */
export const duplicateAction = action(idSchema, GONE, async (id, at) => {
  const found = await docOf(at, id);
  if (!found.ok) return found;
  const copy = await addPiece(at.db, at.workspaceId, copyOf(found.value));
  revalidatePath('/');
  return done(copy.id);
});

/** Makes a piece or a pattern again for somebody, and answers with the id of the new piece. */
export const makeAgainAction = action(
  z.object({
    /** The piece, or the pattern, to make again. */
    from: z.enum(['piece', 'pattern']),
    id: idSchema,
    personId: personIdSchema,
    typical: z.enum(SIZES).nullable().default(null),
  }),
  'This could not be read. Choose for whom it is to be made again.',
  async ({ from, id, personId, typical }, at) => {
    const { db, workspaceId } = at;
    let doc: Piece;
    if (from === 'piece') {
      const piece = await docOf(at, id);
      if (!piece.ok) return piece;
      doc = piece.value;
    } else {
      const pattern = await patternById(db, workspaceId, id);
      if (!pattern) return refused('That pattern is not here any more. Reload the bench.');
      if (!pattern.ok) return refused(UNREADABLE);
      doc = pattern.value.piece;
    }
    const { settings } = await workspaceById(db, workspaceId);
    const again = forWearer(doc, await wearerOf(at, personId, typical), settings);
    const piece = await addPiece(db, workspaceId, again);
    revalidatePath('/');
    return done(piece.id);
  },
);

/** Keeps a piece as a pattern: everything but its wearer. */
export const keepPatternAction = action(idSchema, GONE, async (id, at) => {
  const found = await docOf(at, id);
  if (!found.ok) return found;
  await addPattern(at.db, at.workspaceId, patternOf(found.value));
  revalidatePath('/');
  return done(null);
});

/** Keeps what travels with a pattern: author, source, permission, changes, errata. */
export const tellPatternAction = action(
  z.object({ id: z.uuid(), about: aboutPatternSchema }),
  'This could not be read. Look at what is written, and keep it again.',
  async ({ id, about }, { db, workspaceId }) => {
    const found = await patternById(db, workspaceId, id);
    if (!found) return refused('That pattern is not here any more. Reload the bench.');
    if (!found.ok) return refused(UNREADABLE);
    await changePattern(db, workspaceId, id, { ...found.value, about });
    revalidatePath('/');
    return done(null);
  },
);

async function setBeside(at: At, pieceId: string, doc: Piece): Promise<Answer<null>> {
  const { db, workspaceId } = at;
  if (!(await pieceById(db, workspaceId, pieceId))) return refused(GONE);
  await addVariant(db, workspaceId, pieceId, doc);
  revalidatePath(`/plan/${pieceId}`);
  return done(null);
}

const versionSchema = documentSchema('This version could not be read, so it was not set beside.');

/** Sets a version of a piece beside it. */
export const setBesideAction = action(
  z.object({ pieceId: idSchema, doc: versionSchema }),
  'This version could not be read, so it was not set beside.',
  ({ pieceId, doc }, at) => setBeside(at, pieceId, doc),
);

/** Sets another piece of the bench beside this one, as it is now. */
export const setOtherBesideAction = action(
  z.object({ pieceId: idSchema, otherId: idSchema }),
  GONE,
  async ({ pieceId, otherId }, at) => {
    const other = await docOf(at, otherId);
    return other.ok ? setBeside(at, pieceId, other.value) : other;
  },
);

/** Settles which of two versions of a piece is to go on. Chosen before, it stays as it was chosen. */
export const settleAction = action(
  z.object({ asideId: z.uuid(), choice: z.enum(SETTLEMENTS) }),
  'That version is gone. Reload the page to see what there is.',
  async ({ asideId, choice }, { db, workspaceId }) => {
    const answer = await settle(db, workspaceId, asideId, choice);
    revalidatePath('/');
    switch (answer.kind) {
      case 'settled':
        return done({ piece: answer.piece, other: answer.other });
      case 'already':
        return done({ piece: answer.piece, other: null });
      case 'unreadable':
        return refused('One of the two versions cannot be read, so nothing was changed. Save it as a file.');
      case 'missing':
        return refused('That version is gone. Reload the page to see what there is.');
    }
  },
);
