import {
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
  mkdirSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { sql } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import { making } from '@/core/making/making';
import { progress } from '@/core/making/progress';
import { planPiece } from '@/core/plan/shipped';
import { openMemory, type Database } from './database';
import { happenedSince, matOfPiece } from './making';
import { appliedMigrations, migrate, MIGRATIONS, shippedMigrations } from './migrate';
import { inOrder } from './move';
import { people } from './people';
import { pieces } from './pieces';
import { swatches } from './swatches';
import { theWorkspace } from './workspaces';

/** What a version of the program wrote, with the migrations that it knew. */
interface Earlier {
  readonly wrote: string;
  readonly migrations: number;
  readonly tables: Readonly<Record<string, readonly unknown[]>>;
}

const FOLDER = join(__dirname, 'testing/earlier');
const all = readdirSync(FOLDER).map(
  (file) => JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as Earlier,
);

/** The first so many of the migrations that ship, as a folder of their own. */
function firstMigrations(count: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'ivyloom-test-'));
  const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as {
    entries: { tag: string }[];
  };
  const entries = journal.entries.slice(0, count);
  mkdirSync(join(folder, 'meta'));
  writeFileSync(join(folder, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }));
  for (const { tag } of entries) symlinkSync(resolve(MIGRATIONS, `${tag}.sql`), join(folder, `${tag}.sql`));
  return folder;
}

/** The database as that version left it. */
async function asItWas({ migrations, tables }: Earlier): Promise<Database> {
  const database = await openMemory();
  const folder = firstMigrations(migrations);
  await database.applyMigrations(folder);
  rmSync(folder, { recursive: true, force: true });
  for (const table of inOrder()) {
    const rows = tables[table];
    if (!rows || rows.length === 0) continue;
    const name = sql.identifier(table);
    await database.db.execute(
      sql`insert into ${name} select * from jsonb_populate_recordset(null::${name}, ${JSON.stringify(rows)}::jsonb)`,
    );
  }
  return database;
}

describe('what earlier versions really wrote', () => {
  it('is kept of every one but the newest, which writes what the other tests try', () => {
    expect(all.map(({ migrations }) => migrations).toSorted((a, b) => a - b)).toEqual(
      Array.from({ length: shippedMigrations().length - 1 }, (_, i) => i + 1),
    );
  });

  it.each(all.map((one) => [one.migrations, one] as const))(
    'after %i migrations: it is brought up to date, all of it can be read, and planned again',
    async (count, earlier) => {
      const database = await asItWas(earlier);
      try {
        const { db } = database;
        expect(await appliedMigrations(database)).toHaveLength(count);
        await migrate(database);
        expect(await appliedMigrations(database)).toHaveLength(shippedMigrations().length);
        const { id: ws } = await theWorkspace(db);
        expect(ws).toBe((earlier.tables.workspace?.[0] as { id: string }).id);
        const singers = await people(db, ws);
        expect(singers.unreadable).toEqual([]);
        expect(singers.found).toHaveLength(earlier.tables.person?.length ?? 0);
        // A wrist was told with the person before girths were told apart.
        for (const { girths } of singers.found) expect(girths.wrist).toBeGreaterThan(120);
        const bench = await pieces(db, ws);
        expect(bench.unreadable).toEqual([]);
        expect(bench.found).toHaveLength(earlier.tables.piece?.length ?? 0);
        for (const { doc } of bench.found) {
          const plan = planPiece(doc);
          expect(plan.ok && plan.chosen.units, doc.name).toBeGreaterThan(0);
        }
        const measured = await swatches(db, ws);
        expect(measured.unreadable).toEqual([]);
        expect(measured.found).toHaveLength(earlier.tables.swatch?.length ?? 0);
        const lies = (earlier.tables.mat?.[0] ?? null) as { piece_id: string } | null;
        if (!lies) return;
        const mat = await matOfPiece(db, ws, lies.piece_id);
        if (!mat?.ok) throw new Error('The mat cannot be read.');
        const { events } = await happenedSince(db, ws, mat.value.id, 0);
        expect(events).toHaveLength(earlier.tables.making_event?.length ?? 0);
        const state = making(mat.value.doc, events);
        expect(progress(mat.value.doc, state).done).toBeGreaterThan(0.2);
        expect(state.measures[0]).toMatchObject({ units: 4, from: 1, lengthMm: 41 });
        expect(state.notes[0]?.text).toBe('half way');
      } finally {
        await database.close();
      }
    },
  );
});
