import { describe, expect, test } from '@jest/globals';
import { parseBand, parseQuantity, type Dimension, type Quantity } from '../../../quantities/index.ts';
import { bearingTones } from '../../../reckoners/index.ts';
import type { StandKind, Test } from '../../../sheet/index.ts';
import { judgeCurve } from './judge-curve.ts';
import { withoutCooling } from './waits.ts';
import { RunError, type CurveKind, type CurveRun, type RunOutcome } from '../run.ts';

/** A test of a sheet: what is accepted, and the figures of its stand as they are written there. */
const testOf = (
  kind: StandKind,
  dimension: Dimension,
  accept: string,
  figures: Readonly<Record<string, readonly [string, Dimension] | number>>,
  bands: Readonly<Record<string, readonly [string, Dimension]>> = {},
): Test => ({
  id: kind,
  title: kind,
  dimension,
  gauge: 'stand',
  accept: parseBand(accept, dimension),
  failedBy: [],
  stand: {
    kind,
    figures: Object.fromEntries(
      Object.entries(figures).map(([name, f]): [string, Quantity] => [
        name,
        typeof f === 'number' ? { value: f, unit: '' } : parseQuantity(f[0], f[1]),
      ]),
    ),
    bands: Object.fromEntries(Object.entries(bands).map(([name, [text, d]]) => [name, parseBand(text, d)])),
  },
});
const judge = (
  kind: CurveKind,
  points: readonly (readonly number[])[],
  of: Test,
  more: Partial<CurveRun> = {},
): RunOutcome => judgeCurve({ kind, points, ...more }, of);
const steps = (n: number, of: (i: number) => readonly number[]): (readonly number[])[] =>
  Array.from({ length: n }, (_, i) => of(i));
const refusal = (run: () => unknown): RunError => {
  try {
    run();
  } catch (e) {
    if (e instanceof RunError) return e;
    throw e;
  }
  throw new Error('it was judged');
};

describe('a fall of pressure', () => {
  const leak = testOf('decay', 'pressure', '0 bar to 0.05 bar', {
    pressure: ['8 bar', 'pressure'],
    volume: ['100 l', 'volume'],
    time: ['600 s', 'time'],
  });
  /** From 8 bar and 40 °C: what the gas law alone leaves at a temperature, and so much a second besides. */
  const held = (perS: number, coolsTo: number, seconds = 600): (readonly number[])[] =>
    steps(61, (i) => {
      const s = (seconds / 60) * i;
      const celsius = 40 + ((coolsTo - 40) * i) / 60;
      return [s, ((8 + 1.01325 - perS * s) * (celsius + 273.15)) / 313.15 - 1.01325, celsius];
    });

  test('that cooling explains is none: it is taken out by the gas law', () => {
    const made = judge('decay', held(0, 30), leak);
    expect(made.value.value).toBeCloseTo(0, 6);
    expect(made.tells).toEqual([]);
    // 9.01325 bar absolute at 10 in 313.15 K less: 0.288 bar on the gauge.
    expect(made.says.join('; ')).toContain('The gauge fell by 0.288 bar; cooling explains 0.288 of it');
    expect(made.says).toContain('It only cooled: it does not leak');
    for (const [, bar] of withoutCooling(held(0, 30))) expect(bar).toBeCloseTo(8, 9);
  });
  test('that is a leak is told whatever the temperature does, with its rate', () => {
    const made = judge('decay', held(2e-4, 30), leak);
    expect(made.value.value).toBeCloseTo(0.12, 3);
    expect(made.tells).toEqual(['leak']);
    // 0.12 bar of 100 l in 10 min: 12 l at one bar in 10 min, near 1.2 l a minute.
    expect(made.checks[0]!.value!.value).toBeGreaterThan(1000);
    expect(made.checks[0]!.value!.value).toBeLessThan(1300);
  });
  test('is judged before its time only when it is sure, and says how long it ran', () => {
    expect(judge('decay', held(1e-3, 40, 300), leak).says[0]).toMatch(
      /^Stopped after 300 s of 600, (9\d(\.\d)?|100) % sure$/,
    );
    const near = held(0.05 / 600, 40, 300).map(([s, bar, c], i) => [s!, bar! + (i % 2 ? 5e-4 : -5e-4), c!]);
    expect(refusal(() => judge('decay', near, leak))).toMatchObject({ clears: 'Let it run on' });
  });
  test('of one point is no run', () => {
    expect(refusal(() => judge('decay', [[0, 8, 20]], leak)).says).toBe('Nothing has run yet');
  });
});

describe('a sink', () => {
  const sinks = testOf('drift', 'length', '0 mm to 4 mm', { load: ['500 N', 'force'], time: ['600 s', 'time'] });
  test.each([
    [1.5, [] as string[]],
    [9, ['drift']],
  ])('of %d mm in ten minutes', (mm, tells) => {
    const made = judge('drift', steps(61, (i) => [10 * i, (mm * i) / 60]), sinks); // prettier-ignore
    expect(made.value.value).toBeCloseTo(mm, 6);
    expect(made.tells).toEqual(tells);
  });
  test('that rises by noise alone is nothing', () => {
    expect(judge('drift', steps(61, (i) => [10 * i, -0.001 * i]), sinks).value.value).toBe(0); // prettier-ignore
  });
});

describe('a vacuum that is held', () => {
  const holds = testOf('vacuum', 'pressure', '0 mbar to 5 mbar', { time: ['600 s', 'time'] });
  test('a straight rise is a leak; one that levels off is moisture; none is tight', () => {
    const rise = (of: (s: number) => number): RunOutcome =>
      judge('vacuum', steps(41, (i) => [15 * i, of(15 * i)]), holds); // prettier-ignore
    expect(rise((s) => 0.001 + 2e-5 * s).tells).toEqual(['leak']);
    expect(rise((s) => 0.001 + 0.012 * (1 - Math.exp(-s / 90))).tells).toEqual(['moisture']);
    const tight = rise((s) => 0.001 + 1e-6 * s);
    expect([tight.tells, tight.checks[0]!.verdict]).toEqual([[], 'within']);
    // Said in what the sheet speaks in.
    expect(tight.value.unit).toBe('mbar');
  });
});

describe('a tank that is filled', () => {
  const fills = testOf('pump-up', 'time', '0 s to 130 s', {
    volume: ['100 l', 'volume'],
    pressure: ['7 bar', 'pressure'],
  });
  test('its time is between two points, and its free air that of the reckoner: 100 l to 7 bar in 120 s', () => {
    const made = judge('pump-up', steps(15, (i) => [10 * i, (7 / 120) * 10 * i]), fills); // prettier-ignore
    expect(made.value.value).toBeCloseTo(120, 6);
    expect(made.tells).toEqual([]);
    expect(made.checks[0]!.value!.value).toBeCloseTo(345, 0);
  });
  test('slower than accepted is slow; one that never gets there is refused', () => {
    expect(judge('pump-up', steps(21, (i) => [10 * i, (7 / 150) * 10 * i]), fills).tells).toEqual(['slow']); // prettier-ignore
    expect(refusal(() => judge('pump-up', steps(5, (i) => [i, i]), fills)).says).toContain('has not reached 7'); // prettier-ignore
  });
});

describe('a spin', () => {
  const spins = testOf('spin', 'torque', '0.5 N·m to 1.5 N·m', {
    speed: ['300 rpm', 'speed'],
    time: ['60 s', 'time'],
    balls: 9,
    ball: ['7.94 mm', 'length'],
    pitch: ['39.04 mm', 'length'],
  });
  const settles = (to: number, more: Partial<CurveRun> = {}): RunOutcome =>
    judge('spin', steps(61, (i) => [i, to + 2 * Math.exp(-i / 8)]), spins, more); // prettier-ignore

  test.each([
    [1, [] as string[]],
    [2.5, ['drag-high']],
    [0.2, ['drag-low']],
  ])('that settles at %d N·m', (drag, tells) => {
    const made = settles(drag);
    expect(made.value.value).toBeCloseTo(drag, 1);
    expect(made.tells).toEqual(tells);
    expect(made.checks[0]!.verdict).toBe('within');
  });
  test('still changing is undecided, and a short one is refused', () => {
    expect(judge('spin', steps(61, (i) => [i, 3 - i / 30]), spins).checks[0]!.verdict).toBe('undecided'); // prettier-ignore
    expect(refusal(() => judge('spin', steps(30, (i) => [i, 1]), spins)).clears).toContain('grease settles'); // prettier-ignore
  });
  test('a tone of the bearing that stands out names its race or ball; another line does not', () => {
    const { outerRace, innerRace } = bearingTones.reckon({
      balls: 9,
      ballDiameter: { value: 7.94, unit: 'mm' },
      pitchDiameter: { value: 39.04, unit: 'mm' },
      speed: { value: 300, unit: 'rpm' },
    }).results as { outerRace: Quantity; innerRace: Quantity };
    const at = (hz: number, level: number): RunOutcome => settles(1, { tones: [{ hz, level }], floor: 1 });
    expect(at(outerRace.value * 1.01, 9).tells).toEqual(['outer-race']);
    expect(at(innerRace.value, 9).tells).toEqual(['inner-race']);
    expect(at(innerRace.value, 3).tells).toEqual([]);
    expect(at(50, 30).tells).toEqual([]);
    expect(at(innerRace.value, 9).checks[1]).toMatchObject({ name: 'Tones', verdict: 'outside' });
  });
});

describe('a stroke', () => {
  const bites = testOf('stroke', 'length', '20 mm to 40 mm', { bite: ['200 N', 'force'], creep: ['1 mm', 'length'] });
  /** Nothing up to the bite, then a hard pedal that sinks so much. */
  const pressed = (bite: number, sinks: number): RunOutcome =>
    judge('stroke', [[0, 0], [bite - 10, 100], [bite + 10, 300], [bite + 10, 400], [bite + 10, 400], [bite + 10 + sinks, 400]], bites); // prettier-ignore
  test.each([
    [30, 0, [] as string[]],
    [55, 0, ['long-stroke']],
    [15, 0, ['short-stroke']],
    [30, 3, ['creep']],
  ])('that bites at %d mm and sinks %d', (bite, sinks, tells) => {
    const made = pressed(bite, sinks);
    expect(made.value.value).toBeCloseTo(bite, 9);
    expect(made.tells).toEqual(tells);
  });
  test('that never bites went to its stop', () => {
    const made = judge('stroke', [[0, 0], [60, 50]], bites); // prettier-ignore
    expect([made.tells, made.checks[0]!.verdict]).toEqual([['long-stroke'], 'outside']);
  });
});

describe('a damper', () => {
  const damps = testOf('damper', 'force', '800 N to 1200 N', { speed: ['0.1 m/s', 'velocity'] }, { press: ['300 N to 500 N', 'force'] }); // prettier-ignore
  const moved = (out: number, press: number): RunOutcome =>
    judge('damper', steps(40, (i) => [i, i < 20 ? out * Math.sin((Math.PI * i) / 19) : -press * Math.sin((Math.PI * (i - 20)) / 19)]), damps); // prettier-ignore
  test.each([
    [1000, 400, [] as string[]],
    [600, 400, ['weak-out']],
    [1000, 200, ['weak-in']],
    [1000, 700, ['uneven']],
  ])('of %d N out and %d in', (out, press, tells) => {
    expect(moved(out, press).tells).toEqual(tells);
  });
  test('one spike says nothing of its height', () => {
    const curve = steps(40, (i) => [i, i === 9 ? 5000 : i < 20 ? 1000 : -400]); // prettier-ignore
    expect(judge('damper', curve, damps).value.value).toBe(1000);
  });
  test('moved one way only is refused', () => {
    expect(refusal(() => judge('damper', steps(20, (i) => [i, 900]), damps)).clears).toContain('out and in'); // prettier-ignore
  });
});

describe('a clutch that slips', () => {
  const slips = testOf('slip', 'torque', '80 N·m to 120 N·m', { turn: ['90 deg', 'angle'] });
  const turned = (torque: number, swing: number): RunOutcome =>
    judge('slip', steps(91, (i) => [i, i < 10 ? 14 * i : torque * (1 + swing * Math.sin(i))]), slips); // prettier-ignore
  test.each([
    [100, 0.05, [] as string[]],
    [60, 0.05, ['slips']],
    [150, 0.05, ['grabs']],
    [100, 0.4, ['grabs']],
  ])('at %d N·m that swings by %d', (torque, swing, tells) => {
    const made = turned(torque, swing);
    expect(made.tells).toEqual(tells);
    expect(made.value.value / torque).toBeCloseTo(1, 1);
  });
  test('that has not gone round is refused', () => {
    expect(refusal(() => judge('slip', steps(40, (i) => [i, 100]), slips)).says).toContain('not slipped round'); // prettier-ignore
  });
});
