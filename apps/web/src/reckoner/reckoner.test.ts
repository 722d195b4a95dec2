import { describe, expect, test } from '@jest/globals';
import { reckoners } from '@jubb/core/reckoners';
import fc from 'fast-check';
import { asText } from './answer.tsx';
import { findReckoners } from './find.ts';
import { friendly } from './friendly.ts';
import { addressOf, blank, figure, fromAddress, joinTyped, splitTyped, switchUnit, withValue } from './inputs.ts';

describe('finding a calculation by what is wanted', () => {
  test.each([
    ['how hot', 'heat-to-fit'],
    ['which o-ring', 'oring-find'],
    ['crowfoot', 'wrench-setting'],
    ['ripple', 'rectifier-ripple'],
    ['which shims', 'shim-stack'],
    ['turbo play', 'shaft-play'],
    ['how many balls', 'ball-complement'],
  ])('"%s" comes to %s first', (typed, id) => expect(findReckoners(typed)[0]!.id).toBe(id));
  test('every reckoner is found first, or close to it, by its own words', () => {
    for (const r of reckoners)
      for (const ask of r.asks)
        expect({
          ask,
          at: findReckoners(ask)
            .slice(0, 4)
            .map((f) => f.id),
        }).toEqual({ ask, at: expect.arrayContaining([r.id]) });
  });
  test('nonsense finds nothing, nothing typed finds all', () => {
    expect(findReckoners('zzqx')).toEqual([]);
    expect(findReckoners(' ')).toHaveLength(reckoners.length);
  });
});

describe('what is typed', () => {
  test.each([
    ['24 N·m', 'torque', { number: '24', unit: 'N·m' }],
    ['30 ft-lb', 'torque', { number: '30', unit: 'ft·lbf' }],
    ['1 3/8 in', 'length', { number: '1 3/8', unit: 'in' }],
    ['11.5e-6 1/K', 'expansion', { number: '11.5e-6', unit: '1/K' }],
    ['', 'length', { number: '', unit: 'mm' }],
    ['abc', 'length', { number: 'abc', unit: 'mm' }],
    [undefined, 'temperature', { number: '', unit: '°C' }],
    [{ value: 3, unit: 'bar' }, 'pressure', { number: '3', unit: 'bar' }],
  ] as const)('%p as a %s', (typed, dimension, split) => expect(splitTyped(typed, dimension)).toEqual(split));
  test('a unit typed into the number wins; an empty number is nothing', () => {
    expect(joinTyped('30 ft·lbf', 'N·m')).toBe('30 ft·lbf');
    expect(joinTyped('1e-6', '1/K')).toBe('1e-6 1/K');
    expect(joinTyped('  ', 'mm')).toBeUndefined();
  });
  test('switching a unit there and back keeps the figure', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 1e5, noNaN: true }),
        fc.constantFrom('ft·lbf', 'in·lbf', 'kgf·m'),
        (value, unit) => {
          const there = switchUnit(`${value} N·m`, unit, 'torque');
          expect(there.endsWith(unit)).toBe(true);
          expect(figure(switchUnit(there, 'N·m', 'torque'), 'torque')).toBeCloseTo(value, 4);
        },
      ),
    );
    expect(switchUnit('nonsense mm', 'in', 'length')).toBe('nonsense in');
  });
  test('a value is put in at its path and taken out again, and nothing else changes', () => {
    const before = { a: '1 mm', list: [{ b: 1 }, { b: 2 }] };
    expect(withValue(before, ['list', 1, 'b'], 3)).toEqual({ a: '1 mm', list: [{ b: 1 }, { b: 3 }] });
    expect(withValue(before, ['a'], undefined)).toEqual({ list: before.list });
    expect(before.list[1]).toEqual({ b: 2 });
  });
  test('the address holds the inputs; a damaged one is passed over', () => {
    for (const r of reckoners) {
      const { inputs } = r.checks[0];
      const search = new URLSearchParams(addressOf(r.id, inputs).split('?')[1] ?? '');
      if (search.has('in')) expect(fromAddress(search)).toEqual(JSON.parse(JSON.stringify(inputs)));
      else expect(r.id).toBe('rectifier-ripple');
    }
    for (const bad of ['{', '7', '[1]', 'null']) expect(fromAddress(new URLSearchParams({ in: bad }))).toBeUndefined();
  });
  test('a blank entry of every list and group has its needed fields', () => {
    const drawer = reckoners.find((r) => r.id === 'shim-stack')!.inputs['drawer']!;
    expect(blank(drawer)).toEqual([{ thickness: '', count: '' }]);
  });
});

describe('what is shown', () => {
  test('small masses in grams, large forces in kilonewtons, zero as it is', () => {
    expect(friendly({ value: 0.0344, unit: 'kg' })).toEqual({ value: expect.closeTo(34.4, 9), unit: 'g' });
    expect(friendly({ value: 18630, unit: 'N' }).unit).toBe('kN');
    expect(friendly({ value: 0, unit: 'kg' }).unit).toBe('kg');
  });
  test('as text: inputs, results, working and source, for every reckoner', () => {
    for (const r of reckoners) {
      const { inputs } = r.checks[0];
      const text = asText(r, inputs, r.reckon(inputs));
      expect(text).toContain('Working');
      expect(text).not.toMatch(/\[object|undefined|NaN/);
    }
  });
});
