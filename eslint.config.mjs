import next from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

/** What is worked out and said without a clock, chance, a document or a database. */
const PURE = [
  'src/engine/**/*.ts',
  'src/features/*/calc/**/*.ts',
  'src/features/*/words/**/*.ts',
  'src/platform/{tables,words}/**/*.ts',
];

const noAmbient = [
  {
    selector: "MemberExpression[object.name='Date'][property.name='now']",
    message: 'Time is an argument in what is pure.',
  },
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'Time is an argument in what is pure.',
  },
  {
    selector: "MemberExpression[object.name='Math'][property.name='random']",
    message: 'Randomness is an argument in what is pure.',
  },
  { selector: "CallExpression[callee.name='parseFloat']", message: 'Use Decimal in what is pure.' },
];

export default tseslint.config(
  {
    ignores: [
      '.next/**',
      '.data/**',
      'next-env.d.ts',
      'node_modules/**',
      'test-results/**',
      'playwright-report/**',
    ],
  },
  ...next,
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'max-lines': ['error', { max: 300 }],
    },
  },
  {
    // A promise that nobody waits for is one whose failure nobody sees.
    files: ['src/**/*.{ts,tsx}', 'tests/**/*.ts', 'scripts/**/*.ts', 'bench/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: { '@typescript-eslint/no-floating-promises': 'error' },
  },
  {
    // Tables of test data: one thing each, however many rows.
    files: ['tests/support/bad-books.ts', 'tests/support/wide-book.ts'],
    rules: { 'max-lines': 'off' },
  },
  {
    files: PURE,
    ignores: ['src/**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', ...noAmbient] },
  },
  {
    // Only the display of amounts writes digits; everywhere else rounding is a named function.
    files: PURE,
    ignores: ['src/**/*.test.ts', 'src/**/words/**', 'src/platform/tables/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...noAmbient,
        { selector: "CallExpression[callee.property.name='toFixed']", message: 'Round by a named function.' },
      ],
    },
  },
);
