import { describe, expect, test } from '@jest/globals';
import { libraryNames, librarySheet, libraryText } from '../bench/bench.fixtures.ts';
import { faultCure, faultShows } from './index.ts';
import { readSheet } from './read/index.ts';

describe.each(libraryNames)('the faults of %s', (name) => {
  const sheet = librarySheet(name);
  const faults = Object.values(sheet.faults ?? {});

  test('explain each test that can fail and each look that can be bad, and can be told apart', () => {
    expect(faults.length).toBeGreaterThanOrEqual(3);
    const { problems } = readSheet(libraryText(name));
    expect(problems.filter((p) => p.code === 'not-explained').map((p) => p.message)).toEqual([]);
  });

  test('are said in words, without a name that only the sheet knows', () => {
    for (const f of faults)
      for (const words of [...faultShows(sheet, f), ...faultCure(sheet, f)]) expect(words).not.toMatch(/[@]|undefined/);
  });
});

describe('a fault', () => {
  const sheet = librarySheet('auto-clutch');
  test('of what stands once on each side is said of both', () => {
    const lips = sheet.faults!['hard-lips']!;
    expect(Object.keys(lips.shows)).toEqual(['air@forward', 'air@direct', 'lips@forward', 'lips@direct']);
    expect(lips.cure).toEqual({ 'lip-ring@forward': 'renew', 'lip-ring@direct': 'renew' });
  });
  test('in words', () => {
    const hub = librarySheet('hub-dolly');
    const cups = hub.faults!['worn-cups']!;
    expect(faultShows(hub, cups)).toEqual(['Spin and drag: too high', 'End float: too high']);
    expect(faultCure(hub, cups)).toEqual(['new bearing cups', 'new outer cone', 'new inner cone']);
  });
});
