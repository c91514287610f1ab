// Damaged requests to the built program: none is answered by a fault, all of them in words, and nothing stops it.
import { NO_SWATCHES } from '@/core/fit/swatchBook';
import { shippedLayouts } from '@/core/layout/shipped';
import { layOnMat } from '@/core/making/mat';
import { USUAL_SETTINGS } from '@/core/records/settings';
import { examplePiece, DEMO_PIECES } from '@/demo/choir';
import { atFullPace, fixedWork } from '../pace';
import type { Served } from '../served';
import { damage, oneOf, randoms } from './random';

/** Slower than this no answer may be, ms: where nothing else is done on the machine, at its full pace. */
export const SLOW_MS = 2000;
/** Beside other tests speed is not measured: slower than this, ms, an answer hangs. */
export const HANGS_MS = 60_000;

/** Megabytes that a careless reader would choke on: what each is, where it is sent, and the text. */
function floods(
  pieceId: string,
  mat: object,
  whole: unknown,
): readonly (readonly [string, string, string])[] {
  const look = '/api/files/look';
  const within = (value: object, key: string, flood: string) =>
    JSON.stringify({ ...value, [key]: 'FLOOD' }).replace('"FLOOD"', () => flood);
  const list = (item: string, count: number) => `[${Array(count).fill(item).join()}]`;
  const file = (key: string, flood: string) => within(whole as object, key, flood);
  return [
    [
      'a mat of nothing',
      '/api/mats',
      within({ pieceId, mat: 0 }, 'mat', within(mat, 'parts', list('{}', 2_000_000))),
    ],
    ['pieces of nothing', look, file('pieces', list('{}', 1_000_000))],
    ['numbers for people', look, file('people', list('0', 2_000_000))],
    ['mats of nothing', look, file('mats', list('{}', 1_000_000))],
    ['too many of anything', look, file('pieces', list('0', 20_000_000))],
    ['a nest', look, '['.repeat(20_000_000)],
    ['a long table', look, `name,wrist_mm\n${'a,165\n'.repeat(6_000_000)}`],
    ['rows without end', look, `name,wrist_mm\n${'a,165\n'.repeat(300_000)}`],
    ['a wide table', look, `name${','.repeat(1_900_000)}\n`],
    ['wide rows', look, `name,wrist_mm\n${`${','.repeat(90_000)}\n`.repeat(20)}`],
    ['quotes', look, `name,wrist_mm\n"${'a,"1\n'.repeat(390_000)}`],
  ];
}

/**
 * Sends so many damaged requests, some to every route. Throws for one that was answered by a fault, without words, or after
 * more than `mostMs`.
 */
export async function damagedRequests(
  { url }: Served,
  count: number,
  mostMs: number,
  seed = 11,
): Promise<string> {
  const random = randoms(seed);
  const made = await fetch(`${url}/api/pieces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: url },
    body: JSON.stringify(examplePiece('lantern-line')),
  });
  const { id } = (await made.json()) as { id: string };
  const laid = layOnMat(
    examplePiece('lantern-line'),
    { layouts: shippedLayouts, swatches: NO_SWATCHES, habits: USUAL_SETTINGS },
    'soak',
  );
  if (!laid.ok) throw new Error(laid.problem.code);
  const whole: unknown = await (await fetch(`${url}/api/files/workspace`)).json();
  const ids = [id, crypto.randomUUID(), 'banana', '%ff', '%00', '..%2f..', 'x'.repeat(3000)];
  const doc = () => examplePiece(oneOf(DEMO_PIECES, random));
  const shapes = [
    ['POST', () => '/api/pieces', () => doc()],
    [
      'PUT',
      () => `/api/pieces/${oneOf(ids, random)}`,
      () => ({ revision: 1, changeId: 'c', after: ['a'], doc: doc() }),
    ],
    ['PATCH', () => '/api/settings', () => ({ lengthUnit: 'cm', settings: { denominator: 8, easeMm: {} } })],
    ['POST', () => '/api/cards', () => ({ ids: [id, crypto.randomUUID()] })],
    ['GET', () => `/api/pieces/${oneOf(ids, random)}`, () => null],
    [
      'GET',
      () => `/api/rows?shelf=${oneOf(['piece', 'x', ''], random)}&id=${oneOf(ids, random)}`,
      () => null,
    ],
    ['GET', () => `/plan/${oneOf(ids, random)}`, () => null],
    ['POST', () => '/api/mats', () => ({ pieceId: oneOf(ids, random), mat: laid.mat })],
    [
      'POST',
      () => `/api/mats/${oneOf(ids, random)}`,
      () => ({
        since: 0,
        events: [
          {
            id: crypto.randomUUID(),
            window: 'w',
            after: null,
            at: '2026-06-01T10:00:00.000Z',
            what: { did: 'go', to: { part: 'main', made: 0, at: 3 } },
          },
        ],
      }),
    ],
    ['GET', () => `/api/mats?piece=${oneOf(ids, random)}`, () => null],
    [
      'POST',
      () => `/api/files/${oneOf(['look', 'bring', 'eat'], random)}`,
      () => oneOf([doc(), whole], random),
    ],
    ['PUT', () => `/api/photos/${oneOf(ids, random)}?mat=${oneOf(ids, random)}`, () => 'no picture'],
    [
      'GET',
      () =>
        `/api/files/${oneOf(['workspace', 'people', 'swatches', 'piece', 'x'], random)}?id=${oneOf(ids, random)}`,
      () => null,
    ],
    ['GET', () => `/make/${oneOf(ids, random)}`, () => null],
  ] as const;
  const statuses = new Map<number, number>();
  let slowest = 0;
  const send = async (name: string, method: string, place: string, text: string | null) => {
    const before = fixedWork();
    const began = performance.now();
    const answer = await fetch(url + place, {
      method,
      headers: { 'content-type': 'application/json', origin: url },
      ...(text !== null && { body: text }),
    });
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
    const said = await answer.text();
    const took = performance.now() - began;
    slowest = Math.max(slowest, took);
    const fault = (what: string) => new Error(`${name}: ${method} ${place} ${what}: ${said.slice(0, 2000)}`);
    if (took > mostMs && atFullPace(took, before, fixedWork()) > mostMs)
      throw fault(`was answered after ${Math.round(took)} ms`);
    if (answer.status >= 500) throw fault(`was answered by ${answer.status}`);
    // A save that came too late is no refusal: it is kept aside, and its answer says where.
    if (
      !answer.ok &&
      answer.status !== 409 &&
      place.startsWith('/api') &&
      !/"message":"[A-Z].*\."/.test(said)
    )
      throw fault('was answered without words');
    return said;
  };
  for (let i = 0; i < count; i++) {
    const [method, path, body] = oneOf(shapes, random);
    let value: unknown = body();
    for (let hits = 0; hits <= i % 3; hits++) value = damage(value, random);
    const text = random() < 0.1 ? JSON.stringify(value).slice(0, 40) : JSON.stringify(value);
    await send(`request ${i} (seed ${seed})`, method, path(), method === 'GET' ? null : text);
  }
  for (const [name, place, text] of floods(id, laid.mat, whole)) {
    const said = await send(name, 'POST', place, text);
    if (!/"(?:message|why)":"[^"]+\."/.test(said)) throw new Error(`${name} was not refused in words`);
  }
  for (const screen of ['/', '/swatches', '/people', '/materials', '/settings', `/plan/${id}`]) {
    const { status } = await fetch(url + screen);
    if (status !== 200) throw new Error(`after ${count} damaged requests ${screen} answers ${status}`);
  }
  const counts = [...statuses].sort(([a], [b]) => a - b).map(([status, n]) => `${status}: ${n}`);
  return `${count} damaged requests: ${counts.join(', ')}; the slowest answer took ${Math.round(slowest)} ms; every screen opens after them`;
}
