import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { add, complex, lusolve, matrix, multiply, unaryMinus, type Complex as MathComplex } from 'mathjs';
import { ReckonError } from '../shape/index.ts';
import { residualUnbalance } from './residual-unbalance.ts';
import { shaftPlay } from './shaft-play.ts';
import { twoPlaneBalance } from './two-plane-balance.ts';

const RAD = Math.PI / 180;
const polar = (r: number, deg: number): MathComplex => complex({ r, phi: deg * RAD });
const amplitude = fc.double({ min: 0.5, max: 20, noNaN: true });
const angle = fc.double({ min: 0, max: 359.9, noNaN: true });
const vibration = (z: MathComplex): object => ({
  amplitude: { value: z.toPolar().r, unit: 'µm' },
  phase: { value: z.toPolar().phi / RAD, unit: 'deg' },
});
const times = (a: MathComplex, b: MathComplex): MathComplex => multiply(a, b) as MathComplex;

const plus = (a: MathComplex, b: MathComplex): MathComplex => add<MathComplex>(a, b);

describe('two-plane-balance', () => {
  test('against a general-purpose linear solver: the same corrections', () => {
    let solved = 0;
    fc.assert(
      fc.property(
        fc.tuple(amplitude, angle, amplitude, angle),
        fc.array(fc.tuple(fc.double({ min: 0.002, max: 0.02, noNaN: true }), angle), { minLength: 4, maxLength: 4 }),
        fc.tuple(
          fc.double({ min: 5, max: 20, noNaN: true }),
          angle,
          fc.double({ min: 5, max: 20, noNaN: true }),
          angle,
        ),
        ([a1, p1, a2, p2], influence, [m1, t1, m2, t2]) => {
          const V = [polar(a1, p1), polar(a2, p2)];
          // µm per g·mm; own plane acts more than the other.
          const H = influence.map(([r, p], i) => polar(i === 0 || i === 3 ? r : r / 3, p));
          const [h11, h12, h21, h22] = H as [MathComplex, MathComplex, MathComplex, MathComplex];
          const T = [polar(m1 * 100, t1), polar(m2 * 100, t2)];
          const run = (k: 0 | 1): object[] => [
            vibration(plus(V[0]!, times(k === 0 ? h11 : h12, T[k]!))),
            vibration(plus(V[1]!, times(k === 0 ? h21 : h22, T[k]!))),
          ];
          let results;
          try {
            ({ results } = twoPlaneBalance.reckon({
              initial: V.map(vibration),
              trials: [
                {
                  plane: 1,
                  mass: { value: m1, unit: 'g' },
                  angle: { value: t1, unit: 'deg' },
                  radius: '100 mm',
                  readings: run(0),
                },
                {
                  plane: 2,
                  mass: { value: m2, unit: 'g' },
                  angle: { value: t2, unit: 'deg' },
                  radius: '100 mm',
                  readings: run(1),
                },
              ],
              radii: ['80 mm', '120 mm'],
            }));
          } catch (e) {
            if (e instanceof ReckonError && e.code === 'ill-conditioned') return;
            throw e;
          }
          solved += 1;
          const W = lusolve(
            matrix([
              [h11, h12],
              [h21, h22],
            ] as never),
            [unaryMinus(V[0]!), unaryMinus(V[1]!)] as never,
          ).toArray() as unknown as MathComplex[][];
          results.corrections.forEach((c, k) => {
            const want = W[k]![0]!.toPolar();
            expect(c.mass.value * 1000).toBeCloseTo(want.r / (k === 0 ? 80 : 120), 5);
            const off = ((((c.angle.value - want.phi / RAD) % 360) + 540) % 360) - 180;
            expect(Math.abs(off)).toBeLessThan(1e-4);
          });
        },
      ),
      { numRuns: 300 },
    );
    expect(solved).toBeGreaterThan(200);
  });

  const run = (more: object = {}, trialGrams = 10): ReturnType<typeof twoPlaneBalance.reckon> => {
    const V = [polar(8, 30), polar(6, 200)];
    const H = [
      [polar(0.004, 20), polar(0.001, 70)],
      [polar(0.0012, 300), polar(0.005, 160)],
    ];
    const T = polar(trialGrams * 100, 0);
    return twoPlaneBalance.reckon({
      initial: V.map(vibration),
      trials: [0, 1].map((k) => ({
        plane: k + 1,
        mass: { value: trialGrams, unit: 'g' },
        angle: '0 deg',
        radius: '100 mm',
        readings: V.map((v, i) => vibration(plus(v, times(H[i]![k]!, T)))),
      })),
      radii: ['100 mm', '100 mm'],
      ...more,
    });
  };
  test('what is left after rounding is small beside what was there', () => {
    for (const r of run().results.predictedResidual) expect(r.amplitude.value).toBeLessThan(0.3);
  });
  test('split over holes: the two weights together are the correction', () => {
    const { corrections, split } = run({
      holes: [
        [0, 60, 120, 180, 240, 300],
        [0, 90, 180, 270],
      ],
    }).results;
    split!.forEach((pair, k) => {
      const x = pair.reduce((s, p) => s + p.mass.value * Math.cos(p.angle.value * RAD), 0);
      const y = pair.reduce((s, p) => s + p.mass.value * Math.sin(p.angle.value * RAD), 0);
      expect(Math.hypot(x, y)).toBeCloseTo(corrections[k]!.mass.value, 9);
      for (const p of pair) expect(p.mass.value).toBeGreaterThanOrEqual(0);
    });
  });
  test('a trial that changed nothing is refused, with what to do', () => {
    expect(() => run({}, 0.01)).toThrow(
      expect.objectContaining({ code: 'ill-conditioned', message: expect.stringContaining('heavier') }),
    );
  });
  test('two planes that act alike are refused', () => {
    const V = [polar(8, 30), polar(6, 200)];
    const effect = [polar(2, 10), polar(3, 40)];
    const readings = V.map((v, i) => vibration(plus(v, effect[i]!)));
    expect(() =>
      twoPlaneBalance.reckon({
        initial: V.map(vibration),
        trials: [1, 2].map((plane) => ({ plane, mass: '10 g', angle: '0 deg', radius: '100 mm', readings })),
        radii: ['100 mm', '100 mm'],
      }),
    ).toThrow(expect.objectContaining({ code: 'ill-conditioned', field: 'trials' }));
  });
  test('amplitudes of two kinds are refused', () => {
    expect(() =>
      run({
        initial: [
          { amplitude: '8 µm', phase: '0 deg' },
          { amplitude: '1 V', phase: '0 deg' },
        ],
      }),
    ).toThrow(expect.objectContaining({ code: 'wrong-dimension' }));
  });
});

describe('residual-unbalance and shaft-play', () => {
  test('two planes share the whole in inverse ratio of their distances, bounded to 0.3 and 0.7', () => {
    const { permissible, perPlane } = residualUnbalance.reckon({
      mass: '40 kg',
      grade: 'G 6.3',
      speed: '3000 rpm',
      planes: 2,
      split: ['100 mm', '300 mm'],
    }).results;
    expect(perPlane.map((p) => p.value / permissible.value)).toEqual([expect.closeTo(0.7, 9), expect.closeTo(0.3, 9)]);
  });
  test('twice the speed, half the unbalance', () => {
    const at = (speed: string): number =>
      residualUnbalance.reckon({ mass: '0.2 kg', grade: 2.5, speed }).results.permissible.value;
    expect(at('100000 rpm')).toBeCloseTo(at('50000 rpm') / 2, 9);
  });
  test.each(['G', 'six', '-3', 'G 9999'])('grade %s is refused', (grade) =>
    expect(() => residualUnbalance.reckon({ mass: '1 kg', grade, speed: '3000 rpm' })).toThrow(
      expect.objectContaining({ field: 'grade' }),
    ),
  );
  test('play near the limit is undecided; without limits it is refused', () => {
    expect(shaftPlay.reckon({ axial: '0.098 mm', axialLimits: ['0.03 mm', '0.10 mm'] }).results.verdicts['axial']).toBe(
      'undecided',
    );
    expect(() => shaftPlay.reckon({ axial: '0.05 mm' })).toThrow(expect.objectContaining({ field: 'axialLimits' }));
  });
});
