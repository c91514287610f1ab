import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Locator, type Page } from '@playwright/test';
import type { Kind } from '@/core/body/kinds';
import { newPiece } from '@/core/piece/newPiece';
import { ownUnit } from '@/core/structures/ownUnit';
import { STRUCTURES } from '@/core/structures/registry';
import { CHOIR } from '@/demo/choir';

export const address = (path = '/') => `${process.env.IVYLOOM_URL ?? ''}${path}`;

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  readonly id: string;
  readonly nodes: readonly { readonly html: string; readonly failureSummary?: string }[];
}

/** Every fault that axe can find, each with its place. */
const faultsOf = (page: Page): Promise<string[]> =>
  page.evaluate(async () => {
    const run = (window as unknown as { axe: { run: () => Promise<{ violations: Violation[] }> } }).axe.run;
    return (await run()).violations.flatMap((v) =>
      v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 200)} ${n.failureSummary ?? ''}`),
    );
  });

/** Looks for every fault that axe can find. */
export async function expectAccessible(page: Page) {
  await page.evaluate(axe);
  let faults = await faultsOf(page);
  // A page that is being refreshed has no title for a moment: it must have one again.
  const untitled = () => faults.length > 0 && faults.every((fault) => fault.startsWith('document-title'));
  for (let tries = 0; tries < 3 && untitled(); tries++) {
    await expect(page).toHaveTitle(/./);
    faults = await faultsOf(page);
  }
  expect(faults).toEqual([]);
}

/** The plan stands: what answers first is not yet all. */
export const planned = (page: Page) => expect(page.getByRole('button', { name: /^Undo/ })).toBeVisible();

/** A piece as the bench would start it for one of the choir, or for nobody yet; opened. */
export async function startPiece(page: Page, kind: Kind, who: string, stitch: string, at = address('')) {
  const structure = [...STRUCTURES, ownUnit].find(({ name }) => name.startsWith(stitch));
  if (!structure) throw new Error(`There is no stitch "${stitch}".`);
  const singer = CHOIR.find(({ name }) => name === who);
  const wearer = singer ? { personId: null, name: who, girths: singer.girths, typical: null } : null;
  const doc = newPiece(`${structure.name} for ${who}`, structure.id, wearer, kind);
  const answer = await page.request.post(`${at}/api/pieces`, {
    headers: { origin: at },
    data: doc,
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${at}/plan/${id}`);
  await planned(page);
}

/** The same by hand: from the bench, with its own buttons. */
export async function startOnBench(page: Page, kind: string, who: string, stitch: string) {
  await page.goto(address());
  await page.getByRole('button', { name: 'Start a piece' }).click();
  await page.getByText(kind, { exact: true }).click();
  await page
    .getByText(new RegExp(`^${who}`))
    .first()
    .click();
  await page.getByRole('button', { name: new RegExp(`^${stitch}`) }).click();
  await page.waitForURL(/\/plan\//);
  await planned(page);
}

export const startBracelet = (page: Page, who: string, stitch: string) =>
  startPiece(page, 'bracelet', who, stitch);

/** Opens one of the choices. */
export const openChoice = (page: Page, title: string) =>
  page
    .getByRole('button', { name: new RegExp(`^${title}`) })
    .first()
    .click();

/** The stitch has been laid out: until then the numbers stand on a rule of thumb. */
export const laidOut = (page: Page) =>
  expect(page.getByRole('button', { name: /Gauge/ }).first()).not.toContainText('laying it out');

export const slip = (page: Page) => page.getByRole('region', { name: 'The answers' });

/** How many beads a row of the slip says that the piece takes: between those of an inch and those to buy. */
export const inAll = (row: Locator) => row.getByRole('cell').nth(2);

/** The count on the slip. */
export async function unitsOf(page: Page): Promise<number> {
  return Number.parseInt(
    (await slip(page)
      .getByText(/^\d+ units?$/)
      .textContent()) ?? '',
    10,
  );
}

export const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();

/** Picks from one of Ant Design's lists by its label; again where the list moved away under the pointer. */
export async function pick(page: Page, label: string, option: string | RegExp) {
  const box = page.getByRole('combobox', { name: label });
  const chosen = page.locator('.ant-select').filter({ has: box });
  await expect(async () => {
    if ((await box.getAttribute('aria-expanded')) !== 'true') await box.click();
    // A list that was opened before may still be closing: only its own will do.
    await expect(box).toHaveAttribute('aria-controls', /./);
    const list = (await box.getAttribute('aria-controls')) ?? '';
    await page
      .locator(`.ant-select-dropdown:has([id="${list}"]) .ant-select-item-option`)
      .filter({ hasText: option })
      .first()
      .click({ timeout: 5000 });
    await expect(chosen).toContainText(option, { timeout: 3000 });
  }).toPass();
}
