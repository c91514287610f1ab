import type { Locator } from '@playwright/test';
import { LONG, expect, test, type Page } from './fixtures';
import { address, planned, startBracelet, unitsOf } from './helpers';

/** What is done by keys alone: a key that is pressed, or a word that is written. */
class Keys {
  actions = 0;

  constructor(private readonly page: Page) {}

  async press(key: string): Promise<void> {
    await this.page.keyboard.press(key);
    this.actions++;
  }

  async write(text: string): Promise<void> {
    await this.page.keyboard.type(text);
    this.actions++;
  }

  /** From stop to stop until there. */
  async to(place: Locator): Promise<void> {
    await place.waitFor();
    for (let i = 0; i < 40 && !(await has(place)); i++) await this.press('Tab');
    await expect(place).toBeFocused();
  }

  /** Into a group, wherever in it the focus comes to stand. */
  async into(group: Locator): Promise<void> {
    await group.waitFor();
    for (let i = 0; i < 40 && !(await group.evaluate((g) => g.contains(document.activeElement))); i++)
      await this.press('Tab');
  }
}

const has = (place: Locator) => place.evaluate((element) => element === document.activeElement);

/** The panel that a piece is started in, opened from the bench. */
async function startPanel(keys: Keys, page: Page): Promise<void> {
  await page.goto(address());
  await page.getByRole('button', { name: 'Start a piece' }).waitFor();
  await keys.press('Tab');
  await keys.press('Enter');
  await keys.to(page.getByRole('button', { name: 'Start a piece' }));
  await keys.press('Enter');
}

const group = (page: Page, name: string | RegExp) => page.getByRole('group', { name });

async function stitch(keys: Keys, page: Page, name: string): Promise<void> {
  await keys.into(group(page, /^In which stitch/));
  await keys.write(name);
  await keys.press('Enter');
  await page.waitForURL(/\/plan\//);
  await planned(page);
}

test('a bracelet in right-angle weave, for a friend', LONG, async ({ page }) => {
  const keys = new Keys(page);
  await startPanel(keys, page);
  await keys.into(group(page, 'For whom is it?'));
  await keys.write('maren');
  await keys.into(group(page, 'How is it to sit?'));
  await keys.write('snug');
  // A space in the middle of a name presses nothing.
  await stitch(keys, page, 'Right-angle weave');
  await expect(page.getByRole('button', { name: /^Stitch/ })).toContainText(/right-angle weave/i);
  await expect(page.getByRole('button', { name: /^Who and length/ })).toContainText(/Maren.*snug/s);
  expect(keys.actions).toBeLessThanOrEqual(18);
});

test('a ring in a half size, for somebody new', LONG, async ({ page }) => {
  const keys = new Keys(page);
  await startPanel(keys, page);
  await keys.into(group(page, 'What is it to be?'));
  await keys.write('ring');
  await keys.into(group(page, 'For whom is it?'));
  await keys.write('somebody');
  await keys.to(page.getByRole('textbox', { name: 'Name' }));
  await keys.write('Eydis');
  await keys.to(page.getByRole('textbox', { name: 'Finger' }));
  await keys.write('US 7 1/2');
  await keys.press('Enter');
  await expect(page.getByRole('radio', { name: /^Eydis/ })).toBeChecked();
  await stitch(keys, page, 'right');
  await expect(page.getByRole('button', { name: /^Who and length/ })).toContainText('US 7 1/2');
  expect(keys.actions).toBeLessThanOrEqual(24);
});

test('half an inch longer, with a toggle', LONG, async ({ page }) => {
  await startBracelet(page, 'Maren', 'Flat peyote');
  const units = await unitsOf(page);
  const keys = new Keys(page);
  await keys.press('4');
  await keys.to(page.getByRole('combobox', { name: 'Clasp', exact: true }));
  await keys.write('toggle');
  await keys.press('Enter');
  await expect(page.getByRole('button', { name: /^Clasp and ends/ })).toContainText('toggle');
  // A field keeps its keys to itself: out of it first.
  await keys.press('Tab');
  await keys.press('1');
  const length = page.getByRole('textbox', { name: 'Target length, finished' });
  await keys.to(length);
  await keys.press('Control+a');
  await keys.write('7 3/4');
  await keys.press('Enter');
  await expect.poll(() => unitsOf(page)).toBeGreaterThan(units);
  expect(keys.actions).toBeLessThanOrEqual(22);
});

test('a bead of one’s own', LONG, async ({ page }) => {
  const keys = new Keys(page);
  await page.goto(address('/materials'));
  await page.getByRole('heading', { level: 1 }).waitFor();
  await keys.press('Tab');
  await keys.press('Enter');
  await keys.to(page.getByText('A bead of your own'));
  await keys.press('Enter');
  const form = page.getByRole('form', { name: 'Add a bead' });
  await keys.to(form.getByLabel('What you call it'));
  await keys.write('aunt’s seeds');
  await keys.to(page.getByRole('combobox', { name: 'Most like' }));
  await keys.write('round seed 11/0');
  await keys.press('Enter');
  await keys.to(form.getByLabel('Ten on a needle, end to end, mm'));
  await keys.write('14.2');
  await keys.to(form.getByLabel('One, across, mm'));
  await keys.write('2.1');
  await keys.press('Enter');
  await expect(page.getByText('aunt’s seeds is among the beads.')).toBeVisible();
  expect(keys.actions).toBeLessThanOrEqual(26);
});
