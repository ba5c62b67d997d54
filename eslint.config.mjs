import { defineConfig } from 'eslint/config';
import expo from 'eslint-config-expo/flat.js';
import prettier from 'eslint-config-prettier/flat';

/** Arrows point one way: core ← contract ← server, app, demo. What a workspace may not reach, by name. */
const forbid = (folder, names, why, also = []) => ({
  files: [`${folder}/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          ...names.map((name) => ({ regex: `^(@calvet/${name}(/|$)|.*/${name}/src/)`, message: why })),
          ...also,
        ],
      },
    ],
  },
});

/** The web target drops nothing by itself: one name from a whole package would bring all of it into every page. */
const byModule = { regex: '^@calvet/(core|contract)$', message: 'Name the module: @calvet/core/refusal.' };

const onlyInData = (name) => ({ name, message: 'Only app/src/data reaches the server and local storage.' });

export default defineConfig([
  { ignores: ['**/node_modules/', '**/dist/', '.calvet/', '**/.expo/', '**/expo-env.d.ts', 'test-results/'] },
  expo,
  {
    linterOptions: { reportUnusedDisableDirectives: 'error' },
    settings: { 'import/resolver': { typescript: { project: ['tsconfig.json', 'app/tsconfig.json'] } } },
  },
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      'no-console': ['error', { allow: ['error'] }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'max-lines': ['error', { max: 350, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['{core,contract,server,demo,app}/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'error' },
  },
  {
    files: ['{core,contract,server,demo,app}/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    files: ['**/*.{js,mjs}'],
    languageOptions: { globals: { Buffer: 'readonly', __dirname: 'readonly' } },
  },
  {
    files: ['app/**/*.js'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  forbid('core', ['contract', 'server', 'app', 'demo'], 'core stands on nothing.'),
  forbid('contract', ['server', 'app', 'demo'], 'contract stands on core alone.', [byModule]),
  forbid('server', ['app', 'demo'], 'server stands on contract and core.'),
  forbid('app', ['server', 'demo'], 'app stands on contract and core.', [byModule]),
  forbid('demo', ['server', 'app'], 'demo stands on contract and core.'),
  {
    files: ['server/src/**/*.ts'],
    ignores: ['server/src/store/**', '**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: '^(drizzle-orm|mysql2)(/|$)', message: 'Only server/src/store knows the database.' },
            {
              regex: '^(@calvet/(app|demo)(/|$)|.*/(app|demo)/src/)',
              message: 'server stands on contract and core.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['app/src/**/*.{ts,tsx}'],
    ignores: ['app/src/data/**', '**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...['fetch', 'localStorage', 'sessionStorage', 'indexedDB', 'EventSource'].map(onlyInData),
      ],
    },
  },
  {
    files: ['bin/**', '**/*.mjs', '**/bench/**', 'server/**', 'e2e/**', '**/*.test.{ts,tsx}'],
    rules: { 'no-console': 'off' },
  },
  {
    files: ['**/*.test.{ts,tsx}', '**/test/**'],
    rules: { 'import/no-named-as-default-member': 'off', 'react-hooks/globals': 'off' },
  },
  // Playwright reads which fixtures a function takes from its pattern, also where it takes none.
  {
    files: ['e2e/**'],
    rules: {
      'no-empty-pattern': 'off',
      'react-hooks/rules-of-hooks': 'off',
      'expo/no-env-var-destructuring': 'off',
    },
  },
  prettier,
]);
