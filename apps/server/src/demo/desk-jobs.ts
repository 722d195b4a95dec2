import type { RehearsalFigures } from '@jubb/core/bench';
import { DAY, never, type DemoJob } from './scenario.ts';

const q = (value: number, unit: string): { value: number; unit: string } => ({ value, unit });
const mm = (value: number): { value: number; unit: string } => q(value, 'mm');

const gauge = (id: string, name: string, uncertainty: number) => ({
  id,
  name,
  uncertainty: mm(uncertainty),
  simulated: true,
});
const MICROMETER = gauge('micrometer-1', 'Micrometer 1', 0.004);
const BORE_GAUGE = gauge('bore-gauge-1', 'Bore gauge 1', 0.005);
const cylinder = (
  rod: number,
  scratch: number,
  drift: number,
  findings: NonNullable<RehearsalFigures['finding']>,
): RehearsalFigures => ({
  reading: (what) =>
    ({
      'rod-size 0°': mm(rod),
      'rod-size 60°': mm(rod + 0.004),
      'rod-size 120°': mm(rod + 0.002),
      'rod-depth worst place': mm(scratch),
      'drift as-found': mm(drift),
      'drift now': mm(1.5),
      'gland-seat along': mm(34.031),
      'gland-seat across': mm(34.038),
      'eye-play along': mm(0.16),
      'bore middle, along': mm(32.042),
    })[what],
  gauge: (dimension, what) =>
    dimension !== 'length' || what.startsWith('drift')
      ? undefined
      : /^(bore|gland)/.test(what)
        ? BORE_GAUGE
        : MICROMETER,
  look: (look, moment) =>
    moment === 'now' ? undefined : { weep: 'drop', 'rod-nail': scratch > 0.012 ? 'catches' : 'smooth' }[look],
  finding: findings,
  cause: () => 'rod-leak',
});

/** Units at the bottom of the ladder: measured, judged, quoted, waiting for a yes or for parts. */
export const deskJobs: readonly DemoJob[] = [
  {
    customer: 'Council Depot',
    sheet: 'cylinder-lift',
    serial: 'OL-0881',
    answers: ['2'],
    complaint: 'Sinks under load',
    by: 'Magnus Sorley',
    // Its work takes some hours, and it comes back some hours ago: 190 days from leaving to coming back, at any hour.
    bookedMinutesAgo: 190.5 * DAY,
    deliveryMinutes: -188 * DAY,
    paceMinutes: 2,
    spendLimitMinor: 60000,
    place: 'D',
    tray: 'D4',
    figures: cylinder(17.99, 0.004, 9, (part) =>
      part === 'eye-bush'
        ? { finding: 'watch', reason: 'A little play on the pin' }
        : { finding: 'reuse', reason: 'Within its limits' },
    ),
    until: never,
    then: [],
  },
  {
    customer: 'Council Depot',
    sheet: 'cylinder-lift',
    serial: 'OL-0881',
    answers: ['2'],
    opened: { answer: 'yes', signs: ['Heat colour on an end cap'], why: 'Rebuilt here half a year ago, sinks again' },
    complaint: 'Sinks again, oil on the rod',
    by: 'Magnus Sorley',
    bookedMinutesAgo: 300,
    deliveryMinutes: 2 * DAY,
    paceMinutes: 2,
    spendLimitMinor: 18000,
    tray: 'D5',
    figures: cylinder(
      17.97,
      0.022,
      14,
      (part) =>
        ({
          rod: { finding: 'dress' as const, reason: 'A scratch that catches a nail, 22 µm deep' },
          'wear-band': { finding: 'renew' as const, reason: 'Renewed with the piston seal' },
          'eye-bush': { finding: 'watch' as const, reason: 'Play 0.16 mm, at most 0.3 mm' },
          gland: { finding: 'reuse' as const, reason: 'Near its limit, but round and not scored' },
          piston: { finding: 'reuse' as const, reason: 'Lands sharp, no score' },
        })[part] ?? { finding: 'reuse', reason: 'Within its limits' },
    ),
    until: (_, s) => s.steps['bottom decide'] !== undefined,
    then: [],
    desk: 'quote',
  },
  {
    customer: 'Tarn Slate Quarry',
    sheet: 'compressor-twin',
    serial: 'PC-0342',
    answers: ['none'],
    complaint: 'Takes for ever to fill',
    by: 'Ailsa Brock',
    bookedMinutesAgo: 2 * DAY,
    deliveryMinutes: 4 * DAY,
    paceMinutes: 2,
    spendLimitMinor: 60000,
    tray: 'E5',
    figures: {
      reading: (what) =>
        ({
          'pump-up as-found': q(184, 's'),
          'leak-down as-found': q(0.32, 'bar'),
          'bore@front top, along': mm(65.132),
          'bore@front top, across': mm(65.071),
          'reed-flat along': mm(0.02),
          'reed-flat across': mm(0.02),
        })[what],
      look: (look, moment) =>
        moment === 'now' ? undefined : { sound: 'hiss', 'reed-seat': 'light', 'bore-glaze@front': 'glazed' }[look],
      finding: (part) =>
        ({
          'barrel@front': { finding: 'renew' as const, reason: 'Out of round 0.061 mm at the top' },
          reeds: { finding: 'renew' as const, reason: 'Light under two of four' },
        })[part] ?? { finding: 'reuse', reason: 'Within its limits' },
      cause: () => 'reed',
    },
    until: (_, s) => s.steps['bottom decide'] !== undefined,
    then: [],
    desk: 'ordered',
  },
];
