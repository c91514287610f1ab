import { asc, eq, max, sql } from 'drizzle-orm';
import { BEADS, CLASPS, FINDINGS, NEEDLES, THREADS } from '@/core/materials/catalogue';
import type { BeadKind, Clasp, FindingMaterial, Needle, ThreadMaterial } from '@/core/materials/material';
import type { Db } from './database';
import { checkedIn, parted, readRow, type RecordOf, type Unreadable } from './records';
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

/** Rows of one statement: a statement has at most 65,535 values. */
const AT_ONCE = 1000;

/**
 * Keeps materials of a kind: one that is known is corrected where it stands, a new one stands after all others. All of
 * them or, where one cannot be kept, none.
 */
export async function keepMaterials(
  db: Db,
  workspaceId: string,
  kind: Kind,
  all: readonly { readonly id: string }[],
): Promise<void> {
  // A statement cannot correct the same row twice: of two under one id the later counts.
  const byKey = new Map(all.map((data) => [data.id, checkedIn(kind, data)]));
  await db.transaction(async (tx) => {
    const [last] = await tx
      .select({ position: max(material.position) })
      .from(material)
      .where(eq(material.workspaceId, workspaceId));
    const after = (last?.position ?? 0) + 1;
    const rows = [...byKey].map(([key, data], i) => ({ workspaceId, kind, key, position: after + i, data }));
    for (let from = 0; from < rows.length; from += AT_ONCE)
      await tx
        .insert(material)
        .values(rows.slice(from, from + AT_ONCE))
        .onConflictDoUpdate({
          target: [material.workspaceId, material.kind, material.key],
          set: { data: sql`excluded.data` },
        });
  });
}

/** Keeps all that a catalogue has, or nothing of it, and answers with how many materials that were. */
export async function keepCatalogue(db: Db, workspaceId: string, all: Catalogue): Promise<number> {
  const shelves = [
    ['bead', all.beads],
    ['thread', all.threads],
    ['needle', all.needles],
    ['finding', all.findings],
    ['clasp', all.clasps],
  ] as const;
  await db.transaction(async (tx) => {
    for (const [kind, shelf] of shelves) await keepMaterials(tx, workspaceId, kind, shelf);
  });
  return shelves.reduce((sum, [, shelf]) => sum + shelf.length, 0);
}

/** Adds a closure of the weaver's own; it stands after those that are there. */
export const addClasp = (db: Db, workspaceId: string, clasp: Clasp): Promise<void> =>
  keepMaterials(db, workspaceId, 'clasp', [clasp]);

/** The workspace's own catalogue, in its order, and what in it cannot be read. */
export interface StoredCatalogue extends Catalogue {
  readonly unreadable: readonly Unreadable[];
}

export async function catalogue(db: Db, workspaceId: string): Promise<StoredCatalogue> {
  const rows = await db
    .select()
    .from(material)
    .where(eq(material.workspaceId, workspaceId))
    .orderBy(asc(material.position));
  const unreadable: Unreadable[] = [];
  const of = <K extends Kind>(kind: K): RecordOf<K>[] => {
    const ofKind = rows.filter((row) => row.kind === kind);
    const readings = parted(ofKind.map(({ key, data }) => readRow(kind, key, data)));
    unreadable.push(...readings.unreadable);
    return [...readings.found];
  };
  return {
    beads: of('bead'),
    threads: of('thread'),
    needles: of('needle'),
    findings: of('finding'),
    clasps: of('clasp'),
    unreadable,
  };
}
