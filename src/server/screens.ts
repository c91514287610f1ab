import { cache } from 'react';
import { catalogue, type Catalogue } from '@/data/materials';
import { people, type Measure, type Person } from '@/data/people';
import {
  asideVersions,
  namesOnBench,
  pieceById,
  pieces,
  type AsideVersion,
  type StoredPiece,
} from '@/data/pieces';
import { patterns, type StoredPattern } from '@/data/patterns';
import { swatches, type StoredSwatch } from '@/data/swatches';
import { variants, type StoredVariant } from '@/data/variants';
import { theWorkspace, type Workspace } from '@/data/workspaces';
import type { Answers } from '@/core/answers';
import type { CellLayout } from '@/core/layout/cellLayout';
import type { StitchKey } from '@/core/fit/swatchBook';
import type { Piece } from '@/core/piece';
import { bookOfKeyed, keyOfSwatch } from '@/core/swatches';
import { examples } from './examples';
import { installation } from './installation';
import { firstAnswers, laidOut } from './laidOut';

export type {
  AsideVersion,
  Catalogue,
  Measure,
  Person,
  StoredPattern,
  StoredPiece,
  StoredSwatch,
  StoredVariant,
};

/** A swatch, and what it is kept under: found once here, not in every window. */
export interface KeyedSwatch extends StoredSwatch {
  readonly stitch: StitchKey | null;
}

const keys = new Map<string, StitchKey | null>();

/** A swatch is never changed, so its key is found once. */
function keyed(swatch: StoredSwatch): KeyedSwatch {
  if (!keys.has(swatch.id)) keys.set(swatch.id, keyOfSwatch(swatch.doc));
  return { ...swatch, stitch: keys.get(swatch.id) ?? null };
}

/** What every screen goes by: the unit of lengths, habits, and the swatches that plans stand on. Asked for once a page. */
export const atHand = cache(async (): Promise<Omit<Workspace, 'id'> & { swatches: KeyedSwatch[] }> => {
  const { database, workspaceId } = await installation();
  const { lengthUnit, settings } = await theWorkspace(database.db);
  return { lengthUnit, settings, swatches: (await swatches(database.db, workspaceId)).map(keyed) };
});

/** What the People screen shows. */
export async function peopleScreen(): Promise<{ people: Person[] }> {
  const { database, workspaceId } = await installation();
  return { people: await people(database.db, workspaceId) };
}

/** What the Materials screen shows. */
export async function materialsScreen(): Promise<{ catalogue: Catalogue }> {
  const { database, workspaceId } = await installation();
  return { catalogue: await catalogue(database.db, workspaceId) };
}

/** What the Swatches screen shows: swatches themselves are at hand on every screen. */
export async function swatchesScreen(): Promise<{ pieces: StoredPiece[] }> {
  const { database, workspaceId } = await installation();
  return { pieces: await pieces(database.db, workspaceId) };
}

/** What the Bench shows. */
export async function benchScreen(): Promise<BenchData> {
  const { database, workspaceId } = await installation();
  const { db } = database;
  const onBench = await pieces(db, workspaceId);
  return {
    pieces: onBench,
    laidOut: laidOut(onBench.map(({ doc }) => doc)),
    away: await pieces(db, workspaceId, true),
    patterns: await patterns(db, workspaceId),
    people: await people(db, workspaceId),
  };
}

export interface BenchData {
  readonly pieces: readonly StoredPiece[];
  readonly laidOut: Readonly<Record<string, CellLayout>>;
  /** Pieces put away. */
  readonly away: readonly StoredPiece[];
  readonly patterns: readonly StoredPattern[];
  readonly people: readonly Person[];
}

export interface PlanScreenData {
  readonly piece: StoredPiece;
  /** What its plan answers first; null where there is none yet. */
  readonly answers: Answers | null;
  /** What is needed to go on planning comes behind the first look. */
  readonly bench: Promise<PlanBench>;
}

/** What lies ready beside the piece that is planned. */
export interface PlanBench {
  readonly laidOut: Readonly<Record<string, CellLayout>>;
  readonly aside: readonly AsideVersion[];
  /** What is set beside it, to be compared. */
  readonly variants: readonly StoredVariant[];
  /** What else is on the bench, to be set beside it. */
  readonly others: readonly { readonly id: string; readonly name: string }[];
  readonly people: readonly Person[];
  readonly catalogue: Catalogue;
}

export interface GalleryData {
  readonly people: readonly Person[];
  readonly catalogue: Catalogue;
  /** Finished pieces to look at, one or more of each stitch. */
  readonly examples: readonly Piece[];
}

/** What the gallery shows. */
export async function galleryScreen(): Promise<GalleryData> {
  const { database, workspaceId } = await installation();
  const { db } = database;
  return {
    people: await people(db, workspaceId),
    catalogue: await catalogue(db, workspaceId),
    examples: await examples(),
  };
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;
export const isId = (id: string): boolean => UUID.test(id);

/** What the Plan screen shows; null where there is no such piece. A page and its title ask once. */
export const planScreen = cache(async (id: string): Promise<PlanScreenData | null> => {
  if (!isId(id)) return null;
  const { database, workspaceId } = await installation();
  const { db } = database;
  const piece = await pieceById(db, workspaceId, id);
  if (!piece) return null;
  const { settings, swatches } = await atHand();
  const { answers, laidOut } = firstAnswers(piece.doc, { swatches: bookOfKeyed(swatches), habits: settings });
  return { piece, answers, bench: planBench(id, laidOut) };
});

async function planBench(id: string, laidOutAlready: PlanBench['laidOut']): Promise<PlanBench> {
  const { database, workspaceId } = await installation();
  const { db } = database;
  const [late, beside] = [await asideVersions(db, workspaceId, id), await variants(db, workspaceId, id)];
  return {
    laidOut: { ...laidOut([...late, ...beside].map(({ doc }) => doc)), ...laidOutAlready },
    aside: late,
    variants: beside,
    others: (await namesOnBench(db, workspaceId)).filter((other) => other.id !== id),
    people: await people(db, workspaceId),
    catalogue: await catalogue(db, workspaceId),
  };
}
