import { afterAll, afterEach, beforeAll, beforeEach, vi } from 'vitest';
import type { Database } from '@/data/database';
import { testDatabase } from '@/data/testing/databases';
import { theWorkspace } from '@/data/workspaces';
import { sql } from 'drizzle-orm';

/** A database of the tests in the place of the installation’s. */
async function testBench() {
  const database = await testDatabase();
  return {
    database,
    /** Empties it, and answers with the id of a fresh workspace. */
    async fresh(): Promise<string> {
      await database.db.execute(sql`truncate workspace cascade`);
      const { id } = await theWorkspace(database.db);
      Object.assign(globalThis, { ivyloom: Promise.resolve({ database, workspaceId: id }) });
      return id;
    },
    close: () => database.close(),
  };
}

/** A bench for the tests of a file, empty before each. */
export function benchForEach(): { readonly db: () => Database['db']; readonly workspaceId: () => string } {
  let bench: Awaited<ReturnType<typeof testBench>>;
  let workspaceId: string;
  beforeAll(async () => {
    bench = await testBench();
  }, 120_000);
  afterAll(() => bench.close());
  beforeEach(async () => {
    workspaceId = await bench.fresh();
  });
  afterEach(() => {
    vi.restoreAllMocks();
  });
  return { db: () => bench.database.db, workspaceId: () => workspaceId };
}

/** A request to the program from one of its own pages. */
export const request = (body: unknown, method = 'PUT', path = '/', headers: Record<string, string> = {}) =>
  new Request(`http://127.0.0.1${path}`, {
    method,
    headers: { host: '127.0.0.1', origin: 'http://127.0.0.1', ...headers },
    ...(method !== 'GET' && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });

/** Collects what the program writes to its log. */
export function logged(): string[] {
  const lines: string[] = [];
  vi.spyOn(process.stderr, 'write').mockImplementation((text) => (lines.push(String(text)), true));
  return lines;
}
