import { describe, expect, test } from '@jest/globals';
import { librarySheet } from '../bench/bench.fixtures.ts';
import { readSheet } from '../sheet/read/index.ts';
import { readFileSync } from 'node:fs';
import { axesOf, unitDrawing, type Asked, type UnitDrawing } from './index.ts';

const box = librarySheet('gearbox-four');
const axes = axesOf(box);
const drawn = (axis: string, more: Partial<Asked> = {}): UnitDrawing =>
  unitDrawing(box, {
    axis: axes.find((a) => a.id === axis)!,
    view: 'section',
    width: 630,
    height: 260,
    off: new Set(),
    ...more,
  });

describe('gears in mesh', () => {
  test('each gear of the main shaft has the lay shaft in its teeth, and says so', () => {
    const drawing = drawn('main');
    expect(drawing.mates.map((m) => [m.gear, m.part])).toEqual([
      ['gear-three', 'lay-shaft'],
      ['gear-two', 'lay-shaft'],
      ['gear-one', 'lay-shaft'],
    ]);
    expect(drawing.says).toContain('First gear: on the unit, in mesh with Lay shaft');
    expect(drawing.says).toContain('Main shaft bearing: on the unit');
  });

  test('it begins at the teeth, lies over the gear and inside the frame', () => {
    const drawing = drawn('main');
    for (const mate of drawing.mates) {
      const { box: gear } = drawing.parts.find((p) => p.key === mate.gear)!;
      const points = mate.pieces.flatMap((p) => (p.kind === 'round' ? [p.at] : p.points));
      const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
      expect(Math.min(...xs)).toBeGreaterThanOrEqual(gear.x);
      expect(Math.max(...xs)).toBeLessThanOrEqual(gear.x + gear.width);
      expect(Math.max(...ys)).toBeGreaterThan(gear.y);
      expect(Math.max(...ys)).toBeLessThan(gear.y + gear.height * 0.1);
      expect(Math.min(...ys)).toBeGreaterThan(drawing.top);
    }
  });

  test.each<[string, Partial<Asked>]>([
    ['the lay shaft is off', { off: new Set(['lay-shaft']) }],
    ['its parts lie in a row', { view: 'row' }],
    ['a part of it comes off', { hand: { parts: new Set(['end-cap']), goes: 'off' } }],
  ])('none where %s', (_, more) => {
    expect(drawn('main', more).mates).toEqual([]);
  });

  test('a gear that is off has none; the others keep theirs', () => {
    expect(drawn('main', { off: new Set(['gear-one']) }).mates.map((m) => m.gear)).toEqual(['gear-three', 'gear-two']);
  });

  test('what is off of another row is not told as off of this one', () => {
    const beside = drawn('main', { off: new Set(['lay-shaft', 'idler']) });
    expect(beside.spans).toEqual([]);
    expect(beside.parts.every((p) => p.look === 'on')).toBe(true);
  });

  const text = readFileSync('library/gearbox-four.yaml', 'utf8');
  test.each([
    ['[gear-one, gear-nine]', 'unknown-name'],
    ['[gear-one, gear-one]', 'meshes-with-itself'],
  ])('a sheet with %s is refused', (pair, code) => {
    const { problems } = readSheet(text.replace('[gear-one, lay-shaft]', pair));
    expect(problems.map((p) => p.code)).toContain(code);
  });
});
