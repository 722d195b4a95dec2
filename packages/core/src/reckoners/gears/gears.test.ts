import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { backlashShim } from './backlash-shim.ts';
import { contactPattern } from './contact-pattern.ts';
import { gearRatio } from './gear-ratio.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });

describe('gear-ratio', () => {
  const teeth = fc.integer({ min: 5, max: 120 });
  test('turned through, the same teeth meet first after the turns that it says', () => {
    fc.assert(
      fc.property(teeth, teeth, (driver, driven) => {
        let turns = 1;
        while ((turns * driver) % driven !== 0) turns += 1;
        const { matingRepeat, hunting, ratio } = gearRatio.reckon({ driver, driven }).results;
        expect(matingRepeat.value).toBe(turns);
        expect(hunting).toBe(turns === driven ? 'yes' : 'no');
        expect(ratio.value * driver).toBeCloseTo(driven, 9);
      }),
    );
  });
  test('a train is the product of its pairs, and hunts only when each pair does', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(teeth, teeth), { minLength: 1, maxLength: 5 }), (train) => {
        const whole = gearRatio.reckon({ train }).results;
        const pairs = train.map(([driver, driven]) => gearRatio.reckon({ driver, driven }).results);
        expect(whole.ratio.value).toBeCloseTo(
          pairs.reduce((p, r) => p * r.ratio.value, 1),
          9,
        );
        expect(whole.hunting).toBe(pairs.every((r) => r.hunting === 'yes') ? 'yes' : 'no');
      }),
    );
  });
  test.each([
    [{ driver: 9 }, 'driven'],
    [{}, 'driver'],
    [{ driver: 9, driven: 37, train: [[9, 37]] }, 'train'],
    [{ driver: 9.5, driven: 37 }, 'driver'],
    [{ train: [[9, 37, 4]] }, 'train[0]'],
  ])('%j is refused at %s', (inputs, field) =>
    expect(() => gearRatio.reckon(inputs)).toThrow(expect.objectContaining({ field })),
  );
  test('a pair that does not hunt says so', () =>
    expect(gearRatio.reckon({ driver: 10, driven: 40 }).warnings.join(' ')).toMatch(/marks back/));
});

describe('backlash-shim', () => {
  const base = { target: '0.16 mm', gearTeeth: 39, pinionTeeth: 11 };
  test('after the move the backlash is the target, and the shims keep their sum', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.6, noNaN: true }),
        fc.double({ min: 0.05, max: 0.4, noNaN: true }),
        fc.integer({ min: 20, max: 50 }),
        fc.double({ min: 14, max: 25, noNaN: true }),
        (lash, target, gearTeeth, alpha) => {
          const { results } = backlashShim.reckon({
            measured: [mm(lash)],
            target: mm(target),
            gearTeeth,
            pinionTeeth: 11,
            pressureAngle: { value: alpha, unit: 'deg' },
          });
          expect(lash - results.axialMove.value * results.perMove.value).toBeCloseTo(target, 9);
          expect(results.leftShimChange.value + results.rightShimChange.value).toBeCloseTo(0, 12);
        },
      ),
    );
  });
  test('run-out is not cured by shims', () => {
    const { results, warnings } = backlashShim.reckon({
      ...base,
      measured: ['0.12 mm', '0.22 mm', '0.16 mm', '0.14 mm'],
    });
    expect(results.verdict).toBe('run-out');
    expect(warnings.join(' ')).toMatch(/dirt, burrs or a bent flange/);
  });
  test('within, and undecided where the gauge is too coarse to say', () => {
    const at = (lash: number, gaugeUncertainty?: string): string =>
      backlashShim.reckon({
        ...base,
        measured: [mm(lash), mm(lash)],
        ...(gaugeUncertainty ? { gaugeUncertainty } : {}),
      }).results.verdict;
    expect([at(0.17), at(0.25), at(0.185, '0.02 mm')]).toEqual(['within', 'move-shims', 'undecided']);
  });
  test('more readings make the mean surer', () => {
    const u = (count: number): number =>
      backlashShim.reckon({
        ...base,
        measured: Array.from({ length: count }, () => mm(0.2)),
        gaugeUncertainty: '0.01 mm',
      }).results.uncertainty!.value;
    expect(u(4)).toBeCloseTo(u(1) / 2, 9);
  });
});

describe('contact-pattern', () => {
  test('the opposite marking asks for the opposite move', () => {
    const opposite = {
      'pinion-in': 'pinion-out',
      'pinion-out': 'pinion-in',
      'gear-in': 'gear-out',
      'gear-out': 'gear-in',
      none: 'none',
      'check-pair': 'check-pair',
    } as const;
    const turn = { toe: 'heel', heel: 'toe', centre: 'centre', top: 'root', root: 'top' } as const;
    for (const lengthwise of ['toe', 'centre', 'heel'] as const)
      for (const profile of ['top', 'centre', 'root'] as const) {
        const { move } = contactPattern.reckon({ drive: { lengthwise, profile } }).results;
        const { move: other } = contactPattern.reckon({
          drive: { lengthwise: turn[lengthwise], profile: turn[profile] },
        }).results;
        expect(other).toBe(opposite[move]);
      }
  });
  test('opposite ends on the two flanks are depth, the same end is backlash', () => {
    const at = (coast: string): string =>
      contactPattern.reckon({
        drive: { lengthwise: 'heel', profile: 'centre' },
        coast: { lengthwise: coast, profile: 'centre' },
      }).results.move;
    expect([at('toe'), at('heel')]).toEqual(['pinion-in', 'gear-in']);
  });
  test('moving the pinion always asks for the backlash again', () => {
    const { thenCheck } = contactPattern.reckon({ drive: { lengthwise: 'centre', profile: 'top' } }).results;
    expect(thenCheck).toMatch(/backlash/);
  });
  test('top on one flank and root on the other is no setting', () => {
    expect(
      contactPattern
        .reckon({ drive: { lengthwise: 'centre', profile: 'top' }, coast: { lengthwise: 'centre', profile: 'root' } })
        .warnings.join(' '),
    ).toMatch(/wrong pair/);
  });
});
