import { sql } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import { newPiece } from '@/core/piece/newPiece';
import { event, onMat } from '@/core/testing/atTheMat';
import { openMemory } from './database';
import { addMat, happenedSince, tellHappened } from './making';
import { migrate } from './migrate';
import { inOrder, move } from './move';
import { addMeasure, addPerson, people } from './people';
import { addPhoto, photoById } from './photos';
import { addPiece, pieces } from './pieces';
import { testDatabase } from './testing/databases';
import { theWorkspace } from './workspaces';

const note = (text: string) => event({ did: 'note', text });

async function embedded() {
  const database = await openMemory();
  await migrate(database);
  return database;
}

describe('moving from one database to another', () => {
  it('goes through the tables in an order that their references allow', () => {
    const order = inOrder();
    for (const [first, later] of [
      ['workspace', 'piece'],
      ['person', 'measure'],
      ['piece', 'mat'],
      ['mat', 'making_event'],
      ['mat', 'photo'],
    ] as const)
      expect(order.indexOf(first)).toBeLessThan(order.indexOf(later));
    expect(new Set(order).size).toBe(order.length);
  });

  it('carries all of it there and back, each row as it was, and nothing over what is there', async () => {
    const [home, there, back] = [await embedded(), await testDatabase(), await embedded()];
    try {
      const { id: ws } = await theWorkspace(home.db);
      const { id: who } = await addPerson(home.db, ws, {
        name: 'Maren “Łódź” 🧵',
        note: '',
        girths: { wrist: 159.3 },
      });
      await addMeasure(home.db, ws, who, { place: 'neck', mm: 351.123456789, takenOn: '2026-06-01' });
      const doc = newPiece('Slack water', 'strung-line', null);
      const { id: pieceId } = await addPiece(home.db, ws, doc);
      const matId = await addMat(home.db, ws, pieceId, onMat(doc));
      await tellHappened(home.db, ws, matId, [note('one'), note('two')]);
      const photo = crypto.randomUUID();
      const data = Uint8Array.from({ length: 70_000 }, (_, i) => (i * 31) % 256);
      await addPhoto(home.db, ws, photo, matId, { kind: 'image/png', data });

      const carried = await move(home, there);
      expect(await move(there, back)).toBe(carried);
      // Read again, and not only by the fingerprints that the move compares.
      const all = async (database: typeof home) =>
        Promise.all(
          inOrder().map(async (table) => {
            const { rows } = await database.db.execute(
              sql`select to_jsonb(t)::text as row from ${sql.identifier(table)} t order by 1`,
            );
            return [table, rows.map(({ row }) => row)] as const;
          }),
        );
      expect(await all(back)).toEqual(await all(home));
      expect((await pieces(back.db, ws)).found[0]?.doc).toEqual(doc);
      expect((await people(back.db, ws)).found[0]?.girths.neck).toBe(351.123456789);
      expect([...((await photoById(back.db, ws, photo))?.data ?? [])]).toEqual([...data]);
      // What happens after it comes after it.
      const before = await happenedSince(back.db, ws, matId, 0);
      await tellHappened(back.db, ws, matId, [note('three')]);
      const after = await happenedSince(back.db, ws, matId, before.upTo);
      expect(after.events.map(({ what }) => what)).toEqual([{ did: 'note', text: 'three' }]);

      await expect(move(home, there)).rejects.toThrow(/pieces or people already.*Nothing was changed/);
      expect((await pieces(there.db, ws)).found).toHaveLength(1);
    } finally {
      for (const database of [home, there, back]) await database.close();
    }
  });
});
