import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** A soak tries properties with five times as many cases. */
const LONGER = process.env.IVYLOOM_SOAK ? 5 : 1;

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    environment: 'node',
    setupFiles: ['src/core/testing/seed.ts'],
    // Wide enough for a machine at a quarter of the speed of ours.
    testTimeout: 120_000 * LONGER,
    hookTimeout: 120_000,
    expect: { poll: { timeout: 60_000 } },
    maxWorkers: '100%',
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          include: ['src/**/*.test.ts', 'bench/**/*.test.ts'],
          // Of a server only.
          exclude: ['src/data/server.test.ts'],
        },
      },
      {
        // All that keeps or answers anything, once more on a PostgreSQL server.
        extends: true,
        test: {
          name: 'on a server',
          include: ['src/data/{data,move,workspaceFile,server}.test.ts', 'src/server/**/*.test.ts'],
          // It reads files, and keeps nothing.
          exclude: ['src/server/flood.test.ts'],
          globalSetup: ['src/data/testing/onServer.ts'],
        },
      },
    ],
  },
});
