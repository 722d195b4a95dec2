import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ReckonError } from '../shape/index.ts';
import { pressureDecay } from './pressure-decay.ts';
import { pumpUp } from './pump-up.ts';
import { vacuumHold } from './vacuum-hold.ts';

const q = (value: number, unit: string): { value: number; unit: string } => ({ value, unit });

describe('pressure-decay', () => {
  test('a sealed vessel that only cools never leaks (ideal gas)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        (p, t1, t2) => {
          const end = ((p + 1.01325) * (t2 + 273.15)) / (t1 + 273.15) - 1.01325;
          const { results } = pressureDecay.reckon({
            volume: '3 l',
            pressureStart: q(p, 'bar'),
            pressureEnd: q(end, 'bar'),
            time: '10 min',
            temperatureStart: q(t1, '°C'),
            temperatureEnd: q(t2, '°C'),
            limit: '0.001 cm³/min',
          });
          expect(results.leakRate.value).toBeCloseTo(0, 6);
          expect(results.correctedDrop.value).toBeCloseTo(0, 9);
          expect(results.verdict).toBe('within');
        },
      ),
    );
  });
  test('the rate put back in gives the end pressure', () => {
    const { leakRate } = pressureDecay.reckon({
      volume: '2 l',
      pressureStart: '3 bar',
      pressureEnd: '2.9 bar',
      time: '4 min',
    }).results;
    expect(3 - (leakRate.value * 4 * 1.01325) / 2000).toBeCloseTo(2.9, 9);
  });
  test('the gauge’s uncertainty makes a near limit undecided', () => {
    const base = { volume: '2 l', pressureStart: '3 bar', pressureEnd: '2.95 bar', time: '5 min', limit: '20 cm³/min' };
    expect(pressureDecay.reckon(base).results.verdict).toBe('within');
    const { results } = pressureDecay.reckon({ ...base, gaugeUncertainty: '5 mbar', temperatureUncertainty: '0.2 K' });
    expect(results.verdict).toBe('undecided');
    // Two pressures: √2 × 2000 × 0.005/1.01325/5 = 2.79; two temperatures: √2 × 2000 × 3.98 × 0.2/293.15/1.01325/5 = 1.52.
    expect(results.uncertainty!.value).toBeCloseTo(Math.hypot(2.791, 1.515), 1);
  });
  test('a rise is warned of; a full vacuum is refused', () => {
    expect(
      pressureDecay
        .reckon({ volume: '2 l', pressureStart: '3 bar', pressureEnd: '3.1 bar', time: '5 min' })
        .warnings.join(' '),
    ).toMatch(/rose/);
    expect(() =>
      pressureDecay.reckon({ volume: '2 l', pressureStart: '-1.05 bar', pressureEnd: '0 bar', time: '5 min' }),
    ).toThrow(ReckonError);
  });
});

describe('pump-up', () => {
  test('efficiency; a warm tank means less was delivered', () => {
    const base = {
      tankVolume: '100 l',
      pressureStart: '0 bar',
      pressureEnd: '7 bar',
      time: '120 s',
      displacement: '0.3 l',
      speed: '1450 rpm',
    };
    const { freeAirDelivery, volumetricEfficiency } = pumpUp.reckon(base).results;
    expect(volumetricEfficiency!.value).toBeCloseTo((345.42 / 435) * 100, 1);
    expect(pumpUp.reckon({ ...base, tankTemperature: '60 °C' }).results.freeAirDelivery.value).toBeCloseTo(
      (freeAirDelivery.value * 293.15) / 333.15,
      6,
    );
  });
  test('displacement without speed, falling pressure: refused at the field', () => {
    const base = { tankVolume: '100 l', pressureStart: '2 bar', pressureEnd: '7 bar', time: '120 s' };
    expect(() => pumpUp.reckon({ ...base, displacement: '0.3 l' })).toThrow(
      expect.objectContaining({ field: 'speed' }),
    );
    expect(() => pumpUp.reckon({ ...base, pressureEnd: '1 bar' })).toThrow(
      expect.objectContaining({ field: 'pressureEnd' }),
    );
  });
});

describe('vacuum-hold', () => {
  const curve = (at: (minutes: number) => number, count = 9): object => ({
    readings: Array.from({ length: count }, (_, i) => ({ time: q(i * 5, 'min'), pressure: q(at(i * 5), 'mbar') })),
    limit: '2 mbar',
  });
  test('straight lines leak, saturating curves are moisture, flat ones are tight', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        fc.double({ min: 3, max: 9, noNaN: true }),
        (slope, tau) => {
          expect(vacuumHold.reckon(curve((t) => 1 + slope * t)).results.verdict).toBe('leak');
          expect(vacuumHold.reckon(curve((t) => 1 + 20 * (1 - Math.exp(-t / tau)))).results.verdict).toBe('moisture');
          expect(vacuumHold.reckon(curve((t) => 1 + slope * t * 0.001)).results.verdict).toBe('tight');
        },
      ),
    );
  });
  test('three readings cannot tell; times must rise', () => {
    expect(vacuumHold.reckon(curve((t) => 1 + t, 3)).results.verdict).toBe('cannot-tell');
    expect(() =>
      vacuumHold.reckon({
        readings: [
          { time: '5 min', pressure: '1 mbar' },
          { time: '5 min', pressure: '2 mbar' },
        ],
        limit: '1 mbar',
      }),
    ).toThrow(expect.objectContaining({ field: 'readings[1].time' }));
  });
});
