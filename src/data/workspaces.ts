import { asc, eq } from 'drizzle-orm';
import type { LengthUnit } from '@/core/length/length';
import { readSettings, type Settings } from '@/core/settings';
import type { Db } from './database';
import { topUpCatalogue } from './materials';
import { workspace } from './schema';

export interface Workspace {
  readonly id: string;
  readonly lengthUnit: LengthUnit;
  readonly settings: Settings;
}

/** The one workspace of this installation, made with the starting catalogue on first use. */
export async function theWorkspace(db: Db): Promise<Workspace> {
  const [found] = await db.select().from(workspace).orderBy(asc(workspace.createdAt)).limit(1);
  const { id, lengthUnit, settings } = found ?? (await makeWorkspace(db, 'My bench'));
  return { id, lengthUnit, settings: readSettings(settings) };
}

async function makeWorkspace(db: Db, name: string): Promise<typeof workspace.$inferSelect> {
  return db.transaction(async (tx) => {
    const [made] = await tx.insert(workspace).values({ name }).returning();
    if (!made) throw new Error('The workspace could not be made.');
    await topUpCatalogue(tx, made.id);
    return made;
  });
}

export async function setLengthUnit(db: Db, workspaceId: string, lengthUnit: LengthUnit): Promise<void> {
  await db.update(workspace).set({ lengthUnit }).where(eq(workspace.id, workspaceId));
}

export async function setSettings(db: Db, workspaceId: string, settings: Settings): Promise<void> {
  await db.update(workspace).set({ settings }).where(eq(workspace.id, workspaceId));
}
