import { readFileSync } from 'node:fs';
import { eq, sql } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import { NEEDLES } from '@/core/materials/catalogue';
import { withFramedBall } from '@/core/piece/assembly';
import { newPiece } from '@/core/piece/newPiece';
import { partOf, withPart } from '@/core/piece/partOfPiece';
import { PIECE_FORMAT, type Piece } from '@/core/piece/piece';
import { patternOf } from '@/core/records/pattern';
import { swatchOf } from '@/core/records/swatches';
import { putAway, rawRow } from '../archive';
import type { Database } from '../database';
import { catalogue, keepMaterials } from '../materials';
import { addPattern, patternById, patterns } from '../patterns';
import { addPerson, people } from '../people';
import {
  addPiece,
  asideVersions,
  pieceById,
  pieceLabels,
  pieces,
  savePiece,
  settle,
  type Settlement,
} from '../pieces';
import { Refusal } from '../records';
import { material, measure, pattern, person, piece, pieceVersion, swatch, variant } from '../schema';
import { addSwatch, swatches } from '../swatches';
import { addVariant, variants } from '../variants';

/** What a database of any kind keeps to of documents: those that cannot be read, and those of earlier formats. */
export function recordTests(
  at: () => { readonly database: Database; readonly ws: string },
  doc: (name: string) => Piece,
): void {
  describe('what could not be read again is never written', () => {
    const longName = 'm'.repeat(81);
    const odd = { snug: 9, comfortable: 3, loose: 4 };
    const bracelet = doc('one');
    const cases: [string, () => Promise<unknown>][] = [
      ['a name too long', () => addPiece(at().database.db, at().ws, doc(longName))],
      ['a character that no database keeps', () => addPiece(at().database.db, at().ws, doc('a\0b'))],
      ['half a character', () => addPiece(at().database.db, at().ws, doc('a\ud83d'))],
      [
        'ease out of order',
        () =>
          addPiece(at().database.db, at().ws, {
            ...bracelet,
            wear: { school: 'ease', fit: 'snug', easeMm: odd, thicknessEffect: true },
          }),
      ],
      ['a pattern of such', () => addPattern(at().database.db, at().ws, patternOf(doc(longName)))],
      ['a variant of such', () => addVariant(at().database.db, at().ws, crypto.randomUUID(), doc(longName))],
      [
        'a swatch whose parameters its stitch does not know',
        () =>
          addSwatch(at().database.db, at().ws, {
            ...swatchOf(partOf(bracelet), {
              units: 20,
              lengthMm: 61,
              takenOn: '2026-06-01',
              tension: 'medium',
              note: '',
              without: [],
            }),
            structure: { id: 'strung-line', params: { sequence: 'banana' } },
          }),
      ],
      ['a person without a name', () => addPerson(at().database.db, at().ws, { name: '  ', girths: {} })],
      [
        'a wrist that nobody has',
        () => addPerson(at().database.db, at().ws, { name: 'Tove', girths: { wrist: 3 } }),
      ],
      ['a needle of no thickness', () => keepMaterials(at().database.db, at().ws, 'needle', [{ id: 'x' }])],
    ];
    it.each(cases)('%s', async (_, write) => {
      const before = await counts();
      await expect(write()).rejects.toThrow(Refusal);
      expect(await counts()).toEqual(before);
    });
    const counts = async () => {
      const { db } = at().database;
      const tables = ['piece', 'pattern', 'variant', 'swatch', 'person', 'measure', 'material'];
      const all = tables.map((table) => sql.raw(`(select count(*) from ${table})::int as ${table}`));
      return (await db.execute(sql`select ${sql.join(all, sql`, `)}`)).rows;
    };
  });

  it('a row that cannot be read stays where it is, is told of, and hides no other', async () => {
    const { db } = at().database;
    const good = await addPiece(db, at().ws, doc('good'));
    const [bad] = await db
      .insert(piece)
      .values({ workspaceId: at().ws, doc: { name: 'from elsewhere', format: 99 } })
      .returning();
    const all = await pieces(db, at().ws);
    expect(all.found.map(({ id }) => id)).toEqual([good.id]);
    expect(all.unreadable).toMatchObject([{ kind: 'piece', id: bad?.id, name: 'from elsewhere' }]);
    expect(all.unreadable[0]?.why).not.toBe('');
    expect(await pieceById(db, at().ws, bad?.id ?? '')).toMatchObject({ ok: false });
    expect((await pieceLabels(db, at().ws)).map(({ name }) => name).sort()).toEqual([
      'from elsewhere',
      'good',
    ]);
    expect(JSON.parse((await rawRow(db, at().ws, 'piece', bad?.id ?? '')) ?? '')).toMatchObject({
      doc: { format: 99 },
    });
    expect(await rawRow(db, crypto.randomUUID(), 'piece', bad?.id ?? '')).toBeNull();
    expect(await putAway(db, at().ws, 'piece', bad?.id ?? '', true)).toBe(true);
    expect((await pieces(db, at().ws)).unreadable).toEqual([]);

    await db.insert(swatch).values({ workspaceId: at().ws, doc: ['not a swatch'] });
    await db.insert(pattern).values({ workspaceId: at().ws, doc: 'nothing' });
    await db.insert(variant).values({ workspaceId: at().ws, pieceId: good.id, doc: {} });
    await db.insert(pieceVersion).values({ workspaceId: at().ws, pieceId: good.id, changeId: 'x', doc: 7 });
    const [who] = await db
      .insert(person)
      .values({ workspaceId: at().ws, name: 'n'.repeat(200) })
      .returning();
    const tove = await addPerson(db, at().ws, { name: 'Tove', girths: { wrist: 155 } });
    await db.insert(measure).values({ workspaceId: at().ws, personId: tove.id, place: 'wrist', mm: 1e9 });
    await db.update(material).set({ data: {} }).where(eq(material.key, 'needle-11'));
    expect((await swatches(db, at().ws)).unreadable).toMatchObject([{ name: 'without a name' }]);
    expect((await patterns(db, at().ws)).unreadable).toHaveLength(1);
    expect((await variants(db, at().ws, good.id)).unreadable).toHaveLength(1);
    expect((await asideVersions(db, at().ws, good.id)).unreadable).toHaveLength(1);
    const everybody = await people(db, at().ws);
    expect(everybody.found.map(({ name, girths }) => [name, girths.wrist])).toEqual([['Tove', 155]]);
    expect(everybody.unreadable.map(({ kind }) => kind).sort()).toEqual(['measure', 'person']);
    expect(everybody.unreadable.some(({ id }) => id === who?.id)).toBe(true);
    const known = await catalogue(db, at().ws);
    expect(known.unreadable).toMatchObject([{ kind: 'needle', id: 'needle-11' }]);
    expect(known.needles).toHaveLength(NEEDLES.length - 1);
  });

  it('a version that cannot be read is not settled, but put away', async () => {
    const { id } = await addPiece(at().database.db, at().ws, doc('one'));
    const [aside] = await at()
      .database.db.insert(pieceVersion)
      .values({ workspaceId: at().ws, pieceId: id, changeId: 'x', doc: {} })
      .returning();
    const choose = (choice: Settlement) => settle(at().database.db, at().ws, aside?.id ?? '', choice);
    expect(await choose('use aside')).toEqual({ kind: 'unreadable' });
    expect(await choose('keep both')).toEqual({ kind: 'unreadable' });
    expect((await asideVersions(at().database.db, at().ws, id)).unreadable).toHaveLength(1);
    expect((await choose('keep current')).kind).toBe('settled');
    expect((await asideVersions(at().database.db, at().ws, id)).unreadable).toEqual([]);
  });

  it('documents of every earlier form are read: a bare piece is a pattern, a swatch told no format', async () => {
    const { format: _, ...swatchDoc } = swatchOf(partOf(doc('one')), {
      units: 20,
      lengthMm: 61,
      takenOn: '2026-06-01',
      tension: 'medium',
      note: '',
      without: [],
    });
    await at().database.db.insert(swatch).values({ workspaceId: at().ws, doc: swatchDoc });
    await at()
      .database.db.insert(pattern)
      .values({ workspaceId: at().ws, doc: { ...doc('old'), wearer: null } });
    expect((await swatches(at().database.db, at().ws)).found[0]?.doc).toEqual({ format: 1, ...swatchDoc });
    const [old] = (await patterns(at().database.db, at().ws)).found;
    expect(old?.doc).toEqual(patternOf({ ...doc('old'), wearer: null }));
    expect(await patternById(at().database.db, at().ws, old?.id ?? '')).toMatchObject({ ok: true });
  });

  it('a piece of parts is known by the one that is fitted, and one of before there were others by its own', async () => {
    const { piece: composed } = withFramedBall(newPiece('composed', 'strung-line', null), 'A');
    const alone = newPiece('alone', 'ladder', null);
    const before = { ...alone, parts: alone.parts.map(({ count: _, ...part }) => part) };
    for (const raw of [composed, before as unknown as Piece])
      await at().database.db.insert(piece).values({ workspaceId: at().ws, doc: raw });
    const labels = await pieceLabels(at().database.db, at().ws);
    expect(labels.map(({ name, structureId }) => `${name}: ${structureId}`).sort()).toEqual([
      'alone: ladder',
      'composed: strung-line',
    ]);
    expect((await pieces(at().database.db, at().ws)).unreadable).toEqual([]);
  });

  it('rows of every earlier format are found by their stitch and read, and saved in the newest', async () => {
    const older = JSON.parse(readFileSync('src/core/testing/older/format-2.json', 'utf8')) as Piece[];
    const present = doc('present');
    for (const raw of [older[0], present])
      if (raw) await at().database.db.insert(piece).values({ workspaceId: at().ws, doc: raw });
    const labels = await pieceLabels(at().database.db, at().ws);
    expect(labels.map(({ name, structureId }) => `${name}: ${structureId}`).sort()).toEqual([
      'Any strung-line: strung-line',
      `present: ${partOf(present).structure.id}`,
    ]);
    const { found, unreadable } = await pieces(at().database.db, at().ws);
    expect(unreadable).toEqual([]);
    expect(found.map((one) => one.doc.format)).toEqual([PIECE_FORMAT, PIECE_FORMAT]);
    const old = found.find((one) => one.doc.name === 'Any strung-line');
    if (!old) throw new Error('The older one is not there.');
    const saved = await savePiece(at().database.db, at().ws, old.id, {
      doc: withPart(old.doc, { units: 9 }),
      baseRevision: old.revision,
      changeId: 'later',
    });
    expect(saved.kind).toBe('saved');
    const [row] = await at().database.db.select().from(piece).where(eq(piece.id, old.id));
    expect(row?.doc).toMatchObject({ format: PIECE_FORMAT, parts: [{ units: 9 }] });
  });
}
