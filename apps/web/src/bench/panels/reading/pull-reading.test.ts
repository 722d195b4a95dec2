import { describe, expect, test } from '@jest/globals';
import { torqueOf } from './pull-reading.tsx';

describe('a drag read with a pull scale', () => {
  test('is the pull times the radius', () => {
    // By hand: 9.2 N at 56.5 mm is 0.5198 N·m.
    expect(torqueOf('9.2', '56.5')).toEqual({ value: { value: 0.5198, unit: 'N·m' } });
    expect(torqueOf('9,2 N', '0.0565 m')).toEqual({ value: { value: 0.5198, unit: 'N·m' } });
  });
  test('says at which field it cannot be read', () => {
    const wrong = (pull: string, radius: string): string[] => {
      const said = torqueOf(pull, radius);
      return 'errors' in said ? Object.keys(said.errors) : [];
    };
    expect(wrong('', '56.5')).toEqual(['pull']);
    expect(wrong('9.2', 'a hand')).toEqual(['radius']);
    expect(wrong('', '')).toEqual(['pull', 'radius']);
  });
});
