import { asc, eq, sql } from 'drizzle-orm';
import type { LengthUnit } from '@/core/length/length';
import { changedSettings, readSettings, type Settings, type SettingsChange } from '@/core/records/settings';
import type { Db } from './database';
import { topUpCatalogue } from './materials';
import { checkedIn } from './records';
import { workspace } from './schema';

export interface Workspace {
  readonly id: string;
  readonly lengthUnit: LengthUnit;
  readonly settings: Settings;
  /** Raised by every change of unit or settings: of two states the one with more is the newer. */
  readonly settingsRevision: number;
}

/** The one workspace of this installation, made with the starting catalogue on first use. */
export async function theWorkspace(db: Db): Promise<Workspace> {
  const [found] = await db.select().from(workspace).orderBy(asc(workspace.createdAt)).limit(1);
  return asWorkspace(found ?? (await makeWorkspace(db, 'My bench')));
}

const asWorkspace = ({
  id,
  lengthUnit,
  settings,
  settingsRevision,
}: typeof workspace.$inferSelect): Workspace => ({
  id,
  lengthUnit,
  settings: readSettings(settings),
  settingsRevision,
});

/** A workspace by its id. Throws where there is none: it is never taken away while the program runs. */
export async function workspaceById(db: Db, id: string): Promise<Workspace> {
  const [found] = await db.select().from(workspace).where(eq(workspace.id, id));
  if (!found) throw new Error('The workspace is gone.');
  return asWorkspace(found);
}

async function makeWorkspace(db: Db, name: string): Promise<typeof workspace.$inferSelect> {
  return db.transaction(async (tx) => {
    const [made] = await tx.insert(workspace).values({ name }).returning();
    if (!made) throw new Error('The workspace could not be made.');
    await topUpCatalogue(tx, made.id);
    return made;
  });
}

/** What is to change of how a workspace is shown and reckoned. */
export interface WorkspaceChange {
  readonly lengthUnit?: LengthUnit;
  readonly settings?: SettingsChange;
}

/** Keeps what is changed of unit and settings; the rest stays, whoever else changes it meanwhile. */
export async function changeWorkspace(
  db: Db,
  workspaceId: string,
  { lengthUnit, settings }: WorkspaceChange,
): Promise<Workspace> {
  return db.transaction(async (tx) => {
    const own = eq(workspace.id, workspaceId);
    const [now] = await tx.select().from(workspace).where(own).for('update');
    if (!now) throw new Error('The workspace is gone.');
    const [changed] = await tx
      .update(workspace)
      .set({
        ...(lengthUnit && { lengthUnit }),
        settings: checkedIn('settings', changedSettings(readSettings(now.settings), settings ?? {})),
        settingsRevision: sql`${workspace.settingsRevision} + 1`,
      })
      .where(own)
      .returning();
    if (!changed) throw new Error('The workspace is gone.');
    return asWorkspace(changed);
  });
}
