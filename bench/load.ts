// The program under load: a bench of 200 pieces, and 200 planners who each make an edit a second.
import { Agent, request } from 'node:http';
import { chromium } from '@playwright/test';
import { newPart, newPiece } from '@/core/piece/newPiece';
import type { Piece } from '@/core/piece/piece';
import { STRUCTURES } from '@/core/structures/registry';
import { given } from '@/core/tools/given';
import { startPostgres } from '../scripts/postgres.mjs';
import { withChoir, type Served } from './served';
import { line, quantile, section } from './timing';
import { asPiece, withPart } from '@/core/piece/partOfPiece';

const PIECES = 200;
const PLANNERS = 200;
const SECONDS = 30;
const WARM = 20;
const VISITS = 10;
/** A stitch that takes long to plan, in other beads every time, so that nothing of it is remembered. */
const HEAVY = 'two-hole-line';

const wearer = { personId: null, name: 'Maren', girths: { wrist: 159 }, typical: null };
const headers = (url: string) => ({ 'content-type': 'application/json', origin: url });

async function post(url: string, doc: Piece): Promise<string> {
  const answer = await fetch(`${url}/api/pieces`, {
    method: 'POST',
    headers: headers(url),
    body: JSON.stringify(doc),
  });
  if (!answer.ok) throw new Error(await answer.text());
  return ((await answer.json()) as { id: string }).id;
}

const sorted = (times: readonly number[]) => times.toSorted((a, b) => a - b);

async function timed(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

const agent = new Agent({ keepAlive: true, maxSockets: PLANNERS });

/** Sends a request and answers with what came back; lighter than fetch, for whoever asks shares the processor with whoever answers. */
const ask = (method: 'GET' | 'PUT', url: string, path: string, body = ''): Promise<string> =>
  new Promise((resolve, reject) => {
    const sent = request(
      url + path,
      { method, agent, headers: { ...headers(url), 'content-length': Buffer.byteLength(body) } },
      (answer) => {
        let text = '';
        answer.on('data', (chunk) => (text += chunk));
        answer.on('end', () => (answer.statusCode === 200 ? resolve(text) : reject(new Error(text))));
      },
    );
    sent.on('error', reject);
    sent.end(body);
  });

/** Carries the edits of one planner: from which revision, and how long each answer took. */
function planner(url: string, id: string, doc: Piece) {
  let revision = 1;
  return async (n: number): Promise<number> =>
    timed(async () => {
      const edit = { revision, changeId: `${id}-${n}`, doc: withPart(doc, { units: 10 + (n % 40) }) };
      const answer = await ask('PUT', url, `/api/pieces/${id}`, JSON.stringify(edit));
      ({ revision } = JSON.parse(answer) as { revision: number });
    });
}

async function visits({ url }: Served): Promise<void> {
  await fetch(url).then((answer) => answer.text());
  const times: number[] = [];
  for (let i = 0; i < VISITS; i++) times.push(await timed(() => fetch(url).then((answer) => answer.text())));
  const median = quantile(sorted(times), 0.5);
  line(`the bench with ${PIECES} pieces, as it is sent, median ms`, median, median < 250, 'below 250');

  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const told = page.getByText(/beads, .* of thread/);
    const sent = await fetch(url).then((answer) => answer.text());
    const cards = sent.match(/ of thread<\/p>/g)?.length ?? 0;
    line('cards that the page itself brings', cards, cards >= 5, 'a screenful: at least 5');
    await page.goto(url);
    await told.first().waitFor();
    const seen: number[] = [];
    for (let i = 0; i < VISITS; i++) {
      await page.goto(url);
      // What the page brings is painted as one, before any script runs.
      // The browser tells of a paint a moment after it.
      const painted = await page.waitForFunction(
        () => performance.getEntriesByType('paint').at(-1)?.startTime,
      );
      seen.push(given(await painted.jsonValue(), 'time of a paint'));
    }
    const shown = quantile(sorted(seen), 0.5);
    line('its first screenful painted in a browser, median ms', shown, shown < 500, 'aim 250; fails at 500');
    await page.mouse.move(640, 400);
    const scrolled = await timed(async () => {
      for (let i = 0; i < 40; i++) await page.mouse.wheel(0, 700);
      await page.waitForFunction(
        () =>
          [...document.querySelectorAll('main li')].filter((li) => / of thread/.test(li.textContent ?? ''))
            .length > 60,
      );
    });
    line('60 cards as one scrolls, ms', scrolled, scrolled < 20_000, 'below 20,000');
  } finally {
    await browser.close();
  }
}

/** Saves while the server plans what is dearest to plan: how long the slowest had to wait. */
async function savesBeside({ url }: Served): Promise<void> {
  const doc = newPiece('Saved', 'strung-line', wearer);
  const save = planner(url, await post(url, doc), doc);
  const heavy: string[] = [];
  for (let i = 0; i < 24; i++) {
    const piece = newPart(`Heavy ${i}`, HEAVY, wearer);
    const A = { ...piece.beads.A, lengthMm: piece.beads.A.lengthMm * (1 + i / 50) };
    heavy.push(await post(url, asPiece({ ...piece, beads: { ...piece.beads, A }, units: 900 + i })));
  }
  let planning = true;
  const planned = fetch(`${url}/api/cards`, {
    method: 'POST',
    headers: headers(url),
    body: JSON.stringify({ ids: heavy }),
  }).then(async (answer) => {
    if (!answer.ok) throw new Error(await answer.text());
    planning = false;
  });
  const waits: number[] = [];
  for (let n = 0; planning || n < 20; n++) waits.push(await save(n));
  await planned;
  const longest = Math.max(...waits);
  line(`${waits.length} saves beside heavy planning, the longest, ms`, longest, longest < 100, 'below 100');
}

/** So many planners make an edit a second for so many seconds, set out evenly; how long each edit took, and how many failed. */
async function edits(
  planners: readonly ((n: number) => Promise<number>)[],
  from: number,
  seconds: number,
): Promise<{ times: number[]; errors: number }> {
  const times: number[] = [];
  let errors = 0;
  await Promise.all(
    planners.map(async (edit, i) => {
      await new Promise((resolve) => setTimeout(resolve, (1000 * i) / planners.length));
      for (let n = from; n < from + seconds; n++) {
        const took = await edit(n).catch(() => {
          errors++;
          return 0;
        });
        times.push(took);
        await new Promise((resolve) => setTimeout(resolve, Math.max(0, 1000 - took)));
      }
    }),
  );
  return { times: sorted(times), errors };
}

/** What so many planners may wait for an edit, ms. */
const MOST_P95 = [
  { count: 20, p95Ms: 100 },
  { count: 100, p95Ms: 100 },
  { count: PLANNERS, p95Ms: 500 },
] as const;

async function planners({ url }: Served, where: string): Promise<void> {
  const doc = newPiece('Planned', 'flat-peyote', wearer);
  const all: ((n: number) => Promise<number>)[] = [];
  for (let i = 0; i < PLANNERS; i++) all.push(planner(url, await post(url, doc), doc));
  // Each has the program before her, over a connection that her window keeps open.
  await Promise.all(all.map(() => ask('GET', url, '/icon.svg')));
  // A program that has just been started is slow for its first thousands of requests.
  await edits(all.slice(0, PLANNERS / 4), 0, WARM);
  let from = WARM;
  for (const { count, p95Ms } of MOST_P95) {
    const { times, errors } = await edits(all.slice(0, count), from, SECONDS);
    from += SECONDS;
    const at = (part: number) => quantile(times, part);
    const told = `${count} planners at an edit a second ${where}`;
    line(`${told}, errors`, errors, errors === 0, 'none');
    line(`${told}, median ms`, at(0.5), true, 'no aim');
    line(`${told}, p95 ms`, at(0.95), at(0.95) < p95Ms, `below ${p95Ms}`);
  }
}

/** The program with much to do. */
export async function benchLoad(): Promise<void> {
  section('The program under load');
  await withChoir(async (served) => {
    for (let i = 0; i < PIECES; i++) {
      const { id } = STRUCTURES[i % STRUCTURES.length] ?? { id: HEAVY };
      await post(served.url, newPiece(`Piece ${i}`, id, wearer));
    }
    await visits(served);
    await savesBeside(served);
    await planners(served, 'on the embedded database');
  });
  const server = await startPostgres();
  try {
    await withChoir((served) => planners(served, 'on a PostgreSQL server'), { DATABASE_URL: server.url() });
  } finally {
    await server.stop();
  }
}
