import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';

/** Import walls: what a room may not reach into. */
const wall = (files, patterns) => ({ files, rules: { 'no-restricted-imports': ['error', { patterns }] } });
const barred = (group, message) => ({ group, message });
const outside = ['@nestjs/*', 'typeorm', 'react', 'react-*', '@jubb/*', 'node:*', 'd3'];

export default ts.config(
  { ignores: ['**/dist/**', '**/dist-types/**', '**/node_modules/**', '.cache/**', '.jubb/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  { languageOptions: { globals: { ...globals.node } } },
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
    plugins: { 'react-hooks': hooks },
    languageOptions: { globals: { ...globals.browser } },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  // Core computes: no interface, no I/O. Within it, quantities ← reckoners ← sheet ← bench ← parts ← quote.
  wall(
    ['packages/core/src/quantities/**/*.ts'],
    [
      barred(outside, 'core imports nothing of ours'),
      barred(['**/reckoners/**', '**/sheet/**', '**/bench/**', '**/parts/**'], 'quantities stand at the bottom'),
    ],
  ),
  wall(
    ['packages/core/src/reckoners/**/*.ts'],
    [
      barred(outside, 'core imports nothing of ours'),
      barred(['**/sheet/**', '**/bench/**'], 'reckoners know no sheet'),
    ],
  ),
  wall(
    ['packages/core/src/sheet/**/*.ts'],
    [barred(outside, 'core imports nothing of ours'), barred(['**/bench/**'], 'a sheet knows no log')],
  ),
  wall(
    ['packages/core/src/bench/**/*.ts'],
    [
      barred(outside, 'core imports nothing of ours'),
      barred(['**/planning/**', '**/parts/**', '**/quote/**'], 'the log knows no list and no week'),
    ],
  ),
  wall(
    ['packages/core/src/{parts,quote}/**/*.ts'],
    [barred(outside, 'core imports nothing of ours'), barred(['**/planning/**'], 'planning stands beside')],
  ),
  wall(['packages/core/src/planning/**/*.ts'], [barred(outside, 'core imports nothing of ours')]),
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
    files: ['bench/browser.mjs', 'bench/hands.mjs', 'scripts/pictures.mjs'],
    languageOptions: { globals: { ...globals.browser } },
  },
  { files: ['**/*.test.{ts,tsx}', '**/*.fixtures.ts'], rules: { 'no-restricted-imports': 'off' } },
  prettier,
);
