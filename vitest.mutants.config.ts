import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** Tests that reach the core, those of the solver left out: they take minutes. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/core/**/*.test.ts', 'src/demo/**/*.test.ts'],
    exclude: ['src/core/layout/solver/**', 'src/core/layout/cellLayout.test.ts'],
    environment: 'node',
    testTimeout: 120_000,
  },
});
