import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { belt, springCheck, springHeight } from '../index.ts';
import { cylinderForce } from '../leaks/cylinder-force.ts';
import { indicatorAngle } from '../metrology/indicator-angle.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });

/** Length of an open belt, followed in small steps round both pulleys and along both spans. */
function walkedLength(D: number, d: number, C: number): number {
  const [R, r] = [D / 2, d / 2];
  const slope = Math.asin((R - r) / C);
  const points: [number, number][] = [];
  for (let i = 0; i <= 4000; i += 1) {
    const a = Math.PI / 2 - slope + ((Math.PI + 2 * slope) * i) / 4000;
    points.push([R * Math.cos(a), R * Math.sin(a)]);
  }
  for (let i = 0; i <= 4000; i += 1) {
    const a = -Math.PI / 2 + slope + ((Math.PI - 2 * slope) * i) / 4000;
    points.push([C + r * Math.cos(a), r * Math.sin(a)]);
  }
  return points.reduce((sum, p, i) => {
    const next = points[(i + 1) % points.length]!;
    return sum + Math.hypot(next[0] - p[0], next[1] - p[1]);
  }, 0);
}

describe('belt', () => {
  test('its length is what one walks round both pulleys', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 300, noNaN: true }),
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        fc.double({ min: 320, max: 900, noNaN: true }),
        (D, share, C) => {
          const { length } = belt.reckon({ largePulley: mm(D), smallPulley: mm(D * share), centres: mm(C) }).results;
          expect(Math.abs(length.value - walkedLength(D, D * share, C))).toBeLessThan(0.01);
        },
      ),
      { numRuns: 30 },
    );
  });
  test('an octave higher is four times the tension', () => {
    const at = (frequency: string): number =>
      belt.reckon({ largePulley: '200 mm', smallPulley: '100 mm', centres: '500 mm', massPerMetre: '100 g', frequency })
        .results.tension!.value;
    expect(at('80 Hz')).toBeCloseTo(4 * at('40 Hz'), 9);
  });
  test.each([
    [{ largePulley: '100 mm', smallPulley: '200 mm', centres: '500 mm' }, 'smallPulley'],
    [{ largePulley: '200 mm', smallPulley: '100 mm', centres: '150 mm' }, 'centres'],
    [{ largePulley: '200 mm', smallPulley: '100 mm', centres: '500 mm', frequency: '50 Hz' }, 'massPerMetre'],
  ])('%j is refused at %s', (inputs, field) =>
    expect(() => belt.reckon(inputs)).toThrow(expect.objectContaining({ field })),
  );
});

describe('spring-height', () => {
  test('the rate that spring-check reads off two loads gives back both of them', () => {
    const { rate } = springCheck.reckon({
      freeLength: '48.2 mm',
      loads: [
        { length: '40 mm', force: '164 N' },
        { length: '30 mm', force: '364 N' },
      ],
    }).results;
    const { seatForce, openForce } = springHeight.reckon({
      free: '48.2 mm',
      installed: '40 mm',
      lift: '10 mm',
      rate: rate!,
    }).results;
    expect([seatForce.value, openForce.value]).toEqual([expect.closeTo(164, 9), expect.closeTo(364, 9)]);
  });
  test.each([
    [{ free: '40 mm', installed: '41 mm', rate: '20 N/mm' }, 'installed'],
    [{ free: '40 mm', installed: '30 mm', lift: '30 mm', rate: '20 N/mm' }, 'lift'],
  ])('%j is refused at %s', (inputs, field) =>
    expect(() => springHeight.reckon(inputs)).toThrow(expect.objectContaining({ field })),
  );
});

describe('cylinder-force', () => {
  test('with no rod it pulls as it pushes; power in is power out', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 250, noNaN: true }),
        fc.double({ min: 1, max: 100, noNaN: true }),
        (bore, bar, flow) => {
          const r = cylinderForce.reckon({
            bore: mm(bore),
            rod: '0 mm',
            pressure: { value: bar, unit: 'bar' },
            flow: { value: flow, unit: 'l/min' },
          }).results;
          expect(r.pull.value).toBeCloseTo(r.push.value, 6);
          // 1 l/min at 1 bar is 1/600 kW.
          expect(r.push.value * r.pushSpeed!.value).toBeCloseTo((bar * flow * 1000) / 600, 4);
        },
      ),
    );
  });
  test('a rod as thick as the bore is refused', () =>
    expect(() => cylinderForce.reckon({ bore: '50 mm', rod: '50 mm', pressure: '10 bar' })).toThrow(
      expect.objectContaining({ field: 'rod' }),
    ));
});

describe('indicator-angle', () => {
  test('at 60° it moved half of what it shows', () =>
    expect(indicatorAngle.reckon({ reading: '0.1 mm', tipAngle: 60 }).results.true.value).toBeCloseTo(0.05, 12));
  test('past 85° it is refused', () =>
    expect(() => indicatorAngle.reckon({ reading: '0.1 mm', tipAngle: '90 deg' })).toThrow(
      expect.objectContaining({ field: 'tipAngle' }),
    ));
});
