import { expect, test } from './fixtures';
import { address, slip } from './helpers';

test.use({ bench: 'empty' });

test('an empty shelf says what belongs on it', async ({ page }) => {
  await page.goto(address());
  await expect(page.getByRole('heading', { name: 'What a plan tells you' })).toBeVisible();
});

test('from an empty bench to count and length in at most eight actions by keyboard', async ({ page }) => {
  await page.goto(address());
  await expect(page.getByLabel('Name')).toBeFocused();
  let actions = 0;
  const press = async (key: string) => {
    await page.keyboard.press(key);
    actions++;
  };
  const write = async (text: string) => {
    await page.keyboard.type(text);
    actions++;
  };
  await write('Runa');
  await press('Tab');
  await write('6 1/2');
  await press('Enter');
  await expect(page.getByText('Runa, 6 1/2 in')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Strung line/ })).toBeFocused();
  await press('Enter');
  await page.waitForURL(/\/plan\//);
  await expect(slip(page).getByText(/^\d+ units$/)).toBeVisible();
  await expect(slip(page).getByText('clasp closed')).toBeVisible();
  expect(actions).toBeLessThanOrEqual(8);
});
