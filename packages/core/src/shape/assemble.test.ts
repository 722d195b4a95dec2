import { describe, expect, test } from '@jest/globals';
import { librarySheet } from '../bench/bench.fixtures.ts';
import { axesOf, sizesOf, unitDrawing, type Piece, type Standing, type UnitDrawing } from './index.ts';
import { hub, spindle, standing, of, ends } from './shape.fixtures.ts';

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
