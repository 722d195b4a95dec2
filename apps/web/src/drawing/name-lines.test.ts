import { describe, expect, test } from '@jest/globals';
import { ladder } from '@jubb/core/sheet';
import { shipped, sheets } from '../bench/rehearsed.fixtures.ts';
import { glyphsOf } from './ladder-drawing.tsx';
import { nameLines } from './name-lines.ts';

describe('a rung’s name', () => {
  test('is large where there is room, then small, then on two lines by words', () => {
    expect(nameLines('Cap', 100)).toEqual({ size: 16, lines: ['Cap'] });
    expect(nameLines('Oil and coolant', 108)).toEqual({ size: 14, lines: ['Oil and coolant'] });
    expect(nameLines('Heat shield and hoses', 90)).toEqual({ size: 14, lines: ['Heat shield', 'and hoses'] });
  });

  test.each(sheets.map((s) => s.id))('%s: no name is cut, and none reaches into its signs', (id) => {
    const sheet = shipped(id);
    const all = ladder(sheet, { variant: sheet.variants[0]!.id, methods: {}, findings: {} });
    for (const rung of new Set([...all.strip, ...all.build].map((s) => s.rung))) {
      const steps = [...all.strip, ...all.build].filter((s) => s.rung === rung);
      const room = 270 - 26 - 52 - glyphsOf(sheet, steps).length * 21;
      const { lines, size } = nameLines(steps[0]!.title, room);
      expect(lines.join(' ')).toBe(steps[0]!.title);
      for (const line of lines)
        expect(`${line}: ${Math.ceil((line.length * 7.9 * size) / 16 - room)}`).toMatch(/: (-|0)/);
    }
  });
});
