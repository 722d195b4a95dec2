// Which room may import which: ESLint holds the code to it (eslint.config.mjs), and the drawing in docs/architecture.md is made of it.

/** Rooms of core, the lowest first, and the rooms that each may import. */
export const coreRooms = {
  quantities: [],
  csv: [],
  reckoners: ['quantities'],
  sheet: ['quantities', 'reckoners'],
  shape: ['quantities', 'sheet'],
  bench: ['quantities', 'reckoners', 'sheet', 'csv'],
  parts: ['quantities', 'reckoners', 'sheet', 'bench', 'csv'],
  quote: ['quantities', 'reckoners', 'sheet', 'bench', 'parts', 'csv'],
  planning: ['quantities', 'reckoners', 'sheet', 'bench', 'parts'],
};

/** Packages, what each is, and the packages that it may import. */
export const packages = {
  core: { folder: 'packages/core', says: 'computes: no I/O, no clock, no chance', may: [] },
  contract: { folder: 'packages/contract', says: 'bodies and answers over the wire', may: ['core'] },
  server: { folder: 'apps/server', says: 'NestJS on PostgreSQL: the last word', may: ['core', 'contract'] },
  web: { folder: 'apps/web', says: 'React: the same functions, at once', may: ['core', 'contract'] },
  'stand-ins': { folder: 'apps/stand-ins', says: 'simulated instruments over TCP', may: ['core'] },
};

/** What is joined by a wire and not by an import. */
export const wires = [
  ['web', 'server', 'HTTP, streams'],
  ['server', 'stand-ins', 'TCP, HTTP'],
];
