import { LONG, expect, test } from './fixtures';
import { address, expectAccessible, openChoice, startBracelet } from './helpers';
import { cli, freshFolder } from './server';

test('axe finds nothing on the bench, nor while a bracelet is started', async ({ page }) => {
  await page.goto(address());
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Start a piece' }).click();
  await page.getByText('somebody new …').click();
  await expectAccessible(page);
});

test('axe finds nothing on the plan, with each choice open', async ({ page }) => {
  await startBracelet(page, 'Maren', 'Flat herringbone');
  await page.getByText('How it is worked, step by step').click();
  await expectAccessible(page);
  for (const title of ['Who and length', 'Stitch', 'Beads', 'Clasp and ends', 'Gauge', 'Thread']) {
    await openChoice(page, title);
    await expectAccessible(page);
  }
});

test('every page carries its policy and the usual headers, and nothing on it breaks the policy', async ({
  page,
}) => {
  const broken: string[] = [];
  page.on('console', (message) => {
    if (/Content Security Policy/i.test(message.text())) broken.push(message.text());
  });
  const response = await page.goto(address());
  const headers = response?.headers() ?? {};
  expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(headers['content-security-policy']).not.toMatch(/script-src[^;]*unsafe/);
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['x-frame-options']).toBe('DENY');
  expect(headers['referrer-policy']).toBe('no-referrer');
  await startBracelet(page, 'Maren', 'Strung line');
  for (const title of ['Who and length', 'Beads', 'Clasp and ends']) await openChoice(page, title);
  // Known and harmless: Ant Design measures the scroll bar with a style of its own.
  expect(broken.filter((text) => !/scrollbar/i.test(text))).toEqual([]);
});

test('it answers to its own pages only', async ({ request }) => {
  const rebound = await request.get(address(), { headers: { host: 'evil.example' } });
  expect(rebound.status()).toBe(403);
  const id = '00000000-0000-4000-8000-000000000000';
  const crossSite = await request.put(address(`/api/pieces/${id}`), {
    data: {},
    headers: { origin: 'http://evil.example' },
  });
  expect(crossSite.status()).toBe(403);
  const noOrigin = await request.put(address(`/api/pieces/${id}`), { data: {} });
  expect(noOrigin.status()).toBe(403);
});

test('a save that is no piece is refused in words', async ({ page, request }) => {
  await startBracelet(page, 'Maren', 'Strung line');
  const id = page.url().split('/').at(-1) ?? '';
  const origin = new URL(address()).origin;
  for (const data of [{}, { revision: 1, changeId: 'x', doc: {} }, 'banana']) {
    const answer = await request.put(address(`/api/pieces/${id}`), { data, headers: { origin } });
    expect(answer.status()).toBe(400);
    expect((await answer.json()).message).toMatch(/was not saved/);
  }
  const none = await request.post(address('/api/pieces'), { data: { name: 'x' }, headers: { origin } });
  expect(none.status()).toBe(400);
  const huge = await request.put(address(`/api/pieces/${id}`), {
    data: 'x'.repeat(600_000),
    headers: { origin },
  });
  expect(huge.status()).toBe(413);
});

test('the command line says what to do about a file that is no piece', LONG, () => {
  const place = { folder: freshFolder() };
  for (const [args, words] of [
    [[], /Say which piece/],
    [['README.md'], /could not be read as JSON/],
    [['package.json'], /not a piece that this version can read/],
    [['nowhere.json'], /could not be read/],
  ] as const) {
    const { status, stderr } = cli('plan', [...args], place);
    expect(status).toBe(1);
    expect(stderr).toMatch(words);
    expect(stderr).not.toMatch(/\n\s+at /);
  }
});
