import { describe, expect, test } from '@jest/globals';
import { boltPlace } from './bolt-circle.tsx';
import { markerAt } from './ladder-mini.tsx';

describe('where things are drawn', () => {
  test('fasteners go clockwise from twelve, all as far from the middle', () => {
    const first = boltPlace(1, 6);
    const fourth = boltPlace(4, 6);
    expect(first.y).toBeLessThan(fourth.y);
    expect(first.x).toBeCloseTo(fourth.x, 9);
    expect(boltPlace(2, 6).x).toBeGreaterThan(first.x);
  });
  test('the marker starts at the top of strip, is at the bottom half way, and ends at the top of build', () => {
    expect(markerAt(0)).toEqual({ x: 24, y: 14 });
    expect(markerAt(0.5)).toMatchObject({ x: 68, y: 72 });
    expect(markerAt(1)).toMatchObject({ x: 112, y: 14 });
    expect(markerAt(7)).toEqual(markerAt(1));
  });
});
