import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  boltStretch,
  knownThreads,
  loosened,
  tapDrill,
  thread,
  threadFind,
  torqueSanity,
  wrenchSetting,
} from '../index.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
const nm = (value: number): { value: number; unit: string } => ({ value, unit: 'N·m' });

describe('thread-find', () => {
  test('every thread of the tables is found from where its crests really stand, with its pitch', () => {
    for (const known of knownThreads)
      for (const under of [0.02, 0.08, 0.14]) {
        const outside = mm(known.nominalMm - under * known.pitchMm);
        const { best } = threadFind.reckon({ outside, pitch: mm(Number(known.pitchMm.toFixed(3))) }).results;
        expect({ outside: outside.value, best }).toEqual({ outside: outside.value, best: known.designation });
      }
  });
  test('a nut by its bore: 10.3 mm and 1.75 mm are an M12', () =>
    expect(threadFind.reckon({ outside: '10.3 mm', inside: true, pitch: '1.75 mm' }).results.best).toBe('M12'));
  test.each([
    [{ outside: '8 mm', pitch: '1.25 mm', perInch: 20 }, 'perInch'],
    [{ outside: '8 mm', pitch: '19 mm' }, 'pitch'],
    [{ outside: '-8 mm' }, 'outside'],
    [{ outside: '8 mm', inside: 'perhaps' }, 'inside'],
    [{}, 'outside'],
  ])('%j is refused at %s', (inputs, field) =>
    expect(() => threadFind.reckon(inputs)).toThrow(expect.objectContaining({ field })),
  );
});

describe('loosened', () => {
  test('it was always tightened to more than it moves off at, and the span holds the middle', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('M6', 'M8', 'M10', 'M12x1.25', '3/8-16 UNC'),
        fc.array(fc.double({ min: 1, max: 200, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (name, readings) => {
          const { tightenedTo, low, high } = loosened.reckon({ thread: name, readings: readings.map(nm) }).results;
          const mean = readings.reduce((a, b) => a + b, 0) / readings.length;
          expect(tightenedTo.value).toBeGreaterThan(mean);
          expect(low.value).toBeLessThanOrEqual(tightenedTo.value);
          expect(high.value).toBeGreaterThanOrEqual(tightenedTo.value);
        },
      ),
    );
  });
  test('rougher, and less of it was the slope of the thread', () => {
    const at = (mu: number): number =>
      loosened.reckon({ thread: 'M8', readings: ['20 N·m'], frictionThread: mu, frictionHead: mu }).results.tightenedTo
        .value;
    expect(at(0.16)).toBeLessThan(at(0.12));
    expect(at(0.12)).toBeLessThan(at(0.1));
  });
  test('friction at which the screw would turn off by itself is refused', () =>
    expect(() =>
      loosened.reckon({ thread: 'M8', readings: ['20 N·m'], frictionThread: 0.01, frictionHead: 0.01 }),
    ).toThrow(expect.objectContaining({ field: 'frictionThread' })));
});

describe('bolt-stretch', () => {
  test('twice the force, twice the stretch; a thinner shank gives more', () => {
    const at = (force: string, shankDiameter?: string): number =>
      boltStretch.reckon({
        thread: 'M10',
        shank: '50 mm',
        threaded: '20 mm',
        force,
        ...(shankDiameter ? { shankDiameter } : {}),
      }).results.stretch.value;
    expect(at('20 kN')).toBeCloseTo(2 * at('10 kN'), 12);
    expect(at('20 kN', '7 mm')).toBeGreaterThan(at('20 kN'));
  });
  test('one length without the other, and a bolt that has shrunk, are refused', () => {
    const base = { thread: 'M10', shank: '50 mm', threaded: '20 mm', force: '20 kN' };
    expect(() => boltStretch.reckon({ ...base, newLength: '100 mm' })).toThrow(
      expect.objectContaining({ field: 'usedLength' }),
    );
    expect(() => boltStretch.reckon({ ...base, newLength: '100 mm', usedLength: '99 mm' })).toThrow(
      expect.objectContaining({ code: 'inconsistent' }),
    );
  });
});

describe('tap-drill', () => {
  // ISO 2306, drills for metric coarse and fine threads, from memory.
  test.each([
    ['M3', 2.5],
    ['M4', 3.3],
    ['M5', 4.2],
    ['M6', 5],
    ['M8', 6.8],
    ['M10', 8.5],
    ['M12', 10.2],
    ['M14', 12],
    ['M16', 14],
    ['M18', 15.5],
    ['M20', 17.5],
    ['M24', 21],
    ['M30', 26.5],
    ['M8x1', 7],
    ['M10x1.25', 8.8],
    ['M12x1.5', 10.5],
  ])('%s is drilled %d mm', (name, drill) =>
    expect(tapDrill.reckon({ thread: name }).results.nearestDrill.value).toBeCloseTo(drill, 9),
  );
  // Drill tables of handbooks, from memory.
  test.each([
    ['1/4-20 UNC', '#7'],
    ['5/16-18 UNC', 'F'],
    ['3/8-16 UNC', '5/16 in'],
    ['7/16-14 UNC', 'U'],
    ['1/2-13 UNC', '27/64 in'],
    ['1/4-28 UNF', '#3'],
    ['#10-32', '#21'],
  ])('%s is drilled %s', (name, drill) =>
    expect(tapDrill.reckon({ thread: name }).results.nearestDrillName).toBe(drill),
  );
});

describe('thread designations as they are written on boxes and drawings', () => {
  test.each([
    ['M10-6g', 'M10', 'right', '6g'],
    ['M10x1.25-5H6H', 'M10', 'right', '5H6H'],
    ['M8 LH', 'M8', 'left', undefined],
    ['M20x1.5-LH', 'M20', 'left', undefined],
    ['1-1/8-12 UNF-2A', '1 1/8', 'right', '2A'],
    ['1-14 UNS', '1', 'right', undefined],
  ])('%s', (designation, _, hand, toleranceClass) => {
    const { results } = thread.reckon({ designation });
    expect([results.hand, results.toleranceClass]).toEqual([hand, toleranceClass]);
  });
  test.each(['1-15 UNS', 'M8-9q', '1-14 UNF', 'M10 RH LH'])('%s is no thread', (designation) =>
    expect(() => thread.reckon({ designation })).toThrow(expect.objectContaining({ field: 'designation' })),
  );
});

describe('what a figure is blamed for', () => {
  test('only the unit that was typed: a figure in N·m is never “ft·lbf written as kgf·m”', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 400, noNaN: true }),
        fc.constantFrom('N·m', 'ft·lbf', 'in·lbf'),
        (value, unit) => {
          const { likelyMistake } = torqueSanity.reckon({
            thread: 'M10',
            torque: { value, unit },
            propertyClass: '8.8',
          }).results;
          if (likelyMistake !== undefined) expect(likelyMistake).toContain(`written as ${unit} (`);
        },
      ),
    );
  });
  // Common practice: 12 N·m is about 9 lbf·ft.
  test('12 N·m on a scale of foot-pounds', () =>
    expect(wrenchSetting.reckon({ torque: '12 N·m', scaleUnit: 'ft·lbf', graduation: 0.5 }).results.setting).toEqual({
      value: 9,
      unit: 'ft·lbf',
    }));
  // Common practice: figures of the trade that a sheet must be able to say, each held against its likely fastener.
  test.each([
    ['M8', '24 lbf·ft', '10.9', 'plausible'],
    ['M10', '29 lbf·ft', '8.8', 'plausible'],
    ['M12', '76 lbf·ft', '10.9', 'plausible'],
    ['3/8-16 UNC', '30 lbf·ft', 'SAE 5', 'plausible'],
    ['M8', '76 lbf·ft', '8.8', 'past-yield'],
  ])('%s at %s, class %s: %s', (name, torque, propertyClass, verdict) =>
    expect(torqueSanity.reckon({ thread: name, torque, propertyClass }).results.verdict).toBe(verdict),
  );
});
