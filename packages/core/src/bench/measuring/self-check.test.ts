import { describe, expect, test } from '@jest/globals';
import { canonical } from '../../quantities/index.ts';
import { pullTorque } from './pull-torque.ts';
import { selfCheck, type Checked } from './self-check.ts';

const indicator: Checked = {
  unit: 'mm',
  resolution: 0.001,
  uncertainty: { value: 0.002, unit: 'mm' },
  calibratedTo: '2026-06-30',
};

describe('an instrument that is checked', () => {
  test.each([
    ['repeats to twice its uncertainty', indicator, [0.1, 0.104], true, '2 readings within 0.004 mm'],
    ['a hair more is told', indicator, [0.1, 0.1041], false, 'more than the 0.004 mm it should repeat to'],
    ['without one, to ten steps', { ...indicator, uncertainty: null }, [0.1, 0.11], true, 'within 0.01 mm'],
    ['and no more', { ...indicator, uncertainty: null }, [0.1, 0.1102], false, 'more than the 0.01 mm'],
  ])('%s', (_name, of, readings, good, says) => {
    const said = selfCheck(of, readings, '2026-06-01');
    expect(said.good).toBe(good);
    expect(said.says.at(-1)).toContain(says);
  });

  test.each([
    ['2026-06-30', true, 'In date until 2026-06-30'],
    ['2026-07-01', false, 'Its calibration ran out on 2026-06-30'],
  ])('on %s its date says %s', (today, good, says) => {
    expect(selfCheck(indicator, [0.1, 0.1], today)).toMatchObject({
      good,
      says: ['It answers', says, expect.any(String)],
    });
  });

  test('never calibrated is not good, however well it repeats; one reading says nothing of repeating', () => {
    const never = selfCheck({ ...indicator, calibratedTo: null }, [0.1], '2026-06-01');
    expect(never).toEqual({ good: false, says: ['It answers', 'It was never calibrated'] });
  });
});

test.each([
  ['9.2 N at 56.5 mm', 9.2, 56.5, 0.5198],
  ['100 N at a metre', 100, 1000, 100],
  ['nothing pulls', 0, 50, 0],
])('torque of a pull square to the arm: %s', (_name, n, mm, nm) => {
  expect(pullTorque(canonical(n, 'force'), canonical(mm, 'length'))).toEqual({ value: nm, unit: 'N·m' });
});
