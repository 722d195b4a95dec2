import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ReckonError } from '../shape/index.ts';
import { verdict } from './verdict.ts';

describe('verdict', () => {
  // ISO 14253-1 decision rules with g = 1.
  test.each<[string, string, string]>([
    ['0.080 mm', '0.01 mm', 'within'],
    ['0.090 mm', '0.01 mm', 'within'],
    ['0.095 mm', '0.01 mm', 'undecided'],
    ['0.105 mm', '0.01 mm', 'undecided'],
    ['0.111 mm', '0.01 mm', 'outside'],
    ['0.1001 mm', '0 mm', 'outside'],
  ])('at most 0.10: %s ± %s is %s', (reading, uncertainty, expected) => {
    expect(verdict.reckon({ reading, uncertainty, upper: '0.10 mm' }).results.verdict).toBe(expected);
  });

  test('both limits, in other units, margins in the unit of the reading', () => {
    const { results } = verdict.reckon({ reading: '2 thou', lower: '0.03 mm', upper: '0.08 mm', uncertainty: '5 µm' });
    expect(results.verdict).toBe('within');
    expect(results.marginLower).toEqual({ value: expect.closeTo(2 - 0.03 / 0.0254, 9), unit: 'thou' });
  });

  test('simple ignores the gauge, shared says when it is a toss-up', () => {
    expect(
      verdict.reckon({ reading: '0.095 mm', uncertainty: '0.01 mm', upper: '0.10 mm', rule: 'simple' }).results.verdict,
    ).toBe('within');
    const shared = verdict.reckon({ reading: '0.095 mm', uncertainty: '0.01 mm', upper: '0.10 mm', rule: 'shared' });
    expect(shared.results.verdict).toBe('within');
    expect(shared.warnings.join()).toMatch(/toss-up/);
  });

  test('an uncertainty in °F is a difference, not a temperature', () => {
    expect(verdict.reckon({ reading: '100 °C', upper: '105 °C', uncertainty: '9 °F' }).results.verdict).toBe('within');
    expect(verdict.reckon({ reading: '100.1 °C', upper: '105 °C', uncertainty: '9 °F' }).results.verdict).toBe(
      'undecided',
    );
  });

  test('refusals', () => {
    expect(() => verdict.reckon({ reading: '1 mm' })).toThrow(/a limit is needed/);
    expect(() => verdict.reckon({ reading: '1 mm', upper: '2 N·m' })).toThrow(ReckonError);
    expect(() => verdict.reckon({ reading: '1 mm', lower: '3 mm', upper: '2 mm' })).toThrow(ReckonError);
    expect(() => verdict.reckon({ reading: '1 mm', upper: '2 mm', uncertainty: '-1 mm' })).toThrow(/zero or more/);
  });

  test('more uncertainty never turns undecided into decided', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (x, u, more) => {
          const at = (uncertainty: number): string =>
            verdict.reckon({ reading: x, lower: -0.3, upper: 0.4, uncertainty }).results.verdict;
          if (at(u) === 'undecided') expect(at(u + more)).toBe('undecided');
        },
      ),
    );
  });
});
