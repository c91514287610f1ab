/** The core without its solver, whose tests take minutes, and without words and tables, where a change is a matter of taste. */
const config = {
  testRunner: 'vitest',
  vitest: { configFile: 'vitest.mutants.config.ts' },
  mutate: [
    'src/core/**/*.ts',
    '!src/core/**/*.test.ts',
    '!src/core/testing/**',
    '!src/core/layout/solver/**',
    '!src/core/layout/solveLayout.ts',
  ],
  mutator: { excludedMutations: ['StringLiteral'] },
  ignoreStatic: true,
  coverageAnalysis: 'perTest',
  concurrency: 2,
  timeoutMS: 20_000,
  reporters: ['clear-text', 'json', 'progress-append-only'],
  clearTextReporter: { reportTests: false, allowColor: false },
  jsonReporter: { fileName: '.mutants/report.json' },
  tempDirName: '.mutants/stryker',
  thresholds: { high: 90, low: 80, break: 80 },
};

export default config;
