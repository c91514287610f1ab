import { Keys, Mouse, type Hand } from './hands';
import { LONG, expect, test, type Page } from './fixtures';
import { address, openChoice, pick, planned, slip, startBracelet, unitsOf } from './helpers';

const opens = async (page: Page) => {
  await page.waitForURL(/\/plan\//);
  await planned(page);
  // Whoever works by keys goes on from somewhere.
  expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true);
};

const bench = async (page: Page) => {
  await page.goto(address());
  await page.getByRole('button', { name: 'Start a piece' }).waitFor();
};

const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first();
const radio = (page: Page, name: string | RegExp) => page.getByRole('radio', { name }).first();
const field = (page: Page, name: string | RegExp) => page.getByRole('textbox', { name }).first();

/** Eydis, who is not among the people yet, with the one girth that is asked for. */
async function somebodyNew(hand: Hand, page: Page, girth: string, size: string): Promise<void> {
  await hand.press(radio(page, 'somebody new …'), 'somebody');
  await hand.write(field(page, 'Name'), 'name', 'Eydis');
  await hand.write(field(page, girth), girth.toLowerCase(), size);
  await hand.key('Enter');
}

interface Task {
  /** What a newcomer wants. */
  readonly name: string;
  /** How often she acts with the mouse, and at most twice as often by keys. */
  readonly actions: number;
  readonly start: (page: Page) => Promise<void>;
  readonly work: (hand: Hand, page: Page) => Promise<void>;
  readonly then: (page: Page) => Promise<void>;
}

/** The first hour of a newcomer. Actions at most half of those that were needed once: 19, 11, 60 and 27 where they were counted. */
const TASKS: readonly Task[] = [
  {
    name: 'a bracelet in right-angle weave, for a friend',
    actions: 4,
    start: bench,
    work: async (hand, page) => {
      await hand.press(button(page, 'Start a piece'), 'start', 'n');
      await hand.press(radio(page, /^Maren/), 'maren');
      await hand.press(radio(page, /^snug/), 'snug');
      await hand.press(button(page, /^Right-angle weave/), 'right');
    },
    then: async (page) => {
      await opens(page);
      await expect(slip(page)).toContainText('clasp closed');
      await expect(button(page, /^Who and length/)).toContainText(/Maren.*snug/s);
    },
  },
  {
    name: 'a bracelet for somebody who is not there yet',
    actions: 6,
    start: bench,
    work: async (hand, page) => {
      await hand.press(button(page, 'Start a piece'), 'start', 'n');
      await somebodyNew(hand, page, 'Wrist', '6 3/4');
      await expect(radio(page, 'Eydis, 6 3/4 in')).toBeChecked();
      await hand.press(button(page, /^Flat peyote/), 'flat peyote');
    },
    then: async (page) => {
      await opens(page);
      await expect(button(page, /^Who and length/)).toContainText('Eydis, wrist 6 3/4 in');
    },
  },
  {
    name: 'half an inch longer, with a toggle',
    actions: 5,
    start: (page) => startBracelet(page, 'Maren', 'Flat peyote'),
    work: async (hand, page) => {
      await hand.choice(4, 'Clasp and ends');
      await hand.pick('Clasp', 'clasp', 'toggle');
      await expect(button(page, /^Clasp and ends/)).toContainText('toggle');
      await hand.choice(1, 'Who and length');
      await hand.write(field(page, 'Target length, finished'), 'target', '7 3/4');
    },
    then: (page) =>
      expect(page.getByRole('slider', { name: 'Target length' })).toHaveAttribute(
        'aria-valuetext',
        'target 7 3/4 in',
      ),
  },
  {
    name: 'a ring in a half size, for somebody new',
    actions: 7,
    start: bench,
    work: async (hand, page) => {
      await hand.press(button(page, 'Start a piece'), 'start', 'n');
      await hand.press(radio(page, 'ring'), 'ring');
      await somebodyNew(hand, page, 'Finger', 'US 7 1/2');
      await expect(radio(page, /^Eydis/)).toBeChecked();
      await hand.press(button(page, /^Right-angle weave/), 'right');
    },
    then: async (page) => {
      await opens(page);
      await expect(button(page, /^Who and length/)).toContainText('US 7 1/2');
      // Nothing of a clasp is said of what has none.
      await expect(page.getByText(/clasp/i)).toHaveCount(0);
    },
  },
  {
    name: 'a bead of one’s own',
    actions: 8,
    start: bench,
    work: async (hand, page) => {
      await hand.press(page.getByRole('link', { name: 'Materials' }), 'materials');
      await hand.press(page.locator('summary', { hasText: 'A bead of your own' }), 'a bead');
      const form = page.getByRole('form', { name: 'Add a bead' });
      await hand.write(form.getByLabel('What you call it'), 'what', 'aunt’s seeds');
      await hand.pick('Most like', 'most', 'round seed 11/0');
      await hand.write(form.getByLabel('Ten on a needle, end to end, mm'), 'ten', '14,2');
      await hand.write(form.getByLabel('One, across, mm'), 'one', '2,1');
      await hand.press(form.getByRole('button', { name: 'Add the bead' }), 'add', 'Enter');
    },
    then: (page) => expect(page.getByText('aunt’s seeds is among the beads.')).toBeVisible(),
  },
  {
    name: 'a strung necklace with a button',
    actions: 7,
    start: bench,
    work: async (hand, page) => {
      await hand.press(button(page, 'Start a piece'), 'start', 'n');
      await hand.press(radio(page, 'necklace'), 'necklace');
      await hand.press(radio(page, /^Maren/), 'maren');
      await hand.press(button(page, /^Strung line/), 'strung');
      await opens(page);
      await hand.choice(4, 'Clasp and ends');
      await hand.pick('Clasp', 'clasp', 'beaded loop over a button of 12 mm');
    },
    then: (page) => expect(button(page, /^Clasp and ends/)).toContainText('button'),
  },
  {
    name: 'what was made, measured',
    actions: 5,
    start: (page) => startBracelet(page, 'Maren', 'Flat peyote'),
    work: async (hand, page) => {
      await hand.choice(5, 'Gauge');
      await hand.press(radio(page, 'this piece, measured'), 'this');
      await hand.write(field(page, 'Units done'), 'units', '30');
      await hand.write(field(page, /^They measure/), 'they', '2 in');
      await hand.key('Enter');
    },
    then: (page) => expect(button(page, /^Gauge/)).toContainText('measured on this piece'),
  },
  {
    name: 'a swatch, recorded',
    actions: 5,
    start: bench,
    work: async (hand, page) => {
      await hand.press(page.getByRole('link', { name: 'Swatches' }), 'swatches');
      await hand.press(button(page, 'Record a swatch'), 'record');
      await hand.write(field(page, 'Units'), 'units', '20');
      await hand.write(field(page, /^They measure/), 'they', '2 in');
      await hand.press(button(page, 'Keep the swatch'), 'keep', 'Enter');
    },
    then: (page) => expect(page.getByRole('region', { name: 'Record a swatch' })).toBeHidden(),
  },
  {
    name: 'two versions side by side',
    actions: 2,
    start: (page) => startBracelet(page, 'Maren', 'Flat peyote'),
    work: async (hand, page) => {
      await hand.press(button(page, 'Compare'), 'compare', 'c');
      await hand.press(button(page, 'Set this version beside'), 'set');
    },
    then: (page) => expect(page.getByRole('columnheader', { name: /version 1/ })).toBeVisible(),
  },
  {
    name: 'beads of another size, in centimetres',
    actions: 4,
    start: (page) => startBracelet(page, 'Maren', 'Flat peyote'),
    work: async (hand, page) => {
      await hand.choice(3, 'Beads');
      await hand.pick('Bead A: size and shape', 'bead a', 'round seed 8/0');
      await expect(button(page, /^Beads/)).toContainText('8/0');
      await hand.press(radio(page, 'cm'), 'cm');
    },
    then: (page) => expect(slip(page)).toContainText('cm'),
  },
  {
    name: 'a wrist that cannot be right, mended',
    actions: 4,
    start: (page) => startBracelet(page, 'Maren', 'Strung line'),
    work: async (hand, page) => {
      await hand.choice(1, 'Who and length');
      await hand.write(field(page, 'Wrist'), 'wrist', '900 cm');
      await hand.key('Enter');
      await expect(page.getByRole('alert').filter({ hasText: 'cannot be right here' })).toBeVisible();
      await hand.key('Escape');
    },
    then: (page) => expect(slip(page)).not.toContainText('does not count'),
  },
  {
    name: 'somebody archived by mistake',
    actions: 3,
    start: bench,
    work: async (hand, page) => {
      await hand.press(page.getByRole('link', { name: 'People' }), 'people');
      await hand.press(button(page, 'Archive Maren'), 'archive maren');
      await expect(page.getByText('Maren is archived.')).toBeVisible();
      await hand.press(button(page, 'Undo'), 'undo');
    },
    then: (page) => expect(button(page, 'Archive Maren')).toBeVisible(),
  },
  {
    name: 'a unit more, and thought better of',
    actions: 2,
    start: (page) => startBracelet(page, 'Maren', 'Flat peyote'),
    work: async (hand, page) => {
      const units = await unitsOf(page);
      const more = page.getByRole('radio', { name: new RegExp(`^${units + 1} units,`) });
      await hand.press(more, `${units + 1} units`, ']');
      await expect.poll(() => unitsOf(page)).toBe(units + 1);
      await hand.press(button(page, /^Undo/), 'undo', 'Control+z');
      await expect.poll(() => unitsOf(page)).toBe(units);
    },
    then: (page) => expect(button(page, /^Redo/)).toBeVisible(),
  },
];

for (const { name, actions, start, work, then } of TASKS) {
  test(`${name}, by mouse`, LONG, async ({ page }) => {
    await start(page);
    const mouse = new Mouse(page);
    await work(mouse, page);
    await then(page);
    expect(mouse.actions).toBe(actions);
  });

  test(`${name}, by keys`, LONG, async ({ page }) => {
    await start(page);
    const keys = new Keys(page);
    await work(keys, page);
    await then(page);
    expect(keys.actions).toBeLessThanOrEqual(2 * actions);
    // Whoever went somewhere is still somewhere.
    if (keys.went)
      await expect.poll(() => page.evaluate(() => document.activeElement !== document.body)).toBe(true);
  });
}

test('a bracelet for somebody new, and a piece in a bead of one’s own', async ({ page }) => {
  await page.goto(address('/?start'));
  await page.getByText('somebody new …').click();
  await field(page, 'Name').fill('Eydis');
  await field(page, 'Wrist').fill('6 3/4');
  // Not added yet: it is said, and nothing is begun for nobody.
  await button(page, /^Flat peyote/).click();
  await expect(page.getByRole('alert').filter({ hasText: 'not added yet' })).toBeVisible();
  await page.goto(address('/materials'));
  await page.getByText('A bead of your own').click();
  const form = page.getByRole('form', { name: 'Add a bead' });
  await form.getByLabel('What you call it').fill('aunt’s seeds');
  await pick(page, 'Most like', 'round seed 11/0');
  await form.getByLabel('Ten on a needle, end to end, mm').fill('14,2');
  await form.getByLabel('One, across, mm').fill('2,1');
  await form.getByRole('button', { name: 'Add the bead' }).click();
  await expect(page.getByText('aunt’s seeds is among the beads.')).toBeVisible();
  await page.goto(address('/?start'));
  await pick(page, 'In which bead, mostly?', 'aunt’s seeds');
  await button(page, /^Strung line/).click();
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
