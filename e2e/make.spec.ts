import { readFile } from 'node:fs/promises';
import { expect, LONG, test, type Page } from './fixtures';
import { address, expectAccessible, planned, startBracelet } from './helpers';
import { startServer } from './server';

const step = (page: Page) => page.getByRole('region', { name: 'The step to do' });
const where = (page: Page) => page.getByRole('region', { name: 'Where you are' });
const opening = (page: Page, title: RegExp) => page.locator('summary').filter({ hasText: title });
const kept = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^kept$/ })).toBeVisible();

async function toTheMat(page: Page) {
  await page.getByRole('button', { name: 'To the mat' }).press('Enter');
  await page.waitForURL(/\/make\//);
  await expect(step(page)).toBeVisible();
  await kept(page);
}

async function press(page: Page, key: string, times: number) {
  for (let i = 0; i < times; i++) await page.keyboard.press(key);
}

test('from the first step to the last knot by keyboard alone, and what came out is kept', async ({
  page,
}) => {
  await startBracelet(page, 'Pell', 'Daisy chain');
  await toTheMat(page);
  await expect(where(page)).toContainText('step 1 of');
  await expectAccessible(page);
  const steps = Number(/of (\d+)$/.exec((await where(page).locator('p').first().textContent()) ?? '')?.[1]);
  expect(steps).toBeGreaterThan(20);
  await press(page, 'PageDown', 3);
  await expect(where(page)).toContainText(`step 4 of ${steps}`);
  await press(page, 'PageUp', 1);
  await expect(where(page)).toContainText(`step 3 of ${steps}`);
  await page.keyboard.press('u');
  await expect(where(page)).not.toContainText(`step 3 of ${steps}`);
  await press(page, 'ArrowRight', steps);
  await expect(step(page)).toContainText('All steps are done.');
  await expect(where(page)).toContainText('100 % done · 0 beads left');

  await opening(page, /Off the mat/).press('Enter');
  const length = page.getByLabel('Finished length');
  await length.fill('18 cm');
  await length.press('Enter');
  await page.getByRole('button', { name: 'It is finished' }).press('Enter');
  await expect(page.getByText('came out', { exact: true })).toBeVisible();
  await kept(page);
  await page.reload();
  await expect(where(page)).toContainText('100 % done');
  await opening(page, /Off the mat/).press('Enter');
  await expect(length).toHaveValue('7 1/16 in');
});

test('thread, measure, a count of her own, beads lost, ripped back: all at the mat, and none of it is lost', async ({
  page,
}) => {
  await startBracelet(page, 'Maren', 'Flat herringbone');
  await toTheMat(page);
  const thread = page.getByRole('region', { name: 'Thread' });
  await thread.getByText('Tell how long it is').click();
  await thread.getByLabel('Thread on the needle').fill('60 cm');
  await thread.getByLabel('Thread on the needle').press('Enter');
  await thread.getByRole('button', { name: 'Keep' }).click();
  await expect(thread).toContainText(/Good for \d+ more units?; stop before/);
  await press(page, 'PageDown', 12);

  await opening(page, /^Count/).click();
  await expect(page.getByText(/How many rows are there/)).toBeVisible();
  await page.getByLabel('You count').fill('5');
  await page.getByLabel('You count').press('Enter');
  await page.getByRole('button', { name: 'That is what I count' }).click();
  await expect(page.getByRole('button', { name: 'Count anew' })).toBeVisible();

  await opening(page, /^Measure,/).click();
  await page.getByLabel('From the beginning of unit').fill('2');
  await page.getByLabel('From the beginning of unit').press('Enter');
  await page.getByLabel('To the end of unit').fill('5');
  await page.getByLabel('To the end of unit').press('Enter');
  await page.getByLabel('So long').fill('4 cm');
  await page.getByLabel('So long').press('Enter');
  await page.getByRole('button', { name: 'Keep this measure' }).click();
  await expect(page.getByText(/By units 2 to 5 a unit is 10(\.0+)? mm/)).toBeVisible();
  await expect(page.getByText(/units come nearer|still the best/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep it as a swatch' }).click();
  await expect(page.getByText('Kept as a swatch', { exact: false })).toBeVisible();

  await opening(page, /^Ripped back/).click();
  const before = await where(page).textContent();
  await page.getByLabel('Units taken out').fill('1');
  await page.getByLabel('Units taken out').press('Enter');
  await page.getByRole('button', { name: 'Go back to there' }).click();
  await expect(where(page)).not.toHaveText(before ?? '');
  await page.getByLabel('How many').fill('3');
  await page.getByLabel('How many').press('Enter');
  await page.getByRole('button', { name: 'Keep', exact: true }).last().click();
  await expect(page.getByText(/Gone so far: 3/)).toBeVisible();
  await expectAccessible(page);
  await kept(page);
  const now = await where(page).locator('p').first().textContent();
  await page.reload();
  await expect(where(page).locator('p').first()).toHaveText(now ?? '');
  await expect(thread).toContainText(/left/);
});

test('a broken bead, another step, a photograph; finished, it stands beside its plan and tells the next', async ({
  page,
}) => {
  await startBracelet(page, 'Maren', 'Flat peyote');
  const ownPlan = page.url();
  await toTheMat(page);
  await press(page, 'PageDown', 30);
  await opening(page, /^Ripped back/).click();
  await page.getByText('broken', { exact: true }).click();
  await page.getByLabel('In which unit it is').fill('3');
  await page.getByLabel('In which unit it is').press('Enter');
  await expect(page.getByText('It can be mended without ripping.')).toBeVisible();
  await expect(page.getByText(/\d+ beads? out, \d+ steps? to do again/)).toBeVisible();
  await expectAccessible(page);

  await opening(page, /^Photographs/).click();
  await page.getByLabel('What is to be seen').fill('the first rows');
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Take or choose a photograph' }).click(),
  ]);
  await chooser.setFiles('docs/screenshots/make.png');
  const photo = page.getByRole('img', { name: 'the first rows' });
  await expect(photo).toBeVisible();
  await kept(page);
  await page.reload();
  await opening(page, /^Photographs \(1\)/).click();
  await expect(photo).toHaveJSProperty('complete', true);
  expect(await photo.evaluate((img: HTMLImageElement) => [img.naturalWidth, img.src])).toEqual([
    1280,
    expect.stringContaining('/api/photos/'),
  ]);

  await opening(page, /^To another/).click();
  await page.getByRole('combobox', { name: 'Go to' }).click();
  await page.keyboard.type('unit 90,');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Go there' }).click();
  await expect(where(page)).toContainText('unit 90 of');
  await expectAccessible(page);
  await page.locator('body').click({ position: { x: 5, y: 5 } });
  await press(page, 'u', 20);
  await expect(where(page)).toContainText('all steps done');

  await opening(page, /Off the mat/).click();
  await page.getByLabel('Finished length').fill('18 cm');
  await page.getByLabel('Finished length').press('Enter');
  await page.getByRole('button', { name: 'It is finished' }).click();
  const against = page.getByRole('table', { name: 'Plan and fact' });
  await expect(against.getByRole('row', { name: /^beads \d+ (\d+), as planned/ })).toBeVisible();
  await expect(against.getByRole('row', { name: /^finished length .* 7 1\/16 in/ })).toBeVisible();
  await expectAccessible(page);
  await kept(page);
  // The next plan in its stitch and beads goes by it.
  await page.goto(ownPlan);
  await planned(page);
  await expect(page.getByRole('button', { name: /Gauge/ }).first()).toContainText(
    'from 1 piece that you finished',
  );
});

test('practised first: larger beads, contrasting colours, a piece of its own', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Flat peyote');
  await page.getByRole('button', { name: 'Practise it first' }).click();
  await expect(page.getByLabel('Name of the piece')).toHaveValue(/^Practice: /);
  await planned(page);
  await expect(page.getByRole('region', { name: 'The answers' })).toContainText('A1 · blue');
});

test('two windows that went on apart: both are kept, and the maker says which is so', async ({
  page,
  context,
}) => {
  await startBracelet(page, 'Osk', 'Ladder');
  await toTheMat(page);
  await press(page, 'PageDown', 2);
  await kept(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(where(other)).toContainText('step 3 of');
  await kept(other);

  // The program is away for the one: its taps wait here.
  await page.route('**/api/mats/**', (route) => route.abort());
  await press(page, 'PageDown', 4);
  await expect(where(page)).toContainText('step 7 of');
  await expect(page.getByText(/kept in this browser; the program does not answer/)).toBeVisible();
  await press(other, 'PageUp', 1);
  await kept(other);
  await expect(where(other)).toContainText('step 2 of');
  await page.unroute('**/api/mats/**');
  await page.evaluate(() => dispatchEvent(new Event('online')));
  const asked = page.getByRole('alert', { name: 'Two windows' });
  await expect(asked).toContainText('Two windows went on from the same place.');
  await expectAccessible(page);
  await asked.getByRole('button', { name: /step 7$/ }).click();
  await expect(asked).toBeHidden();
  await expect(where(page)).toContainText('step 7 of');
  await expect(where(other)).toContainText('step 7 of');
});

test('a changed plan is laid on the mat anew, with what is done carried over', async ({ page }) => {
  await startBracelet(page, 'Ilse', 'Ladder');
  await toTheMat(page);
  await press(page, 'PageDown', 6);
  await kept(page);
  await page.getByRole('link', { name: 'its plan' }).click();
  await planned(page);
  await expect(page.getByRole('link', { name: 'Go on making' })).toBeVisible();
  await page.keyboard.press(']');
  await page.getByRole('button', { name: 'Lay it on the mat anew' }).click();
  await page.waitForURL(/\/make\//);
  await expect(where(page)).toContainText('step 7 of');
});

test(
  'the program is killed in the middle: what it had kept is there, and the work goes on',
  LONG,
  async ({ page, seeded: place }) => {
    let server = await startServer(place);
    await page.goto(server.url);
    await page.getByRole('link', { name: 'Lantern line' }).click();
    await planned(page);
    await toTheMat(page);
    const path = new URL(page.url()).pathname;
    await press(page, 'PageDown', 9);
    await kept(page);
    await server.stop('SIGKILL');
    // Away, the screen works on.
    await press(page, 'PageDown', 2);
    await expect(where(page)).toContainText('step 12 of');

    server = await startServer(place);
    await page.goto(server.url + path);
    await expect(where(page)).toContainText('step 10 of');
    await press(page, 'PageDown', 40);
    await expect(step(page)).toContainText('All steps are done.');
    await kept(page);
    await server.stop();
  },
);

test.describe('on an empty bench', () => {
  test.use({ bench: 'empty' });

  test('the schedule says what it would show', async ({ page }) => {
    await page.goto(address('/schedule'));
    await expect(page.getByText(/Nothing lies on the mat/)).toBeVisible();
    await expectAccessible(page);
  });
});

test('the schedule: a day is set, the work is shared out over the evenings, and saved as a calendar file', async ({
  page,
}) => {
  await startBracelet(page, 'Ilse', 'Ladder');
  await toTheMat(page);
  await page.goto(address('/schedule'));
  await expect(
    page.getByRole('rowheader', { name: /^Ladder .* for Ilse on the mat, 0 % done$/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Show all/ }).click();
  const due = page.getByLabel('Lantern line, wanted by');
  await due.fill('2020-06-20');
  const row = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'Lantern line' }) });
  await expect(row).toContainText(/\d+ days late/);
  await expect(page.getByRole('status').filter({ hasText: '1 will be late' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'The weeks ahead' })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a calendar file' }).click(),
  ]);
  const text = await readFile(await file.path(), 'utf8');
  expect(text).toContain('BEGIN:VCALENDAR');
  expect(text).toContain('SUMMARY:Lantern line is wanted');
  // Away from today on, it is done later.
  const doneOn = () => row.getByRole('cell').last().textContent();
  const before = await doneOn();
  const day = (after: number) => new Date(Date.now() + after * 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('First day off').fill(day(0));
  await page.getByLabel('Last day off').fill(day(-2));
  await page.getByRole('button', { name: 'Nothing is made then' }).click();
  await expect(page.getByText(/last day off comes before the first/)).toBeVisible();
  await page.getByLabel('Last day off').fill(day(9));
  await page.getByRole('button', { name: 'Nothing is made then' }).click();
  await expect(page.getByText('off', { exact: true }).first()).toBeVisible();
  expect(await doneOn()).not.toBe(before);
  await page.getByRole('button', { name: /^Work after all/ }).click();
  await expect(row.getByRole('cell').last()).toHaveText(before ?? '');
  // No hours in the week, and it is never done.
  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']) {
    await page.getByLabel(day, { exact: true }).fill('0');
    await page.getByLabel(day, { exact: true }).press('Enter');
  }
  await expect(row).toContainText('not within three years');
  await expectAccessible(page);
});

test.describe('on a phone', () => {
  const viewport = { width: 390, height: 844 };
  test.use({ viewport, hasTouch: true, isMobile: true });

  test('a step is done with a tap, and nothing is wider than the screen', async ({ page }) => {
    await startBracelet(page, 'Pell', 'Flat herringbone');
    await toTheMat(page);
    await page.getByRole('button', { name: /Done, next/ }).tap();
    await expect(where(page)).toContainText('step 2 of');
    const wide = () => page.evaluate(() => document.documentElement.scrollWidth);
    expect(await wide()).toBeLessThanOrEqual(viewport.width);
    await expectAccessible(page);
    await page.goto(address('/schedule'));
    await expect(page.getByRole('rowheader', { name: /on the mat/ })).toBeVisible();
    expect(await wide()).toBeLessThanOrEqual(viewport.width);
    await expectAccessible(page);
  });
});
