import { describe, expect, test } from '@jest/globals';
import { librarySheet, libraryText } from '../bench/bench.fixtures.ts';
import { partsOfRow } from './index.ts';
import { readSheet } from './read/index.ts';

describe('the rows in which parts lie', () => {
  test('are read in their order, with what lies in a part or on it', () => {
    const spindle = librarySheet('hub-dolly').axes![0]!;
    expect(spindle.body).toBe('spindle');
    expect(spindle.row.map((l) => l.part)).toEqual(['spindle', 'cap-ring', 'cap', 'cap-bolt']);
    const [carried] = spindle.row;
    expect(carried!.carries.map((l) => l.part)).toEqual(['hub', 'washer', 'nut', 'lock-pin']);
    expect(carried!.carries[0]!.carries.map((l) => l.part)).toEqual([
      'seal',
      'cone-inner',
      'cups',
      'spacer',
      'shim-pack',
      'cone-outer',
      'cups',
    ]);
  });

  test('stand once on each side, with the parts of that side', () => {
    const all = librarySheet('axle-clip').axes!;
    expect(all.map((a) => a.id)).toEqual(['wheel-end@left', 'wheel-end@right', 'differential']);
    const axes = Object.fromEntries(all.map((a) => [a.id, a]));
    expect(axes['wheel-end@left']!.title).toBe('Left wheel end');
    expect(axes['wheel-end@left']!.body).toBe('shaft@left');
    expect(partsOfRow(axes['wheel-end@right']!.row)).toEqual(
      ['shaft', 'clip', 'bearing', 'seal', 'caliper', 'disc', 'wheel', 'wheel-nut'].map((p) => `${p}@right`),
    );
  });

  const text = libraryText('hub-dolly');
  const ROW =
    'row: [{ spindle: [{ hub: [seal, cone-inner, cups, spacer, shim-pack, cone-outer, cups] }, washer, nut, lock-pin] }, cap-ring, cap, cap-bolt]';
  test.each([
    { what: 'a part that is not there', to: 'row: [spindle, moon]', code: 'unknown-name', says: /moon/ },
    { what: 'a body of another row', to: 'row: [cap, cap-bolt]', code: 'body-not-in-its-row', says: /"spindle"/ },
    {
      what: 'a part in itself',
      to: 'row: [{ spindle: [{ hub: [hub] }] }]',
      code: 'carries-itself',
      says: /"hub" cannot lie in itself/,
    },
  ])('$what is refused, with its line', ({ to, code, says }) => {
    expect(text).toContain(ROW);
    const errors = readSheet(text.replace(ROW, to)).problems.filter((p) => p.severity === 'error');
    expect(errors.map((e) => e.code)).toEqual([code]);
    expect(errors[0]!.message).toMatch(says);
    expect(errors[0]!.line).toBeGreaterThan(10);
  });
  test.each([
    { what: 'a shape that nobody draws', from: 'shape: shaft', to: 'shape: star' },
    { what: 'a length that is no length', from: 'inside: 60 mm', to: 'inside: 60 kg' },
    { what: 'a way that is none', from: 'row: [', to: 'points: up\n    row: [' },
  ])('$what is refused', ({ from, to }) => {
    const sheet = text.replace('spindle: { title: Spindle,', 'spindle: { title: Spindle, shape: shaft,');
    expect(sheet).toContain(from);
    expect(readSheet(sheet.replace(from, to)).problems.filter((p) => p.severity === 'error').length).toBeGreaterThan(0);
  });
});
