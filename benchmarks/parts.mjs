// The parts desk: kit cover, a long price list in a process of its own, Parts and History over 50,000 jobs.
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { cheapestCover } from '@jubb/core/parts';
import { readPriceList } from '@jubb/core/parts/price-list';
import { held, heldMs } from './lib/goals.mjs';

const LINES = 100_000;
if (process.argv[2] === 'list') {
  const rows = ['number,title,price,supplier,superseded by'];
  for (let i = 0; i < LINES; i += 1)
    rows.push(`N-${i},Part ${i},${(i % 900) + 0.45},House ${i % 7},${i % 50 === 0 ? `N-${i + 1}` : ''}`);
  const text = rows.join('\n');
  const from = performance.now();
  const { items, errors } = readPriceList(text, 'S');
  const ms = performance.now() - from;
  console.log(
    JSON.stringify({ ms, items: items.length, errors: errors.length, mb: process.resourceUsage().maxRSS / 1024 }),
  );
} else {
  // Park and Miller's minimal generator: the same shops every time.
  let seed = 20417;
  const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
  const shops = Array.from({ length: 40 }, () => {
    const needs = Array.from({ length: 40 }, (_, i) => ({
      id: `p${i}`,
      singleMinor: Math.round(200 + random() * 3000),
    }));
    const kits = Array.from({ length: 60 }, (_, i) => {
      const covers = [
        ...new Set(Array.from({ length: 2 + Math.floor(random() * 12) }, () => `p${Math.floor(random() * 40)}`)),
      ];
      const singles = covers.reduce((s, p) => s + needs[Number(p.slice(1))].singleMinor, 0);
      return { id: `k${i}`, covers, priceMinor: Math.round(singles * (0.55 + 0.4 * random())) };
    });
    return { needs, kits };
  });
  const times = shops
    .map(({ needs, kits }) => {
      const from = performance.now();
      cheapestCover(needs, kits);
      return performance.now() - from;
    })
    .sort((a, b) => a - b);
  heldMs(`kit cover, 40 parts by 60 kits, exact, worst of 40 (median ${times[20].toFixed(0)} ms)`, times.at(-1), 200);
  const run = spawnSync(process.execPath, [fileURLToPath(import.meta.url), 'list'], { encoding: 'utf8' });
  const { ms, items, mb } = JSON.parse(run.stdout);
  held(
    `price list of ${items} lines read`,
    `${(ms / 1000).toFixed(1)} s, ${mb.toFixed(0)} MB at most`,
    '20 s, 300 MB',
    ms <= 20_000 && mb <= 300,
  );
}
