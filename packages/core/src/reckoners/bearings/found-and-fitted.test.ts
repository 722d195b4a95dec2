import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bearingFind, bearingFit, gripAtTemperature, shimForSetting, thermalShift } from '../index.ts';
import { bearingCode } from './bearing-code.ts';
import { bearingTones } from './bearing-tones.ts';
import { allBearings } from './tables/boundary-dimensions.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });

describe('bearing-find', () => {
  test('every bearing of the tables is among its candidates, and its number says the same outline', () => {
    for (const { designation, row } of allBearings()) {
      const inputs = { bore: mm(row.bore), outside: mm(row.outside), width: mm(row.width) };
      const { candidates } = bearingFind.reckon(inputs).results;
      expect(candidates.map((c) => c['designation'])).toContain(designation);
      expect(bearingCode.reckon({ designation }).results).toMatchObject({ bore: mm(row.bore), width: mm(row.width) });
    }
  });
  test('a caliper that is a tenth off still finds it', () =>
    expect(bearingFind.reckon({ bore: '29.9 mm', outside: '61.9 mm', width: '16.1 mm' }).results.best).toBe('6206'));
  test('a bore larger than the outside is refused', () =>
    expect(() => bearingFind.reckon({ bore: '62 mm', outside: '30 mm', width: '16 mm' })).toThrow(
      expect.objectContaining({ field: 'outside' }),
    ));
});

describe('bearing-fit', () => {
  const base = { bore: '30 mm', outside: '62 mm', clearance: '20 µm' };
  test('a tighter fit or a warmer ring leaves less; what is lost adds up', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.03, noNaN: true }),
        fc.double({ min: 0, max: 0.03, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (shaft, housing, warmer) => {
          const r = bearingFit.reckon({
            ...base,
            shaftInterference: mm(shaft),
            housingInterference: mm(housing),
            temperatureDifference: { value: warmer, unit: 'K' },
          }).results;
          const lost = r.innerLoss.value + r.outerLoss.value + r.heatLoss.value;
          expect(r.runningClearance.value).toBeCloseTo(0.02 - lost, 12);
          expect(r.mountedClearance.value).toBeGreaterThanOrEqual(r.runningClearance.value);
          expect(r.innerLoss.value).toBeLessThanOrEqual(shaft + 1e-12);
        },
      ),
    );
  });
  test('a turned seat gives up more of its interference than a ground one', () => {
    const loss = (shaftFinish: string): number =>
      bearingFit.reckon({ ...base, shaftInterference: '15 µm', shaftFinish }).results.innerLoss.value;
    // By hand: 30/33 against 30/32.
    expect(loss('turned') / loss('ground')).toBeCloseTo(32 / 33, 12);
  });
  test('rollers: raceway 0.25 (D + 3d), by hand', () => {
    const { innerLoss } = bearingFit.reckon({ ...base, shaftInterference: '16 µm', type: 'roller' }).results;
    expect(innerLoss.value).toBeCloseTo((0.015 * 30) / (0.25 * (62 + 90)), 9);
  });
});

describe('grip-at-temperature', () => {
  test('where it lets go, nothing is left; above it is loose, below it holds', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 200, noNaN: true }),
        fc.double({ min: 0.005, max: 0.08, noNaN: true }),
        (diameter, interference) => {
          const base = { diameter: mm(diameter), interference: mm(interference), outerMaterial: 'aluminium' };
          const { loosensAt } = gripAtTemperature.reckon(base).results;
          if (!loosensAt || loosensAt.value > 590) return;
          const at = (t: number): string =>
            gripAtTemperature.reckon({ ...base, temperature: { value: t, unit: '°C' } }).results.verdict!;
          expect(at(loosensAt.value + 0.01)).toBe('loose');
          expect(at(loosensAt.value - 0.01)).toBe('holds');
        },
      ),
    );
  });
  test('it moves as the float of a pair over the same length does (thermal-shift)', () => {
    const { interferenceThen } = gripAtTemperature.reckon({
      diameter: '62 mm',
      interference: '0.03 mm',
      outerMaterial: 'aluminium',
      temperature: '90 °C',
    }).results;
    const { change } = thermalShift.reckon({
      span: '62 mm',
      temperatureRise: '70 K',
      caseMaterial: 'aluminium',
      shaftMaterial: 'steel',
    }).results;
    expect(0.03 - interferenceThen!.value).toBeCloseTo(change.value, 12);
  });
  test('the same metal inside and out never lets go', () =>
    expect(
      gripAtTemperature.reckon({
        diameter: '62 mm',
        interference: '0.03 mm',
        outerMaterial: 'steel',
        temperature: '200 °C',
      }).results,
    ).toEqual({ interferenceThen: { value: 0.03, unit: 'mm' }, verdict: 'holds' }));
});

describe('the tones of a hub, whose outer ring turns', () => {
  test('its cage and the inner one make a whole turn between them', () => {
    const at = (turning: string): number =>
      bearingTones.reckon({ balls: 9, ballDiameter: '7.94 mm', pitchDiameter: '39.04 mm', speed: '1200 rpm', turning })
        .results.cage.value;
    expect(at('inner') + at('outer')).toBeCloseTo(20, 9);
  });
});

describe('a pack from the gap under a cover', () => {
  test('preload is negative, and no ± is claimed where none was given', () => {
    const { results } = shimForSetting.reckon({ method: 'gap', gap: '0.42 mm', target: '-0.05 mm' });
    expect(results.shimNeeded.value).toBeCloseTo(0.37, 12);
    expect(results).not.toHaveProperty('uncertainty');
  });
  test.each([
    [{ method: 'gap', target: '0.05 mm' }, 'gap'],
    [{ method: 'gap', gap: '0.02 mm', target: '-0.05 mm' }, 'gap'],
    [{ method: 'trial', trialShim: '1 mm', measured: '0.1 mm', target: '0.05 mm' }, 'thickerShim'],
  ])('%j is refused at %s', (inputs, field) =>
    expect(() => shimForSetting.reckon(inputs)).toThrow(expect.objectContaining({ field })),
  );
});
