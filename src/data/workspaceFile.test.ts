import { sql } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import { readWorkspaceFile, type WorkspaceFile } from '@/core/files/workspaceFile';
import { newPiece } from '@/core/piece/newPiece';
import { partOf } from '@/core/piece/partOfPiece';
import { patternOf } from '@/core/records/pattern';
import { swatchOf } from '@/core/records/swatches';
import { event, onMat } from '@/core/testing/atTheMat';
import { bringIn, tryOut } from './bringIn';
import type { Database } from './database';
import { addMat, happenedSince, matOfPiece, tellHappened } from './making';
import { inOrder } from './move';
import { addMeasure, addPerson, people } from './people';
import { addPattern } from './patterns';
import { addPhoto, photoById } from './photos';
import { addPiece, pieces, savePiece } from './pieces';
import { addSwatch, swatches } from './swatches';
import { testDatabase } from './testing/databases';
import { addVariant } from './variants';
import { changeWorkspace, theWorkspace } from './workspaces';
import { workspaceFile } from './workspaceFile';

const DAY_MS = 24 * 60 * 60 * 1000;
const PHOTO = Uint8Array.of(0xff, 0xd8, 0xff, 0xe0, 1, 2, 3);

/** A workspace with something on every shelf. */
async function full(database: Database) {
  const { db } = database;
  const { id: ws } = await theWorkspace(db);
  await changeWorkspace(db, ws, { lengthUnit: 'cm', settings: { countEvery: 40 } });
  const { id: who } = await addPerson(db, ws, { name: 'Maren', note: 'alto', girths: { wrist: 159 } });
  await addMeasure(db, ws, who, { place: 'neck', mm: 351.5, takenOn: '2026-06-01' });
  const doc = newPiece('Slack water', 'strung-line', {
    personId: who,
    name: 'Maren',
    girths: { wrist: 159 },
    typical: null,
  });
  const { id: pieceId } = await addPiece(db, ws, doc);
  await addVariant(db, ws, pieceId, { ...doc, name: 'Beside' });
  await savePiece(db, ws, pieceId, { baseRevision: 99, changeId: 'late', doc: { ...doc, name: 'Aside' } });
  await addPattern(db, ws, patternOf(doc));
  const own = partOf(doc);
  await addSwatch(
    db,
    ws,
    swatchOf(own, {
      units: 20,
      lengthMm: 60,
      takenOn: '2026-06-01',
      tension: 'medium',
      note: '',
      without: [],
    }),
  );
  const mat = onMat(doc);
  const matId = await addMat(db, ws, pieceId, mat);
  const photo = crypto.randomUUID();
  await addPhoto(db, ws, photo, matId, { kind: 'image/jpeg', data: PHOTO });
  const part = mat.parts[0]?.id ?? '';
  const first = event({ did: 'go', to: { part, made: 0, at: 1 } });
  const after = { after: first.id };
  await tellHappened(db, ws, matId, [
    first,
    event({ did: 'go', to: { part, made: 0, at: 2 } }, after),
    event({ did: 'photo', photo, words: 'begun' }, after),
  ]);
  return { db, ws, who, pieceId, matId, photo, doc };
}

const taken = async ({ db, ws }: { db: Database['db']; ws: string }): Promise<WorkspaceFile> => {
  const { file, unreadable } = await workspaceFile(db, ws, 'test', new Date('2026-06-01T00:00:00Z'));
  expect(unreadable).toEqual([]);
  // It goes out as text, and comes in as text.
  const read = readWorkspaceFile(JSON.parse(JSON.stringify(file)));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  expect(read.file).toEqual(file);
  return read.file;
};

const rowsOf = async ({ db }: Database) =>
  Promise.all(
    inOrder().map(async (table) => {
      const { rows } = await db.execute(
        sql`select to_jsonb(t)::text as row from ${sql.identifier(table)} t order by 1`,
      );
      return rows.map(({ row }) => row);
    }),
  );

describe('everything of a workspace as one file', () => {
  it('is brought in elsewhere as it was, photographs too; brought in again it changes nothing', async () => {
    const [home, elsewhere] = [await testDatabase(), await testDatabase()];
    try {
      const from = await full(home);
      const file = await taken(from);
      const { id: ws } = await theWorkspace(elsewhere.db);
      const would = await tryOut(elsewhere.db, ws, file);
      expect((await pieces(elsewhere.db, ws)).found).toEqual([]);
      const brought = await bringIn(elsewhere.db, ws, file);
      expect(brought).toEqual(would);
      expect(brought).toMatchObject({
        people: { added: 1 },
        pieces: { added: 1 },
        patterns: { added: 1 },
        swatches: { added: 1 },
        mats: { added: 1 },
        photos: { added: 1 },
        habits: true,
      });
      const again = await taken({ db: elsewhere.db, ws });
      expect({ ...again, madeOn: '' }).toEqual({ ...file, madeOn: '' });
      expect([...((await photoById(elsewhere.db, ws, from.photo))?.data ?? [])]).toEqual([...PHOTO]);

      const before = await rowsOf(elsewhere);
      const second = await bringIn(elsewhere.db, ws, file);
      expect(second).toMatchObject({ pieces: { added: 0, same: 1, beside: 0 }, habits: false });
      expect(await rowsOf(elsewhere)).toEqual(before);
    } finally {
      await home.close();
      await elsewhere.close();
    }
  });

  it('what was changed here since stays, and the one of the file is put beside it; measures and steps are added', async () => {
    const database = await testDatabase();
    try {
      const from = await full(database);
      const { db, ws } = from;
      const file = await taken(from);
      await savePiece(db, ws, from.pieceId, {
        baseRevision: 1,
        changeId: 'mine',
        doc: { ...from.doc, name: 'Slack water, mine' },
      });
      const later = crypto.randomUUID();
      const changed: WorkspaceFile = {
        ...file,
        people: file.people.map((one) => ({
          ...one,
          measures: [
            ...one.measures,
            { id: later, measure: { place: 'ankle', mm: 230, takenOn: '2026-06-02' }, away: false },
          ],
        })),
        mats: file.mats.map((one) => ({
          ...one,
          events: [...one.events, event({ did: 'note', text: 'from the file' }, undefined, 'two', DAY_MS)],
        })),
      };
      const brought = await bringIn(db, ws, changed);
      expect(brought).toMatchObject({
        people: { same: 1 },
        pieces: { beside: 1, added: 0 },
        mats: { same: 1 },
        habits: false,
      });
      const names = (await pieces(db, ws)).found.map(({ doc }) => doc.name);
      expect(names.toSorted()).toEqual(['Slack water', 'Slack water, mine']);
      expect((await people(db, ws)).found[0]?.girths.ankle).toBe(230);
      const mat = await matOfPiece(db, ws, from.pieceId);
      const { events } = await happenedSince(db, ws, mat?.ok ? mat.value.id : '', 0);
      expect(events.at(-1)?.what).toEqual({ did: 'note', text: 'from the file' });
      expect((await swatches(db, ws)).found).toHaveLength(1);
    } finally {
      await database.close();
    }
  });

  it('of another workspace on the same server it is a copy, with ids of its own, and its path of steps holds', async () => {
    const database = await testDatabase();
    try {
      const from = await full(database);
      const file = await taken(from);
      const { rows } = await database.db.execute(
        sql`insert into workspace (name) values ('other') returning id::text as id`,
      );
      const other = String(rows[0]?.id);
      const brought = await bringIn(database.db, other, file);
      expect(brought).toMatchObject({ pieces: { added: 1 }, mats: { added: 1 }, people: { added: 1 } });
      const [copy] = (await pieces(database.db, other)).found;
      expect(copy?.id).not.toBe(from.pieceId);
      const [maren] = (await people(database.db, other)).found;
      expect(copy?.doc.wearer?.personId).toBe(maren?.id);
      const mat = await matOfPiece(database.db, other, copy?.id ?? '');
      const { events } = await happenedSince(database.db, other, mat?.ok ? mat.value.id : '', 0);
      expect(events).toHaveLength(3);
      expect(events[1]?.after).toBe(events[0]?.id);
      expect((await pieces(database.db, from.ws)).found.map(({ id }) => id)).toEqual([from.pieceId]);
    } finally {
      await database.close();
    }
  });
});
