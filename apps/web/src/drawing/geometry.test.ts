import { describe, expect, test } from '@jest/globals';
import { boltPlaces } from './bolt-places.ts';
import { markerAt } from './ladder-mini.tsx';

describe('where things are drawn', () => {
  test('fasteners go clockwise from twelve, all as far from the middle', () => {
    const circle = { kind: 'circle', diameter: { value: 100, unit: 'mm' }, first: 'top' } as const;
    const { places } = boltPlaces({ pattern: circle, count: 6 }, 282);
    const [first, second, , fourth] = places;
    expect(first!.y).toBeLessThan(fourth!.y);
    expect(first!.x).toBeCloseTo(fourth!.x, 9);
    expect(second!.x).toBeGreaterThan(first!.x);
  });
  test('a rectangle runs row by row from the top left; points keep their proportions, up is up', () => {
    const grid = boltPlaces({ pattern: { kind: 'rectangle', rows: 2, columns: 3 }, count: 6 }, 282).places;
    expect(grid[0]!.y).toBeCloseTo(grid[2]!.y, 9);
    expect(grid[3]!.y).toBeGreaterThan(grid[0]!.y);
    expect(grid[1]!.x).toBeGreaterThan(grid[0]!.x);
    const points = [
      [0, 0],
      [100, 0],
      [0, 50],
    ] as const;
    const [a, b, c] = boltPlaces({ pattern: { kind: 'points', points }, count: 3 }, 282).places;
    expect(c!.y).toBeLessThan(a!.y);
    expect((a!.y - c!.y) / (b!.x - a!.x)).toBeCloseTo(0.5, 9);
  });
  test('drawn fasteners never touch, however many', () => {
    for (const count of [2, 8, 16, 24]) {
      const { places, size } = boltPlaces({ pattern: { kind: 'single' }, count }, 282);
      places.forEach((p, i) =>
        places.slice(i + 1).forEach((o) => expect(Math.hypot(p.x - o.x, p.y - o.y)).toBeGreaterThan(size * 1.7)),
      );
    }
  });
  test('the marker starts at the top of strip, is at the bottom half way, and ends at the top of build', () => {
    expect(markerAt(0)).toEqual({ x: 24, y: 14 });
    expect(markerAt(0.5)).toMatchObject({ x: 68, y: 72 });
    expect(markerAt(1)).toMatchObject({ x: 112, y: 14 });
    expect(markerAt(7)).toEqual(markerAt(1));
  });
});
