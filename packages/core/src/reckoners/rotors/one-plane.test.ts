import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { complex as complexOf, type Complex } from 'mathjs';
import * as math from 'mathjs';
import { singlePlaneBalance } from './single-plane-balance.ts';

const polar = (r: number, deg: number): Complex => complexOf({ r, phi: (deg * Math.PI) / 180 });
const amplitude = (z: Complex): { amplitude: number; phase: { value: number; unit: string } } => ({
  amplitude: z.toPolar().r,
  phase: { value: (z.toPolar().phi * 180) / Math.PI, unit: 'deg' },
});

describe('single-plane-balance, against a rotor that mathjs turns', () => {
  test('the weight that it says takes the vibration away', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 0, max: 359 }),
        (unbalanceG, at, influence, lag, trialAt) => {
          const h = polar(influence, lag);
          const unbalance = polar(unbalanceG, at);
          const trial = polar(unbalanceG * 0.8, trialAt);
          const shake = (...weights: Complex[]): Complex =>
            math.multiply(
              h,
              weights.reduce((a, b) => math.add(a, b)),
            ) as Complex;
          const { mass, angle } = singlePlaneBalance.reckon({
            initial: amplitude(shake(unbalance)),
            trial: { mass: { value: unbalanceG * 0.8, unit: 'g' }, angle: { value: trialAt, unit: 'deg' } },
            withTrial: amplitude(shake(unbalance, trial)),
          }).results;
          const left = shake(unbalance, polar(mass.value * 1000, angle.value)).toPolar().r;
          expect(left).toBeLessThan(1e-6 * unbalanceG * influence + 1e-9);
        },
      ),
    );
  });
  test('a trial that says nothing is refused', () =>
    expect(() =>
      singlePlaneBalance.reckon({
        initial: { amplitude: 8.6, phase: '63 deg' },
        trial: { mass: '10 g', angle: '270 deg' },
        withTrial: { amplitude: 8.6, phase: '64 deg' },
      }),
    ).toThrow(expect.objectContaining({ code: 'ill-conditioned', field: 'withTrial' })));
});
