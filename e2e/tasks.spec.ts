import type { Locator } from '@playwright/test';
import { LONG, expect, test, type Page } from './fixtures';
import { address, openChoice, pick, planned, slip, startBracelet, unitsOf } from './helpers';

/** Counts what a newcomer does with the mouse: a press, or a field that is written. */
class Hand {
  actions = 0;

  constructor(private readonly page: Page) {}

  async press(place: Locator): Promise<void> {
    await place.click();
    this.actions++;
  }

  async write(place: Locator, text: string): Promise<void> {
    await place.fill(text);
    this.actions++;
  }

  async key(key: string): Promise<void> {
    await this.page.keyboard.press(key);
    this.actions++;
  }

  /** A list is opened, and one of it taken. */
  async pick(label: string, option: string | RegExp): Promise<void> {
    await pick(this.page, label, option);
    this.actions += 2;
  }
}

const opens = async (page: Page) => {
  await page.waitForURL(/\/plan\//);
  await planned(page);
  // Whoever works by keys goes on from somewhere.
  expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true);
};

test('a bracelet in right-angle weave, for a friend', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto(address());
  await hand.press(page.getByRole('button', { name: 'Start a piece' }));
  await hand.press(page.getByText(/^Maren,/));
  await hand.press(page.getByText('snug', { exact: true }));
  await hand.press(page.getByRole('button', { name: /^Right-angle weave/ }));
  await opens(page);
  await expect(slip(page)).toContainText('clasp closed');
  await expect(page.getByRole('button', { name: /^Who and length/ })).toContainText('snug');
  expect(hand.actions).toBeLessThanOrEqual(9);
});

test('the same for somebody who is not there yet', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto(address());
  await hand.press(page.getByRole('button', { name: 'Start a piece' }));
  await hand.press(page.getByText('somebody new …'));
  await hand.write(page.getByRole('textbox', { name: 'Name' }), 'Eydis');
  await hand.write(page.getByRole('textbox', { name: 'Wrist' }), '6 3/4');
  // Not added yet: it is said, and nothing is begun for nobody.
  await page.getByRole('button', { name: /^Flat peyote/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'not added yet' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Wrist' }).focus();
  await hand.key('Enter');
  await expect(page.getByRole('radio', { name: 'Eydis, 6 3/4 in' })).toBeChecked();
  await hand.press(page.getByRole('button', { name: /^Flat peyote/ }));
  await opens(page);
  await expect(page.getByRole('button', { name: /^Who and length/ })).toContainText('Eydis, wrist 6 3/4 in');
  expect(hand.actions).toBeLessThanOrEqual(9);
});

test('half an inch longer, with a toggle', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Flat peyote');
  const target = page.getByRole('slider', { name: 'Target length' });
  const units = await unitsOf(page);
  const hand = new Hand(page);
  await hand.press(page.getByRole('button', { name: /^Clasp and ends/ }));
  await hand.pick('Clasp', /^toggle/);
  await hand.press(page.getByRole('button', { name: /^Who and length/ }));
  await hand.write(page.getByRole('textbox', { name: 'Target length, finished' }), '7 3/4');
  await expect(target).toHaveAttribute('aria-valuetext', 'target 7 3/4 in');
  await expect.poll(() => unitsOf(page)).toBeGreaterThan(units);
  await expect(page.getByRole('button', { name: /^Clasp and ends/ })).toContainText('toggle');
  expect(hand.actions).toBeLessThanOrEqual(5);
});

test('a ring in a half size, for somebody new', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto(address());
  await hand.press(page.getByRole('button', { name: 'Start a piece' }));
  await hand.press(page.getByText('ring', { exact: true }));
  await hand.press(page.getByText('somebody new …'));
  await hand.write(page.getByRole('textbox', { name: 'Name' }), 'Eydis');
  await hand.write(page.getByRole('textbox', { name: 'Finger' }), 'US 7 1/2');
  await hand.key('Enter');
  await expect(page.getByRole('radio', { name: /^Eydis/ })).toBeChecked();
  await hand.press(page.getByRole('button', { name: /^Right-angle weave/ }));
  await opens(page);
  await expect(page.getByRole('button', { name: /^Who and length/ })).toContainText('US 7 1/2');
  // Nothing of a clasp is said of what has none.
  await expect(page.getByText(/clasp/i)).toHaveCount(0);
  expect(hand.actions).toBeLessThanOrEqual(30);
});

test('a bead of one’s own, and a piece in it', async ({ page }) => {
  const hand = new Hand(page);
  await page.goto(address());
  await hand.press(page.getByRole('link', { name: 'Materials' }));
  await hand.press(page.getByText('A bead of your own'));
  const form = page.getByRole('form', { name: 'Add a bead' });
  await hand.write(form.getByLabel('What you call it'), 'aunt’s seeds');
  await hand.pick('Most like', 'round seed 11/0');
  await hand.write(form.getByLabel('Ten on a needle, end to end, mm'), '14,2');
  await hand.write(form.getByLabel('One, across, mm'), '2,1');
  await hand.press(form.getByRole('button', { name: 'Add the bead' }));
  await expect(page.getByText('aunt’s seeds is among the beads.')).toBeVisible();
  expect(hand.actions).toBeLessThanOrEqual(13);

  await page.goto(address('/?start'));
  await pick(page, 'In which bead, mostly?', 'aunt’s seeds');
  await page.getByRole('button', { name: /^Strung line/ }).click();
  await opens(page);
  await openChoice(page, 'Beads');
  await expect(page.getByRole('group', { name: /^Bead A/ })).toContainText('aunt’s seeds');
});

test('a plan prints as it is, on one page', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Right-angle weave');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation')).toBeHidden();
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeHidden();
  await expect(slip(page)).toBeVisible();
  const pdf = await page.pdf({ format: 'A4' });
  const pages = pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g) ?? [];
  expect(pages).toHaveLength(1);
});

test('no screen scrolls sideways on the smallest one', LONG, async ({ page }) => {
  await page.setViewportSize({ width: 320, height: 700 });
  const wide = () => page.evaluate(() => document.documentElement.scrollWidth);
  for (const path of [
    '/',
    '/?start',
    '/gallery',
    '/people',
    '/swatches',
    '/materials',
    '/settings',
    '/glossary',
  ])
    await test.step(path, async () => {
      await page.goto(address(path));
      await page.getByRole('heading', { level: 1 }).waitFor();
      await expect.poll(wide).toBeLessThanOrEqual(320);
    });
  await startBracelet(page, 'Maren', 'Right-angle weave');
  for (const key of ['1', '2', '3', '4', '5', '6', 'c']) {
    await page.keyboard.press(key);
    await expect.poll(wide, { message: `after ${key}` }).toBeLessThanOrEqual(320);
  }
});

test('by keys from the drawing on: every stop is something', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Right-angle weave');
  await page.getByRole('slider', { name: 'Target length' }).focus();
  for (let i = 0; i < 12; i++) {
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement?.tagName), `stop ${i + 1}`).not.toBe('BODY');
  }
});
