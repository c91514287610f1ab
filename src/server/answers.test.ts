import { describe, expect, it, vi } from 'vitest';
import { UNMEASURED } from '@/core/materials/learn';
import { newPiece } from '@/core/piece/newPiece';
import type { Piece } from '@/core/piece/piece';
import { swatchOf } from '@/core/records/swatches';
import { people } from '@/data/people';
import { pieceById, pieces } from '@/data/pieces';
import type { Answer } from './answer';
import {
  bringMaterialsAction,
  forgetMeasuresAction,
  measureBeadAction,
  addClaspAction,
  addThreadAction,
} from './actions/materials';
import { addMeasureAction, addPersonAction, changePersonAction } from './actions/people';
import {
  duplicateAction,
  keepPatternAction,
  makeAgainAction,
  setBesideAction,
  settleAction,
  startPieceAction,
} from './actions/pieces';
import { putAwayAction } from './actions/archive';
import { addSwatchAction } from './actions/swatches';
import { patchSettings } from './settingsRoute';
import { benchForEach, request } from './testing/bench';
import { partOf } from '@/core/piece/partOfPiece';
vi.mock('next/cache', () => ({ revalidatePath: () => undefined }));
// Planning in a thread of its own is for the built program; here it is asked directly.
vi.mock('./planner', async () => {
  const { answerPlanAsk } = await import('@/workers/answerPlanAsk');
  return { planned: (ask: Parameters<typeof answerPlanAsk>[0]) => Promise.resolve(answerPlanAsk(ask)) };
});

const { db, workspaceId } = benchForEach();
const doc = (name: string) => newPiece(name, 'strung-line', null);
/** Words for a weaver: a sentence, and nothing of schemas, engines or statements. */
function expectWords(message: unknown) {
  expect(message).toMatch(/^[A-Z0-9“].*[.]$/s);
  expect(message).not.toMatch(/expected|received|undefined|null|zod|Failed query|select|insert|params/);
}

describe('a piece is started', () => {
  const start = async (asked: Partial<Parameters<typeof startPieceAction>[0]>) => {
    const made = await startPieceAction({
      structureId: 'flat-peyote',
      kind: 'bracelet',
      personId: null,
      typical: 'medium',
      ...asked,
    });
    if (!made.ok) throw new Error(made.message);
    const found = await pieceById(db(), workspaceId(), made.value);
    if (!found?.ok) throw new Error('it is not there');
    return partOf(found.value.doc);
  };

  it('as snug as is asked, in the bead that is asked for; as is usual where nothing is asked', async () => {
    expect((await start({})).wear).toMatchObject({ school: 'ease', fit: 'comfortable' });
    const doc = await start({ fit: 'snug', beadId: 'seed-8' });
    expect(doc.wear).toMatchObject({ school: 'ease', fit: 'snug' });
    expect(doc.beads.A.id).toBe('seed-8');
    // A length that is one figure knows no ease.
    expect((await start({ typical: null, fit: 'snug' })).wear).toMatchObject({ school: 'flat' });
  });

  it('with beads as they were measured, until the catalogue’s sizes are gone back to', async () => {
    const { id, lengthMm } = (await start({})).beads.A;
    const measured = { ...UNMEASURED, tenMm: 9 * lengthMm };
    expect((await measureBeadAction({ id, measured })).ok).toBe(true);
    expect((await start({})).beads.A.lengthMm).toBeCloseTo(0.9 * lengthMm, 9);
    const kept = (await start({})).beads.A;
    expect((await forgetMeasuresAction({ id, measured: null })).ok).toBe(true);
    expect((await start({})).beads.A).toMatchObject({
      lengthMm,
      source: expect.not.stringMatching('measured'),
    });
    expect((await forgetMeasuresAction({ id, measured: kept })).ok).toBe(true);
    expect((await start({})).beads.A.lengthMm).toBeCloseTo(0.9 * lengthMm, 9);
    expect(await forgetMeasuresAction({ id: 'own-1', measured: null })).toMatchObject({ ok: false });
  });
});

describe('two people of one name', () => {
  it('are refused in words, whether added or called so later; her own name anybody may keep', async () => {
    const add = (name: string) => addPersonAction({ name, girths: { wrist: '16 cm' }, unit: 'cm' });
    const first = await add('Eydis');
    if (!first.ok) throw new Error(first.message);
    expect(await add(' eydis ')).toMatchObject({ ok: false, message: expect.stringMatching(/Eydis|eydis/) });
    const other = await add('Eydis B');
    if (!other.ok) throw new Error(other.message);
    expect(await changePersonAction({ id: other.value.id, name: 'Eydis' })).toMatchObject({ ok: false });
    expect((await changePersonAction({ id: other.value.id, name: 'EYDIS B' })).ok).toBe(true);
    expect((await people(db(), workspaceId())).found.map(({ name }) => name).sort()).toEqual([
      'EYDIS B',
      'Eydis',
    ]);
  });
});

describe('a longest name', () => {
  const name = 'Mårten-Ingvar '.repeat(6).slice(0, 77) + '👩‍👧';

  it('of a person is a name of a piece still, cut between whole characters', async () => {
    expect(name.length).toBeGreaterThan(80);
    const long = name.slice(0, 77).trim() + 'xyz';
    expect(long).toHaveLength(80);
    const made = await addPersonAction({ name: long, girths: { wrist: '16 cm' }, unit: 'cm' });
    if (!made.ok) throw new Error(made.message);
    const started = await startPieceAction({
      structureId: 'strung-line',
      kind: 'bracelet',
      personId: made.value.id,
      typical: null,
    });
    if (!started.ok) throw new Error(started.message);
    const [first] = (await pieces(db(), workspaceId())).found;
    expect(first?.doc.name).toHaveLength(80);
    for (const act of [
      duplicateAction(started.value),
      keepPatternAction(started.value),
      makeAgainAction({ from: 'piece', id: started.value, personId: made.value.id, typical: null }),
    ])
      expect((await act).ok).toBe(true);
    expect((await pieces(db(), workspaceId())).unreadable).toEqual([]);
    expect((await pieces(db(), workspaceId())).found).toHaveLength(3);
  });
});

describe('odd measures are refused in words', () => {
  it('with the weaver’s own decimal sign', async () => {
    const refusal = async () => addThreadAction({ name: 'x', called: 'rope', make: 'gel-spun' });
    expect(await refusal()).toMatchObject({ message: expect.stringContaining('0.15 mm') as string });
    await patchSettings(request({ settings: { decimal: ',' } }, 'PATCH'));
    expect(await refusal()).toMatchObject({ message: expect.stringContaining('0,15 mm') as string });
  });

  const UNMEASURED = {
    tenMm: null,
    hundredGrams: null,
    diameterMm: null,
    holeMm: null,
    widthMm: null,
    apartMm: null,
  };
  const refusals: [string, () => Promise<Answer<unknown>>][] = [
    [
      'a bead of two metres',
      () => measureBeadAction({ id: 'seed-8', measured: { ...UNMEASURED, diameterMm: 1999 } }),
    ],
    ['nothing measured', () => measureBeadAction({ id: 'seed-8', measured: UNMEASURED })],
    ['a bead that is gone', () => measureBeadAction({ id: 'x', measured: { ...UNMEASURED, tenMm: 15 } })],
    ['a thread of no thickness', () => addThreadAction({ name: 'x', called: '0 mm', make: 'gel-spun' })],
    ['a thread as thick as a rope', () => addThreadAction({ name: 'x', called: '900 mm', make: 'gel-spun' })],
    [
      'a clasp without end',
      () =>
        addClaspAction({ name: 'x', shape: 'lobster', closed: '9 m', unit: 'cm', loops: 1, plated: true }),
    ],
    ['a wrist in the year 0', () => measureOf('0000-01-01')],
    ['a wrist on no day', () => measureOf('2026-02-31')],
    ['a wrist of the day after all', () => measureOf('9999-12-31')],
    ['somebody who is gone', () => changePersonAction({ id: crypto.randomUUID(), name: 'x' })],
    ['a version that is gone', () => settleAction({ asideId: crypto.randomUUID(), choice: 'keep both' })],
    ['a version of nothing', () => setBesideAction({ pieceId: crypto.randomUUID(), doc: doc('x') })],
    ['a version that is none', () => setBesideAction({ pieceId: crypto.randomUUID(), doc: {} as Piece })],
    [
      'a shelf that is none',
      () => putAwayAction({ shelf: 'material' as 'piece', id: crypto.randomUUID(), away: true }),
    ],
  ];
  const measureOf = async (takenOn: string) => {
    const made = await addPersonAction({ name: 'Tove', girths: {}, unit: 'cm' });
    if (!made.ok) throw new Error(made.message);
    return addMeasureAction({
      personId: made.value.id,
      place: 'wrist',
      length: '16 cm',
      unit: 'cm',
      takenOn,
    });
  };

  it.each(refusals)('%s', async (_, act) => {
    const answer = await act();
    expect(answer.ok).toBe(false);
    if (!answer.ok) expectWords(answer.message);
    expect((await people(db(), workspaceId())).found.every(({ measures }) => measures.length === 0)).toBe(
      true,
    );
  });

  it('a swatch whose parameters its stitch does not know', async () => {
    const swatch = swatchOf(partOf(doc('x')), {
      units: 20,
      lengthMm: 60,
      takenOn: '2026-06-24',
      tension: 'medium',
      note: '',
      without: [],
    });
    expect((await addSwatchAction(swatch)).ok).toBe(true);
    const odd = { ...swatch, structure: { id: 'strung-line', params: { sequence: 7 } } };
    const answer = await addSwatchAction(odd);
    expect(answer.ok).toBe(false);
    if (!answer.ok) expectWords(answer.message);
  });

  it('a table with the same id twice is not brought in at all; without it, all of it is', async () => {
    const answer = await bringMaterialsAction(
      'kind,id,name,diameter_mm\nneedle,a,first,0.4\nneedle,a,second,0.3\nneedle,b,third,0.2',
    );
    expect(answer).toMatchObject({ ok: true, value: { kept: 0 } });
    const whole = await bringMaterialsAction(
      'kind,id,name,diameter_mm\nneedle,a,first,0.4\nneedle,b,third,0.2',
    );
    expect(whole).toMatchObject({ ok: true, value: { kept: 2, problems: [] } });
  });
});
