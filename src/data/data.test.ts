import { sql } from 'drizzle-orm';
import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { newPiece } from '@/core/piece/newPiece';
import { partOf } from '@/core/piece/partOfPiece';
import { readSettings, USUAL_SETTINGS, type SettingsChange } from '@/core/records/settings';
import { swatchOf } from '@/core/records/swatches';
import { event, onMat } from '@/core/testing/atTheMat';
import { BEADS, CLASPS, FINDINGS, NEEDLES, THREADS } from '@/core/materials/catalogue';
import type { Database } from './database';
import { catalogue, keepCatalogue, keepMaterials, topUpCatalogue } from './materials';
import { addMat, happenedSince, isMat, matById, matOfPiece, tellHappened } from './making';
import { addPhoto, photoById } from './photos';
import { keepStanding, keptStandings } from './standings';
import { migrate } from './migrate';
import { putAway } from './archive';
import { addMeasure, addPerson, changePerson, people } from './people';
import { cardsOf, keepCards } from './cards';
import {
  addPiece,
  asideVersions,
  pieceById,
  pieceLabels,
  pieces,
  setDue,
  savePiece,
  settle,
  SETTLEMENTS,
} from './pieces';
import { Refusal } from './records';
import { addSwatch, swatches } from './swatches';
import { testDatabase } from './testing/databases';
import { changeWorkspace, theWorkspace } from './workspaces';
import { recordTests } from './testing/recordTests';

const doc = (name: string) =>
  newPiece(name, 'strung-line', { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null });

/** A piece that is there and can be read. */
async function there(database: Database, ws: string, id: string) {
  const piece = await pieceById(database.db, ws, id);
  return piece?.ok ? piece.value : null;
}

// Embedded, and once more on a PostgreSQL server: see vitest.config.ts.
describe('the data', () => {
  let database: Database;
  let ws: string;
  beforeAll(async () => {
    database = await testDatabase();
    return () => database.close();
  });
  // Each test has an empty database: emptying one is many times quicker than opening another.
  beforeEach(async () => {
    await database.db.execute(sql`truncate workspace cascade`);
    ws = (await theWorkspace(database.db)).id;
  });

  it('makes one workspace with the whole starting catalogue, once', async () => {
    expect((await theWorkspace(database.db)).id).toBe(ws);
    await topUpCatalogue(database.db, ws);
    const found = await catalogue(database.db, ws);
    expect(found.beads).toEqual(BEADS);
    expect(found.threads).toEqual(THREADS);
    expect(found.clasps).toEqual(CLASPS);
    expect(found.needles).toEqual(NEEDLES);
    expect(found.findings).toEqual(FINDINGS);
  });

  it('lays a plan on the mat, and keeps what happened there in order, each thing once', async () => {
    const { db } = database;
    const piece = await addPiece(db, ws, doc('made'));
    const mat = onMat(piece.doc);
    expect(await matOfPiece(db, ws, piece.id)).toBeNull();
    const id = await addMat(db, ws, piece.id, mat);
    expect(await matOfPiece(db, ws, piece.id)).toMatchObject({ ok: true, value: { id, doc: mat } });
    expect(await pieceLabels(db, ws)).toMatchObject([{ id: piece.id, onMat: true, dueOn: null }]);
    const note = (text: string) => event({ did: 'note', text });
    const [one, two, three] = [note('one'), note('two'), note('three')];
    await tellHappened(db, ws, id, [one, two]);
    await tellHappened(db, ws, id, [two, three]);
    const all = await happenedSince(db, ws, id, 0);
    expect(all.events).toEqual([one, two, three]);
    // From where one had heard, what came since.
    const first = await happenedSince(db, ws, id, all.upTo - 1);
    expect(first.events).toEqual([three]);
    expect(await happenedSince(db, ws, id, all.upTo)).toEqual({ events: [], upTo: all.upTo });
    // How it stands is kept up to an event: what comes after it makes that stale, and it is seen.
    expect(await keptStandings(db, ws)).toMatchObject([{ matId: id, upTo: all.upTo, kept: null }]);
    await keepStanding(db, ws, { matId: id, upTo: all.upTo - 1, program: 'one', doc: { done: 0.1 } });
    await keepStanding(db, ws, { matId: id, upTo: all.upTo, program: 'two', doc: { done: 0.2 } });
    expect(await keptStandings(db, ws)).toMatchObject([
      { upTo: all.upTo, kept: { upTo: all.upTo, program: 'two', doc: { done: 0.2 } } },
    ]);
    const photo = crypto.randomUUID();
    const taken = { kind: 'image/jpeg' as const, data: Uint8Array.of(0xff, 0xd8, 0xff, 0, 128) };
    await addPhoto(db, ws, photo, id, taken);
    await addPhoto(db, ws, photo, id, { ...taken, data: Uint8Array.of(1) });
    const kept = await photoById(db, ws, photo);
    expect([...(kept?.data ?? [])]).toEqual([...taken.data]);
    expect(await photoById(db, crypto.randomUUID(), photo)).toBeNull();
    // A newer mat takes its place; put away, the one before it is there again.
    const newer = await addMat(db, ws, piece.id, mat);
    expect(await matOfPiece(db, ws, piece.id)).toMatchObject({ value: { id: newer } });
    await putAway(db, ws, 'mat', newer, true);
    expect(await matOfPiece(db, ws, piece.id)).toMatchObject({ value: { id } });
    expect(await isMat(db, crypto.randomUUID(), id)).toBe(false);
    await putAway(db, ws, 'mat', id, true);
    expect(await matById(db, ws, id)).toMatchObject({ ok: true, value: { id, pieceId: piece.id } });
    expect(await matById(db, crypto.randomUUID(), id)).toBeNull();
    expect(await keptStandings(db, ws)).toEqual([]);
    expect(await setDue(db, ws, piece.id, '2026-06-20')).toBe(true);
    expect(await pieceLabels(db, ws)).toMatchObject([{ onMat: false, dueOn: '2026-06-20' }]);
    expect(await setDue(db, ws, crypto.randomUUID(), null)).toBe(false);
  });

  it('corrects a material where it stands, and puts a new one after all others', async () => {
    const [first] = BEADS;
    if (!first) throw new Error('The catalogue is empty.');
    const measured = { ...first, lengthMm: 9.9, source: 'measured' as const };
    await keepMaterials(database.db, ws, 'bead', [measured, { ...first, id: 'own-1' }]);
    await keepMaterials(database.db, ws, 'bead', []);
    const { beads } = await catalogue(database.db, ws);
    expect(beads[0]).toEqual(measured);
    expect(beads.at(-1)?.id).toBe('own-1');
    // A newer version of the program tops the catalogue up, and leaves hers as it is.
    await topUpCatalogue(database.db, ws);
    expect((await catalogue(database.db, ws)).beads[0]).toEqual(measured);
  });

  it('brings a whole catalogue in: what is known is corrected, what is new stands behind it', async () => {
    const { id: ws } = await theWorkspace(database.db);
    const before = await catalogue(database.db, ws);
    const [clasp, finding, needle] = [CLASPS[1], FINDINGS[0], NEEDLES[2]];
    if (!clasp || !finding || !needle) throw new Error('The catalogue is empty.');
    const longer = { ...clasp, startMm: clasp.startMm + 2, source: 'measured' as const };
    const own = { ...finding, id: 'own-ring', name: 'ring from the quay' };
    const brought = { beads: [], threads: [], needles: [needle], clasps: [longer], findings: [own] };
    expect(await keepCatalogue(database.db, ws, brought)).toBe(3);
    const after = await catalogue(database.db, ws);
    expect(after.clasps).toEqual(before.clasps.map((one) => (one.id === clasp.id ? longer : one)));
    expect(after.findings).toEqual([...before.findings, own]);
    expect(after.needles).toEqual(before.needles);
    expect(after.beads).toEqual(before.beads);
  });

  it('keeps the unit', async () => {
    await changeWorkspace(database.db, ws, { lengthUnit: 'cm' });
    expect((await theWorkspace(database.db)).lengthUnit).toBe('cm');
  });

  it('keeps people with the newest of their girths', async () => {
    const { id } = await addPerson(database.db, ws, { name: 'Tove', girths: { wrist: 155, neck: 340 } });
    await addPerson(database.db, ws, { name: 'Arne', girths: {} });
    expect(await addMeasure(database.db, ws, id, { place: 'wrist', mm: 158 })).toBe(true);
    const nobody = crypto.randomUUID();
    expect(await addMeasure(database.db, ws, nobody, { place: 'wrist', mm: 158 })).toBe(false);
    const { found } = await people(database.db, ws);
    expect(found.map((p) => p.name)).toEqual(['Arne', 'Tove']);
    expect(found[1]?.girths).toEqual({ wrist: 158, neck: 340 });
  });

  it('the newest day counts, whenever it was written down; what is taken back counts no more, and can again', async () => {
    const { id } = await addPerson(database.db, ws, { name: 'Tove', girths: {} });
    const take = (mm: number, takenOn: string) =>
      addMeasure(database.db, ws, id, { place: 'finger', mm, takenOn });
    await take(54, '2026-06-20');
    await take(52, '2025-01-02');
    const girth = async () => (await people(database.db, ws)).found[0]?.girths.finger;
    expect(await girth()).toBe(54);
    const newest = (await people(database.db, ws)).found[0]?.measures[0];
    expect(newest?.takenOn).toBe('2026-06-20');
    expect(await putAway(database.db, ws, 'measure', newest?.id ?? '', true)).toBe(true);
    expect(await girth()).toBe(52);
    await putAway(database.db, ws, 'measure', newest?.id ?? '', false);
    expect(await girth()).toBe(54);
  });

  it('puts people and swatches away, and back', async () => {
    const { id } = await addPerson(database.db, ws, { name: 'Tove', girths: { wrist: 155 } });
    expect(await putAway(database.db, ws, 'person', id, true)).toBe(true);
    expect((await people(database.db, ws)).found).toEqual([]);
    await putAway(database.db, ws, 'person', id, false);
    expect(await changePerson(database.db, ws, id, { name: 'Tova', note: 'alto' })).toBe(true);
    expect((await people(database.db, ws)).found[0]).toMatchObject({ name: 'Tova', note: 'alto' });
    expect(await changePerson(database.db, ws, crypto.randomUUID(), { name: 'x' })).toBe(false);

    const measured = { units: 20, lengthMm: 61, takenOn: '2026-06-01', tension: 'medium', note: '' } as const;
    const kept = await addSwatch(database.db, ws, swatchOf(partOf(doc('one')), { ...measured, without: [] }));
    expect((await swatches(database.db, ws)).found.map(({ doc }) => doc.lengthMm)).toEqual([61]);
    expect(await putAway(database.db, ws, 'swatch', kept.id, true)).toBe(true);
    expect((await swatches(database.db, ws)).found).toEqual([]);
    await putAway(database.db, ws, 'swatch', kept.id, false);
    expect((await swatches(database.db, ws)).found).toHaveLength(1);
  });

  it('keeps habits; what an older version wrote, or nobody, is the usual', async () => {
    expect((await theWorkspace(database.db)).settings).toEqual(USUAL_SETTINGS);
    await changeWorkspace(database.db, ws, { settings: { denominator: 8, wingspanMm: 1720 } });
    expect((await theWorkspace(database.db)).settings).toMatchObject({ denominator: 8, wingspanMm: 1720 });
    expect(readSettings({ denominator: 7 })).toEqual(USUAL_SETTINGS);
  });

  it('saves from the present revision, and counts the same change once', async () => {
    const { id } = await addPiece(database.db, ws, doc('one'));
    const save = { doc: doc('two'), baseRevision: 1, changeId: 'c1' };
    expect(await savePiece(database.db, ws, id, save)).toEqual({ kind: 'saved', revision: 2 });
    expect(await savePiece(database.db, ws, id, save)).toEqual({ kind: 'saved', revision: 2 });
    expect((await there(database, ws, id))?.doc).toEqual(doc('two'));
    expect(await savePiece(database.db, ws, crypto.randomUUID(), save)).toEqual({ kind: 'missing' });
  });

  it('keeps both versions when a save comes too late, and either can go on', async () => {
    const start = async () => {
      const { id } = await addPiece(database.db, ws, doc('start'));
      await savePiece(database.db, ws, id, { doc: doc('first'), baseRevision: 1, changeId: 'a' });
      const late = await savePiece(database.db, ws, id, { doc: doc('late'), baseRevision: 1, changeId: 'b' });
      if (late.kind !== 'stale') throw new Error(late.kind);
      expect((await asideVersions(database.db, ws, id)).found.map((v) => v.doc.name)).toEqual(['late']);
      return { id, asideId: late.asideId };
    };
    const names = async (id: string) => (await there(database, ws, id))?.doc.name;

    const one = await start();
    await settle(database.db, ws, one.asideId, 'keep current');
    expect(await names(one.id)).toBe('first');
    expect((await asideVersions(database.db, ws, one.id)).found).toEqual([]);

    const two = await start();
    await settle(database.db, ws, two.asideId, 'use aside');
    expect(await names(two.id)).toBe('late');
    expect((await there(database, ws, two.id))?.revision).toBe(3);

    const three = await start();
    const both = await settle(database.db, ws, three.asideId, 'keep both');
    expect(both).toMatchObject({
      kind: 'settled',
      piece: { doc: { name: 'first' } },
      other: { doc: { name: 'late (other version)' } },
    });
    expect(await settle(database.db, ws, crypto.randomUUID(), 'keep both')).toEqual({ kind: 'missing' });
  });

  it('a version is settled once: chosen again it makes no second copy', async () => {
    const { id } = await addPiece(database.db, ws, doc('start'));
    await savePiece(database.db, ws, id, { doc: doc('first'), baseRevision: 1, changeId: 'a' });
    const late = await savePiece(database.db, ws, id, { doc: doc('late'), baseRevision: 1, changeId: 'b' });
    if (late.kind !== 'stale') throw new Error(late.kind);
    await settle(database.db, ws, late.asideId, 'keep both');
    for (const again of SETTLEMENTS)
      expect(await settle(database.db, ws, late.asideId, again)).toMatchObject({
        kind: 'already',
        piece: { doc: { name: 'first' }, revision: 2 },
      });
    expect((await pieces(database.db, ws)).found).toHaveLength(2);
  });

  it('a change takes the place of earlier ones of its window, whether they had arrived or not', async () => {
    const { id } = await addPiece(database.db, ws, doc('start'));
    const save = (name: string, baseRevision: number, after: string[] = []) =>
      savePiece(database.db, ws, id, { doc: doc(name), baseRevision, changeId: name, after });
    // It arrived, and nobody heard.
    await save('one', 1);
    expect(await save('two', 1, ['one'])).toEqual({ kind: 'saved', revision: 3 });
    // It never arrived.
    expect(await save('four', 3, ['three'])).toEqual({ kind: 'saved', revision: 4 });
    // Somebody else was quicker: one version aside, the newest, however often the window sends.
    expect((await save('late', 3)).kind).toBe('stale');
    expect((await save('later', 3, ['late'])).kind).toBe('stale');
    expect((await asideVersions(database.db, ws, id)).found.map((v) => v.doc.name)).toEqual(['later']);
    expect((await there(database, ws, id))?.doc.name).toBe('four');
  });

  it('many saves at once go together, each for itself', async () => {
    const ids: string[] = [];
    for (let i = 0; i < 12; i++) ids.push((await addPiece(database.db, ws, doc(`start ${i}`))).id);
    const save = (id: string, name: string, baseRevision: number, workspace = ws) =>
      savePiece(database.db, workspace, id, { doc: doc(name), baseRevision, changeId: `${id} ${name}` });
    const [first = '', second = '', third = ''] = ids;
    const answers = await Promise.all([
      ...ids.map((id) => save(id, 'one', 1)),
      // The same piece again: by what the one before has made of it.
      save(first, 'two', 2),
      save(first, 'late', 1),
      save(second.toUpperCase(), 'TWO', 2),
      save(crypto.randomUUID(), 'nobody', 1),
      save(third, 'elsewhere', 2, crypto.randomUUID()),
    ]);
    const saved = (revision: number) => ({ kind: 'saved', revision });
    expect(answers.slice(0, 13)).toEqual([...ids.map(() => saved(2)), saved(3)]);
    expect(answers[13]?.kind).toBe('stale');
    expect(answers[14]).toEqual(saved(3));
    expect(answers.slice(15)).toEqual([{ kind: 'missing' }, { kind: 'missing' }]);
    expect((await there(database, ws, first))?.doc.name).toBe('two');
    expect((await there(database, ws, third))?.doc.name).toBe('one');
  });

  it('keeps what is changed of the settings, whoever else changes something meanwhile', async () => {
    const change = (settings: SettingsChange) => changeWorkspace(database.db, ws, { settings });
    const easeMm = (snug: number) => ({ snug, comfortable: 50, loose: 60 });
    await Promise.all([
      change({ denominator: 8 }),
      change({ decimal: ',' }),
      change({ easeMm: { bracelet: easeMm(1) } }),
      change({ easeMm: { ring: easeMm(2) } }),
      changeWorkspace(database.db, ws, { lengthUnit: 'cm' }),
    ]);
    const now = await theWorkspace(database.db);
    expect(now.lengthUnit).toBe('cm');
    expect(now.settings).toMatchObject({
      denominator: 8,
      decimal: ',',
      easeMm: { bracelet: easeMm(1), ring: easeMm(2) },
    });
    expect(now.settingsRevision).toBe(5);
    await expect(change({ easeMm: { ring: { snug: 9, comfortable: 3, loose: 4 } } })).rejects.toThrow(
      Refusal,
    );
    expect((await theWorkspace(database.db)).settings.easeMm.ring).toEqual(easeMm(2));
  });

  recordTests(() => ({ database, ws }), doc);

  it('14,000 rows are kept in one go, or none of them', async () => {
    const needle = NEEDLES[0];
    if (!needle) throw new Error('The catalogue is empty.');
    const many = Array.from({ length: 14_000 }, (_, i) => ({ ...needle, id: `own-${i}` }));
    const none = { beads: [], threads: [], findings: [], clasps: [] };
    await keepCatalogue(database.db, ws, { ...none, needles: [...many, ...many.slice(0, 10)] });
    expect((await catalogue(database.db, ws)).needles).toHaveLength(NEEDLES.length + 14_000);
    const half = { ...none, needles: [{ ...needle, id: 'new' }], clasps: [{ id: 'broken' }] as never };
    await expect(keepCatalogue(database.db, ws, half)).rejects.toThrow(Refusal);
    expect((await catalogue(database.db, ws)).needles.some(({ id }) => id === 'new')).toBe(false);
  });

  it('keeps what a card says, a newer one in the place of the older', async () => {
    const { id } = await addPiece(database.db, ws, doc('one'));
    const card = { pieceId: id, revision: 1, workedOutWith: 'x', card: { units: 20 } };
    await keepCards(database.db, ws, [card]);
    await keepCards(database.db, ws, [{ ...card, revision: 2 }]);
    await keepCards(database.db, ws, []);
    expect(await cardsOf(database.db, ws, [id])).toMatchObject([{ ...card, revision: 2 }]);
    expect(await cardsOf(database.db, crypto.randomUUID(), [id])).toEqual([]);
    expect(await cardsOf(database.db, ws, [])).toEqual([]);
  });

  it('never shows or changes another workspace’s pieces', async () => {
    const { id } = await addPiece(database.db, ws, doc('mine'));
    const other = crypto.randomUUID();
    expect(await pieceById(database.db, other, id)).toBeNull();
    expect(
      await savePiece(database.db, other, id, { doc: doc('x'), baseRevision: 1, changeId: 'x' }),
    ).toEqual({ kind: 'missing' });
    expect(await putAway(database.db, other, 'piece', id, true)).toBe(false);
  });

  it('puts a piece away and back', async () => {
    const { id } = await addPiece(database.db, ws, doc('one'));
    expect(await putAway(database.db, ws, 'piece', id, true)).toBe(true);
    expect((await pieces(database.db, ws)).found).toEqual([]);
    await putAway(database.db, ws, 'piece', id, false);
    expect((await pieces(database.db, ws)).found.map((p) => p.id)).toEqual([id]);
  });

  it('migrates twice without harm', async () => {
    await migrate(database);
    expect((await theWorkspace(database.db)).id).toBe(ws);
  });
});
