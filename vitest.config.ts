import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/**/*.test.ts', 'bench/**/*.test.ts'],
    environment: 'node',
    // Wide enough for a machine at a quarter of the speed of ours.
    testTimeout: 120_000,
    hookTimeout: 120_000,
    maxWorkers: '100%',
  },
});
