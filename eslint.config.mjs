import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import { createNodeResolver, importX } from 'eslint-plugin-import-x';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';

/** Import walls: what a room may not reach into. */
const wall = (files, patterns) => ({ files, rules: { 'no-restricted-imports': ['error', { patterns }] } });
const barred = (group, message) => ({ group, message });
const typed = ['packages/*/src/**/*.ts', 'apps/*/src/**/*.{ts,tsx}', 'e2e/**/*.ts', 'scripts/**/*.ts'];
const tests = ['**/*.test.{ts,tsx}', '**/*.fixtures.ts'];
/** A room of core and the rooms that it may import; facts that all share lie beside the rooms. */
const room = (name, known) => ({
  target: `./packages/core/src/${name}`,
  from: './packages/core/src',
  except: [`./${name}`, './error.ts', './records.ts', ...known.map((k) => `./${k}`)],
  message: `${name} may import only ${known.length > 0 ? known.join(', ') : 'itself'}`,
});
const outside = ['@nestjs/*', 'typeorm', 'react', 'react-*', '@jubb/*', 'node:*', 'd3'];

export default ts.config(
  { ignores: ['**/dist/**', '**/dist-types/**', '**/node_modules/**', '.cache/**', '.jubb/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  { languageOptions: { globals: { ...globals.node } } },
  // What only types can tell: a promise that nobody waits for, a value that is not what it seems.
  {
    files: typed,
    extends: [ts.configs.recommendedTypeCheckedOnly],
    languageOptions: { parserOptions: { project: ['./tsconfig.test.json'], tsconfigRootDir: import.meta.dirname } },
  },
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { 'import-x': importX },
    settings: {
      'import-x/resolver-next': [createNodeResolver({ extensions: ['.ts', '.tsx', '.js', '.mjs'] })],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
    },
    rules: { 'import-x/no-cycle': 'error' },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-explicit-any': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    files: ['apps/web/**/*.{ts,tsx}'],
    extends: [a11y.flatConfigs.recommended],
    plugins: { 'react-hooks': hooks },
    languageOptions: { globals: { ...globals.browser } },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      // What scrolls is reached by keyboard.
      'jsx-a11y/no-noninteractive-tabindex': ['error', { tags: ['section', 'aside'], roles: ['region', 'group'] }],
      // A field that a press has just opened has the keys.
      'jsx-a11y/no-autofocus': ['error', { ignoreNonDOM: true }],
    },
  },
  // Core computes: no interface, no I/O. Within it each room knows only those before it.
  wall(['packages/core/src/**/*.ts'], [barred(outside, 'core imports nothing of ours')]),
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: tests,
    rules: {
      'import-x/no-restricted-paths': [
        'error',
        {
          zones: [
            room('quantities', []),
            room('reckoners', ['quantities']),
            room('sheet', ['quantities', 'reckoners']),
            room('bench', ['quantities', 'reckoners', 'sheet', 'csv']),
            room('parts', ['quantities', 'reckoners', 'sheet', 'bench', 'csv']),
            room('quote', ['quantities', 'reckoners', 'sheet', 'bench', 'parts', 'csv']),
            room('planning', ['quantities', 'reckoners', 'sheet', 'bench', 'parts']),
          ],
        },
      ],
    },
  },
  wall(
    ['packages/contract/src/**/*.ts'],
    [barred(['@nestjs/*', 'typeorm', 'react', '@jubb/server', '@jubb/web'], 'the contract knows only core')],
  ),
  wall(
    ['apps/server/src/**/*.ts'],
    [barred(['react', 'd3', '@jubb/web', '@jubb/web/*'], 'the server knows no interface')],
  ),
  wall(
    ['apps/web/src/**/*.{ts,tsx}'],
    [barred(['@nestjs/*', 'typeorm', 'node:*', '@jubb/server', '@jubb/stand-ins'], 'the web knows no server')],
  ),
  // Functions that run in the page that a benchmark, or whoever takes the pictures, drives.
  {
    files: ['benchmarks/browser.mjs', 'benchmarks/hands.mjs', 'scripts/pictures.mjs'],
    languageOptions: { globals: { ...globals.browser } },
  },
  { files: tests, rules: { 'no-restricted-imports': 'off' } },
  // An answer of the server is looked into as it comes: its shape is what the test asserts.
  {
    files: tests,
    rules: Object.fromEntries(
      ['argument', 'assignment', 'call', 'member-access', 'return'].map((what) => [
        `@typescript-eslint/no-unsafe-${what}`,
        'off',
      ]),
    ),
  },
  prettier,
);
