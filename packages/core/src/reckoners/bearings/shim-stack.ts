import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, list, number, quantity, record, ReckonError } from '../shape/index.ts';
import { searchPacks, type DrawerSize, type FoundPack } from './pack-search.ts';

const NM = 1e6;
/** Packs listed at most; the best come first. */
const LISTED = 20;
/** Packs weighed at most, so that an answer comes at once. */
const MOST_PACKS = 200_000;

/**
 * The shims to take from the drawer for a pack. Exact: every combination of up to `maxPieces` is weighed, in whole
 * nanometres. Within tolerance the fewest pieces win, then the least error. When none is within, the nearest under and
 * over are named, and the one size to buy or grind.
 */
export const shimStack = defineReckoner({
  id: 'shim-stack',
  title: 'Shims from the drawer',
  subject: 'bearings',
  asks: ['which shims', 'make up a pack', 'shim drawer'],
  formula: 'fewest pieces with |Σ pieces − needed| ≤ tolerance, then least error',
  sources: ['exhaustive search'],
  checks: [
    {
      inputs: {
        needed: '1.32 mm',
        tolerance: '0.01 mm',
        drawer: [
          { thickness: '1.00 mm', count: 2 },
          { thickness: '0.25 mm', count: 3 },
          { thickness: '0.20 mm', count: 2 },
          { thickness: '0.12 mm', count: 4 },
          { thickness: '0.05 mm', count: 4 },
        ],
      },
      gives: { 'stacks.0.total': '1.32 mm' },
      source: 'by hand: 1.00 + 0.20 + 0.12',
    },
  ],
  dangers: {
    'no-pack': {
      harm: 'The nearest pack is fitted as if it were the one asked for: the setting is off by the rest.',
      fires: { needed: '3.00 mm' },
      silent: { needed: '1.32 mm' },
    },
  },
  inputs: {
    needed: quantity('length', 'Pack needed', { above: 0, max: 1000 }),
    tolerance: quantity('length', 'May be off by', { min: 0, max: 100 }),
    drawer: list(
      record(
        {
          thickness: quantity('length', 'Thickness', { above: 0, max: 1000 }),
          count: number('How many', { integer: true, min: 0, max: 1000 }),
        },
        'Size in the drawer',
      ),
      'Drawer',
      { maxLength: 40 },
    ),
    maxPieces: defaulted(number('Pieces at most', { integer: true, min: 1, max: 6 }), 4),
  },
  outputs: {
    stacks: { label: 'Packs within tolerance, best first', is: 'table' },
    nearestUnder: { label: 'Nearest under', is: 'table', optional: true },
    nearestOver: { label: 'Nearest over', is: 'table', optional: true },
    buySize: { label: 'Buy or grind', is: 'length', optional: true },
  },
  compute(input, work) {
    const neededNm = Math.round(input.neededMm * NM);
    const drawer = mergeSizes(input.drawer.map((d) => ({ nm: Math.round(d.thicknessMm * NM), count: d.count })));
    const packs = packsAtMost(drawer.filter((d) => d.count > 0).length, input.maxPieces);
    if (packs > MOST_PACKS) {
      throw new ReckonError(
        'too-many',
        'maxPieces',
        input.maxPieces,
        `fewer pieces or fewer sizes: at most ${MOST_PACKS} packs are weighed`,
        `${drawer.length} sizes and ${input.maxPieces} pieces make ${packs} packs`,
      );
    }
    const toleranceNm = Math.round(input.toleranceMm * NM);
    const found = searchPacks(drawer, neededNm, toleranceNm, input.maxPieces, LISTED);
    const shown = (
      p: FoundPack,
    ): {
      pieces: { value: number; unit: string }[];
      total: { value: number; unit: string };
      error: { value: number; unit: string };
    } => ({
      pieces: p.pieces.map((nm) => canonical(nm / NM, 'length')),
      total: canonical(p.totalNm / NM, 'length'),
      error: canonical((p.totalNm - neededNm) / NM, 'length'),
    });
    work.given('Pack needed', canonical(neededNm / NM, 'length'));
    work.given('Sizes in the drawer', `${drawer.filter((d) => d.count > 0).length}`);
    const best = found.within[0];
    if (best) {
      work.step(
        'Best pack',
        'sum of the pieces',
        best.pieces.map((nm) => f(nm / NM)).join(' + '),
        canonical(best.totalNm / NM, 'length'),
      );
      return { stacks: found.within.map(shown) };
    }
    for (const [name, p] of [
      ['Nearest under', found.under],
      ['Nearest over', found.over],
    ] as const) {
      if (p)
        work.step(
          name,
          'sum of the pieces',
          p.pieces.map((nm) => f(nm / NM)).join(' + '),
          canonical(p.totalNm / NM, 'length'),
        );
    }
    const thicker = drawer.filter((d) => d.count > 0 && d.nm > neededNm).at(-1);
    work.step(
      'Buy or grind',
      thicker ? 'one piece; or grind the next thicker one down' : 'one piece',
      thicker ? `${f(thicker.nm / NM)} less ${f((thicker.nm - neededNm) / NM)}` : f(neededNm / NM),
      canonical(neededNm / NM, 'length'),
    );
    work.warn('no-pack', 'No pack from this drawer comes within the tolerance.');
    return {
      stacks: [],
      nearestUnder: found.under && shown(found.under),
      nearestOver: found.over && shown(found.over),
      buySize: canonical(neededNm / NM, 'length'),
    };
  },
});

/** How many packs of up to `pieces` can be made of `sizes` with plenty of each: C(sizes + pieces, pieces) − 1. */
function packsAtMost(sizes: number, pieces: number): number {
  let packs = 1;
  for (let i = 1; i <= pieces; i += 1) packs = (packs * (sizes + i)) / i;
  return Math.round(packs) - 1;
}

/** The same thickness listed twice is one size; thickest first. */
function mergeSizes(sizes: readonly DrawerSize[]): DrawerSize[] {
  const counts = new Map<number, number>();
  for (const { nm, count } of sizes) counts.set(nm, (counts.get(nm) ?? 0) + count);
  return [...counts].map(([nm, count]) => ({ nm, count })).sort((a, b) => b.nm - a.nm);
}
