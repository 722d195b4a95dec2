import { describe, expect, test } from '@jest/globals';
import { unit } from 'mathjs';
import { convert, type Dimension } from './index.ts';

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
