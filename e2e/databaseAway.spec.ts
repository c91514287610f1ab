import pg from 'pg';
import { expect, test } from './fixtures';
import { saved } from './helpers';
import { startServer } from './server';

test('the database of a server goes away: it is said, an edit waits, and all goes on when it is back', async ({
  page,
  seeded,
  postgres,
}) => {
  // A program of its own is started, and waits are a part of it.
  test.slow();
  if (!postgres || !seeded.databaseUrl) throw new Error('It needs a PostgreSQL server.');
  const admin = new pg.Client(postgres.url('postgres'));
  await admin.connect();
  const name = new URL(seeded.databaseUrl).pathname.slice(1);
  const server = await startServer(seeded);
  try {
    await page.goto(server.url);
    await page.getByRole('link', { name: 'Slack water' }).click();
    await expect(page.getByRole('region', { name: 'The answers' })).toBeVisible();

    await admin.query(`alter database ${name} with allow_connections false`);
    await admin.query('select pg_terminate_backend(pid) from pg_stat_activity where datname = $1', [name]);
    await page.getByLabel('Name of the piece').fill('Slack water, in the dark');
    await expect(page.getByRole('status').filter({ hasText: 'kept in this browser' })).toBeVisible();
    const other = await page.context().newPage();
    await other.goto(`${server.url}/people`);
    await expect(other.getByRole('heading', { name: 'Ivy Loom cannot reach its data' })).toBeVisible();
    await other.getByRole('button', { name: 'Try again' }).click();
    await expect(other.getByRole('heading', { name: 'Ivy Loom cannot reach its data' })).toBeVisible();

    await admin.query(`alter database ${name} with allow_connections true`);
    await other.getByRole('button', { name: 'Try again' }).click();
    await expect(other.getByRole('heading', { name: 'People' })).toBeVisible();
    // Tried again every ten seconds at the latest.
    await saved(page);
    await other.goto(server.url);
    await expect(other.getByRole('link', { name: 'Slack water, in the dark' })).toBeVisible();
  } finally {
    await server.stop();
    await admin.end();
  }
});
