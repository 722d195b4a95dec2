import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import { createNodeResolver, importX } from 'eslint-plugin-import-x';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';
import { coreRooms, packages } from './walls.mjs';

/** Import walls: what a room may not reach into. */
const wall = (files, patterns) => ({ files, rules: { 'no-restricted-imports': ['error', { patterns }] } });
const barred = (group, message) => ({ group, message });
const typed = ['packages/*/src/**/*.ts', 'apps/*/src/**/*.{ts,tsx}', 'e2e/**/*.ts', 'scripts/**/*.ts'];
const tests = ['**/*.test.{ts,tsx}', '**/*.fixtures.{ts,tsx}'];
/** A room of core and the rooms that it may import; facts that all share lie beside the rooms. */
const room = (name, known) => ({
  target: `./packages/core/src/${name}`,
  from: './packages/core/src',
  except: [`./${name}`, './error.ts', './records.ts', ...known.map((k) => `./${k}`)],
  message: `${name} may import only ${known.length > 0 ? known.join(', ') : 'itself'}`,
});
/** Libraries that are no business of a package. */
const libraries = {
  core: [barred(['@nestjs/*', 'typeorm', 'react', 'react-*', 'node:*', 'd3'], 'core computes: no interface, no I/O')],
  contract: [barred(['@nestjs/*', 'typeorm', 'react'], 'the contract is known to both sides')],
  server: [barred(['react', 'd3'], 'the server knows no interface')],
  web: [barred(['@nestjs/*', 'typeorm', 'node:*'], 'the web knows no server')],
};

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
  // Within core each room knows only those below it.
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: tests,
    rules: {
      'import-x/no-restricted-paths': [
        'error',
        {
          zones: Object.entries(coreRooms).map(([name, known]) => room(name, known)),
        },
      ],
    },
  },
  // A package knows only those that it may, and none of the libraries of another's trade.
  ...Object.entries(packages).map(([name, { folder, may }]) =>
    wall(
      [`${folder}/src/**/*.{ts,tsx}`],
      [
        barred(
          Object.keys(packages)
            .filter((other) => other !== name && !may.includes(other))
            .flatMap((other) => [`@jubb/${other}`, `@jubb/${other}/*`]),
          `${name} may import only ${['itself', ...may].join(', ')}`,
        ),
        ...(libraries[name] ?? []),
      ],
    ),
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
