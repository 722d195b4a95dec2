import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { convert, roundTo, unitsOf } from '../../quantities/index.ts';
import { ReckonError } from '../shape/index.ts';
import { boltTorque } from './bolt-torque.ts';
import { areNeighbours, circleOrder } from './pulling-order.ts';
import { metricThreads } from './tables/iso-metric.ts';
import { propertyClassNames } from './tables/property-classes.ts';
import { thread } from './thread.ts';
import { tighteningOrder } from './tightening-order.ts';
import { torqueSanity } from './torque-sanity.ts';
import { wrenchSetting } from './wrench-setting.ts';

const refusal = (f: () => unknown): ReckonError => {
  try {
    f();
  } catch (e) {
    if (e instanceof ReckonError) return e;
    throw e;
  }
  throw new Error('was not refused');
};

describe('thread', () => {
  // ISO 724 and ISO 898-1 table 4 (stress areas as printed, three figures).
  test.each<[string, number, number, number, number]>([
    // thread       d2     d1     d3     As
    ['M10', 9.026, 8.376, 8.16, 58.0],
    ['M6', 5.35, 4.917, 4.773, 20.1],
    ['M8', 7.188, 6.647, 6.466, 36.6],
    ['M12', 10.863, 10.106, 9.853, 84.3],
    ['M16', 14.701, 13.835, 13.546, 157],
    ['M20', 18.376, 17.294, 16.933, 245],
    ['M12x1.25', 11.188, 10.647, 10.466, 92.1],
  ])('%s', (designation, d2, d1, d3, area) => {
    const { results } = thread.reckon({ designation });
    expect(roundTo(results.pitchDiameter.value, 3)).toBe(d2);
    expect(roundTo(results.minorDiameter.value, 3)).toBe(d1);
    expect(roundTo(results.rootDiameter.value, 3)).toBe(d3);
    expect(roundTo(results.stressArea.value, area < 100 ? 1 : 0)).toBe(area);
  });

  // ASME B1.1 tensile stress areas, in².
  test.each<[string, number]>([
    ['1/2-13 UNC', 0.1419],
    ['3/8-16 UNC', 0.0775],
    ['1/4-20', 0.0318],
    ['1/4 UNF', 0.0364],
    ['#10-32 UNF', 0.02],
    ['10-32', 0.02],
    ['1 UNC', 0.606],
    ['1 1/8-12', 0.856],
  ])('%s', (designation, area) => {
    const got = convert(thread.reckon({ designation }).results.stressArea, 'in²').value;
    expect(roundTo(got, String(area).length - 2)).toBe(area);
  });

  test('the ways people write one', () => {
    const ways = ['M12x1.25', 'M12×1,25', 'm12 x 1.25', 'M 12x1.25'].map(
      (designation) => thread.reckon({ designation }).results,
    );
    for (const w of ways) expect(w).toEqual(ways[0]);
  });

  test.each(['M11.3', 'M10x9', 'M15', 'Q7', '', '1/2-99 UNC', '1/2-20 UNC', 'M', '½', 'M1e9'])(
    '%p is refused',
    (designation) => {
      expect(['unknown-thread', 'not-a-text']).toContain(refusal(() => thread.reckon({ designation })).code);
    },
  );

  test('an unusual pairing is reckoned, with a warning', () => {
    expect(thread.reckon({ designation: 'M42x1' }).warnings).toHaveLength(1);
  });
});

describe('bolt-torque', () => {
  // VDI 2230-1 table A1, shank bolts with hexagon head, μ 0.12: F in kN, T in N·m.
  test.each<[string, '8.8' | '10.9' | '12.9', number, number]>([
    ['M8', '8.8', 18.6, 24.6],
    ['M10', '8.8', 29.6, 48],
    ['M12', '10.9', NaN, 123],
    ['M16', '8.8', NaN, 206],
  ])('%s %s', (t, propertyClass, kN, nm) => {
    const { results } = boltTorque.reckon({ thread: t, propertyClass });
    if (!Number.isNaN(kN)) expect(roundTo(results.clampForce.value / 1000, 1)).toBe(kN);
    expect(roundTo(results.torque.value, nm % 1 ? 1 : 0)).toBe(nm);
  });

  // The same table, rows from memory, so within 0.5 %.
  test.each<[string, '8.8' | '10.9' | '12.9', number, number]>([
    ['M12', '8.8', 43.0, 84],
    ['M16', '8.8', 80.9, 206],
    ['M10', '10.9', 43.4, 71],
    ['M8', '12.9', 31.9, 42.2],
  ])('%s %s, from memory', (t, propertyClass, kN, nm) => {
    const { results } = boltTorque.reckon({ thread: t, propertyClass });
    expect(Math.abs(results.clampForce.value / 1000 / kN - 1)).toBeLessThan(0.005);
    expect(Math.abs(results.torque.value / nm - 1)).toBeLessThan(0.007);
  });

  test('proof load is stress area × proof stress, as ISO 898-1 table 6 prints it', () => {
    expect(boltTorque.reckon({ thread: 'M10', propertyClass: '8.8' }).results.proofLoad.value / 33700).toBeCloseTo(
      1,
      2,
    );
    expect(boltTorque.reckon({ thread: 'M20', propertyClass: '10.9' }).results.proofLoad.value / 203000).toBeCloseTo(
      1,
      2,
    );
  });

  test('more friction wants more torque for less clamp force; scatter spans the clamp force', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...metricThreads.filter((r) => r.coarse && r.d <= 16 && r.d >= 3).map((r) => `M${r.d}`)),
        fc.constantFrom(...propertyClassNames),
        fc.double({ min: 0.05, max: 0.29, noNaN: true }),
        (t, propertyClass, mu) => {
          const slick = boltTorque.reckon({ thread: t, propertyClass, frictionThread: mu }).results;
          const rough = boltTorque.reckon({ thread: t, propertyClass, frictionThread: mu + 0.01 }).results;
          expect(rough.torque.value).toBeGreaterThan(slick.torque.value);
          expect(rough.clampForce.value).toBeLessThan(slick.clampForce.value);
          expect(slick.clampLow.value).toBeLessThan(slick.clampForce.value);
          expect(slick.clampHigh.value / slick.clampLow.value).toBeCloseTo(2.5, 9);
        },
      ),
    );
  });

  test('warns outside the friction table, refuses what cannot be', () => {
    expect(boltTorque.reckon({ thread: 'M8', propertyClass: '8.8', frictionThread: 0.5 }).warnings.join()).toMatch(
      /Friction outside/,
    );
    expect(refusal(() => boltTorque.reckon({ thread: 'M8', propertyClass: '7.7' })).code).toBe('not-a-choice');
    expect(refusal(() => boltTorque.reckon({ thread: 'M8', propertyClass: '8.8', holeDiameter: '20 mm' })).field).toBe(
      'holeDiameter',
    );
    expect(refusal(() => boltTorque.reckon({ thread: 'M64', propertyClass: '8.8' })).code).toBe('out-of-range');
  });
});

describe('torque-sanity', () => {
  test.each<[string, object, string]>([
    ['the table torque is plausible', { thread: 'M8', torque: '24 N·m', propertyClass: '8.8' }, 'plausible'],
    ['in·lbf read as N·m', { thread: 'M8', torque: '210 N·m', propertyClass: '8.8' }, 'past-yield'],
    ['far too low', { thread: 'M16', torque: '9 N·m', propertyClass: '10.9' }, 'low'],
    ['nearly at yield', { thread: 'M10', torque: '52 N·m', propertyClass: '8.8' }, 'high'],
    [
      'too short a thread in aluminium',
      {
        thread: 'M10',
        torque: '45 N·m',
        propertyClass: '8.8',
        softThread: { material: 'aluminium', engagement: '4 mm' },
      },
      'strips-thread',
    ],
    [
      'deep enough in aluminium',
      {
        thread: 'M10',
        torque: '45 N·m',
        propertyClass: '8.8',
        softThread: { material: 'aluminium', engagement: '20 mm' },
      },
      'plausible',
    ],
    ['class unknown, judged as the commonest', { thread: 'M10', torque: '70 N·m' }, 'past-yield'],
    ['class unknown and believable for it', { thread: 'M10', torque: '45 N·m' }, 'plausible'],
  ])('%s', (_, inputs, expected) => {
    expect(torqueSanity.reckon(inputs).results.verdict).toBe(expected);
  });

  test('names the unit that would make it right', () => {
    expect(
      torqueSanity.reckon({ thread: 'M8', torque: '210 N·m', propertyClass: '8.8' }).results.likelyMistake,
    ).toMatch(/^in·lbf written as N·m/);
    expect(
      torqueSanity.reckon({ thread: 'M12', torque: '8.5 N·m', propertyClass: '8.8' }).results.likelyMistake,
    ).toMatch(/^kgf·m written as N·m/);
    expect(
      torqueSanity.reckon({ thread: 'M8', torque: '24 N·m', propertyClass: '8.8' }).results.likelyMistake,
    ).toBeUndefined();
  });

  test('says that it does not know the class', () => {
    expect(torqueSanity.reckon({ thread: 'M10', torque: '45 N·m' }).warnings.join()).toMatch(/class is not known/);
  });

  test('one torque or one range', () => {
    expect(refusal(() => torqueSanity.reckon({ thread: 'M8' })).code).toBe('missing-field');
    expect(
      refusal(() => torqueSanity.reckon({ thread: 'M8', torque: '1 N·m', torqueRange: ['1 N·m', '2 N·m'] })).code,
    ).toBe('inconsistent');
  });
});

describe('wrench-setting', () => {
  const base = { torque: '100 N·m', wrenchLength: '400 mm', extension: '50 mm', scaleUnit: 'N·m', graduation: 0.1 };
  // The check values of the catalogue: lever statics.
  test.each([
    ['0 deg', 88.9],
    ['45 deg', 91.9],
    ['90 deg', 100.0],
  ])('extension at %s', (extensionAngle, setting) => {
    expect(wrenchSetting.reckon({ ...base, extensionAngle }).results.setting).toEqual({ value: setting, unit: 'N·m' });
  });

  test('on a scale in ft·lbf, in half graduations', () => {
    const { results } = wrenchSetting.reckon({ torque: '24 N·m', scaleUnit: 'ft·lbf', graduation: 0.5 });
    expect(results.setting).toEqual({ value: 17.5, unit: 'ft·lbf' });
    expect(results.actualTorque.value).toBeCloseTo(23.727, 3);
    expect(results.roundingError.value).toBeCloseTo(-0.273, 3);
  });

  test('warns near the ends of the scale', () => {
    const on = (wrenchMax: number): string => wrenchSetting.reckon({ ...base, wrenchMax }).warnings.join();
    expect(on(80)).toMatch(/Past the end/);
    expect(on(1000)).toMatch(/Below 20 %/);
    expect(on(200)).toBe('');
  });

  test('refusals', () => {
    expect(refusal(() => wrenchSetting.reckon({ ...base, wrenchLength: undefined })).field).toBe('wrenchLength');
    expect(refusal(() => wrenchSetting.reckon({ ...base, graduation: 0 })).field).toBe('graduation');
    expect(refusal(() => wrenchSetting.reckon({ ...base, graduation: 500 })).field).toBe('graduation');
    expect(refusal(() => wrenchSetting.reckon({ ...base, extension: '400 mm', extensionAngle: '180 deg' })).code).toBe(
      'out-of-range',
    );
    expect(refusal(() => wrenchSetting.reckon({ ...base, torque: '59 mm' })).code).toBe('wrong-dimension');
    expect(refusal(() => wrenchSetting.reckon({ ...base, torqe: 1 })).code).toBe('unknown-field');
  });

  test('what the wrench gives is within half a graduation of what was wanted, in every unit of scale', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 200, noNaN: true }),
        fc.constantFrom(...unitsOf('torque').map((u) => u.symbol)),
        (nm, extension, scaleUnit) => {
          const { results } = wrenchSetting.reckon({
            torque: { value: nm, unit: 'N·m' },
            wrenchLength: '500 mm',
            extension: { value: extension, unit: 'mm' },
            scaleUnit,
            graduation: 0.01,
          });
          const half = convert({ value: 0.005, unit: scaleUnit }, 'N·m').value * ((500 + extension) / 500);
          expect(Math.abs(results.actualTorque.value - nm)).toBeLessThanOrEqual(half * 1.001);
        },
      ),
    );
  });
});

describe('tightening-order', () => {
  // ASME PCC-1 legacy star, from memory.
  test.each<[number, string]>([
    [4, '1 3 2 4'],
    [8, '1 5 3 7 2 6 4 8'],
    [12, '1 7 4 10 2 8 5 11 3 9 6 12'],
    [16, '1 9 5 13 3 11 7 15 2 10 6 14 4 12 8 16'],
    [20, '1 11 6 16 3 13 8 18 5 15 10 20 2 12 7 17 4 14 9 19'],
    [6, '1 4 2 5 3 6'],
    [5, '1 3 5 2 4'],
  ])('circle of %i', (count, order) => {
    expect(tighteningOrder.reckon({ pattern: 'circle', count }).results.order.join(' ')).toBe(order);
  });

  test('every fastener once, and from five up never two neighbours in a row', () => {
    for (let n = 1; n <= 200; n += 1) {
      const order = circleOrder(n);
      expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: n }, (_, i) => i + 1));
      if (n >= 5) for (let i = 1; i < n; i += 1) expect(areNeighbours(order[i]!, order[i - 1]!, n)).toBe(false);
    }
  });

  test('a cover starts in the middle, ends at the corners and changes sides', () => {
    const { order } = tighteningOrder.reckon({ pattern: 'rectangle', rows: 3, columns: 5 }).results;
    expect(order[0]).toBe(8);
    expect(order.slice(-4).sort((a, b) => a - b)).toEqual([1, 5, 11, 15]);
    expect(new Set(order).size).toBe(15);
    const column = (b: number): number => (b - 1) % 5;
    expect(
      Math.abs(column(order[1]!) - column(order[2]!)) +
        Math.abs(Math.floor((order[1]! - 1) / 5) - Math.floor((order[2]! - 1) / 5)),
    ).toBeGreaterThan(1);
  });

  test('stages repeat the order; the fields of the pattern are asked for', () => {
    expect(
      tighteningOrder.reckon({
        pattern: 'points',
        points: [
          [0, 0],
          [10, 0],
          [5, 8],
        ],
        stages: 3,
      }).results.passes,
    ).toHaveLength(3);
    expect(refusal(() => tighteningOrder.reckon({ pattern: 'circle' })).field).toBe('count');
    expect(refusal(() => tighteningOrder.reckon({ pattern: 'points', points: [] })).code).toBe('empty-list');
    expect(refusal(() => tighteningOrder.reckon({ pattern: 'points', points: [[1]] })).field).toBe('points[0]');
  });
});
