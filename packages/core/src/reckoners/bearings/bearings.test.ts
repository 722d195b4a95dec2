import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ReckonError } from '../shape/index.ts';
import { ballComplement } from './ball-complement.ts';
import { bearingCode } from './bearing-code.ts';
import { bearingTones } from './bearing-tones.ts';
import { coneAndLocknut } from './cone-and-locknut.ts';
import { nutBackOff } from './nut-back-off.ts';
import { rollingDrag } from './rolling-drag.ts';
import { boundaryDimensions } from './tables/boundary-dimensions.ts';
import { thermalShift } from './thermal-shift.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
const deg = (value: number): { value: number; unit: string } => ({ value, unit: 'deg' });

describe('boundary dimensions against the plan’s own rules', () => {
  test('within a series outside diameter and width never shrink as the bore grows', () => {
    for (const rows of Object.values(boundaryDimensions)) {
      const list = [...rows.values()];
      list.forEach((r, i) => {
        expect(r.outside).toBeGreaterThan(r.bore + r.width / 2);
        if (i === 0) return;
        expect(r.outside).toBeGreaterThan(list[i - 1]!.outside);
        expect(r.width).toBeGreaterThanOrEqual(list[i - 1]!.width);
      });
    }
  });
  test('diameter series 2 is shared by 62, 302 and 322, series 3 by 63 and 303, series 0 by 60 and 320 (ISO 15, ISO 355)', () => {
    for (const [ball, ...tapers] of [
      ['62', '302', '322'],
      ['63', '303'],
      ['60', '320'],
    ] as const)
      for (const taper of tapers)
        for (const [code, row] of boundaryDimensions[taper]!)
          expect({ taper, code, outside: row.outside }).toEqual({
            taper,
            code,
            outside: boundaryDimensions[ball]!.get(code)!.outside,
          });
  });
  test('at one bore, 60 is smaller than 62, 62 than 63, 63 than 64', () => {
    for (const [code, row] of boundaryDimensions['64']!) {
      const sizes = ['60', '62', '63'].map((s) => boundaryDimensions[s]!.get(code)!.outside);
      expect([...sizes, row.outside]).toEqual([...sizes, row.outside].sort((a, b) => a - b));
    }
  });
  // Rows that stand in many handbooks.
  test.each<[string, number, number, number]>([
    ['6000', 10, 26, 8],
    ['6204', 20, 47, 14],
    ['6308 ZZ', 40, 90, 23],
    ['6407', 35, 100, 25],
    ['32008', 40, 68, 19],
    ['30206', 30, 62, 17.25],
    ['32210', 50, 90, 24.75],
    ['30304', 20, 52, 16.25],
  ])('%s', (designation, bore, outside, width) => {
    const { results } = bearingCode.reckon({ designation });
    expect([results.bore.value, results.outsideDiameter.value, results.width.value]).toEqual([bore, outside, width]);
  });
  test('what stands behind is explained; a number that is none is refused', () => {
    expect(bearingCode.reckon({ designation: '6205-2RS C3' }).results.suffixes).toHaveLength(2);
    for (const designation of ['6299', '7905', 'NU1', '618', 'abc', '62'])
      expect(() => bearingCode.reckon({ designation })).toThrow(ReckonError);
  });
});

describe('nut-back-off', () => {
  test('float and angle are each other’s inverse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        fc.double({ min: 1, max: 720, noNaN: true }),
        (P, angle) => {
          const { float } = nutBackOff.reckon({ threadPitch: mm(P), angle: deg(angle) }).results;
          expect((float!.value * 360) / P).toBeCloseTo(angle, 8);
        },
      ),
    );
  });
  test('the share of starts against a count over 7,200 starts', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 12 }),
        fc.array(fc.integer({ min: 0, max: 71 }), { minLength: 1, maxLength: 4 }),
        fc.double({ min: 0.005, max: 0.2, noNaN: true }),
        (slots, fives, width) => {
          const holes = fives.map((h) => h * 5);
          const { share } = nutBackOff.reckon({
            threadPitch: '1.5 mm',
            slots,
            holes: holes.map(deg),
            targetBand: [mm(0.02), mm(0.02 + width)],
          }).results;
          let good = 0;
          const starts = 7200;
          for (let i = 0; i < starts; i += 1) {
            const zero = (360 / starts) * (i + 0.5);
            let reached = false;
            for (let s = 0; s < slots && !reached; s += 1)
              for (const h of holes) {
                // Angle back from zero at which slot s meets hole h.
                for (const turn of [-720, -360, 0, 360, 720]) {
                  const back = h + (s * 360) / slots + turn + zero;
                  const float = (1.5 * back) / 360;
                  if (float >= 0.02 && float <= 0.02 + width) reached = true;
                }
              }
            if (reached) good += 1;
          }
          expect(Math.abs(share!.value - (good / starts) * 100)).toBeLessThan(1.5);
        },
      ),
      { numRuns: 40 },
    );
  });
  test('from a seat torque it asks for an indicator', () =>
    expect(
      nutBackOff.reckon({ threadPitch: '1.5 mm', angle: '60 deg', from: 'seat-torque' }).warnings.join(' '),
    ).toMatch(/indicator/));
  test('slots without holes are refused', () =>
    expect(() => nutBackOff.reckon({ threadPitch: '1.5 mm', slots: 6 })).toThrow(
      expect.objectContaining({ field: 'holes' }),
    ));
});

describe('cone-and-locknut', () => {
  test('comes to the target in a few tries, whatever the locknut takes (a straight line in two steps)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 1.2, noNaN: true }),
        fc.double({ min: 0.06, max: 0.3, noNaN: true }),
        (gain, start) => {
          const P = 1;
          const play = (cone: number): number => start - (gain * P * cone) / 360;
          const tries = [{ coneTurn: deg(0), playAfterLock: mm(play(0)) }];
          for (let i = 0; i < 2; i += 1) {
            const next = coneAndLocknut.reckon({ tries, threadPitch: mm(P), target: mm(0.02) }).results.nextConeTurn
              .value;
            tries.push({ coneTurn: deg(next), playAfterLock: mm(play(next)) });
          }
          expect(tries.at(-1)!.playAfterLock.value).toBeCloseTo(0.02, 6);
        },
      ),
    );
  });
  test('tries that contradict each other are said, and a wild step is refused', () => {
    const tries = [
      { coneTurn: '0 deg', playAfterLock: '0.1 mm' },
      { coneTurn: '20 deg', playAfterLock: '0.12 mm' },
    ];
    expect(coneAndLocknut.reckon({ tries, threadPitch: '1 mm', target: '0.02 mm' }).warnings.join(' ')).toMatch(
      /contradict/,
    );
    expect(() =>
      coneAndLocknut.reckon({
        tries: [{ coneTurn: '0 deg', playAfterLock: '2 mm' }],
        threadPitch: '1 mm',
        target: '0.02 mm',
      }),
    ).toThrow(expect.objectContaining({ code: 'no-step' }));
  });
});

describe('rolling-drag, thermal-shift, balls and tones', () => {
  test('a second shaft comes off by its ratio; uncertainty reaches the verdict', () => {
    const { results } = rollingDrag.reckon({
      pull: '22 N',
      radius: '62 mm',
      secondary: { pull: '10 N', radius: '100 mm', ratio: 4 },
      pullUncertainty: '1 N',
      band: ['1.0 N·m', '1.1 N·m'],
    });
    expect(results.dragTorque.value).toBeCloseTo(1.364 - 0.25, 9);
    expect(results.uncertainty!.value).toBeCloseTo(0.062, 9);
    expect(results.verdict).toBe('undecided');
  });
  test('back to back turns the sign of the float', () => {
    const at = (arrangement: string): { change: { value: number }; floatChange: { value: number } } =>
      thermalShift.reckon({
        span: '150 mm',
        temperatureRise: '126 °F',
        caseMaterial: 'aluminium',
        shaftMaterial: 'steel',
        arrangement,
      }).results;
    expect(at('face-to-face').floatChange.value).toBeCloseTo(0.1218, 3);
    expect(at('back-to-back').floatChange.value).toBeCloseTo(-0.1218, 3);
    expect(at('back-to-back').change.value).toBeGreaterThan(0);
  });
  test('the balls that fit, laid out one by one, do not overlap, and one more would', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 30, noNaN: true }),
        fc.double({ min: 2.2, max: 20, noNaN: true }),
        (d, ratio) => {
          const Dp = d * ratio;
          const n = ballComplement.reckon({ pitchDiameter: mm(Dp), ballDiameter: mm(d) }).results.mostThatFit.value;
          const chord = (count: number): number => Dp * Math.sin(Math.PI / count);
          if (n > 1) expect(chord(n)).toBeGreaterThanOrEqual(d - 1e-6);
          expect(chord(n + 1)).toBeLessThan(d + 1e-6);
        },
      ),
    );
  });
  test('races together see every ball at shaft speed: outer + inner = n f; outer = n cage', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 20 }),
        fc.double({ min: 0.1, max: 0.4, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (balls, ratio, contact) => {
          const { results } = bearingTones.reckon({
            balls,
            ballDiameter: mm(40 * ratio),
            pitchDiameter: '40 mm',
            contactAngle: deg(contact),
            speed: '1800 rpm',
          });
          expect(results.outerRace.value + results.innerRace.value).toBeCloseTo(balls * 30, 8);
          expect(results.outerRace.value).toBeCloseTo(balls * results.cage.value, 8);
        },
      ),
    );
  });
});
