import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { turnSaid } from './turn-said.ts';

const tighten = { value: 30, unit: 'deg' };
const slacken = { value: -30, unit: 'deg' };

describe('how far it was turned', () => {
  test.each<[string, typeof tighten, number]>([
    ['40', tighten, 40],
    ['40', slacken, -40],
    ['-40', tighten, -40],
    ['+40', slacken, 40],
    ['12,5', tighten, 12.5],
    ['40°', tighten, 40],
    [' 40 deg ', tighten, 40],
  ])('%j, advised %j', (text, advised, degrees) => {
    expect(turnSaid(text, advised)).toEqual({ turned: { value: degrees, unit: 'deg' } });
  });
  test.each(['about 40', '40ish', 'a bit', '4 0', '40 mm', '', '0', 'NaN', 'Infinity', '99999999'])(
    '%j is no turn, and not the advised one',
    (text) => {
      expect(turnSaid(text, tighten)).toEqual({ problem: expect.any(String) });
    },
  );
  test('whatever is typed, it is a turn that can be kept or a sentence', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const said = turnSaid(text, tighten);
        if ('turned' in said) expect(Number.isFinite(said.turned.value) && said.turned.value !== 0).toBe(true);
        else expect(said.problem.length).toBeGreaterThan(5);
      }),
    );
  });
});
