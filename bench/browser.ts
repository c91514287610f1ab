import { chromium, type Browser, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newPart } from '@/core/piece/newPiece';
import type { Piece } from '@/core/piece/piece';
import { shippedLayouts } from '@/core/layout/shipped';
import { MOST_EVENTS, type MakingEvent } from '@/core/making/events';
import { lastPart, layOnMat } from '@/core/making/mat';
import { planPart } from '@/core/plan/shipped';
import { USUAL_SETTINGS } from '@/core/records/settings';
import { atFullPace, fixedWork } from './pace';
import { built, serve, type Served } from './served';
import { line, quantile, section } from './timing';
import { asPiece } from '@/core/piece/partOfPiece';

const NEXT = 'node_modules/next/dist/bin/next';
const BARE = 'bench/bare';
const LOADS = 20;
const CHANGES = 40;
const MANY = 3000;
/** Our page may take so much more than a bare one of the same framework and component library. */
const AT_MOST = 1.3;

/**
 * Runs in the page before anything else. React keeps on an element its place in the tree; once the root of that tree has
 * taken over what the server sent, and that is painted, the element answers and the page can be used.
 */
const usableScript = (selector: string): string => `
  requestAnimationFrame(function look() {
    const element = document.querySelector(${JSON.stringify(selector)});
    const key = element && Object.keys(element).find((key) => key.startsWith('__reactFiber'));
    let root = key && element[key];
    while (root?.return) root = root.return;
    if (root?.stateNode.current.memoizedState.isDehydrated === false)
      setTimeout(() => { window.usableMs = performance.now(); });
    else requestAnimationFrame(look);
  });
`;

/** Milliseconds until something on the page is painted and answers, and the bytes that came for it. */
interface Loaded {
  readonly ms: number;
  readonly bytes: number;
}

async function load(browser: Browser, url: string, usable: string): Promise<Loaded> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const network = await context.newCDPSession(page);
  await network.send('Network.enable');
  let bytes = 0;
  network.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
  await page.addInitScript({ content: usableScript(usable) });
  await page.goto(url, { waitUntil: 'commit' });
  // What is fetched from then on, for things that nobody has opened yet, keeps nobody waiting.
  let ms: number | undefined;
  while ((ms = await page.evaluate<number | undefined>('window.usableMs')) === undefined)
    await page.waitForTimeout(20);
  const needed = bytes;
  // What it still asks for is answered before the next page is loaded.
  await page.waitForLoadState('networkidle');
  await context.close();
  return { ms, bytes: needed };
}

/** What is loaded: its address, and what is there once it can be used. */
type Target = readonly [url: string, usable: string];

/** The medians of loading pages in turn: a machine that slows down slows all of them. */
async function loads(browser: Browser, targets: readonly Target[]) {
  // The server has everything in memory from then on.
  for (const target of targets) await load(browser, ...target);
  const all: Loaded[][] = [];
  for (let i = 0; i < LOADS; i++) {
    const round: Loaded[] = [];
    for (const target of targets) round.push(await load(browser, ...target));
    all.push(round);
  }
  return targets.map((_, k) => {
    const median = (of: 'ms' | 'bytes') =>
      quantile(
        all.map((round) => round[k]?.[of] ?? NaN).sort((a, b) => a - b),
        0.5,
      );
    return { ms: median('ms'), bytes: median('bytes') };
  });
}

/** A piece of about so many beads, kept on the bench; its place. */
async function keepLong({ url }: Pick<Served, 'url'>, id: string, structureId: string): Promise<string> {
  const stored = (await (await fetch(`${url}/api/pieces/${id}`)).json()) as { doc: Piece; revision: number };
  const piece = newPart('A long one', structureId, stored.doc.wearer, 'necklace');
  const one = planPart({ ...piece, units: 40 });
  if (!one.ok) throw new Error(JSON.stringify(one.problem));
  const perUnit = one.quantities.reduce((sum, q) => sum + q.perUnit, 0);
  const doc = asPiece({ ...piece, units: Math.round(MANY / perUnit) });
  const response = await fetch(`${url}/api/pieces/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json', origin: url },
    body: JSON.stringify({ revision: stored.revision, changeId: structureId, doc }),
  });
  if (!response.ok) throw new Error(await response.text());
  return `${url}/plan/${id}`;
}

/** Lays the long piece on the mat, and works half of it, one step after another; how many they are. */
async function longAtTheMat({ url }: Pick<Served, 'url'>, id: string): Promise<number> {
  const ask = async (path: string, body: unknown): Promise<unknown> => {
    const response = await fetch(`${url}/api/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: url },
      body: JSON.stringify(body),
    });
    if (!response.ok) throw new Error(await response.text());
    return response.json();
  };
  await keepLong({ url }, id, 'flat-peyote');
  const { doc } = (await (await fetch(`${url}/api/pieces/${id}`)).json()) as { doc: Piece };
  const laid = layOnMat(doc, { layouts: shippedLayouts, habits: USUAL_SETTINGS }, 'bench');
  if (!laid.ok) throw new Error(laid.problem.code);
  const { id: matId } = (await ask('mats', { pieceId: id, mat: laid.mat })) as { id: string };
  const { id: part, steps } = lastPart(laid.mat);
  let after: string | null = null;
  const events = Array.from({ length: Math.floor(steps.length / 2) }, (_, i): MakingEvent => {
    const event: MakingEvent = {
      id: crypto.randomUUID(),
      window: 'bench',
      after,
      at: new Date(Date.UTC(2026, 5, 1) + i * 9000).toISOString(),
      what: { did: 'go', to: { part, made: 0, at: i + 1 } },
    };
    after = event.id;
    return event;
  });
  for (let i = 0; i < events.length; i += MOST_EVENTS)
    await ask(`mats/${matId}`, { since: 0, events: events.slice(i, i + MOST_EVENTS) });
  return events.length;
}

/** What a key press changes: the answers of the plan, or the place at the mat. */
type Region = 'The answers' | 'Where you are';

/** Runs in the page: presses a key, and tells how long it took until a region changed, and until that was painted. */
const changeScript = (region: Region, key: string): string => `
  new Promise((resolve) => {
    const slip = document.querySelector('section[aria-label="${region}"]');
    const observer = new MutationObserver(() => {
      observer.disconnect();
      const inPage = performance.now() - start;
      requestAnimationFrame(() => setTimeout(() => resolve([inPage, performance.now() - start])));
    });
    observer.observe(slip, { subtree: true, characterData: true, childList: true });
    const start = performance.now();
    const event = { key: ${JSON.stringify(key)}, bubbles: true };
    document.body.dispatchEvent(new KeyboardEvent('keydown', event));
  })
`;

/** Runs in the page: the fixed work that the pace is read off, compiled as well as it will be. */
const warmScript = `
  window.fixedWork = ${fixedWork.toString()};
  for (let i = 0; i < 50; i++) fixedWork();
`;

/**
 * Milliseconds from a key press until what it changes is in the page, and until that is painted, at the machine's full pace.
 * @param keys pressed in turn
 */
async function changes(page: Page, region: Region, keys: readonly [string, string]) {
  const times: (readonly [number, number])[] = [];
  await page.evaluate(warmScript);
  for (let i = 0; i < CHANGES; i++) {
    const key = keys[i % 2] as string;
    const before = await page.evaluate<number>('fixedWork()');
    const [inPage, painted] = await page.evaluate<readonly [number, number]>(changeScript(region, key));
    await page.waitForTimeout(400); // the picture comes after the numbers
    const after = await page.evaluate<number>('fixedWork()');
    times.push([atFullPace(inPage, before, after), atFullPace(painted, before, after)]);
  }
  const of = (k: 0 | 1) => {
    const sorted = times.map((time) => time[k]).sort((a, b) => a - b);
    return (part: number) => quantile(sorted, part);
  };
  return { inPage: of(0), painted: of(1) };
}

/** The planning screen as a browser has it: how soon it answers, and how heavy it is beside a bare page. */
export async function benchBrowser(): Promise<void> {
  section('The planning screen in a browser');
  built();
  mkdirSync(join(BARE, 'public'), { recursive: true });
  copyFileSync('node_modules/antd/dist/antd.css', join(BARE, 'public/antd.css'));
  execFileSync(process.execPath, [NEXT, 'build', BARE], { stdio: 'pipe' });
  const folder = mkdtempSync(join(tmpdir(), 'ivyloom-bench-'));
  const env = { IVYLOOM_DATA: folder };
  execFileSync('npx', ['tsx', 'src/cli/seed.ts'], { env: { ...process.env, ...env }, stdio: 'pipe' });
  const [ours, bare] = [
    await serve(['scripts/server.mjs'], env),
    await serve([NEXT, 'start', BARE, '-H', '127.0.0.1', '-p', '0']),
  ];
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(ours.url);
    const href = await page.locator('h2 a').first().getAttribute('href');
    if (!href) throw new Error('nothing on the bench');
    const id = href.split('/').at(-1) ?? '';

    const [plan, beside, whole] = (await loads(browser, [
      [ours.url + href, 'input[name=units]'],
      [bare.url, 'main button'],
      [ours.url + href, 'section[aria-label="The answers"] table'],
    ])) as [Loaded, Loaded, Loaded];
    line('first usable paint, median of twenty, ms', plan.ms, true, `a bare page: ${beside.ms.toFixed(0)}`);
    const [slower, heavier] = [plan.ms / beside.ms, plan.bytes / beside.bytes];
    line('first usable paint beside a bare page', slower, slower < AT_MOST, `at most ${AT_MOST}`);
    line('the whole plan, median of twenty, ms', whole.ms, true, 'no aim');
    line('bytes for it, kB', plan.bytes / 1000, true, `a bare page: ${(beside.bytes / 1000).toFixed(0)}`);
    line('bytes beside a bare page', heavier, heavier < AT_MOST, `at most ${AT_MOST}`);

    for (const structureId of ['flat-peyote', 'tubular-herringbone', 'right-angle-weave']) {
      // What the page still owes is sent before the piece is changed from outside.
      await page.goto('about:blank');
      await new Promise((resolve) => setTimeout(resolve, 1500));
      await page.goto(await keepLong(ours, id, structureId));
      await page.getByRole('region', { name: 'The answers' }).waitFor();
      await page.waitForTimeout(1500);
      const { inPage, painted } = await changes(page, 'The answers', [']', '[']);
      const told = `a change at 3,000 beads of ${structureId}`;
      line(`${told}, in the page, median ms`, inPage(0.5), inPage(0.5) < 50, 'below 50');
      line(`${told}, painted, median ms`, painted(0.5), painted(0.5) < 50, 'below 50');
      line(`${told}, painted, p95 ms`, painted(0.95), painted(0.95) < 250, 'aim 100; fails at 250');
    }

    const steps = await longAtTheMat(ours, id);
    await page.goto(`${ours.url}/make/${id}`);
    await page.getByRole('region', { name: 'Where you are' }).waitFor();
    await page.waitForTimeout(3000);
    const { painted } = await changes(page, 'Where you are', ['PageDown', 'PageUp']);
    const told = `a step at the mat, ${steps} steps told`;
    line(`${told}, painted, median ms`, painted(0.5), painted(0.5) < 50, 'below 50');
    line(`${told}, painted, p95 ms`, painted(0.95), painted(0.95) < 250, 'aim 100; fails at 250');
  } finally {
    await browser.close();
    ours.stop();
    bare.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
