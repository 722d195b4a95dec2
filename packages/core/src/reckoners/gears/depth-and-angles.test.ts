import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { contactPattern, pinionDepth, shaftAngles } from '../index.ts';
import { gearRatio } from './gear-ratio.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
const deg = (value: number): { value: number; unit: string } => ({ value, unit: 'deg' });

describe('pinion-depth', () => {
  test('with the shim that it says the pinion stands where it is wanted, whichever way a thicker one moves it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.3, max: 0.3, noNaN: true }),
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        fc.constantFrom('in', 'out'),
        (etched, off, thickerMoves) => {
          const now = 2;
          const checking = 76 + etched + off;
          const { shimNeeded, wantedDistance } = pinionDepth.reckon({
            nominal: '76 mm',
            etched: mm(etched),
            checking: mm(checking),
            shimNow: mm(now),
            thickerMoves,
          }).results;
          const moved = (shimNeeded.value - now) * (thickerMoves === 'in' ? -1 : 1);
          expect(checking + moved).toBeCloseTo(wantedDistance.value, 9);
        },
      ),
    );
  });
  test('a shim that could not be is refused, with what to look at', () =>
    expect(() =>
      pinionDepth.reckon({ nominal: '76 mm', checking: '75 mm', shimNow: '0.5 mm', thickerMoves: 'in' }),
    ).toThrow(/which way a thicker one moves/));
});

describe('shaft-angles', () => {
  test('equal angles cancel when they are phased, and add up when they are not', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 20, noNaN: true }), (angle) => {
        const at = (phased: boolean): number =>
          shaftAngles.reckon({ angles: [deg(angle), deg(angle)], phased }).results.residualAngle.value;
        expect(at(true)).toBeCloseTo(0, 9);
        expect(at(false)).toBeCloseTo(angle * Math.SQRT2, 9);
      }),
    );
  });
  test('three joints: the middle one takes off what the outer two make, by hand', () =>
    expect(shaftAngles.reckon({ angles: ['3 deg', '5 deg', '4 deg'] }).results.residualAngle.value).toBeCloseTo(0, 9));
  test.each([
    [{ angles: ['6 deg'] }, 'angles'],
    [{ angles: ['6 deg', '5 deg'], planes: 'two' }, 'angles[0]'],
    [{ angles: ['6 deg', { vertical: '5 deg' }] }, 'angles[1].horizontal'],
    [{ angles: ['6 mm', '5 deg'] }, 'angles[0]'],
  ])('%j is refused at %s', (inputs, field) =>
    expect(() => shaftAngles.reckon(inputs)).toThrow(expect.objectContaining({ field })),
  );
});

describe('contact-pattern', () => {
  const places = ['toe', 'centre', 'heel'] as const;
  const heights = ['top', 'centre', 'root'] as const;
  const flanks = places.flatMap((lengthwise) => heights.map((profile) => ({ lengthwise, profile })));
  test('never an order while a flank asks for its opposite, and always one when both ask alike', () => {
    for (const drive of flanks)
      for (const coast of flanks) {
        const { move } = contactPattern.reckon({ drive, coast }).results;
        const depths = [drive.profile, coast.profile].filter((p) => p !== 'centre');
        if (new Set(depths).size === 2) expect(move).toBe('check-pair');
        if (new Set(depths).size === 1 && move !== 'check-pair')
          expect(move).toBe(depths[0] === 'top' ? 'pinion-in' : 'pinion-out');
      }
  });
  test('turned about, every order turns about', () => {
    const about = { top: 'root', root: 'top', toe: 'heel', heel: 'toe', centre: 'centre' } as const;
    const other = {
      'pinion-in': 'pinion-out',
      'pinion-out': 'pinion-in',
      'gear-in': 'gear-out',
      'gear-out': 'gear-in',
      none: 'none',
      'check-pair': 'check-pair',
    } as const;
    for (const drive of flanks)
      for (const coast of flanks) {
        const turn = (f: (typeof flanks)[number]): object => ({
          lengthwise: about[f.lengthwise],
          profile: about[f.profile],
        });
        const { move } = contactPattern.reckon({ drive, coast }).results;
        expect(contactPattern.reckon({ drive: turn(drive), coast: turn(coast) }).results.move).toBe(other[move]);
      }
  });
});

describe('gear-ratio of a train', () => {
  test('turned by hand, every shaft is back after the turns that it says, and not sooner', () => {
    const teeth = fc.integer({ min: 5, max: 24 });
    fc.assert(
      fc.property(fc.array(fc.tuple(teeth, teeth), { minLength: 1, maxLength: 3 }), (train) => {
        const { matingRepeat } = gearRatio.reckon({ train }).results;
        const back = (turns: number): boolean => {
          let [over, under] = [turns, 1];
          return train.every(([driver, driven]) => {
            [over, under] = [over * driver, under * driven];
            return over % under === 0;
          });
        };
        let turns = 1;
        while (!back(turns) && turns < 20_000) turns += 1;
        if (turns < 20_000) expect(matingRepeat.value).toBe(turns);
        else expect(matingRepeat.value).toBeGreaterThanOrEqual(20_000);
      }),
      { numRuns: 60 },
    );
  });
});
