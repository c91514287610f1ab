// Damaged requests to the built program: none is answered by a fault, all of them in words, and nothing stops it.
import { NO_SWATCHES } from '@/core/fit/swatchBook';
import { shippedLayouts } from '@/core/layout/shipped';
import { layOnMat } from '@/core/making/mat';
import { USUAL_SETTINGS } from '@/core/records/settings';
import { examplePiece, DEMO_PIECES } from '@/demo/choir';
import type { Served } from '../served';
import { damage, oneOf, randoms } from './random';

/** Sends so many damaged requests, some to every route. Throws for one that was answered by a fault or without words. */
export async function damagedRequests({ url }: Served, count: number, seed = 11): Promise<string> {
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
    ['GET', () => `/make/${oneOf(ids, random)}`, () => null],
  ] as const;
  const statuses = new Map<number, number>();
  for (let i = 0; i < count; i++) {
    const [method, path, body] = oneOf(shapes, random);
    let value: unknown = body();
    for (let hits = 0; hits <= i % 3; hits++) value = damage(value, random);
    const text = random() < 0.1 ? JSON.stringify(value).slice(0, 40) : JSON.stringify(value);
    const place = path();
    const answer = await fetch(url + place, {
      method,
      headers: { 'content-type': 'application/json', origin: url },
      ...(method !== 'GET' && { body: text }),
    });
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
    const said = await answer.text();
    const fault = (what: string) =>
      new Error(`request ${i} (seed ${seed}): ${method} ${place} ${what}: ${said}`);
    if (answer.status >= 500) throw fault(`was answered by ${answer.status}`);
    // A save that came too late is no refusal: it is kept aside, and its answer says where.
    if (
      !answer.ok &&
      answer.status !== 409 &&
      place.startsWith('/api') &&
      !/"message":"[A-Z].*\."/.test(said)
    )
      throw fault('was answered without words');
  }
  for (const screen of ['/', '/swatches', '/people', '/materials', '/settings', `/plan/${id}`]) {
    const { status } = await fetch(url + screen);
    if (status !== 200) throw new Error(`after ${count} damaged requests ${screen} answers ${status}`);
  }
  const counts = [...statuses].sort(([a], [b]) => a - b).map(([status, n]) => `${status}: ${n}`);
  return `${count} damaged requests: ${counts.join(', ')}; every screen opens after them`;
}
