import next from 'eslint-config-next';
import tseslint from 'typescript-eslint';

const rules = [
  {
    ignores: [
      '**/.next/**',
      'node_modules/**',
      'next-env.d.ts',
      'public/**',
      'test-results/**',
      '.ivyloom/**',
    ],
  },
  ...next,
  ...tseslint.configs.strict,
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  {
    files: ['src/cli/**', 'bench/**', 'scripts/**', 'src/instrumentation.ts'],
    rules: { 'no-console': 'off' },
  },
];

export default rules;
