import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseQuantity } from '../../quantities/index.ts';
import { complex, type Complex } from '../../reckoners/index.ts';
import type { Stand } from '../../sheet/index.ts';
import { anotherRun, judgeBalancing, nextCorrection, permissibleGmm, shakesNow, unbalanceLeft } from './balancing.ts';
import type { BalancingRun, BothBearings, Vibration, Weight } from './run.ts';

const { abs, add, angleDeg, mul, polar } = complex;
const RADIUS = 30;
const stand: Stand = {
  kind: 'balancing',
  figures: {
    mass: parseQuantity('40 kg', 'mass'),
    grade: { value: 6.3, unit: '' },
    service: parseQuantity('3000 rpm', 'speed'),
    radius: parseQuantity('30 mm', 'length'),
  },
  bands: {},
};

/** A rotor that answers in a straight line: so much vibration at each bearing for each g·mm in each plane. */
type Rotor = readonly [readonly [Complex, Complex], readonly [Complex, Complex]];
const ANSWERS: Rotor = [
  [polar(0.02, 15), polar(0.006, 40)],
  [polar(0.005, 350), polar(0.018, 200)],
];
const shakes = (rotor: Rotor, unbalance: readonly [Complex, Complex]): BothBearings =>
  [0, 1].map((bearing): Vibration => {
    const v = add(mul(rotor[bearing]![0], unbalance[0]), mul(rotor[bearing]![1], unbalance[1]));
    return { mmS: abs(v), phaseDeg: angleDeg(v) };
  }) as unknown as BothBearings;
const of = (w: Weight): Complex => polar(w.massG * RADIUS, w.angleDeg);

/** A run on that rotor with one trial weight in each plane. */
function runOf(unbalance: readonly [Complex, Complex], trial = 5): BalancingRun {
  const put = (plane: 1 | 2): BalancingRun['trials'][number] => {
    const weight = { plane, massG: trial, angleDeg: 90 };
    const now: [Complex, Complex] = [...unbalance];
    now[plane - 1] = add(now[plane - 1]!, of(weight));
    return { ...weight, readings: shakes(ANSWERS, now) };
  };
  return { kind: 'balancing', initial: shakes(ANSWERS, unbalance), trials: [put(1), put(2)], rounds: [] };
}

describe('two planes', () => {
  const angle = fc.double({ min: 0, max: 359, noNaN: true });
  const size = fc.double({ min: 20, max: 3000, noNaN: true });

  test('what is left is what was there, and the correction takes it all away', () => {
    fc.assert(
      fc.property(size, angle, size, angle, (u1, a1, u2, a2) => {
        const unbalance: readonly [Complex, Complex] = [polar(u1, a1), polar(u2, a2)];
        // A trial that hardly changes anything is refused: this one is about what is there.
        const run = runOf(unbalance, Math.max(u1, u2) / RADIUS);
        const left = unbalanceLeft(run, RADIUS);
        expect(abs(left[0])).toBeCloseTo(u1, 4);
        expect(abs(left[1])).toBeCloseTo(u2, 4);
        const { add: weights } = nextCorrection(run, stand);
        const now = weights.map((w, i) => add(unbalance[i]!, of(w)));
        for (const u of now) expect(abs(u)).toBeLessThan(1e-3 * Math.max(u1, u2));
      }),
      { numRuns: 50 },
    );
  });

  test('a second correction goes on from what the first one left', () => {
    const unbalance: readonly [Complex, Complex] = [polar(900, 30), polar(400, 200)];
    const run = runOf(unbalance);
    // Half of what was asked for was put in.
    const added = nextCorrection(run, stand).add.map((w) => ({ ...w, massG: w.massG / 2 }));
    const half = added.map((w, i) => add(unbalance[i]!, of(w))) as [Complex, Complex];
    const after: BalancingRun = { ...run, rounds: [{ added, readings: shakes(ANSWERS, half) }] };
    expect(unbalanceLeft(after, RADIUS).map(abs).map(Math.round)).toEqual([450, 200]);
    const last = nextCorrection(after, stand).add.map((w, i) => add(half[i]!, of(w)));
    for (const u of last) expect(abs(u)).toBeLessThan(1);
    expect(shakesNow(after)).toBe(after.rounds[0]!.readings);
  });

  test('no trial in a plane, or two that act alike, are said', () => {
    const run = runOf([polar(100, 0), polar(100, 90)]);
    expect(() => unbalanceLeft({ ...run, trials: run.trials.slice(0, 1) }, RADIUS)).toThrow(
      'No trial weight in plane 2',
    );
    const alike = { ...run, trials: [run.trials[0]!, { ...run.trials[0]!, plane: 2 as const }] };
    expect(() => unbalanceLeft(alike, RADIUS)).toThrow('act alike');
  });
});

describe('what is permissible', () => {
  // ISO 21940-11: 40 kg, G 6.3, 3000 rpm: 802 g·mm in all.
  test('in each of two planes alike, half of it', () => expect(permissibleGmm(stand)).toBeCloseTo(401, 0));
  test.each([
    [300, 350, 'within', [] as string[]],
    [300, 500, 'outside', ['unbalance']],
  ])('%d and %d g·mm are %s', (u1, u2, verdict, tells) => {
    const made = judgeBalancing(runOf([polar(u1, 10), polar(u2, 70)]), stand);
    expect(made.value.value).toBeCloseTo(Math.max(u1, u2), 0);
    expect([made.checks[0]!.verdict, made.tells]).toEqual([verdict, tells]);
  });
});

describe('another run', () => {
  const run = runOf([polar(900, 30), polar(400, 200)]);
  const after = (share: number): BalancingRun => ({
    ...run,
    rounds: [
      { added: [], readings: run.initial.map((v) => ({ ...v, mmS: v.mmS * share })) as unknown as BothBearings },
    ],
  });
  test('helps while there is much left; not once it is what the stand repeats to', () => {
    expect(anotherRun(run, RADIUS)).toEqual({ helps: true, why: '900.00 g·mm and 400.00 g·mm left' });
    expect(anotherRun(after(0.3), RADIUS).helps).toBe(true);
    expect(anotherRun(after(0.001), RADIUS)).toMatchObject({
      helps: false,
      why: expect.stringContaining('repeats to'),
    });
  });
  test('does not when the last correction did little: something is loose', () => {
    expect(anotherRun(after(0.9), RADIUS)).toMatchObject({
      helps: false,
      why: expect.stringContaining('a loose part'),
    });
  });
});
