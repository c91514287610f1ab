import { catalogue, type Catalogue } from '@/data/materials';
import { people, type Person } from '@/data/people';
import { asideVersions, pieceById, pieces, type AsideVersion, type StoredPiece } from '@/data/pieces';
import { theWorkspace } from '@/data/workspaces';
import type { LengthUnit } from '@/core/length/length';
import type { Piece } from '@/core/piece';
import { examples } from './examples';
import { installation } from './installation';

export type { AsideVersion, Catalogue, Person, StoredPiece };

/** The unit the weaver reads lengths in. */
export async function lengthUnit(): Promise<LengthUnit> {
  const { database } = await installation();
  return (await theWorkspace(database.db)).lengthUnit;
}

/** What the Bench shows. */
export async function benchScreen(): Promise<{ pieces: StoredPiece[]; people: Person[] }> {
  const { database, workspaceId } = await installation();
  return { pieces: await pieces(database.db, workspaceId), people: await people(database.db, workspaceId) };
}

export interface PlanScreenData {
  readonly piece: StoredPiece;
  readonly aside: readonly AsideVersion[];
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

/** What the Plan screen shows; null where there is no such piece. */
export async function planScreen(id: string): Promise<PlanScreenData | null> {
  if (!isId(id)) return null;
  const { database, workspaceId } = await installation();
  const { db } = database;
  const piece = await pieceById(db, workspaceId, id);
  if (!piece) return null;
  return {
    piece,
    aside: await asideVersions(db, workspaceId, id),
    people: await people(db, workspaceId),
    catalogue: await catalogue(db, workspaceId),
  };
}
