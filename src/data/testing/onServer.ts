import type { TestProject } from 'vitest/node';
import { startPostgres } from '../../../scripts/postgres.mjs';

declare module 'vitest' {
  export interface ProvidedContext {
    /** A database of the PostgreSQL server that the tests started for themselves. */
    postgres: string | undefined;
  }
}

/** Starts a PostgreSQL server for the tests of a project. */
export default async function onServer(project: TestProject): Promise<() => Promise<void>> {
  const server = await startPostgres();
  project.provide('postgres', server.url());
  return server.stop;
}
