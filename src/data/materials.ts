import { asc, eq } from 'drizzle-orm';
import {
  beadKindSchema,
  claspSchema,
  threadSchema,
  type BeadKind,
  type Clasp,
  type ThreadMaterial,
} from '@/core/materials/material';
import type { Db } from './database';
import { material } from './schema';

export interface Catalogue {
  readonly beads: readonly BeadKind[];
  readonly threads: readonly ThreadMaterial[];
  readonly clasps: readonly Clasp[];
}

/** The workspace's own catalogue, in its order. */
export async function catalogue(db: Db, workspaceId: string): Promise<Catalogue> {
  const rows = await db
    .select()
    .from(material)
    .where(eq(material.workspaceId, workspaceId))
    .orderBy(asc(material.position));
  const of = (kind: string) => rows.filter((row) => row.kind === kind).map((row) => row.data);
  return {
    beads: of('bead').map((data) => beadKindSchema.parse(data)),
    threads: of('thread').map((data) => threadSchema.parse(data)),
    clasps: of('clasp').map((data) => claspSchema.parse(data)),
  };
}
