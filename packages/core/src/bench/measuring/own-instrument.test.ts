import { describe, expect, test } from '@jest/globals';
import { parseQuantity } from '../../quantities/index.ts';
import { couldGive } from './gauges.ts';
import { ownInstrumentKinds, ownInstrumentProblem, ranOut, usualUnits } from './own-instrument.ts';

const wrench = { kind: 'torque-wrench', unit: 'N·m', wrench: { minNm: 20, maxNm: 200 } };

describe('an instrument of the shop’s own', () => {
  test.each(ownInstrumentKinds.map((kind) => ({ kind })))('a $kind shows its usual unit', ({ kind }) => {
    const unit = usualUnits[kind];
    expect(couldGive(kind, { value: 1, unit })).toBe(true);
    const more = kind === 'torque-wrench' ? { wrench: wrench.wrench } : {};
    expect(ownInstrumentProblem({ kind, unit, ...more })).toBeUndefined();
  });

  test('a stand is on a line', () => {
    expect(ownInstrumentProblem({ kind: 'leak-tester', unit: 'bar', readBy: 'port' })).toBeUndefined();
  });

  test('in another unit of the same quantity it may be too', () => {
    expect(parseQuantity('1 lbf·ft', 'torque').value).toBe(1);
    expect(ownInstrumentProblem({ ...wrench, unit: 'lbf·ft' })).toBeUndefined();
    expect(ownInstrumentProblem({ kind: 'caliper', unit: 'in' })).toBeUndefined();
  });

  test.each([
    ['a micrometer in newtons', { kind: 'micrometer', unit: 'N' }, 'unit', 'N is not what a micrometer shows'],
    ['a unit that nobody knows', { kind: 'pull-scale', unit: 'stone' }, 'unit', 'stone is not what a pull scale shows'],
    [
      'no range',
      { kind: 'torque-wrench', unit: 'N·m' },
      'wrench',
      'A torque wrench has a range, a length and a graduation',
    ],
    [
      'a scale backwards',
      { ...wrench, wrench: { minNm: 200, maxNm: 20 } },
      'wrench',
      'Its scale ends above where it begins',
    ],
    [
      'a scale of nothing',
      { ...wrench, wrench: { minNm: 20, maxNm: 20 } },
      'wrench',
      'Its scale ends above where it begins',
    ],
    [
      'a stand that somebody types',
      { kind: 'leak-tester', unit: 'bar', readBy: 'typed' },
      'readBy',
      'A stand is on a line',
    ],
    ['30 February', { ...wrench, calibratedTo: '2027-02-30' }, 'calibratedTo', '2027-02-30 is no day of the calendar'],
    [
      'a thirteenth month',
      { ...wrench, calibratedTo: '2027-13-01' },
      'calibratedTo',
      '2027-13-01 is no day of the calendar',
    ],
  ])('%s cannot be', (_, facts, field, says) => {
    expect(ownInstrumentProblem(facts)).toEqual({ field, says });
  });

  test('29 February is a day of a leap year only', () => {
    expect(ownInstrumentProblem({ ...wrench, calibratedTo: '2028-02-29' })).toBeUndefined();
    expect(ownInstrumentProblem({ ...wrench, calibratedTo: '2027-02-29' })?.field).toBe('calibratedTo');
  });
});

describe('a calibration', () => {
  test.each([
    ['the day before its last', '2026-11-29', false],
    ['its last day', '2026-11-30', false],
    ['the day after', '2026-12-01', true],
  ])('on %s', (_, today, late) => expect(ranOut('2026-11-30', today)).toBe(late));
  test('that never was has not run out', () => expect(ranOut(null, '2026-11-30')).toBe(false));
});
