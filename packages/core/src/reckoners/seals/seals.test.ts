import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ReckonError } from '../shape/index.ts';
import { faceSealSet } from './face-seal-set.ts';
import { MOST_FILL, ringInGland, squeezeWindow, STRETCH, type Gland } from './gland.ts';
import { allowedDepths, lipSeal } from './lip-seal.ts';
import { oringFind } from './oring-find.ts';
import { oringGland } from './oring-gland.ts';
import { lineLoadNPerMm, pistonReturn, rubberModulusMPa } from './piston-return.ts';
import { sealCode } from './seal-code.ts';
import { sealMaterial } from './seal-material.ts';
import { as568, commonMetric, iso3601 } from './tables/o-rings.ts';
import { widestGapMm } from './tables/extrusion.ts';

describe('AS568 table against the rules of its series', () => {
  const inch = as568.map((r) => ({ n: Number(r.code.slice(1)), id: r.insideMm / 25.4, w: r.sectionMm / 25.4 }));
  test('each number once, in order, and the count of the full list', () => {
    const numbers = inch.map((r) => r.n);
    expect(numbers).toEqual([...numbers].sort((a, b) => a - b));
    expect(new Set(numbers).size).toBe(numbers.length);
    // 3 + 47 + 77 + 84 + 87 + 51 + 20: series as the standard numbers them.
    expect(numbers).toHaveLength(369);
    for (const [from, to] of [
      [1, 50],
      [102, 178],
      [201, 284],
      [309, 395],
      [425, 475],
    ] as const)
      for (let n = from; n <= to; n += 1) expect(numbers).toContain(n);
  });
  test.each<[number, number, number]>([
    [4, 50, 0.07],
    [102, 178, 0.103],
    [201, 284, 0.139],
    [309, 395, 0.21],
    [425, 475, 0.275],
  ])(
    '-%s to -%s have one section, and grow by sixteenths, eighths, quarters, halves, then whole inches',
    (from, to, section) => {
      const rows = inch.filter((r) => r.n >= from && r.n <= to);
      rows.forEach((r, i) => {
        expect(r.w).toBeCloseTo(section, 9);
        if (i === 0) return;
        const step = r.id - rows[i - 1]!.id;
        const usual = [1 / 32, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 1];
        // Inside diameters are rounded to a thousandth; 15 and 22 inch are where the list trims an allowance.
        const near = Math.min(...usual.map((u) => Math.abs(step - u)));
        expect({
          code: r.n,
          near:
            near < 0.0021 ||
            Math.abs(step - 0.971) < 0.012 ||
            Math.abs(step - 0.48) < 0.001 ||
            Math.abs(step - 0.985) < 0.001 ||
            r.n < 8 ||
            r.n === 11,
        }).toEqual({ code: r.n, near: true });
      });
    },
  );
  // Rows named in the catalogue.
  test.each<[string, number, number]>([
    ['-010', 0.239, 0.07],
    ['-110', 0.362, 0.103],
    ['-214', 0.984, 0.139],
    ['-325', 1.475, 0.21],
    ['-425', 4.475, 0.275],
  ])('%s is %s × %s in', (code, id, w) => {
    const r = as568.find((x) => x.code === code)!;
    expect([r.insideMm, r.sectionMm]).toEqual([expect.closeTo(id * 25.4, 9), expect.closeTo(w * 25.4, 9)]);
  });
  test('sections that overlap keep the same nominal sizes: -110 and -012, -210 and -116 nearly share an inside', () => {
    const id = (n: number): number => inch.find((r) => r.n === n)!.id;
    expect(Math.abs(id(110) - id(12))).toBeLessThan(0.003);
    expect(Math.abs(id(210) - id(116))).toBeLessThan(0.004);
    expect(Math.abs(id(325) - id(222))).toBeLessThan(0.01);
    expect(Math.abs(id(425) - id(349))).toBeLessThan(0.001);
  });
});

describe('oring-gland', () => {
  const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
  test('the rubber’s volume does not change when it is stretched', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 7, noNaN: true }),
        fc.double({ min: 0.001, max: 0.3, noNaN: true }),
        (id, w, stretch) => {
          const gland: Gland = {
            kind: 'piston',
            grooveMm: id * (1 + stretch),
            matingMm: id * (1 + stretch) + 2 * w * 0.8,
            widthMm: 1.4 * w,
            faceDepthMm: undefined,
          };
          const r = ringInGland(gland, id, w);
          expect(r.sectionInstalledMm ** 2 * (gland.grooveMm + r.sectionInstalledMm)).toBeCloseTo(w * w * (id + w), 3);
          expect(r.sectionInstalledMm).toBeLessThan(w);
        },
      ),
    );
  });
  test('a shallower groove squeezes and fills more', () => {
    const at = (bore: number): { squeeze: number; fill: number } => {
      const { results } = oringGland.reckon({
        insideDiameter: mm(29.2),
        section: mm(3),
        kind: 'piston',
        motion: 'static',
        grooveDiameter: mm(30),
        matingDiameter: mm(bore),
        grooveWidth: mm(4),
      });
      return { squeeze: results.squeeze.value, fill: results.fill.value };
    };
    expect(at(34.5).squeeze).toBeGreaterThan(at(35).squeeze);
    expect(at(34.5).fill).toBeGreaterThan(at(35).fill);
  });
  test('tolerances spread squeeze and fill to both sides', () => {
    const { results } = oringGland.reckon({
      insideDiameter: '29.2 mm',
      section: '3 mm',
      insideTolerance: '0.3 mm',
      sectionTolerance: '0.09 mm',
      kind: 'piston',
      motion: 'static',
      grooveDiameter: '30 mm',
      matingDiameter: '35 mm',
      grooveWidth: '4 mm',
    });
    expect(results.squeezeMin.value).toBeLessThan(results.squeeze.value);
    expect(results.squeezeMax.value).toBeGreaterThan(results.squeeze.value);
    expect(results.fillMax.value).toBeGreaterThan(results.fill.value);
  });
  test('a groove wider than its bore, a face groove without depth: refused at the field', () => {
    const base = {
      insideDiameter: '29.2 mm',
      section: '3 mm',
      motion: 'static',
      grooveDiameter: '30 mm',
      grooveWidth: '4 mm',
    };
    expect(() => oringGland.reckon({ ...base, kind: 'piston', matingDiameter: '29 mm' })).toThrow(
      expect.objectContaining({ field: 'grooveDiameter' }),
    );
    expect(() => oringGland.reckon({ ...base, kind: 'face' })).toThrow(
      expect.objectContaining({ field: 'grooveDepth' }),
    );
  });
  test('gap: holds at low pressure, wants a backup ring at high', () => {
    const base = {
      insideDiameter: '29.2 mm',
      section: '3 mm',
      kind: 'piston',
      motion: 'static',
      grooveDiameter: '30 mm',
      matingDiameter: '35 mm',
      grooveWidth: '4 mm',
      gap: '0.15 mm',
    };
    expect(oringGland.reckon({ ...base, pressure: '20 bar' }).results.extrusion).toBe('holds');
    expect(oringGland.reckon({ ...base, pressure: '200 bar' }).results.extrusion).toBe('needs-backup-ring');
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (p, more) => expect(widestGapMm(70, p + more)).toBeLessThanOrEqual(widestGapMm(70, p) + 1e-12),
      ),
    );
  });
});

describe('oring-find', () => {
  test('against brute force over every list: the same rings fit, none is forgotten', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 120, noNaN: true }),
        fc.double({ min: 1.2, max: 6, noNaN: true }),
        fc.constantFrom('static' as const, 'dynamic' as const),
        fc.constantFrom('as568' as const, 'iso3601' as const, 'metric' as const),
        (groove, depth, motion, sizes) => {
          const lists = { as568, iso3601, metric: commonMetric };
          const window = squeezeWindow(motion, 'hydraulic');
          const brute = lists[sizes].filter((r) => {
            const stretch = groove / r.insideMm - 1;
            let w = r.sectionMm;
            if (stretch > 0) {
              // Newton, where the reckoner iterates a fixed point.
              for (let i = 0; i < 60; i += 1)
                w -=
                  (w * w * (groove + w) - r.sectionMm ** 2 * (r.insideMm + r.sectionMm)) / (2 * w * groove + 3 * w * w);
            }
            const squeeze = 100 * (1 - depth / w);
            const fill = (25 * Math.PI * w * w) / (1.5 * depth * depth);
            const hair = 1e-9;
            return (
              stretch * 100 >= STRETCH.low - hair &&
              stretch * 100 <= STRETCH.high + hair &&
              squeeze >= window.low - hair &&
              squeeze <= window.high + hair &&
              fill <= MOST_FILL + hair
            );
          });
          const { matches } = oringFind.reckon({
            kind: 'piston',
            motion,
            grooveDiameter: { value: groove, unit: 'mm' },
            matingDiameter: { value: groove + 2 * depth, unit: 'mm' },
            grooveWidth: { value: 1.5 * depth, unit: 'mm' },
            sizes,
          }).results;
          expect(matches.length).toBe(Math.min(12, brute.length));
          for (const m of matches) expect(brute.map((r) => r.code)).toContain(m['code']);
        },
      ),
      { numRuns: 200 },
    );
  });
  const gland = {
    kind: 'piston',
    motion: 'static',
    grooveDiameter: '25.4 mm',
    matingDiameter: '31.2 mm',
    grooveWidth: '4.8 mm',
  };
  test('an own list, and a ring whose sizes contradict each other', () => {
    const own = (outside: string): unknown =>
      oringFind.reckon({
        ...gland,
        sizes: [{ code: 'drawer 3', insideDiameter: '25 mm', section: '3.5 mm', outsideDiameter: outside }],
      }).results.matches[0]?.['code'];
    expect(own('32 mm')).toBe('drawer 3');
    expect(() => own('31 mm')).toThrow(
      expect.objectContaining({ code: 'inconsistent', field: 'sizes[0].outsideDiameter' }),
    );
  });
  test('near misses say why', () => {
    const { matches, nearMisses } = oringFind.reckon({
      ...gland,
      motion: 'dynamic',
      sizes: [{ code: 'x', insideDiameter: '25 mm', section: '3.7 mm' }],
    }).results;
    expect(matches).toEqual([]);
    expect(nearMisses[0]!['reason']).toMatch(/squeezed .* at most 20/);
  });
});

describe('piston-return', () => {
  test('Gent’s modulus at a few hardnesses (from memory: 50 about 2.5, 70 about 5.5 MPa)', () => {
    expect(rubberModulusMPa(50)).toBeCloseTo(2.46, 1);
    expect(rubberModulusMPa(70)).toBeCloseTo(5.54, 1);
  });
  test('harder, thicker, more squeezed, more rings: more friction; the spring decides', () => {
    const base = { squeeze: '15 %', section: '3 mm', insideDiameter: '30 mm', springForce: '50 N' };
    const friction = (more: object): number => pistonReturn.reckon({ ...base, ...more }).results.ringFriction.value;
    expect(friction({ hardness: 90 })).toBeGreaterThan(friction({}));
    expect(friction({ squeeze: '20 %' })).toBeGreaterThan(friction({}));
    expect(friction({ rings: 2 })).toBeCloseTo(2 * friction({}), 9);
    expect(pistonReturn.reckon({ ...base, springForce: '20 N' }).results.verdict).toBe('sticks');
    expect(pistonReturn.reckon(base).results.verdict).toBe('doubtful');
    expect(pistonReturn.reckon({ ...base, springForce: '80 N', pressureResidual: '2 bar' }).results.verdict).toBe(
      'sticks',
    );
  });
  test('no squeeze, no load', () => expect(lineLoadNPerMm(3, 5, 0)).toBe(0));
});

describe('lip-seal', () => {
  test('every allowed depth is in the bore and clear of the groove, and no clear depth is left out', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 15, noNaN: true }),
        fc.double({ min: -5, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (room, lip, groove, share) => {
          const runs = allowedDepths(room, lip, groove);
          const depth = share * room;
          const clear = Math.abs(depth + lip - groove) >= 1 + 1e-9;
          const inRun = runs.some(([a, b]) => depth >= a - 1e-9 && depth <= b + 1e-9);
          if (clear) expect(inRun).toBe(true);
          for (const [a, b] of runs) {
            expect(a).toBeGreaterThanOrEqual(0);
            expect(b).toBeLessThanOrEqual(room + 1e-9);
            expect(Math.abs((a + b) / 2 + lip - groove)).toBeGreaterThanOrEqual(1 - 1e-9);
          }
        },
      ),
    );
  });
  test('no room clear of the groove: a sleeve', () => {
    const { results } = lipSeal.reckon({
      shaftDiameter: '40 mm',
      speed: '1000 rpm',
      material: 'NBR',
      grooveAt: '5 mm',
      boreDepth: '10.5 mm',
      sealWidth: '10 mm',
      lipOffset: '5 mm',
    });
    expect(results.verdict).toBe('sleeve');
  });
  test('pressure and run-out are warned of', () => {
    const { warnings } = lipSeal.reckon({
      shaftDiameter: '40 mm',
      speed: '3000 rpm',
      material: 'FKM',
      pressure: '2 bar',
      runout: '0.5 mm',
    });
    expect(warnings).toHaveLength(2);
  });
});

describe('seal-code, seal-material, face-seal-set', () => {
  test('inches are read as inches, with either order of the first two', () => {
    const a = sealCode.reckon({ text: '1.375 x 2.000 x 0.312 in' }).results;
    expect(a.inside!.value).toBeCloseTo(34.925, 6);
    expect(sealCode.reckon({ text: '52-35-7' }).results.inside!.value).toBe(35);
  });
  test('a worn shaft seal finds its standard size', () => {
    const { candidates } = sealCode.reckon({ inside: '34.6 mm', outside: '52.1 mm', width: '8 mm' }).results;
    expect(candidates[0]).toMatchObject({ code: '35 × 52 × 8' });
  });
  test('a bad dash number, words, one size only', () => {
    for (const inputs of [{ text: '-500' }, { text: 'abc' }, { outside: '3 mm' }])
      expect(() => sealCode.reckon(inputs)).toThrow(ReckonError);
  });
  test('suited and unsuited are a whole, and every reason is said', () => {
    const { suited, unsuited } = sealMaterial.reckon({
      fluid: 'petrol',
      temperatureMin: '-40 °C',
      temperatureMax: '120 °C',
      motion: 'static',
    }).results;
    expect(suited.length + unsuited.length).toBe(9);
    for (const u of unsuited) expect(u.reason).not.toBe('');
    expect(unsuited.find((u) => u.material === 'FKM')!.reason).toContain('stiff below -20');
  });
  test('a shaft between two rows is refused', () => {
    const chart = [
      { shaft: '25 mm', compression: '4 mm' },
      { shaft: '30 mm', compression: '4.5 mm' },
    ];
    expect(() => faceSealSet.reckon({ chart, shaftDiameter: '28 mm', neutralPosition: '40 mm' })).toThrow(
      expect.objectContaining({ code: 'not-in-chart', field: 'shaftDiameter' }),
    );
    expect(
      faceSealSet.reckon({ chart, shaftDiameter: '25 mm', neutralPosition: '40 mm', position: '45 mm' }).results
        .verdict,
    ).toBe('outside');
  });
});
