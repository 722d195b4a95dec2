import type { NextMove, RehearsalFigures, Run } from '@jubb/core/bench';
import type { OpOf } from '@jubb/core/sheet';
import { DAY, type DemoJob } from './scenario.ts';

/** A test of the sheet, of the unit as it is now, is what comes next. */
const atTest = (test: string, move: NextMove): move is Extract<NextMove, { kind: 'op' }> & { op: OpOf<'test'> } =>
  move.kind === 'op' && move.op.kind === 'test' && move.op.test === test && move.op.moment === 'now';

const SECONDS = 300;
const ATMOSPHERE_BAR = 1.013;
const KELVIN = 273.15;
/** A tank of 7 bar that is shut in: its air cools by three degrees, and it loses so much beside that. */
function leaking(bar: number): Run {
  return {
    kind: 'decay',
    points: Array.from({ length: 101 }, (_, i) => {
      const s = (SECONDS * i) / 100;
      const celsius = 20 + 3 * Math.exp(-s / 150);
      const held = 7 + ATMOSPHERE_BAR - (bar * s) / SECONDS;
      const gauge = (held * (celsius + KELVIN)) / (23 + KELVIN) - ATMOSPHERE_BAR;
      return [s, Number(gauge.toFixed(4)), Number(celsius.toFixed(2))];
    }),
  };
}
const LEAK_TESTER = {
  id: 'leak-tester-1',
  name: 'Leak tester',
  uncertainty: { value: 0.0005, unit: 'bar' },
  simulated: true,
} as const;
const q = (value: number, unit: string): { value: number; unit: string } => ({ value, unit });
const compressor: RehearsalFigures = {
  reading: (what) =>
    ({ 'pump-up as-found': q(171, 's'), 'leak-down as-found': q(0.41, 'bar'), 'pump-up now': q(96, 's') })[what],
  look: (look, moment) => (moment === 'now' ? undefined : { sound: 'hiss' }[look]),
  finding: (part) => (part === 'reeds' ? { finding: 'renew', reason: 'Light under one of four' } : undefined),
  cause: () => 'reed',
};

/** Units at the end of the ladder: one waits for its stand, one failed on it and was led back. */
export const standJobs: readonly DemoJob[] = [
  {
    customer: 'Tarn Slate Quarry',
    sheet: 'compressor-twin',
    serial: 'PC-0298',
    answers: ['none'],
    complaint: 'Tank is empty by the morning',
    by: 'Ailsa Brock',
    bookedMinutesAgo: 3 * DAY,
    deliveryMinutes: 6 * DAY,
    paceMinutes: 2,
    spendLimitMinor: 60000,
    tray: 'B4',
    figures: compressor,
    turns: [
      {
        when: (_, move) => atTest('leak-down', move),
        give: (move) => [{ type: 'take-run', op: move.op.id, run: leaking(0.38), instrument: LEAK_TESTER }],
      },
      {
        when: (state, move) => atTest('leak-down', move) && state.readings.at(-1)?.proof !== undefined,
        give: (move) => [{ type: 'return-to-step', op: move.op.id, suspect: 'valve-plate' }],
      },
    ],
    until: (_, s) => s.returns.length > 0,
    then: [],
  },
  {
    customer: 'Council Depot',
    sheet: 'turbo-core',
    serial: 'PT3-0114',
    answers: ['P'],
    complaint: 'Whistles under load, blue smoke',
    by: 'Magnus Sorley',
    bookedMinutesAgo: 4 * DAY,
    deliveryMinutes: 6 * DAY,
    paceMinutes: 3,
    spendLimitMinor: 70000,
    tray: 'B5',
    figures: { look: (look, moment) => (moment === 'now' ? undefined : { rub: 'rubs', 'oil-way': 'coked' }[look]) },
    until: (_, __, move) => atTest('vibration', move),
    then: [],
  },
];
