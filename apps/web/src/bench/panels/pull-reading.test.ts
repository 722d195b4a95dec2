import { describe, expect, test } from '@jest/globals';
import { torqueOf } from './pull-reading.tsx';

describe('a drag read with a pull scale', () => {
  test('is the pull times the radius', () => {
    // By hand: 9.2 N at 56.5 mm is 0.5198 N·m.
    expect(torqueOf('9.2', '56.5')).toEqual({ value: { value: 0.5198, unit: 'N·m' } });
    expect(torqueOf('9,2 N', '0.0565 m')).toEqual({ value: { value: 0.5198, unit: 'N·m' } });
  });
  test('says at which field it cannot be read', () => {
    expect(torqueOf('', '56.5')).toMatchObject({ errors: { pull: expect.any(String) as string } });
    expect(torqueOf('9.2', 'a hand')).toMatchObject({ errors: { radius: expect.any(String) as string } });
    expect('errors' in torqueOf('9.2', '')).toBe(true);
  });
});
