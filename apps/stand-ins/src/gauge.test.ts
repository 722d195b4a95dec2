import { describe, expect, test } from '@jest/globals';
import { Gauge, trueSize } from './gauge.ts';
import { identities, makes } from './protocol.ts';
import { seededRandom } from './random.ts';

const pin = { piece: 'job-1/pin-wear/middle', newSize: 22, limit: 21.92 };
const readings = (gauge: Gauge, n: number): number[] => Array.from({ length: n }, () => gauge.read());
const mean = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0) / all.length;
const deviation = (all: readonly number[]): number =>
  Math.sqrt(all.reduce((s, x) => s + (x - mean(all)) ** 2, 0) / (all.length - 1));

describe('a simulated gauge', () => {
  test('the same piece is the same size, whichever gauge touches it: they differ by their own errors', () => {
    const size = trueSize(pin);
    for (const kind of ['caliper', 'micrometer', 'bore-gauge'] as const) {
      const gauge = new Gauge(`${kind}-1`, makes[kind], seededRandom(4));
      gauge.present(pin);
      // Five deviations of what the gauge itself is off, and its resolution.
      expect(Math.abs(mean(readings(gauge, 400)) - size)).toBeLessThan(5 * makes[kind].off + makes[kind].resolution);
    }
  });

  test('it repeats as well as its make says, and shows no finer than its resolution', () => {
    const gauge = new Gauge('micrometer-1', makes.micrometer, seededRandom(9));
    gauge.present(pin);
    const all = readings(gauge, 2000);
    expect(deviation(all)).toBeGreaterThan(makes.micrometer.repeat * 0.9);
    expect(deviation(all)).toBeLessThan(makes.micrometer.repeat * 1.2);
    for (const r of all) expect(Math.abs(r * 1000 - Math.round(r * 1000))).toBeLessThan(1e-6);
  });

  test('most pieces are between new and worn out, about one in seven is past its limit', () => {
    const sizes = Array.from({ length: 3000 }, (_, i) => trueSize({ ...pin, piece: `piece ${i}` }));
    const past = sizes.filter((s) => s < 21.92).length / sizes.length;
    expect(past).toBeGreaterThan(0.11);
    expect(past).toBeLessThan(0.17);
    expect(Math.max(...sizes)).toBeLessThanOrEqual(22);
  });

  test('a piece with one figure only lies on the good side of it', () => {
    for (let i = 0; i < 50; i += 1) {
      expect(trueSize({ piece: `a ${i}`, limit: 5 })).toBeGreaterThan(5);
      expect(Math.abs(trueSize({ piece: `b ${i}`, newSize: 10 }) - 10)).toBeLessThan(0.06);
    }
  });

  test('nothing held, it shows nothing but its own scatter', () => {
    const gauge = new Gauge('caliper-1', makes.caliper, seededRandom(2));
    expect(Math.max(...readings(gauge, 200).map(Math.abs))).toBeLessThan(6 * makes.caliper.repeat);
  });

  test('every gauge that the line offers has a make, and shows in steps of its resolution', () => {
    const gauges = Object.values(identities).filter((i) => i.kind in makes);
    expect(gauges.length).toBe(Object.keys(makes).length);
    for (const g of gauges) expect(g.resolution).toBe(makes[g.kind as keyof typeof makes].resolution);
  });
});
