import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { examplePiece } from '@/demo/choir';
import { partOf } from '@/core/piece/partOfPiece';
import { patternOf } from '@/core/records/pattern';
import { swatchOf } from '@/core/records/swatches';
import { runs } from '@/core/testing/thorough';
import { catalogueCsv } from '@/data/catalogueCsv';
import { BEADS, CLASPS, FINDINGS, NEEDLES, THREADS } from '@/core/materials/catalogue';
import { addPerson, people } from '@/data/people';
import { addPattern, patterns } from '@/data/patterns';
import { addPiece, pieces } from '@/data/pieces';
import { addSwatch, swatches } from '@/data/swatches';
import { catalogue } from '@/data/materials';
import { getFile, postFile, type FileOutcome } from './fileRoute';
import { benchForEach, request } from './testing/bench';
vi.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const { db, workspaceId } = benchForEach();
const at = (id: string) => ({ params: Promise.resolve({ id }) });
const taken = async (what: string, id = '') => {
  const answer = await getFile(request(null, 'GET', `/?id=${id}`), at(what));
  return {
    status: answer.status,
    text: await answer.text(),
    name: answer.headers.get('content-disposition'),
  };
};
const send = async (how: 'look' | 'bring', text: string): Promise<FileOutcome> => {
  const answer = await postFile(request(text, 'POST'), at(how));
  expect(answer.status).toBe(200);
  return (await answer.json()) as FileOutcome;
};
const doc = examplePiece('slack-water');

describe('files', () => {
  it('a piece goes out as its own file, and comes in as a piece of its own, for nobody here', async () => {
    const { id } = await addPiece(db(), workspaceId(), doc);
    const { text, name } = await taken('piece', id);
    expect(name).toContain('filename="slack-water.json"');
    expect(JSON.parse(text)).toEqual(doc);
    const look = await send('look', text);
    expect(look).toMatchObject({
      kind: 'piece',
      is: 'a piece',
      brought: { pieces: { added: 1 } },
      problems: [],
    });
    expect((await pieces(db(), workspaceId())).found).toHaveLength(1);
    expect((await send('bring', text)).brought).toEqual(look.brought);
    const all = (await pieces(db(), workspaceId())).found;
    expect(all.map((one) => one.doc.name)).toEqual(['Slack water', 'Slack water']);
  });

  it('a pattern takes along who made it, what may be done with it, and what was found wrong', async () => {
    const about = {
      author: 'the ferry choir',
      source: 'our own',
      permission: 'make and sell what you make',
      changes: '',
      errata: [{ on: '2026-06-01', text: 'Row 3 begins with B.' }],
    };
    const { id } = await addPattern(db(), workspaceId(), patternOf(doc, about));
    const { text } = await taken('pattern', id);
    expect(await send('bring', text)).toMatchObject({ kind: 'pattern', brought: { patterns: { added: 1 } } });
    const found = (await patterns(db(), workspaceId())).found;
    expect(found.map((one) => one.doc.about)).toEqual([about, about]);
  });

  it('people as a table: changed in a spreadsheet, what differs becomes a measure of the day', async () => {
    await addPerson(db(), workspaceId(), { name: '=Maren, “alto”', note: 'a;b', girths: { wrist: 159.5 } });
    const { text } = await taken('people');
    expect(await send('look', text)).toMatchObject({
      kind: 'people',
      brought: { people: { same: 1, added: 0 } },
    });
    const changed = `${text.replace('159.5', '"16,2 cm"')}\n,Pell,tenor,181,,,,398,,,\n`;
    expect(await send('bring', changed)).toMatchObject({
      problems: [],
      brought: { people: { same: 1, added: 1 } },
    });
    const [maren, pell] = (await people(db(), workspaceId())).found.toSorted((a, b) =>
      a.name.localeCompare(b.name),
    );
    expect(maren).toMatchObject({ name: '=Maren, “alto”', girths: { wrist: 162 } });
    expect(maren?.measures).toHaveLength(2);
    expect(pell).toMatchObject({ name: 'Pell', girths: { wrist: 181, neck: 398 } });
  });

  it('swatches as a table, and materials: nothing is lost on the way', async () => {
    const swatch = swatchOf(partOf(doc), {
      units: 20,
      lengthMm: 61.25,
      takenOn: '2026-06-01',
      tension: 'tight',
      note: 'first',
      without: [],
    });
    await addSwatch(db(), workspaceId(), swatch);
    const { text } = await taken('swatches');
    expect(await send('bring', text)).toMatchObject({ brought: { swatches: { same: 1, added: 0 } } });
    const longer = text.replace('61.25', '62');
    expect(await send('bring', longer)).toMatchObject({ brought: { swatches: { beside: 1 } } });
    expect((await swatches(db(), workspaceId())).found.map((one) => one.doc.lengthMm).toSorted()).toEqual([
      61.25, 62,
    ]);

    const whole = { beads: BEADS, threads: THREADS, needles: NEEDLES, clasps: CLASPS, findings: FINDINGS };
    const table = catalogueCsv({
      ...whole,
      beads: [{ ...BEADS[0], lengthMm: 9.9 } as (typeof BEADS)[number]],
    });
    expect(await send('bring', table)).toMatchObject({ kind: 'materials' });
    expect((await catalogue(db(), workspaceId())).beads[0]?.lengthMm).toBe(9.9);
  });

  it.each([
    ['nothing', '', /empty/],
    ['cut off JSON', '{"format": 3, "parts": [', /cut off, or no JSON/],
    ['another’s JSON', '{"hello": 1}', /no piece, no pattern/],
    ['a table of something else', 'a,b\n1,2', /not the columns/],
    ['an invisible character', '{"format":3,"parts":[],"name":"\\u0000"}', /U\+0000/],
  ])('%s is refused in words, and changes nothing', async (_, text, words) => {
    const outcome = await send('bring', text);
    expect(outcome.brought).toBeNull();
    expect(outcome.problems[0]?.why).toMatch(words);
    expect((await pieces(db(), workspaceId())).found).toEqual([]);
  });

  it('of a table with one bad line nothing is brought in, and every bad line is told', async () => {
    const outcome = await send('bring', 'name,wrist_mm\nMaren,159\nPell,far\n,170\nIlse,9');
    expect(outcome.brought).toBeNull();
    expect(outcome.problems.map(({ path }) => path)).toEqual([
      'line 3, wrist_mm',
      'line 4, name',
      'line 5, wrist_mm',
    ]);
    expect((await people(db(), workspaceId())).found).toEqual([]);
    const materials = await send('bring', 'kind,id,name,diameter_mm\nneedle,n1,fine,0.4\nneedle,n2,coarse,x');
    expect(materials).toMatchObject({ brought: null, problems: [{ path: 'line 3' }] });
    expect((await catalogue(db(), workspaceId())).needles.some(({ id }) => id === 'n1')).toBe(false);
  });

  it('whatever is in a file, it is answered in words, and what cannot be read leaves everything as it was', async () => {
    const whole = JSON.parse((await taken('workspace')).text) as Record<string, unknown>;
    const text = fc.oneof(
      fc.string({ unit: 'binary', maxLength: 60 }),
      fc.json(),
      fc
        .array(fc.array(fc.string({ maxLength: 8 }), { maxLength: 4 }), { maxLength: 4 })
        .map((rows) =>
          ['name,wrist_mm,kind,units,length_mm,document', ...rows.map((row) => row.join(','))].join('\n'),
        ),
      fc
        .record({ key: fc.constantFrom(...Object.keys(whole)), value: fc.jsonValue() })
        .map(({ key, value }) => JSON.stringify({ ...whole, [key]: value })),
    );
    await fc.assert(
      fc.asyncProperty(text, async (content) => {
        const before = (await pieces(db(), workspaceId())).found.length;
        const answer = await postFile(request(content, 'POST'), at('bring'));
        expect([200, 400]).toContain(answer.status);
        const outcome = (await answer.json()) as FileOutcome;
        if (outcome.brought) return;
        expect(outcome.problems.length).toBeGreaterThan(0);
        expect((await pieces(db(), workspaceId())).found).toHaveLength(before);
      }),
      { seed: 25, numRuns: runs(60) },
    );
  });

  it('what is not there is told', async () => {
    for (const [what, id] of [
      ['piece', crypto.randomUUID()],
      ['pattern', 'x'],
      ['secrets', ''],
      ['__proto__', ''],
    ] as const)
      expect((await taken(what, id)).status).toBe(404);
    expect((await postFile(request('{}', 'POST'), at('eat'))).status).toBe(404);
  });
});
