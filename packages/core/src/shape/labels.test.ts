import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { placeLabels, widthOf } from './index.ts';

describe('names above a drawing', () => {
  const name = fc.record({
    text: fc.string({ minLength: 1, maxLength: 30 }),
    x: fc.integer({ min: 0, max: 600 }),
    first: fc.boolean(),
  });
  test('never lie over each other or outside, whatever they are and wherever they point', () => {
    fc.assert(
      fc.property(fc.array(name, { maxLength: 40 }), (names) => {
        const placed = placeLabels(
          names.map((n, i) => ({ key: String(i), top: 100, ...n })),
          { left: 0, right: 600, rows: [60, 40, 20], size: 14 },
        );
        for (const [i, a] of placed.entries()) {
          const half = widthOf(a.text, 14, a.bold) / 2;
          expect(a.x - half).toBeGreaterThanOrEqual(-1e-6);
          expect(a.x + half).toBeLessThanOrEqual(600 + 1e-6);
          // The line of a name runs through no name that is nearer to the drawing.
          for (const b of placed)
            if (b.y > a.y) expect(Math.abs(a.to[0] - b.x)).toBeGreaterThan(widthOf(b.text, 14, b.bold) / 2);
          for (const b of placed.slice(i + 1))
            if (a.y === b.y) expect(Math.abs(a.x - b.x)).toBeGreaterThanOrEqual(half + widthOf(b.text, 14, b.bold) / 2);
        }
      }),
    );
  });
  test('the first ones are placed before the others', () => {
    const at = { left: 0, right: 160, rows: [20], size: 14 };
    const two = [
      { key: 'a', text: 'Outer bearing', x: 50, top: 60, first: false },
      { key: 'b', text: 'Castellated nut', x: 60, top: 60, first: true },
    ];
    expect(placeLabels(two, at).map((l) => l.key)).toEqual(['b']);
  });
});
