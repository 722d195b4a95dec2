import { describe, expect, test } from '@jest/globals';
import { unit } from 'mathjs';
import { convert, parseQuantity, type Dimension } from './index.ts';

/** Jubb’s spelling → the library’s. Where it has no compound of its own, one is written out. */
const pairs: readonly (readonly [Dimension, string, string, string, string])[] = [
  ['torque', 'ft·lbf', 'lbf ft', 'N·m', 'N m'],
  ['torque', 'in·lbf', 'lbf in', 'N·m', 'N m'],
  ['length', 'in', 'in', 'mm', 'mm'],
  ['length', 'thou', 'mil', 'µm', 'um'],
  ['length', 'ft', 'ft', 'm', 'm'],
  ['area', 'in²', 'in^2', 'mm²', 'mm^2'],
  ['force', 'lbf', 'lbf', 'N', 'N'],
  ['force', 'kN', 'kN', 'lbf', 'lbf'],
  ['stress', 'psi', 'psi', 'MPa', 'MPa'],
  ['pressure', 'psi', 'psi', 'bar', 'bar'],
  ['pressure', 'kPa', 'kPa', 'mbar', 'mbar'],
  ['pressure', 'mmHg', 'mmHg', 'kPa', 'kPa'],
  ['temperature', '°F', 'degF', '°C', 'degC'],
  ['temperature', 'K', 'K', '°F', 'degF'],
  ['angle', 'rad', 'rad', 'deg', 'deg'],
  ['mass', 'lb', 'lbm', 'kg', 'kg'],
  ['mass', 'oz', 'oz', 'g', 'g'],
  ['volume', 'pt US', 'pint', 'ml', 'ml'],
  ['volume', 'qt US', 'quart', 'l', 'l'],
  ['time', 'd', 'day', 'min', 'minute'],
  ['resistance', 'kΩ', 'kohm', 'Ω', 'ohm'],
  ['velocity', 'ft/s', 'ft/s', 'm/s', 'm/s'],
  ['volume', 'gal US', 'gallon', 'l', 'l'],
  ['volume', 'in³', 'in^3', 'cm³', 'cm^3'],
  ['volume', 'ft³', 'ft^3', 'l', 'l'],
  ['pressure', 'torr', 'torr', 'Pa', 'Pa'],
  ['velocity', 'in/s', 'in/s', 'mm/s', 'mm/s'],
  ['flow', 'm³/h', 'm^3/hour', 'l/min', 'l/minute'],
  ['flow', 'gal US/min', 'gallon/minute', 'l/min', 'l/minute'],
  ['massPerLength', 'lb/ft', 'lbm/ft', 'kg/m', 'kg/m'],
  ['flow', 'cfm', 'ft^3/minute', 'l/min', 'l/minute'],
];

describe('conversions against a general-purpose unit library', () => {
  test.each(pairs)('%s: %s is %s, %s is %s', (dimension, from, theirFrom, to, theirTo) => {
    for (const value of [0.37, 12, 4567]) {
      const theirs = unit(value, theirFrom).toNumber(theirTo);
      const ours = convert({ value, unit: from }, to, dimension).value;
      expect(Math.abs(ours - theirs)).toBeLessThanOrEqual(1e-5 * Math.abs(theirs));
    }
  });
});

describe('units that a gauge in the trade shows', () => {
  // Exact by definition: 1 UK gal = 4.546 09 l; 1 kgf/cm² = 0.980 665 bar; 760 torr = 1 atm; a micron is 0.001 mmHg.
  test.each<[number, string, number, string, Dimension]>([
    [1, 'gal UK', 4.54609, 'l', 'volume'],
    [1, 'kgf/cm²', 0.980665, 'bar', 'pressure'],
    [760, 'torr', 1.01325, 'bar', 'pressure'],
    [1000, 'microns of mercury', 1, 'mmHg', 'pressure'],
    [16, 'oz·in', 1, 'in·lbf', 'torque'],
    [1, 'oz·in', 720.07789, 'g·mm', 'unbalance'],
    [1, 'ft³', 1728, 'in³', 'volume'],
  ])('%d %s is %d %s', (value, from, wanted, to, dimension) =>
    expect(convert({ value, unit: from }, to, dimension).value).toBeCloseTo(wanted, 4),
  );
  test('a gallon of nobody is refused: US and UK differ by a fifth', () =>
    expect(() => parseQuantity('2 gal', 'volume')).toThrow(
      expect.objectContaining({ accepted: expect.stringContaining('gal US, gal UK') }),
    ));
});
