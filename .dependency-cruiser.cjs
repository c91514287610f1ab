/** The arrows of docs/architecture.md: what each layer may use. A layer not named in `may` uses only core. */
const may = {
  core: [],
  workers: [],
  data: [],
  server: ['data', 'workers'],
  ui: ['server', 'workers'],
  app: ['ui', 'server'],
  cli: ['server', 'data', 'demo'],
  demo: [],
};

const forbidden = Object.entries(may).map(([layer, others]) => {
  const allowed = [layer, ...others, ...(layer === 'core' ? [] : ['core'])].join('|');
  return {
    name: `layer-${layer}`,
    severity: 'error',
    from: { path: `^src/${layer}/`, pathNot: '\\.test\\.tsx?$' },
    to: { path: '^src/', pathNot: `^src/(${allowed})/` },
  };
});

module.exports = {
  forbidden: [
    ...forbidden,
    {
      name: 'core-is-pure',
      comment:
        'The core knows nothing of the interface, the database or the machine; zod is its only package.',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$|^src/core/testing/' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: 'node_modules/zod' },
    },
    {
      name: 'testing-is-for-tests',
      comment: 'Only tests, benchmarks and what they share may use what was made for tests.',
      severity: 'error',
      from: { path: '^src/', pathNot: '\\.test\\.tsx?$|/testing/' },
      to: { path: '^src/.*/testing/' },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no-orphans-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.css$' },
  },
};
