import next from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier';

const config = [
  { ignores: ['.next/**', '.den/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**', 'data/migrations/**'] },
  ...next,
  ...nextTypescript,
  {
    rules: {
      eqeqeq: ['error', 'always'],
      'no-console': ['error', { allow: ['error'] }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    // The core is pure: no clock, no randomness, no platform. Its compiler settings keep DOM and Node types out as well.
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'setTimeout', 'performance', 'Buffer'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Time comes in as an argument.' },
        { object: 'Math', property: 'random', message: 'Randomness comes in as an argument.' },
      ],
    },
  },
  {
    // Rules that need types: a promise that nobody waits for, a kind that a switch forgot.
    files: ['**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false, properties: false } }],
    },
  },
  { files: ['scripts/**', 'e2e/**'], rules: { 'no-console': 'off' } },
  // Playwright's fixtures are given by a function called use, which is no hook.
  { files: ['e2e/**'], rules: { 'react-hooks/rules-of-hooks': 'off' } },
  // Pictures of a PDF have no alternative text to carry, and ours come from our own server at the size they have.
  { files: ['server/report/**'], rules: { 'jsx-a11y/alt-text': 'off' } },
  { files: ['app/**', 'ui/**'], rules: { '@next/next/no-img-element': 'off' } },
  prettier,
];

export default config;
