import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { librarySheet } from '../bench/bench.fixtures.ts';
import { partsOfRow, type Op, type Sheet } from '../sheet/index.ts';
import {
  aboutOp,
  assemble,
  axesOf,
  directionsOf,
  kindOf,
  partAt,
  placeLabels,
  sizesOf,
  unitDrawing,
  widthOf,
  type Piece,
  type Standing,
  type UnitDrawing,
} from './index.ts';

const hub = librarySheet('hub-dolly');
const spindle = axesOf(hub)[0]!;
const standing = (sheet: Sheet, axis = axesOf(sheet)[0]!): readonly Standing[] => assemble(axis, sizesOf(sheet, axis));
const of = (all: readonly Standing[], key: string): Standing => all.find((s) => s.key === key)!;
/** Furthest out that a drawn piece reaches at its left and at its right end. */
function ends(pieces: readonly Piece[]): { readonly left: number; readonly right: number } {
  const points = pieces.flatMap((p) => (p.kind === 'round' ? [] : p.points));
  const [from, to] = [Math.min(...points.map((p) => p[0])), Math.max(...points.map((p) => p[0]))];
  const reach = (at: number): number =>
    Math.max(...points.filter((p) => Math.abs(p[0] - at) < (to - from) * 0.2).map((p) => p[1]));
  return { left: reach(from), right: reach(to) };
}

describe('what a part looks like', () => {
  test.each([
    { title: 'Cap bolt M8 × 20', kind: 'bolt' },
    { title: 'Castellated nut', kind: 'nut' },
    { title: 'Cap ring', kind: 'o-ring' },
    { title: 'Split pin', kind: 'pin' },
    { title: 'Keyed washer', kind: 'washer' },
    { title: 'Outer cone', kind: 'cone' },
    { title: 'Bearing cups', kind: 'cup' },
    { title: 'Hub cap', kind: 'cover' },
    { title: 'Shim pack', kind: 'shim' },
    { title: 'Return spring', kind: 'spring' },
    { title: 'Drain plug', kind: 'plug' },
    { title: 'Front bearing', kind: 'ball-bearing' },
    { title: 'Sun gear', kind: 'gear' },
    { title: 'Sun gear clip', kind: 'circlip' },
    { title: 'Pulley spacer', kind: 'spacer' },
    { title: 'Bearing cover, open in the middle', kind: 'cover' },
    { title: 'Compressor wheel', kind: 'impeller' },
    { title: 'Cup in the hub', kind: 'cup' },
    { title: 'Thing that nobody named', kind: 'box' },
  ] as const)('$title is drawn as a $kind', ({ title, kind }) => {
    expect(kindOf({ ...hub.parts.cap!, title })).toBe(kind);
  });
});

describe('a hub put together (arrangement: common practice)', () => {
  const all = standing(hub);

  test('the parts stand along the spindle in the order in which they lie in it', () => {
    const order = ['seal', 'cone-inner', 'spacer', 'cone-outer', 'washer', 'nut'];
    const at = order.map((key) => of(all, key).x);
    expect([...at].sort((a, b) => a - b)).toEqual(at);
    expect(of(all, 'cups#2').x).toBeCloseTo(of(all, 'cone-outer').x, 6);
  });

  test('the wide ends of the rollers point away from each other, and each cup opens to its cone', () => {
    const [inner, outer] = [of(all, 'cone-inner'), of(all, 'cone-outer')];
    expect(inner.points).toBe('left');
    expect(outer.points).toBe('right');
    expect(ends(inner.pieces).left).toBeGreaterThan(ends(inner.pieces).right);
    expect(ends(outer.pieces).right).toBeGreaterThan(ends(outer.pieces).left);
    expect(of(all, 'cups').points).toBe('left');
    expect(of(all, 'cups#2').points).toBe('right');
  });

  test('the seal’s lip reaches to the bearing, its case stands outside', () => {
    const seal = of(all, 'seal');
    expect(seal.points).toBe('right');
    const spring = seal.pieces.find((p): p is Extract<Piece, { kind: 'round' }> => p.kind === 'round')!;
    expect(spring.at[0]).toBeGreaterThan(seal.length / 2);
    expect(of(all, 'cone-inner').x).toBeGreaterThan(seal.x);
  });

  test('no ring lies in another', () => {
    const solid = all.filter((s) => ['cone', 'seal', 'spacer', 'washer', 'nut', 'shim'].includes(s.sized.kind));
    for (const [i, a] of solid.entries())
      for (const b of solid.slice(i + 1)) {
        const radial = a.sized.inside < b.sized.outside - 1e-6 && b.sized.inside < a.sized.outside - 1e-6;
        const along = a.x < b.x + b.length - 1e-6 && b.x < a.x + a.length - 1e-6;
        if (radial && along) throw new Error(`${a.key} lies in ${b.key}`);
      }
    expect(solid.length).toBeGreaterThan(5);
  });

  test('the spindle lies under all that it carries, with a step for each bore', () => {
    const spindleAt = of(all, 'spindle');
    expect(spindleAt.x).toBeLessThan(of(all, 'seal').x);
    expect(spindleAt.x + spindleAt.length).toBeGreaterThan(of(all, 'nut').x + of(all, 'nut').length);
    const radii = new Set(spindleAt.pieces.flatMap((p) => (p.kind === 'round' ? [] : p.points.map((q) => q[1]))));
    for (const r of [30, 22.5, 12]) expect(radii).toContain(r);
  });

  test('the cap covers the nut and its pin without touching them', () => {
    const [cap, nut] = [of(all, 'cap'), of(all, 'nut')];
    expect(cap.x).toBeLessThan(nut.x);
    expect(cap.x + cap.length).toBeGreaterThan(nut.x + nut.length);
  });

  test('sizes are the sheet’s where it gives them', () => {
    const sizes = sizesOf(hub, spindle);
    expect(sizes.get('seal')).toMatchObject({ inside: 30, outside: 42.5, length: 10, guessed: false });
    expect(sizes.get('cap-bolt')).toMatchObject({ circle: 66 });
    expect(sizes.get('lock-pin')!.guessed).toBe(true);
  });
});

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

describe('rings of a piston', () => {
  const rod = standing(librarySheet('cylinder-lift'));
  test('lie in their grooves, one after the other; the rod is no wider for them', () => {
    const [piston, band, seal] = ['piston', 'wear-band', 'piston-seal'].map((k) => of(rod, k));
    expect(band!.x).toBeGreaterThan(piston!.x);
    expect(seal!.x).toBeGreaterThan(band!.x + band!.length);
    expect(seal!.x + seal!.length).toBeLessThan(piston!.x + piston!.length);
    expect(of(rod, 'rod').sized.outside).toBe(9);
  });
  test('the rod leaves the cylinder through its gland', () => {
    const [shaft, gland] = [of(rod, 'rod'), of(rod, 'gland')];
    expect(shaft.x + shaft.length).toBeGreaterThan(gland.x + gland.length);
    expect(of(rod, 'piston').x).toBeLessThan(gland.x);
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

describe('what a move is about', () => {
  const op = (kind: string, find: (o: Op) => boolean = () => true): Op =>
    hub.steps.flatMap((s) => s.ops).find((o) => o.kind === kind && find(o))!;
  test('parts that come off, go on, or are only shown', () => {
    const off = op('off') as Extract<Op, { kind: 'off' }>;
    expect(aboutOp(hub, off)).toEqual({ parts: new Set(off.parts.map((p) => p.part)), goes: 'off' });
    expect(aboutOp(hub, op('place'))?.goes).toBe('on');
    const tighten = op('tighten') as Extract<Op, { kind: 'tighten' }>;
    expect(aboutOp(hub, tighten)).toEqual({ parts: new Set([hub.joints[tighten.joint]!.fastener]) });
    expect(aboutOp(hub, op('caution'))).toBeUndefined();
  });
  test('a setting shows its pack, and where an indicator stands', () => {
    expect(aboutOp(hub, op('set'))?.parts).toEqual(new Set(['shim-pack']));
  });
});

describe('the ring of a lid', () => {
  test('lies in the joint when the lid is on, and on the face of the unit when it is off', () => {
    const axis = axesOf(hub)[0]!;
    const draw = (off: string[]): UnitDrawing =>
      unitDrawing(hub, { axis, view: 'section', width: 630, height: 260, off: new Set(off) });
    const x = (d: UnitDrawing, part: string): number => d.parts.find((p) => p.part === part)!.box.x;
    const shut = draw([]);
    const ring = shut.parts.find((p) => p.part === 'cap-ring')!.box;
    expect(Math.abs(ring.x + ring.width / 2 - x(shut, 'cap'))).toBeLessThan(1);
    const open = draw(['cap', 'cap-bolt']);
    const { box } = open.parts.find((p) => p.part === 'hub')!;
    expect(Math.abs(x(open, 'cap-ring') - box.x - box.width)).toBeLessThan(6);
  });
});

describe('wheels and axles', () => {
  test('an axle goes through all that is on its two ends', () => {
    const barrow = librarySheet('hub-loose-ball');
    const all = standing(barrow);
    const axle = of(all, 'axle');
    const others = all.filter((s) => s !== axle);
    const [from, to] = [Math.min(...others.map((s) => s.x)), Math.max(...others.map((s) => s.x + s.length))];
    expect(axle.x + axle.length / 2).toBeCloseTo((from + to) / 2, 6);
    expect(axle.x).toBeLessThan(from);
  });

  test('a wheel much wider than the rest is cut off, and its web meets the disc', () => {
    const clip = librarySheet('axle-clip');
    const axis = axesOf(clip)[0]!;
    const [wheel, disc] = ['wheel@left', 'disc@left'].map((k) => of(standing(clip, axis), k)) as [Standing, Standing];
    expect(sizesOf(clip, axis).get('disc@left')!.outside).toBe(130);
    const pinion = librarySheet('axle-pinion');
    const end = axesOf(pinion).find((a) => a.id === 'wheel-end@left')!;
    const sizes = sizesOf(pinion, end);
    const tyre = [...sizes.values()].find((s) => s.cut)!;
    expect(tyre.part).toBe('wheel');
    const widest = Math.max(...[...sizes.values()].filter((s) => s.kind !== 'wheel').map((s) => s.outside));
    expect(tyre.outside).toBeCloseTo(widest * 1.35, 6);
    // The web begins at its share of the wheel's length.
    expect(wheel.x + wheel.length * 0.55).toBeCloseTo(disc.x + disc.length, 6);
  });

  test('a wheel by itself is drawn whole', () => {
    const cab = librarySheet('cab-strut');
    const axis = axesOf(cab).find((a) => a.id === 'wheel')!;
    expect([...sizesOf(cab, axis).values()].some((s) => s.cut)).toBe(false);
  });

  test('the heads of the bolts of a lid stand on its flange, and not on its bottom', () => {
    const twin = librarySheet('compressor-twin');
    const all = standing(twin);
    const [bolt, lid] = [of(all, 'head-bolt'), of(all, 'head')];
    const face = bolt.x + bolt.sized.length;
    expect(face).toBeGreaterThan(lid.x);
    expect(face).toBeLessThan(lid.x + lid.length * 0.4);
  });

  test('a clamp lies round the wide end of its boot', () => {
    const knuckle = librarySheet('knuckle-boot');
    const all = standing(knuckle);
    const [boot, big, small] = ['boot', 'clamp-big', 'clamp-small'].map((k) => of(all, k)) as [
      Standing,
      Standing,
      Standing,
    ];
    const wide = boot.points === 'right' ? boot.x + boot.length : boot.x;
    expect(Math.min(Math.abs(big.x - wide), Math.abs(big.x + big.length - wide))).toBeLessThan(0.01);
    expect(Math.abs(small.x - wide)).toBeGreaterThan(boot.length / 2);
  });
});

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
  test('what is only put in its place has none', () => {
    expect(draw('hub-dolly', 'seal', ['seal', 'cone-inner', 'spindle'], false).support).toBeUndefined();
  });
});

describe('directions in which a part is measured', () => {
  test('are read from places that are degrees', () => {
    expect(directionsOf(['0°', '60°', '120°'])).toEqual([
      { where: '0°', degrees: 0 },
      { where: '60°', degrees: 60 },
      { where: '120°', degrees: 120 },
    ]);
  });
  test.each([[['along', 'across']], [['0°', 'worst']], [['90°']], [[]], [['1', '2']]])(
    'are none of %j: its places are of another kind, or it is one',
    (at) => expect(directionsOf(at)).toEqual([]),
  );
});

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
