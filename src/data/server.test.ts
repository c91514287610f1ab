import { sql } from 'drizzle-orm';
import { expect, inject, it, vi } from 'vitest';
import { openServer } from './database';
import { migrate } from './migrate';
import { testDatabase } from './testing/databases';
import { theWorkspace } from './workspaces';

const named = async (asked: Promise<unknown>) => ((await asked) as { rows: { name: string }[] }).rows;

it('connections that the server breaks off are told in a line, and the next work opens another', async () => {
  const database = await testDatabase();
  const { id } = await theWorkspace(database.db);
  const written = vi.spyOn(process.stderr, 'write').mockReturnValue(true);
  const server = openServer(inject('postgres') ?? '');
  // Its own connections only: others test on the same server.
  const [own] = await named(database.db.execute(sql`select current_database() as name`));
  const ended = await named(
    server.db.execute(
      sql`select pg_terminate_backend(pid), datname as name from pg_stat_activity
          where datname = ${own?.name} and backend_type = 'client backend'`,
    ),
  );
  const told = () =>
    written.mock.calls.map(([text]) => String(text)).filter((text) => text.startsWith('The database'));
  await expect.poll(told).toHaveLength(ended.length);
  const lines = told();
  written.mockRestore();
  expect(lines.length).toBeGreaterThan(0);
  for (const line of lines) expect(line).toMatch(/^The database broke off a connection: [^\n]{1,200}\n$/);
  expect((await theWorkspace(database.db)).id).toBe(id);
  await server.close();
  await database.close();
});

it.each([
  ['nobody listens', (url: string) => url.replace(/:\d+\//, ':9/'), /does not answer\. Start it/],
  [
    'there is no such machine',
    (url: string) => url.replace('127.0.0.1', 'nowhere.invalid'),
    /does not answer/,
  ],
  [
    'there is no such database',
    (url: string) => url.replace(/[^/]+$/, 'nothing_here'),
    /no database of the name/,
  ],
  ['there is no such name', (url: string) => url.replace('weaver@', 'nobody@'), /refuses the name/],
])('a server that cannot be used is told with what to do: %s', async (_, wrong, words) => {
  const server = openServer(wrong(inject('postgres') ?? ''));
  await expect(migrate(server)).rejects.toThrow(words);
  await server.close();
});
