import next from 'eslint-config-next';
import tseslint from 'typescript-eslint';

const rules = [
  {
    ignores: [
      '**/.next/**',
      'node_modules/**',
      'next-env.d.ts',
      'public/**',
      '.ci-out/**',
      '.mutants/**',
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
    files: ['src/ui/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'CallExpression[callee.name=/Action$/]',
          message: 'Ask through ui/fields/ask: a program that does not answer is told in words.',
        },
      ],
    },
  },
  {
    files: ['src/cli/**', 'bench/**', 'scripts/**', 'src/instrumentation.ts'],
    rules: { 'no-console': 'off' },
  },
];

export default rules;
