// After the build: the weight of the first load of Floor, held to its budget, and the service worker.
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { generateSW } from 'workbox-build';

const dist = join(dirname(fileURLToPath(import.meta.url)), '..', 'dist');
const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8'));
const BUDGET_KB = 160;
const files = new Set();
const gather = (key) => {
  const entry = manifest[key];
  if (!entry || files.has(entry.file)) return;
  files.add(entry.file);
  (entry.imports ?? []).forEach(gather);
};
gather('index.html');
gather('src/floor/floor-screen.tsx');
const kB =
  [...files]
    .filter((f) => f.endsWith('.js'))
    .reduce((sum, f) => sum + gzipSync(readFileSync(join(dist, f))).length, 0) / 1000;
console.log(`first load of Floor: ${kB.toFixed(0)} kB of JavaScript gzipped (budget ${BUDGET_KB} kB)`);
if (kB > BUDGET_KB) process.exit(1);

await generateSW({
  globDirectory: dist,
  globPatterns: ['**/*.{js,css,html,svg,woff2}'],
  swDest: join(dist, 'sw.js'),
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api/],
  clientsClaim: true,
  skipWaiting: true,
  sourcemap: false,
  inlineWorkboxRuntime: true,
});
