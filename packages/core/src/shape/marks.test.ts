import { describe, expect, test } from '@jest/globals';
import { librarySheet } from '../bench/bench.fixtures.ts';
import { partsOfRow } from '../sheet/index.ts';
import { axesOf, unitDrawing, type UnitDrawing } from './index.ts';

describe('what is pressed', () => {
  const draw = (name: string, part: string, off: readonly string[], pressed = true): UnitDrawing => {
    const sheet = librarySheet(name);
    const axis = axesOf(sheet).find((a) => partsOfRow(a.row).includes(part))!;
    const hand = { parts: new Set([part]), goes: 'on' as const, pressed };
    return unitDrawing(sheet, { axis, view: 'section', width: 630, height: 260, off: new Set(off), hand });
  };
  test('has what it goes into supported at the side away from it, and says so', () => {
    const drawing = draw('hub-dolly', 'seal', ['seal', 'cone-inner', 'spindle']);
    const hub = drawing.parts.find((p) => p.part === 'hub')!.box;
    const seal = drawing.parts.find((p) => p.part === 'seal')!.box;
    const { support, arrow } = drawing;
    expect(support).toBeDefined();
    expect([support!.from, support!.to]).toEqual([hub.y, hub.y + hub.height]);
    // The seal comes from one side, and what bears the press stands at the other.
    const fromRight = seal.x > hub.x;
    expect(support!.side).toBe(fromRight ? 'left' : 'right');
    expect(support!.x).toBeCloseTo(fromRight ? hub.x : hub.x + hub.width, 6);
    expect(Math.sign(arrow!.to[0] - arrow!.from[0])).toBe(fromRight ? -1 : 1);
    expect(drawing.says).toContain('Hub seal: is pressed on now, what it goes into supported at its far side');
  });
  test('apart in a row nothing stands on anything', () => {
    const sheet = librarySheet('hub-dolly');
    const hand = { parts: new Set(['seal']), goes: 'on' as const, pressed: true };
    const asked = { axis: axesOf(sheet)[0]!, width: 630, height: 260, off: new Set(['seal']), hand };
    expect(unitDrawing(sheet, { ...asked, view: 'row' }).support).toBeUndefined();
    expect(unitDrawing(sheet, { ...asked, view: 'section' }).support).toBeDefined();
  });
  test('what is only put in its place has none', () => {
    expect(draw('hub-dolly', 'seal', ['seal', 'cone-inner', 'spindle'], false).support).toBeUndefined();
  });
});
