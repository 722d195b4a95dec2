import { describe, expect, test } from '@jest/globals';
import { librarySheet } from '../bench/bench.fixtures.ts';
import type { Sheet } from '../sheet/index.ts';
import { axesOf, partAt, unitDrawing } from './index.ts';
import { hub, spindle } from './shape.fixtures.ts';

describe('the drawing of a hub', () => {
  const frame = { axis: spindle, view: 'section', width: 630, height: 260 } as const;

  test('what is on stands together; what comes off now lies beside it with the way that it goes; what is off lies further out, the last to come off nearest', () => {
    const drawing = unitDrawing(hub, {
      ...frame,
      off: new Set(['cap', 'cap-ring', 'cap-bolt', 'lock-pin', 'nut', 'washer']),
      hand: { parts: new Set(['cone-outer']), goes: 'off' },
    });
    const x = (key: string): number => drawing.parts.find((p) => p.key === key)!.box.x;
    const on = drawing.parts.filter((p) => p.look === 'on');
    const edge = Math.max(...on.map((p) => p.box.x + p.box.width));
    expect(on.map((p) => p.key).sort()).toEqual(
      ['cone-inner', 'cups', 'cups#2', 'hub', 'seal', 'shim-pack', 'spacer', 'spindle'].sort(),
    );
    expect(x('cone-outer')).toBeGreaterThan(edge);
    const row = ['cone-outer', 'washer', 'nut', 'lock-pin', 'cap'];
    expect(row.map(x)).toEqual([...row.map(x)].sort((a, b) => a - b));
    expect(drawing.arrow!.to[0]).toBeGreaterThan(drawing.arrow!.from[0]);
    expect(drawing.labels.find((l) => l.key === 'cone-outer')?.bold).toBe(true);
  });

  test('bolts lie further out than the cap that they held', () => {
    const drawing = unitDrawing(hub, {
      ...frame,
      off: new Set(),
      hand: { parts: new Set(['cap', 'cap-bolt']), goes: 'off' },
    });
    const [cap, bolt] = ['cap', 'cap-bolt'].map((k) => drawing.parts.find((p) => p.key === k)!.box);
    expect(bolt!.x).toBeGreaterThan(cap!.x + cap!.width);
  });

  test('what goes on now points the other way', () => {
    const drawing = unitDrawing(hub, {
      ...frame,
      off: new Set(['cap', 'cap-bolt', 'nut', 'lock-pin']),
      hand: { parts: new Set(['nut']), goes: 'on' },
    });
    expect(drawing.arrow!.to[0]).toBeLessThan(drawing.arrow!.from[0]);
  });

  test('what lies in a part goes with it: the cups are off with the hub', () => {
    const drawing = unitDrawing(hub, { ...frame, off: new Set(['hub', 'nut', 'washer', 'cone-outer']) });
    const look = (key: string): string => drawing.parts.find((p) => p.key === key)!.look;
    expect(look('cups')).toBe('off');
    expect(look('spindle')).toBe('on');
    const [cups, hubDrawn] = ['cups', 'hub'].map((k) => drawing.parts.find((p) => p.key === k)!.box);
    expect(cups!.x).toBeGreaterThanOrEqual(hubDrawn!.x - 0.5);
    expect(cups!.x + cups!.width).toBeLessThanOrEqual(hubDrawn!.x + hubDrawn!.width + 0.5);
  });

  test('a press is meant for the part that it meets, or for the nearest within a finger', () => {
    const drawing = unitDrawing(hub, { ...frame, view: 'row', off: new Set() });
    for (const part of drawing.parts) {
      const first = part.pieces[0]!;
      const at =
        first.kind === 'round'
          ? first.at
          : ([
              part.box.x + part.box.width / 2,
              (first as { points: readonly (readonly [number, number])[] }).points[0]![1],
            ] as const);
      expect(partAt(drawing, at)?.key).toBe(part.key);
    }
    const nut = drawing.parts.find((p) => p.key === 'nut')!.box;
    expect(partAt(drawing, [nut.x + nut.width / 2, nut.y - 6])?.key).toBe('nut');
    expect(partAt(drawing, [nut.x, -200])).toBeUndefined();
  });

  test('in a row every part stands apart', () => {
    const { parts } = unitDrawing(hub, { ...frame, view: 'row', off: new Set() });
    const row = [...parts].sort((a, b) => a.box.x - b.box.x);
    for (const [i, p] of row.slice(1).entries())
      expect(p.box.x).toBeGreaterThan(row[i]!.box.x + row[i]!.box.width - 0.5);
  });

  test('its words list the row, left to right', () => {
    const { says } = unitDrawing(hub, { ...frame, off: new Set(['cap']), hand: { parts: new Set(['nut']) } });
    expect(says).toContain('Cap: off');
    expect(says).toContain('Castellated nut: it is about this');
    expect(says).toContain('Hub: on the unit');
  });

  test('numbered, every part of the list has a number of its own', () => {
    const { parts } = unitDrawing(hub, { ...frame, off: new Set(), numbered: true });
    const numbers = new Map(parts.map((p) => [p.part, p.number]));
    expect([...numbers.values()].sort((a, b) => a - b)).toEqual([...numbers.values()].map((_, i) => i + 1));
  });
});

describe('a shaft that was drawn out is drawn by itself', () => {
  test('the piston comes off the rod on the bench, without the tube', () => {
    const lift = librarySheet('cylinder-lift');
    const axis = axesOf(lift)[0]!;
    const drawing = unitDrawing(lift, {
      axis,
      view: 'section',
      width: 630,
      height: 260,
      off: new Set(['rod', 'gland', 'end-cap', 'split-ring']),
      hand: { parts: new Set(['piston-nut']), goes: 'off' },
    });
    expect(drawing.parts.map((p) => p.part)).not.toContain('tube');
    expect(drawing.parts.find((p) => p.part === 'rod')!.look).toBe('on');
  });
});

describe('a sheet without figures', () => {
  test('is drawn all the same: every part by its words, its lengths guessed', () => {
    const { axes: _axes, ...rest } = hub;
    const bare: Sheet = {
      ...rest,
      parts: Object.fromEntries(
        Object.values(hub.parts).map((p) => {
          const { fit: _f, lip: _l, ring: _r, inside: _i, outside: _o, length: _n, shape: _s, ...left } = p;
          return [p.id, left];
        }),
      ),
      joints: {},
    };
    const axis = axesOf(bare)[0]!;
    const drawing = unitDrawing(bare, { axis, view: 'section', width: 630, height: 260, off: new Set() });
    expect(new Set(drawing.parts.map((p) => p.part))).toEqual(new Set(Object.keys(bare.parts)));
    // What carries the others is as long as they need.
    expect(drawing.parts.filter((p) => !p.guessed).map((p) => p.part)).toEqual([axis.row[0]!.part]);
    for (const p of drawing.parts)
      expect([p.box.x, p.box.y, p.box.width, p.box.height].every(Number.isFinite)).toBe(true);
  });
});

describe('a key lies in its slot', () => {
  test('above the axis alone', () => {
    const blower = librarySheet('blower-nose');
    const axis = axesOf(blower)[0]!;
    const drawing = unitDrawing(blower, { axis, view: 'section', width: 630, height: 260, off: new Set() });
    const key = drawing.parts.find((p) => p.part === 'key')!;
    expect(key.box.y + key.box.height).toBeLessThan(drawing.axis.y);
  });
});
