import { LONG, expect, test, type Page } from './fixtures';
import {
  address,
  expectAccessible,
  inAll,
  openChoice,
  pick,
  saved,
  slip,
  startBracelet,
  startPiece,
  unitsOf,
} from './helpers';

const undo = (page: Page) => page.getByRole('button', { name: /^Undo/ });
const redo = (page: Page) => page.getByRole('button', { name: /^Redo/ });
const wish = (page: Page) => page.getByRole('slider', { name: 'Target length' });

test('every change is taken back and done again, by name, and what stands is saved', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  const best = await unitsOf(page);
  await expect(undo(page)).toBeDisabled();
  await page.keyboard.press(']');
  await expect.poll(() => unitsOf(page)).toBe(best + 1);
  await expect(undo(page)).toHaveAccessibleName(`Undo count: what fits best → ${best + 1}`);
  await openChoice(page, 'Who and length');
  await page.getByText(/^snug \+/).click();
  await expect(undo(page)).toHaveAccessibleName('Undo ease: comfortable → snug');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Undone: ease: comfortable → snug')).toBeVisible();
  await expect(redo(page)).toHaveAccessibleName('Redo ease: comfortable → snug');
  await undo(page).click();
  await expect.poll(() => unitsOf(page)).toBe(best);
  await expect(undo(page)).toBeDisabled();
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => unitsOf(page)).toBe(best + 1);
  await saved(page);
  // The way back is there after a reload, and after a visit to the bench.
  await page.reload();
  await expect.poll(() => unitsOf(page)).toBe(best + 1);
  await expect(redo(page)).toHaveAccessibleName('Redo ease: comfortable → snug');
  await page.getByRole('link', { name: 'Bench' }).click();
  await page
    .getByRole('link', { name: /strung line/i })
    .first()
    .click();
  await expect(undo(page)).toHaveAccessibleName(`Undo count: what fits best → ${best + 1}`);
  await undo(page).click();
  await expect.poll(() => unitsOf(page)).toBe(best);
});

test('the target length is moved by keys and by hand, and the ease stays', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  const inches = async () => {
    const [, whole, above, below] =
      /target (\d+)(?: (\d+)\/(\d+))? in/.exec((await wish(page).getAttribute('aria-valuetext')) ?? '') ?? [];
    return Number(whole) + (above ? Number(above) / Number(below) : 0);
  };
  const start = await inches();
  await wish(page).focus();
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowRight');
  // Eight sixteenths; on a slow processor they may be several movements.
  await expect.poll(inches).toBe(start + 0.5);
  await expect(undo(page)).toHaveAccessibleName(/target length: .* → \d/);
  const units = await unitsOf(page);

  const box = await wish(page).boundingBox();
  if (!box) throw new Error('the target is not on the screen');
  const at = { x: box.x + box.width / 2, y: box.y + 12 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x - 60, at.y, { steps: 6 });
  await page.mouse.up();
  await expect.poll(() => unitsOf(page)).toBeLessThan(units);
  await openChoice(page, 'Who and length');
  await expect(page.getByRole('radio', { name: 'comfortable +1/2 in' })).toBeChecked();
  await page.getByRole('button', { name: /^Back to/ }).click();
  await expect.poll(inches).toBe(start);
});

test('a bead that is pointed at, its row in the slip and its step light up together', async ({ page }) => {
  await startBracelet(page, 'Ilse', 'Ladder with picots');
  await page.getByText('How it is worked, step by step').click();
  await page.getByRole('slider', { name: 'Bead by bead' }).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  const cursor = page.getByRole('slider', { name: 'Bead by bead' });
  await expect(cursor).toHaveAttribute('aria-valuetext', /^(loop|[AB] ·)/);
  await page.keyboard.press('PageDown');
  await expect(cursor).toHaveAttribute('aria-valuetext', /· unit \d+ of \d+$/);
  const [role] = (await cursor.getAttribute('aria-valuetext')) ?? '';
  await expect(slip(page).locator('tr[class*="lit"]')).toContainText(`${role} ·`);
  await expect(page.locator('li[class*="lit"]').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'change it' })).toBeVisible();
  // The other way: from the slip to the piece.
  await page.getByRole('heading', { name: /How many/ }).click({ position: { x: 2, y: 2 } });
  await slip(page).getByRole('row').filter({ hasText: 'A ·' }).hover();
  await expect(slip(page).locator('tr[class*="lit"]')).toContainText('A ·');
});

test('colours: turns, counted by colour; a palette colour dropped on a bead, by mouse and by keyboard', async ({
  page,
}) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  await openChoice(page, 'Beads');
  await page
    .getByRole('group', { name: /Bead A/ })
    .getByText('turns', { exact: true })
    .click();
  const first = slip(page).getByRole('row').filter({ hasText: 'A1 ·' });
  const second = slip(page).getByRole('row').filter({ hasText: 'A2 ·' });
  const [a, b] = [await inAll(first).textContent(), await inAll(second).textContent()];
  const total = await inAll(slip(page).getByRole('row').filter({ hasText: 'A ·' })).textContent();
  expect(Number(a) + Number(b)).toBe(Number(total));

  const colour = page.getByRole('button', { name: 'olive', exact: true });
  await colour.scrollIntoViewIfNeeded();
  // As a hand does it: the colour is taken up first, then carried to where the row is by then.
  await colour.hover();
  await page.mouse.down();
  await page.mouse.move(300, 400, { steps: 4 });
  await second.hover();
  await page.mouse.up();
  await expect(second).toContainText('olive');

  await page.getByRole('button', { name: 'brick red' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(/brick red is taken up/)).toBeAttached();
  await page.keyboard.press('Escape');
  await expect(second).toContainText('olive');
});

test(
  'a seventh bead comes into use, in a colour of its own, and the eighth is offered',
  LONG,
  async ({ page }) => {
    await startBracelet(page, 'Pell', 'Strung line');
    await openChoice(page, 'Stitch');
    await expect(page.getByRole('button', { name: /^Add H/ })).toHaveCount(0);
    await page.getByRole('button', { name: /^Add G/ }).click();
    await expect(page.getByRole('button', { name: /^Add H/ })).toBeVisible();
    const row = slip(page).getByRole('row').filter({ hasText: 'G ·' });
    await expect(row).toContainText('violet');
    await openChoice(page, 'Beads');
    await pick(page, 'Bead G: size and shape', 'pressed ball 6 mm');
    await expect(row).toContainText('pressed ball 6 mm');
    await page.reload();
    await expect(row).toContainText('pressed ball 6 mm');
  },
);

test('a motif is drawn bead by bead, counted, and read off row by row', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Flat peyote');
  await openChoice(page, 'Stitch');
  await page.getByRole('button', { name: 'Draw a motif' }).click();
  await page.getByRole('radio', { name: /^C,/ }).check({ force: true });
  await page.getByRole('button', { name: 'row 3, bead 2: A, put C' }).click();
  await expect(page.getByRole('button', { name: 'row 3, bead 2: C, put C' })).toBeVisible();
  const units = await unitsOf(page);
  const c = inAll(slip(page).getByRole('row').filter({ hasText: 'C ·' }));
  await expect(c).toHaveText(String(units));
  await page.getByText('Row by row, which beads').click();
  await expect(page.getByText('row 3: 1 A, 1 C, 1 A')).toBeVisible();
  await undo(page).click();
  await expect(page.getByRole('button', { name: /^row 3, bead 2: A/ })).toBeVisible();
});

test('versions are set side by side, and the better one is taken', LONG, async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  const best = await unitsOf(page);
  await page.keyboard.press('c');
  await page.getByRole('button', { name: 'Set this version beside' }).click();
  await expect(page.getByRole('columnheader', { name: /version 1/ })).toBeVisible();
  await page.keyboard.press(']');
  await expect.poll(() => unitsOf(page)).toBe(best + 1);
  const counts = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: /^count/ }) });
  await expect(counts).toContainText(`${best + 1} units`);
  await expect(counts).toContainText(`${best} units`);
  // Long enough after the last change to be a change of its own.
  await page.waitForTimeout(1300);
  await page.getByRole('button', { name: 'Go on with version 1' }).click();
  await expect.poll(() => unitsOf(page)).toBe(best);
  await expect(undo(page)).toBeEnabled();
  await page.getByRole('button', { name: 'Remove version 1' }).click();
  await expect(page.getByRole('columnheader', { name: /version 1/ })).toBeHidden();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: /version 1/ })).toBeVisible();

  // Another piece of the bench, and this one made like it: its name and its wearer stay.
  await page.getByRole('combobox', { name: 'Another piece of the bench' }).fill('Breakwater');
  await page.getByTitle('Breakwater band').click();
  await expect(page.getByRole('columnheader', { name: /Breakwater band/ })).toBeVisible();
  const name = await page.getByLabel('Name of the piece').inputValue();
  await page.getByRole('button', { name: 'Go on with Breakwater band' }).click();
  const stitch = page
    .getByRole('row', { name: /^stitch/ })
    .getByRole('cell')
    .first();
  await expect(stitch).toHaveText('flat herringbone');
  await expect(page.getByLabel('Name of the piece')).toHaveValue(name);
  await expect(page.getByText(/^bracelet for Jorun/)).toBeVisible();
});

test(
  'a piece is duplicated, made for somebody else, kept as a pattern, found again',
  LONG,
  async ({ page }) => {
    await startBracelet(page, 'Jorun', 'Strung line');
    await page.getByLabel('Name of the piece').fill('Flotsam for Jorun');
    await saved(page);
    const act = async (name: string, item: string) => {
      await page.goto(address());
      await page.getByRole('button', { name: `More for ${name}`, exact: true }).click();
      await page.getByRole('menuitem', { name: item }).click();
    };
    await act('Flotsam for Jorun', 'Duplicate');
    await expect(page.getByRole('link', { name: 'Flotsam for Jorun, again' })).toBeVisible();

    await act('Flotsam for Jorun', 'Make it for somebody else');
    const again = page.getByRole('region', { name: 'Flotsam for Jorun for somebody else' });
    await again.getByText(/^Pell,/).click();
    await again.getByRole('button', { name: 'Make it again' }).click();
    await page.waitForURL(/\/plan\//);
    await expect(page.getByLabel('Name of the piece')).toHaveValue('Flotsam for Pell');

    await act('Flotsam for Jorun', 'Keep as a pattern');
    await expect(page.getByRole('heading', { name: 'Patterns' })).toBeVisible();
    await page.goto(address('/?start'));
    await page.getByRole('button', { name: /^Flotsam for Jorun/ }).click();
    await page.waitForURL(/\/plan\//);
    await expect(page.getByLabel('Name of the piece')).toHaveValue('Flotsam for Jorun');

    await page.goto(address());
    await page.getByLabel('Find a piece').fill('flotsam pell');
    await expect(page.getByRole('listitem').filter({ hasText: 'Flotsam for Pell' })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Breakwater band' })).toBeHidden();
    await page.getByLabel('Find a piece').fill('no such piece');
    await expect(page.getByText(/Nothing on the bench has “no such piece”/)).toBeVisible();
  },
);

test('a word is explained where it stands, and all words are found', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  await page.getByRole('button', { name: 'units', exact: true }).click();
  await expect(page.getByText(/One repeat of the weave/)).toBeVisible();
  await page.getByRole('link', { name: 'All words' }).click();
  await page.getByLabel('Find a word').fill('picot');
  await expect(page.getByText('Beads that stand out in a small point along an edge.')).toBeVisible();
  await expect(page.getByRole('img', { name: /An example, drawn: picot/ })).toBeVisible();
  await expectAccessible(page);
});

test('keys: the sheet, the views, and off when single keys are switched off', LONG, async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('v'); // a sheet lies over the screen: nothing happens beneath it
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByRole('radio', { name: 'from above' })).toBeChecked();
  await page.keyboard.press('v');
  await expect(page.getByRole('radio', { name: 'from the side' })).toBeChecked();
  await page.keyboard.press('v');
  await expect(page.getByText('Cut across in the middle.')).toBeVisible();
  await page.keyboard.press('m');
  await expect(page.getByRole('button', { name: 'marks' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('5');
  await expect(page.getByRole('button', { name: /Gauge/ }).first()).toHaveAttribute('aria-expanded', 'true');

  await page.goto(address('/settings'));
  await page.getByRole('switch', { name: 'Single keys do something' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('switch', { name: 'Single keys do something' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
});

test('true size is as large as the card says', async ({ page }) => {
  await startBracelet(page, 'Jorun', 'Strung line');
  await page.getByRole('button', { name: 'true size' }).click();
  await page.getByRole('button', { name: 'measure the screen' }).click();
  const card = page.getByRole('img', { name: /^A card, 85.6 by 54 mm/ });
  await expect(card).toHaveAccessibleName(/3\.78 pixels/);
  await page.getByRole('button', { name: 'a hair larger' }).click();
  await expect(card).toHaveAccessibleName(/3\.79 pixels/);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'It matches' }).click();
  await page.getByRole('button', { name: 'a hair larger' }).waitFor({ state: 'hidden' });
});

test('from a necklace to a ring: each gets a view that suits it', LONG, async ({ page }) => {
  await startPiece(page, 'necklace', 'Jorun', 'Tubular herringbone');
  await expect(page.getByRole('img', { name: /The piece round the neck/ })).toBeVisible();
  // Seen in part from the start: closer is closer than that, not than the whole.
  const wide = () => page.locator('[class*="scroller"] > svg').evaluate((svg) => svg.clientWidth);
  const atFirst = await wide();
  await page.keyboard.press('+');
  await expect.poll(wide).toBeGreaterThan(atFirst);
  await page.keyboard.press('-');
  await expect.poll(wide).toBe(atFirst);
  await page.getByRole('button', { name: 'whole' }).click();
  await expect(page.getByRole('button', { name: 'Further off' })).toBeDisabled();
  await startPiece(page, 'ring', 'Jorun', 'Right-angle weave');
  await expect(page.getByRole('img', { name: /on a finger of/ })).toBeVisible();
});

test('a long tape is drawn where it is looked at, wherever it is moved to', LONG, async ({ page }) => {
  await startPiece(page, 'necklace', 'Jorun', 'Flat peyote');
  const scroller = page.locator('[class*="scroller"]');
  /** How many frames long the tape is. */
  const frames = () => scroller.evaluate((tape) => tape.scrollWidth / tape.clientWidth);
  for (let before = await frames(); before < 4; before = await frames()) {
    await page.keyboard.press('+');
    await expect.poll(frames).toBeGreaterThan(before);
  }
  /** Moves to a part of the way along; how far units are drawn beyond the frame, to the left and to the right, px. */
  const drawnBeyond = (part: number) =>
    scroller.evaluate((tape, part) => {
      tape.scrollLeft = part * (tape.scrollWidth - tape.clientWidth);
      const frame = tape.getBoundingClientRect();
      const units = [...tape.querySelectorAll('use')].map((unit) => unit.getBoundingClientRect());
      return {
        left: frame.left - Math.min(...units.map(({ left }) => left)),
        right: Math.max(...units.map(({ right }) => right)) - frame.right,
        units: units.length,
      };
    }, part);
  const { units } = await drawnBeyond(0);
  expect(units).toBeLessThan(await unitsOf(page));
  await expect.poll(async () => (await drawnBeyond(0)).right).toBeGreaterThan(0);
  await expect.poll(async () => (await drawnBeyond(1)).left).toBeGreaterThan(0);
  for (const part of [0.25, 0.5, 0.75])
    await expect
      .poll(async () => {
        const { left, right } = await drawnBeyond(part);
        return Math.min(left, right);
      })
      .toBeGreaterThan(0);
  // The tape moves along with the bead that is gone to by keyboard.
  const bead = page.getByRole('slider', { name: 'Bead by bead' });
  await bead.focus();
  for (const key of ['Home', 'End']) {
    await page.keyboard.press(key);
    await expect(page.locator('[class*="ringed"]')).toBeInViewport();
  }
  await expect(bead).toHaveAttribute('aria-valuenow', (await bead.getAttribute('aria-valuemax')) ?? '');
});

for (const { name, viewport, how } of [
  { name: 'tablet', viewport: { width: 820, height: 1180 }, how: LONG },
  { name: 'phone', viewport: { width: 390, height: 844 }, how: {} },
])
  test.describe(`by touch on a ${name}`, how, () => {
    test.use({ viewport, hasTouch: true, isMobile: true });

    test('a bracelet is planned with one hand', async ({ page }) => {
      await startBracelet(page, 'Jorun', 'Flat herringbone');
      const best = await unitsOf(page);
      const count = page
        .locator('label')
        .filter({ has: page.getByRole('radio', { name: new RegExp(`^${best + 1} units`) }) });
      await count.tap();
      await expect.poll(() => unitsOf(page)).toBe(best + 1);
      await undo(page).tap();
      await expect.poll(() => unitsOf(page)).toBe(best);
      await page.getByRole('button', { name: /Beads/ }).first().tap();
      await pick(page, 'Bead A: size and shape', 'round seed 8/0');
      await expect(slip(page)).toContainText('A · 8/0');
      // Nothing is wider than the screen.
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect(wide).toBeLessThanOrEqual(viewport.width);
      await expectAccessible(page);
    });
  });

const PATHS = [
  '/',
  '/?start',
  '/gallery',
  '/gallery/flat-peyote',
  '/people',
  '/swatches',
  '/materials',
  '/settings',
  '/glossary',
];

test.describe('by the lamp', () => {
  test.use({ colorScheme: 'dark' });

  /** Screens of every kind: cards, fields, tables. The others have their turn in `npm run soak`. */
  const OFTEN = ['/?start', '/gallery/flat-peyote', '/materials'];
  const readable =
    (paths: readonly string[]) =>
    async ({ page }: { page: Page }) => {
      for (const path of paths)
        await test.step(path, async () => {
          await page.goto(address(path));
          await page.getByRole('heading', { level: 1 }).waitFor();
          await expect(page.locator('.ivy-lamp').first()).toBeAttached();
          await expectAccessible(page);
        });
    };
  test('screens can be read by everybody', readable(OFTEN));
  test('every screen can', LONG, readable(PATHS.filter((path) => !OFTEN.includes(path))));

  test('the planning screen too, each choice open, versions side by side', LONG, async ({ page }) => {
    await startBracelet(page, 'Jorun', 'Flat herringbone');
    await page.keyboard.press('c');
    for (const key of ['1', '2', '3', '4', '5', '6']) {
      await page.keyboard.press(key);
      await expect(page.locator('button[aria-expanded="true"]').first()).toBeVisible();
      await expectAccessible(page);
    }
  });
});

test(
  'a colour that is not in the palette has a name of its own, and can be carried like the others',
  LONG,
  async ({ page }) => {
    await startBracelet(page, 'Osk', 'Strung line');
    await openChoice(page, 'Beads');
    await page.getByRole('button', { name: 'another colour for Bead A, colour' }).click();
    const name = page.getByLabel('What the colour is called');
    await name.fill('Black');
    await page.getByRole('button', { name: 'Take this colour' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'There is a black already' })).toBeVisible();
    await name.fill('low tide');
    await page.getByLabel('How it looks').fill('#556677');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Take this colour' }).click();
    await expect(slip(page)).toContainText('low tide');
    await expect(undo(page)).toHaveAccessibleName(/low tide/);
    await expect(
      slip(page)
        .getByRole('group', { name: /^Colours/ })
        .getByRole('button', { name: 'low tide' }),
    ).toBeVisible();
    await saved(page);
    await page.reload();
    await expect(slip(page)).toContainText('low tide');
  },
);
