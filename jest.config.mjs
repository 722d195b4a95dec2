// Jest runs in CommonJS mode (its ESM mode fails on Nest 12 with Node 20) and takes our packages from
// `src` through the `@jubb/source` export condition, so that no build is needed before testing.
const swc = (parser) => ({
  swcrc: false,
  jsc: {
    parser,
    target: 'es2022',
    keepClassNames: true,
    transform: {
      legacyDecorator: true,
      decoratorMetadata: true,
      useDefineForClassFields: false,
      react: { runtime: 'automatic' },
    },
  },
  module: { type: 'commonjs' },
  sourceMaps: 'inline',
});
/** Packages that ship ES modules only and so must be compiled for Jest. */
const esmOnly = [
  '@nestjs',
  'load-esm',
  'file-type',
  '@noble',
  'd3',
  'd3-[a-z]+',
  'internmap',
  'delaunator',
  'robust-predicates',
  'idb-keyval',
  'archiver',
  'zip-stream',
  'compress-commons',
  'crc32-stream',
  'readdir-glob',
  'is-stream',
  'buffer-crc32',
];
const project = (displayName, dir, more = {}) => ({
  displayName,
  rootDir: dir,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/**/*.test.ts?(x)'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/', '/dist-types/'],
  modulePathIgnorePatterns: ['<rootDir>/dist/', '<rootDir>/dist-types/'],
  transform: {
    '\\.tsx?$': ['@swc/jest', swc({ syntax: 'typescript', tsx: true, decorators: true })],
    '\\.m?js$': ['@swc/jest', swc({ syntax: 'ecmascript' })],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${esmOnly.join('|')})/)`],
  testEnvironmentOptions: { customExportConditions: ['@jubb/source', 'node', 'node-addons'] },
  ...more,
});
export default {
  globalSetup: '<rootDir>/scripts/lib/jest-sheets.mjs',
  projects: [
    project('core', 'packages/core'),
    project('contract', 'packages/contract'),
    project('server', 'apps/server', {
      moduleNameMapper: { '^d3-scale$': '<rootDir>/../../node_modules/d3/dist/d3.js' },
    }),
    project('stand-ins', 'apps/stand-ins'),
    // d3's own bundle: its parts ship as .mjs, which Jest never compiles.
    project('web', 'apps/web', {
      moduleNameMapper: {
        '^d3$': '<rootDir>/../../node_modules/d3/dist/d3.js',
        '\\.scss$': '<rootDir>/build/no-styles.cjs',
      },
      setupFiles: ['<rootDir>/build/jest-setup.mjs'],
    }),
    project('scripts', 'scripts'),
    project('e2e', 'e2e'),
  ],
};
