import next from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

const noAmbient = [
  {
    selector: "MemberExpression[object.name='Date'][property.name='now']",
    message: 'Time is an argument in core.',
  },
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'Time is an argument in core.',
  },
  {
    selector: "MemberExpression[object.name='Math'][property.name='random']",
    message: 'Randomness is an argument in core.',
  },
  { selector: "CallExpression[callee.name='parseFloat']", message: 'Use Decimal in core.' },
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
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', ...noAmbient] },
  },
  {
    // Only the display of amounts writes digits; everywhere else rounding is a named function.
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts', 'src/core/display/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...noAmbient,
        { selector: "CallExpression[callee.property.name='toFixed']", message: 'Round by a named function.' },
      ],
    },
  },
);
