import { asc, eq, max, sql } from 'drizzle-orm';
import { BEADS, CLASPS, FINDINGS, NEEDLES, THREADS } from '@/core/materials/catalogue';
import {
  beadKindSchema,
  claspSchema,
  findingSchema,
  needleSchema,
  threadSchema,
  type BeadKind,
  type Clasp,
  type FindingMaterial,
  type Needle,
  type ThreadMaterial,
} from '@/core/materials/material';
import type { Db } from './database';
import { material } from './schema';

export interface Catalogue {
  readonly beads: readonly BeadKind[];
  readonly threads: readonly ThreadMaterial[];
  readonly needles: readonly Needle[];
  readonly findings: readonly FindingMaterial[];
  readonly clasps: readonly Clasp[];
}

/** The starting catalogue as rows, in its order. */
const startingRows = () =>
  [
    ...BEADS.map((data) => ({ kind: 'bead' as const, data })),
    ...THREADS.map((data) => ({ kind: 'thread' as const, data })),
    ...NEEDLES.map((data) => ({ kind: 'needle' as const, data })),
    ...FINDINGS.map((data) => ({ kind: 'finding' as const, data })),
    ...CLASPS.map((data) => ({ kind: 'clasp' as const, data })),
  ].map((row, position) => ({ ...row, key: row.data.id, position }));

/** Adds what a newer version of the starting catalogue has and the workspace lacks; hers stays as it is. */
export async function topUpCatalogue(db: Db, workspaceId: string): Promise<void> {
  await db
    .insert(material)
    .values(startingRows().map((row) => ({ ...row, workspaceId })))
    .onConflictDoNothing();
}

type Kind = (typeof material.$inferSelect)['kind'];

/** Keeps materials of a kind: one that is known is corrected where it stands, a new one stands after all others. */
export async function keepMaterials(
  db: Db,
  workspaceId: string,
  kind: Kind,
  all: readonly { readonly id: string }[],
): Promise<void> {
  if (all.length === 0) return;
  const [last] = await db
    .select({ position: max(material.position) })
    .from(material)
    .where(eq(material.workspaceId, workspaceId));
  const after = (last?.position ?? 0) + 1;
  await db
    .insert(material)
    .values(all.map((data, i) => ({ workspaceId, kind, key: data.id, position: after + i, data })))
    .onConflictDoUpdate({
      target: [material.workspaceId, material.kind, material.key],
      set: { data: sql`excluded.data` },
    });
}

/** Keeps all that a catalogue has, and answers with how many materials that were. */
export async function keepCatalogue(db: Db, workspaceId: string, all: Catalogue): Promise<number> {
  const shelves = [
    ['bead', all.beads],
    ['thread', all.threads],
    ['needle', all.needles],
    ['finding', all.findings],
    ['clasp', all.clasps],
  ] as const;
  for (const [kind, shelf] of shelves) await keepMaterials(db, workspaceId, kind, shelf);
  return shelves.reduce((sum, [, shelf]) => sum + shelf.length, 0);
}

/** Adds a closure of the weaver's own; it stands after those that are there. */
export const addClasp = (db: Db, workspaceId: string, clasp: Clasp): Promise<void> =>
  keepMaterials(db, workspaceId, 'clasp', [clasp]);

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
    needles: of('needle').map((data) => needleSchema.parse(data)),
    findings: of('finding').map((data) => findingSchema.parse(data)),
    clasps: of('clasp').map((data) => claspSchema.parse(data)),
  };
}
