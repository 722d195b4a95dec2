import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, list, number, optional, ReckonError } from '../shape/index.ts';

const teeth = (label: string): ReturnType<typeof number> => number(label, { integer: true, min: 1, max: 10000 });
const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

const gcdOf = (a: bigint, b: bigint): bigint => (b === 0n ? a : gcdOf(b, a % b));

/**
 * Turns of the first shaft after which every shaft of a train stands as it stood: the least common multiple of the
 * denominators of the turns that each makes. Whole numbers of any size, since a long train leaves what a double holds.
 */
function wholeTrainRepeat(pairs: readonly (readonly [number, number])[]): number {
  let [over, under, repeat] = [1n, 1n, 1n];
  for (const [driver, driven] of pairs) {
    over *= BigInt(driver);
    under *= BigInt(driven);
    const shared = gcdOf(over, under);
    over /= shared;
    under /= shared;
    repeat = (repeat / gcdOf(repeat, under)) * under;
  }
  return Number(repeat);
}

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
    {
      // 10/20 comes round in 2 turns; then 20/30 of half a turn: the whole train in 6
      inputs: {
        train: [
          [10, 20],
          [20, 60],
        ],
      },
      gives: { ratio: '6.000', matingRepeat: '6' },
      source: 'by hand: after 2 turns the first pair is back, the second after 3 of those',
    },
    { inputs: { driver: 11, driven: 39 }, gives: { ratio: '3.545' }, source: 'common practice' },
  ],
  dangers: {
    'not-hunting': {
      harm: 'A pair that is not put back on its marks meets strange teeth: it whines, pits and breaks.',
      fires: { driver: 10, driven: 40 },
      silent: { driver: 9, driven: 37 },
    },
    'geared-up': {
      harm: 'Driver and driven are swapped: a shaft is turned several times faster than it bears.',
      fires: { driver: 37, driven: 36 },
      silent: { driver: 37, driven: 37 },
    },
  },
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
          'not-hunting',
          `${a} and ${b} share ${shared}: each tooth meets only ${b / shared} of the other. Put the marks back as they were.`,
        );
      }
    }
    const repeat = wholeTrainRepeat(pairs as readonly (readonly [number, number])[]);
    if (pairs.length > 1)
      work.step(
        'Ratio of the train',
        'product',
        pairs.map((p) => `${p[1]}/${p[0]}`).join(' × '),
        canonical(ratio, 'ratio'),
      );
    if (pairs.length > 1)
      work.step(
        'The whole train is back after',
        'least turns of the first at which every shaft has made whole turns',
        pairs.map((p) => `${p[0]}/${p[1]}`).join(' × '),
        canonical(repeat, 'ratio'),
      );
    if (ratio < 1) work.warn('geared-up', `Geared up: the driven makes ${f(1 / ratio)} turns for one of the driver.`);
    return {
      ratio: canonical(ratio, 'ratio'),
      hunting: hunting ? 'yes' : 'no',
      matingRepeat: canonical(repeat, 'ratio'),
    };
  },
});
