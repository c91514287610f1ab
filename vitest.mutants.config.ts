import { statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** Small files first: most changes are noticed by a test of their own, and the first failure ends the search. */
class SmallFirst extends BaseSequencer {
  override sort(files: TestSpecification[]) {
    const size = ({ moduleId }: TestSpecification) => statSync(moduleId).size;
    return Promise.resolve([...files].sort((a, b) => size(a) - size(b)));
  }
}

/** Tests that reach the core, those of the solver left out: they take minutes. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/core/**/*.test.ts', 'src/demo/**/*.test.ts'],
    exclude: ['src/core/layout/solver/**', 'src/core/layout/cellLayout.test.ts'],
    environment: 'node',
    // One registry of modules for all files: each change is tried with fresh ones as it is.
    isolate: false,
    sequence: { sequencer: SmallFirst },
    testTimeout: 120_000,
  },
});
