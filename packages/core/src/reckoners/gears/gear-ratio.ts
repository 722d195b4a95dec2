import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, list, number, optional, ReckonError } from '../shape/index.ts';

const teeth = (label: string): ReturnType<typeof number> => number(label, { integer: true, min: 1, max: 10000 });
const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/** Ratio of a pair or a train, and whether every tooth meets every tooth (then the marks need not go back). */
export const gearRatio = defineReckoner({
  id: 'gear-ratio',
  title: 'Gear ratio',
  subject: 'gears',
  asks: ['ratio', 'teeth', 'hunting tooth', 'do the marks matter'],
  formula: 'ratio = driven / driver, multiplied along a train;  hunting when gcd = 1',
  sources: ['number theory', 'pairs that do not hunt go back on their marks: common practice'],
  checks: [
    { inputs: { driver: 9, driven: 37 }, gives: { ratio: '4.111', hunting: 'yes' }, source: 'by hand' },
    {
      inputs: { driver: 10, driven: 40 },
      gives: { ratio: '4.000', hunting: 'no', matingRepeat: '4' },
      source: 'by hand',
    },
  ],
  inputs: {
    driver: optional(teeth('Teeth of the driver')),
    driven: optional(teeth('Teeth of the driven')),
    train: optional(
      list(list(teeth('Teeth'), 'Pair: driver, driven', { minLength: 2, maxLength: 2 }), 'Train', { maxLength: 20 }),
    ),
  },
  outputs: {
    ratio: { label: 'Ratio', is: 'ratio' },
    hunting: { label: 'Every tooth meets every tooth', is: 'word' },
    matingRepeat: { label: 'Turns of the driver until the same teeth meet', is: 'ratio' },
  },
  compute({ driver, driven, train }, work) {
    if (train === undefined && (driver === undefined || driven === undefined))
      throw new ReckonError(
        'missing-field',
        driver === undefined ? 'driver' : 'driven',
        null,
        'driver and driven, or a train',
      );
    if (train !== undefined && (driver !== undefined || driven !== undefined))
      throw new ReckonError('inconsistent', 'train', train, 'either driver and driven, or a train');
    const pairs = train ?? [[driver!, driven!] as const];
    let ratio = 1;
    let repeat = 1;
    let hunting = true;
    for (const [a, b] of pairs as readonly (readonly [number, number])[]) {
      const shared = gcd(a, b);
      ratio *= b / a;
      work.step(`${a} into ${b}`, 'driven / driver', `${b} / ${a}`, canonical(b / a, 'ratio'));
      work.step(
        'Same teeth meet again after',
        'driven / gcd turns of the driver',
        `${b} / ${shared}`,
        canonical(b / shared, 'ratio'),
      );
      if (shared !== 1) {
        hunting = false;
        work.warn(
          `${a} and ${b} share ${shared}: each tooth meets only ${b / shared} of the other. Put the marks back as they were.`,
        );
      }
      repeat = Math.max(repeat, b / shared);
    }
    if (pairs.length > 1)
      work.step(
        'Ratio of the train',
        'product',
        pairs.map((p) => `${p[1]}/${p[0]}`).join(' × '),
        canonical(ratio, 'ratio'),
      );
    if (ratio < 1) work.warn(`Geared up: the driven makes ${f(1 / ratio)} turns for one of the driver.`);
    return {
      ratio: canonical(ratio, 'ratio'),
      hunting: hunting ? 'yes' : 'no',
      matingRepeat: canonical(repeat, 'ratio'),
    };
  },
});
