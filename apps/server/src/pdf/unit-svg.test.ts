import { describe, expect, test } from '@jest/globals';
import { librarySheet } from '@jubb/core/sheet/fixtures';
import { figures, markedUnit } from './unit-svg.ts';

const sheet = librarySheet;
const tinted = (svg: string, color: string): number => svg.split(`fill="${color}"`).length - 1;

describe('the unit on a page', () => {
  const hub = sheet('hub-dolly');
  test('an axis with what is worn on it, tinted, in a heavier line, with a bold name', () => {
    const [svg, ...more] = markedUnit(hub, { worn: new Set(['hub']) });
    expect(more).toEqual([]);
    // Above and below the axis.
    expect(tinted(svg!, '#d9b4a6')).toBe(2);
    expect(svg).toMatch(/font-weight="bold">Hub</);
    expect(svg).not.toMatch(/NaN|undefined/);
  });
  test('nothing where nothing is marked, and then no heading either', () => {
    expect(markedUnit(hub, { worn: new Set() })).toEqual([]);
    expect(figures('Where it is worn', [])).toEqual([]);
    expect(figures('Where it is worn', ['<svg/>'])).toHaveLength(2);
  });
  test('at most three figures', () => {
    const axle = sheet('axle-pinion');
    expect(markedUnit(axle, { renewed: new Set(Object.keys(axle.parts)) })).toHaveLength(3);
  });
  test('a part that is not on the unit is not drawn', () => {
    const lever = sheet('lever-piston');
    const drawn = (absent: ReadonlySet<string>): number =>
      tinted(markedUnit(lever, { renewed: new Set(['piston', 'backing']), absent }).join(''), '#b9d6cc');
    // Piston and ring, each above and below the axis.
    expect(drawn(new Set())).toBe(4);
    expect(drawn(new Set(['backing']))).toBe(2);
  });
});
