import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { describe, expect, it, vi } from 'vitest';
import { newPiece } from '@/core/piece/newPiece';
import { addPiece, pieces } from '@/data/pieces';
import { piece } from '@/data/schema';
import { theWorkspace } from '@/data/workspaces';
import type { Answer } from './answer';
import { addPersonAction } from './actions/people';
import { postCards } from './cardsRoute';
import { getMaterialsCsv } from './materialsCsv';
import { getPiece, postPiece, putPiece } from './pieceRoute';
import { getRow } from './rowRoute';
import { patchSettings } from './settingsRoute';
import { logged, benchForEach, request } from './testing/bench';
import { isWrapped, screen } from './work';
vi.mock('next/cache', () => ({ revalidatePath: () => undefined }));
// Planning in a thread of its own is for the built program; here it is asked directly.
vi.mock('./planner', async () => {
  const { answerPlanAsk } = await import('@/workers/answerPlanAsk');
  return { planned: (ask: Parameters<typeof answerPlanAsk>[0]) => Promise.resolve(answerPlanAsk(ask)) };
});

const { db, workspaceId } = benchForEach();
const doc = (name: string) => newPiece(name, 'strung-line', null);
const at = (id: string) => ({ params: Promise.resolve({ id }) });
const told = async (answer: Response) => ((await answer.json()) as { message: string }).message;

/** The data cannot be opened. */
function goneWith(message: string) {
  const gone = Promise.reject(new Error(message));
  gone.catch(() => undefined);
  Object.assign(globalThis, { ivyloom: gone });
}

/** Words for a weaver: a sentence, and nothing of schemas, engines or statements. */
function expectWords(message: unknown) {
  expect(message).toMatch(/^[A-Z0-9“].*[.]$/s);
  expect(message).not.toMatch(/expected|received|undefined|null|zod|Failed query|select|insert|params/);
}

const nested = (depth: number): unknown => {
  let value: unknown = 'end';
  for (let i = 0; i < depth; i++) value = [value];
  return value;
};

/** What nobody sends, and somebody will. */
const ODD: readonly unknown[] = [
  null,
  undefined,
  0,
  Number.NaN,
  '',
  'banana',
  '\0',
  '\ud800',
  'x'.repeat(2_000_000),
  [],
  {},
  { id: null, name: null, shelf: null, doc: null },
  { name: '\0', girths: {}, unit: 'cm' },
  nested(20_000),
  { id: nested(20_000) },
  new Date(Number.NaN),
];

const modules = async (folder: string, match: RegExp) =>
  Promise.all(
    readdirSync(join('src', folder), { recursive: true, encoding: 'utf8' })
      .filter((file) => match.test(file))
      .map(async (file): Promise<[string, Record<string, unknown>]> => [
        file,
        (await import(/* @vite-ignore */ `@/${folder}/${file}`)) as Record<string, unknown>,
      ]),
  );

const actions = (await modules('server/actions', /\.ts$/)).flatMap(([, module]) => Object.entries(module));
const routes = (await modules('app/api', /route\.ts$/)).flatMap(([file, module]) =>
  Object.entries(module).map(([method, handler]): [string, unknown] => [`${method} ${file}`, handler]),
);

describe('every action', () => {
  it('is made by the one wrapper', () => {
    expect(actions.length).toBeGreaterThanOrEqual(18);
    for (const [name, made] of actions) expect([name, isWrapped(made)]).toEqual([name, true]);
  });

  it.each(actions)('%s answers in words whatever it is given', async (_, made) => {
    for (const input of ODD) {
      const answer = await (made as (input: unknown) => Promise<Answer<unknown>>)(input);
      if (!answer.ok) expectWords(answer.message);
    }
  });

  it.each(actions)('%s answers in words where the data does not', async (_, made) => {
    const lines = logged();
    goneWith('gone');
    const answer = await (made as (input: unknown) => Promise<Answer<unknown>>)('x');
    expect(answer.ok).toBe(false);
    if (!answer.ok) expectWords(answer.message);
    expect(lines.join('')).not.toMatch(/: gone/);
  });
});

describe('every route', () => {
  it('is made by the one wrapper', () => {
    expect(routes.length).toBeGreaterThanOrEqual(7);
    for (const [name, made] of routes) expect([name, isWrapped(made)]).toEqual([name, true]);
  });

  it.each(routes)('%s answers in words whatever it is given', async (name, made) => {
    const call = made as (request: Request, context: ReturnType<typeof at>) => Promise<Response>;
    const method = name.split(' ')[0] ?? 'GET';
    const bodies = [
      ...ODD.slice(0, 13).map((odd) => JSON.stringify(odd) ?? ''),
      '{',
      `${'['.repeat(20_000)}${']'.repeat(20_000)}`,
    ];
    for (const body of bodies)
      for (const id of ['banana', '\0', crypto.randomUUID()]) {
        const answer = await call(request(body, method, '/?shelf=piece&id=1'), at(id));
        expect(answer.status).toBeLessThan(500);
        if (!answer.ok) expectWords(await told(answer));
      }
  });

  it.each(routes)('%s answers only this machine, and lets no other site write', async (name, made) => {
    const call = made as (request: Request, context: ReturnType<typeof at>) => Promise<Response>;
    const method = name.split(' ')[0] ?? 'GET';
    const ask = (headers: Record<string, string>) =>
      call(request('{}', method, '/', headers), at(crypto.randomUUID()));
    const strangers = [{ host: 'evil.example' }, { host: '127.0.0.1.evil.example' }];
    const sites = [
      { origin: 'http://evil.example' },
      { origin: 'null' },
      { origin: 'http://127.0.0.1:4000' },
    ];
    for (const headers of [...strangers, ...(method === 'GET' ? [] : sites)]) {
      const answer = await ask(headers);
      expect(answer.status).toBe(403);
      expectWords(await told(answer));
    }
    const own = await ask({});
    expect(own.status).not.toBe(403);
    expect(own.headers.get('content-security-policy')).toMatch(/default-src 'none'/);
    expect(own.headers.get('x-frame-options')).toBe('DENY');
  });

  it.each(routes)('%s answers in words where the data does not', async (name, made) => {
    const lines = logged();
    goneWith('password=quay');
    const call = made as (request: Request, context: ReturnType<typeof at>) => Promise<Response>;
    const answer = await call(request('{}', name.split(' ')[0]), at(crypto.randomUUID()));
    expect(answer.status).toBe(500);
    expectWords(await told(answer));
    expect(lines.join('')).not.toMatch(/quay/);
  });
});

describe('the routes of a piece', () => {
  const save = (part: object) => ({ revision: 1, changeId: 'c', doc: doc('two'), ...part });
  const put = (id: string, body: unknown) => putPiece(request(body), at(id));

  it('put one on the bench, read it, and save it once', async () => {
    const made = await postPiece(request(doc('one'), 'POST'));
    expect(made.status).toBe(201);
    const { id } = (await made.json()) as { id: string };
    expect(await (await getPiece(request(null, 'GET'), at(id))).json()).toMatchObject({
      id,
      revision: 1,
      doc: { name: 'one' },
    });
    expect(await (await put(id, save({}))).json()).toEqual({ revision: 2 });
    expect(await (await put(id, save({}))).json()).toEqual({ revision: 2 });
    const late = await put(id, save({ changeId: 'other' }));
    expect(late.status).toBe(409);
    expect(await (await put(id, save({ changeId: 'mine', after: ['c'] }))).json()).toEqual({ revision: 3 });
  });

  it.each([
    ['a character that no database keeps', { doc: doc('a\0b') }, 400, /U\+0000/],
    ['half a character', { doc: doc('\udc00') }, 400, /surrogate/],
    ['a revision beyond its column', { revision: 2 ** 31 }, 400, /not saved/],
    ['no revision', { revision: 0 }, 400, /not saved/],
    ['a name too long', { doc: doc('x'.repeat(81)) }, 400, /at most 80 letters/],
    ['no name for the change', { changeId: '' }, 400, /not saved/],
    ['too many changes before', { after: Array.from({ length: 201 }, String) }, 400, /not saved/],
    ['a document too large', { doc: { ...doc('x'), note: 'x'.repeat(600_000) } }, 413, /not saved/],
  ])('refuse %s', async (_, part, status, words) => {
    const { id } = await addPiece(db(), workspaceId(), doc('one'));
    const answer = await put(id, save(part));
    expect(answer.status).toBe(status);
    const message = await told(answer);
    expect(message).toMatch(words);
    expectWords(message);
    expect((await pieces(db(), workspaceId())).found[0]?.revision).toBe(1);
  });

  it('take the highest revision there is, and as many changes before as a window remembers', async () => {
    const { id } = await addPiece(db(), workspaceId(), doc('one'));
    const most = save({ revision: 2 ** 31 - 1, after: Array.from({ length: 200 }, String) });
    expect((await put(id, most)).status).toBe(409);
  });

  it('say that a piece is gone, or cannot be read', async () => {
    for (const id of [crypto.randomUUID(), 'banana', '%ff']) {
      expect((await put(id, save({}))).status).toBe(404);
      expect((await getPiece(request(null, 'GET'), at(id))).status).toBe(404);
    }
    const [bad] = await db()
      .insert(piece)
      .values({ workspaceId: workspaceId(), doc: { name: 'odd' } })
      .returning();
    const answer = await getPiece(request(null, 'GET'), at(bad?.id ?? ''));
    expect(answer.status).toBe(422);
    const raw = await getRow(request(null, 'GET', `/?shelf=piece&id=${bad?.id}`));
    expect(await raw.json()).toMatchObject({ id: bad?.id, doc: { name: 'odd' } });
    expect(raw.headers.get('content-disposition')).toMatch(/attachment/);
    const needle = await getRow(request(null, 'GET', '/?shelf=needle&id=needle-11'));
    expect(await needle.json()).toMatchObject({ kind: 'needle', key: 'needle-11' });
    expect((await getRow(request(null, 'GET', '/?shelf=needle&id=none'))).status).toBe(404);
  });

  it('give the cards of the bench, kept with the revision and worked out again only when something changes', async () => {
    const { id } = await addPiece(db(), workspaceId(), doc('one'));
    const [bad] = await db()
      .insert(piece)
      .values({ workspaceId: workspaceId(), doc: { name: 'odd' } })
      .returning();
    const cards = async () => {
      const answer = await postCards(request({ ids: [id, bad?.id, crypto.randomUUID()] }, 'POST'));
      return ((await answer.json()) as { cards: Record<string, { kind: string; card: object }> }).cards;
    };
    const first = await cards();
    expect(Object.keys(first).sort()).toEqual([id, bad?.id ?? ''].sort());
    expect(first[id]).toMatchObject({ kind: 'planned', card: { ok: true, counted: 'units' } });
    expect(first[bad?.id ?? '']).toMatchObject({ kind: 'unreadable', unreadable: { name: 'odd' } });
    // What is kept is shown: it is not worked out anew.
    const mark = sql`update piece_card set card = jsonb_set(card, '{card,units}', '4321')`;
    await db().execute(mark);
    expect((await cards())[id]).toMatchObject({ card: { units: 4321 } });
    // Until the piece changes, or the habits that it was planned with.
    await put(id, save({}));
    expect((await cards())[id]?.card).not.toMatchObject({ units: 4321 });
    await db().execute(mark);
    await patchSettings(request({ settings: { threadMargin: 0.3 } }, 'PATCH'));
    expect((await cards())[id]?.card).not.toMatchObject({ units: 4321 });
  });

  it('give the materials as a table', async () => {
    const answer = await getMaterialsCsv(request(null, 'GET'));
    expect(answer.headers.get('content-type')).toMatch(/csv/);
    expect(await answer.text()).toMatch(/^kind,id,name/);
  });
});

describe('settings', () => {
  const patch = async (body: unknown) => patchSettings(request(body, 'PATCH'));

  it('arrive, one after another or together, and are answered with all as it is now', async () => {
    const answers = await Promise.all([
      patch({ lengthUnit: 'cm' }),
      patch({ settings: { denominator: 8 } }),
      patch({ settings: { easeMm: { ring: { snug: 0, comfortable: 1, loose: 2 } } } }),
    ]);
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    expect(await theWorkspace(db())).toMatchObject({
      lengthUnit: 'cm',
      settings: { denominator: 8, easeMm: { ring: { loose: 2 } } },
      settingsRevision: 3,
    });
    expect(await (await patch({})).json()).toMatchObject({ lengthUnit: 'cm', settingsRevision: 4 });
  });

  it('out of order are refused, and nothing is changed', async () => {
    const answer = await patch({ settings: { easeMm: { ring: { snug: 5, comfortable: 1, loose: 2 } } } });
    expect(answer.status).toBe(400);
    expect(await told(answer)).toBe('Snug is the least ease, loose the most.');
    expect((await theWorkspace(db())).settingsRevision).toBe(0);
  });
});

describe('trouble with the disk or the database', () => {
  /** An installation whose every query fails so. */
  const failing = (cause: object) => {
    const failure = () => {
      throw Object.assign(new Error('Failed query: insert … params: Maren,159'), {
        query: 'insert into person values ($1)',
        params: ['Maren'],
        cause: Object.assign(new Error('for Maren'), cause),
      });
    };
    const broken = new Proxy({}, { get: () => failure });
    Object.assign(globalThis, {
      ivyloom: Promise.resolve({ database: { db: broken }, workspaceId: workspaceId() }),
    });
  };

  // Codes: PostgreSQL manual, appendix A; errno names as Node.js gives them.
  it.each([
    ['a full disk', { code: '53100' }, 507, /disk is full.*free some space/is],
    ['a full disk, told by the system', { code: 'ENOSPC' }, 507, /disk is full/],
    [
      'a full disk, told in words',
      { message: 'could not extend file: No space left on device' },
      507,
      /disk is full/,
    ],
    ['a folder that is only read', { code: 'EROFS' }, 503, /only be read/],
    ['a folder that may not be written', { code: 'EACCES' }, 503, /only be read/],
    ['a server that is gone', { code: 'ECONNREFUSED' }, 503, /does not answer/],
    ['a text that has no place', { code: '22P05' }, 400, /cannot be stored/],
    ['anything else', { code: '23502' }, 500, /fault of the program/],
  ])('%s', async (_, cause, status, words) => {
    const lines = logged();
    failing(cause);
    const answer = await postPiece(request(doc('one'), 'POST'));
    expect(answer.status).toBe(status);
    const message = await told(answer);
    expect(message).toMatch(words);
    expectWords(message);
    const acted = await addPersonAction({ name: 'Maren', girths: {}, unit: 'cm' });
    expect(acted).toEqual({ ok: false, message });
    await expect(screen(({ db }) => Promise.resolve(db.select()))).rejects.toThrow(words);
    // Nobody is named in the log.
    expect(lines.join('')).not.toMatch(/Maren|159/);
    expect(lines.length).toBeGreaterThan(0);
  });

  it('a real query that fails is logged without what it was given', async () => {
    const lines = logged();
    const trouble = screen(({ db }) => db.execute(sql`select ${'Maren'}::int`));
    await expect(trouble).rejects.toThrow(/cannot be stored/);
    expect(lines.join('')).toMatch(/select \$1::int/);
    expect(lines.join('')).toMatch(/22P02/);
    expect(lines.join('')).not.toMatch(/Maren/);
  });
});
