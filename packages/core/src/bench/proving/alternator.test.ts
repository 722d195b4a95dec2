import { describe, expect, test } from '@jest/globals';
import { parseBand, parseQuantity } from '../../quantities/index.ts';
import type { Test } from '../../sheet/index.ts';
import { judgeAlternator } from './alternator.ts';
import { RunError, type AlternatorRun, type RunOutcome, type SweepPoint } from './run.ts';

const POLE_PAIRS = 6;
const RPM = 6000;
const sheetTest = (amps: boolean): Test => ({
  id: 'output',
  title: 'Output',
  dimension: amps ? 'current' : 'voltage',
  gauge: 'alternator stand',
  accept: amps ? parseBand('50 A to 60 A', 'current') : parseBand('13.8 V to 14.6 V', 'voltage'),
  failedBy: [],
  stand: {
    kind: 'alternator',
    figures: { speed: parseQuantity('6000 rpm', 'speed'), 'pole-pairs': { value: POLE_PAIRS, unit: '' } },
    bands: amps ? { regulated: parseBand('13.8 V to 14.6 V', 'voltage') } : {},
  },
});

/** Three phases through six diodes: at each moment the two phases farthest apart. A diode that is open passes nothing. */
function wave(open = false): AlternatorRun['ripple'] {
  const sampleRateHz = 200_000;
  const f = (POLE_PAIRS * RPM) / 60;
  const samplesV = Array.from({ length: 2500 }, (_, i) => {
    const at = (2 * Math.PI * f * i) / sampleRateHz;
    const phases = [0, 1, 2].map((k) => 8.14 * Math.sin(at - (2 * Math.PI * k) / 3));
    // The upper diode of the first phase is the open one.
    return Math.max(...(open ? phases.slice(1) : phases)) - Math.min(...phases);
  });
  return { samplesV, sampleRateHz, speedRpm: RPM };
}
const sweep = (of: Partial<SweepPoint> = {}, slip = 0): SweepPoint[] =>
  [2000, 4000, 5800, 6200].map((drivenRpm) => ({
    drivenRpm,
    speedRpm: drivenRpm * (1 - slip),
    currentA: 55 + (drivenRpm - 6000) / 100,
    voltageV: 14.2,
    temperatureC: 40,
    ...of,
  }));
const judge = (points: SweepPoint[], { amps = true, open = false } = {}): RunOutcome =>
  judgeAlternator({ kind: 'alternator', sweep: points, ripple: wave(open) }, sheetTest(amps));

describe('a sweep of an alternator', () => {
  test('a healthy one: its output at the speed asked for, between two points of the sweep', () => {
    const made = judge(sweep());
    expect(made.value).toEqual({ value: 55, unit: 'A' });
    expect(made.tells).toEqual([]);
    expect(made.checks.map((c) => [c.name, c.verdict])).toEqual([
      ['Ripple', 'within'],
      ['Belt', 'within'],
      ['Regulated voltage', 'within'],
    ]);
    // A six-pulse bridge has a ripple of 4.2 % of its mean (handbooks on rectifiers).
    expect(made.checks[0]!.value!.value).toBeCloseTo(4.2, 1);
  });
  test.each<[string, RunOutcome, readonly string[]]>([
    ['an open diode', judge(sweep(), { open: true }), ['open-diode']],
    ['a belt that slips a tenth', judge(sweep({}, 0.1)), ['slipping']],
    ['a voltage above its band', judge(sweep({ voltageV: 15.4 })), ['regulator']],
    [
      'a low voltage alone is no fault of the regulator: the output drags it down',
      judge(sweep({ currentA: 55, voltageV: 12.9 })),
      [],
    ],
    ['too little current, and nothing else', judge(sweep({ currentA: 31 })), ['low-output']],
    ['where the voltage is asked for: above it', judge(sweep({ voltageV: 15 }), { amps: false }), ['regulator']],
    ['where the voltage is asked for: within', judge(sweep(), { amps: false }), []],
  ])('%s', (_, made, tells) => expect(made.tells).toEqual(tells));
  test('a sweep that stops short of the speed is refused', () => {
    expect(() => judge(sweep().slice(0, 3))).toThrow(RunError);
    expect(() => judge(sweep().slice(0, 3))).toThrow('did not reach 6000 rpm');
  });
});
