import { canonical } from '../../quantities/index.ts';
import type { StandKind, Test } from '../../sheet/index.ts';

const q = canonical;
const band = (low: number, high: number, dimension: Test['dimension']): Test['accept'] => ({
  low: q(low, dimension),
  high: q(high, dimension),
});
const made = (
  title: string,
  dimension: Test['dimension'],
  accept: Test['accept'],
  kind: StandKind,
  figures: NonNullable<Test['stand']>['figures'],
  bands: NonNullable<Test['stand']>['bands'] = {},
): Test => ({
  id: `try-${kind}`,
  title,
  dimension,
  gauge: 'stand',
  accept,
  failedBy: [],
  stand: { kind, figures, bands },
});

/** A plain run of each kind of stand, with usual figures: to see that the stand and its faults are what they should be. */
export const trialRuns: Readonly<Record<StandKind, Test>> = {
  alternator: made(
    'Output at 6000 rpm',
    'current',
    band(50, 60, 'current'),
    'alternator',
    { speed: q(6000, 'speed'), 'pole-pairs': q(6, 'ratio') },
    { regulated: band(13.8, 14.6, 'voltage') },
  ),
  balancing: made('Residual unbalance', 'unbalance', band(0, 0.6, 'unbalance'), 'balancing', {
    mass: q(0.32, 'mass'),
    grade: q(40, 'ratio'),
    service: q(100_000, 'speed'),
    speed: q(3000, 'speed'),
    radius: q(18, 'length'),
    trial: q(0.0002, 'mass'),
    places: q(12, 'ratio'),
  }),
  decay: made('Pressure lost in ten minutes', 'pressure', band(0, 0.05, 'pressure'), 'decay', {
    volume: { value: 1.2, unit: 'l' },
    pressure: q(10, 'pressure'),
    time: q(600, 'time'),
  }),
  vacuum: made('Vacuum held for twenty minutes', 'pressure', band(0, 0.002, 'pressure'), 'vacuum', {
    time: q(1200, 'time'),
  }),
  'pump-up': made('Time to fill to 7 bar', 'time', band(60, 125, 'time'), 'pump-up', {
    volume: { value: 100, unit: 'l' },
    pressure: q(7, 'pressure'),
  }),
  spin: made('Drag, spun', 'torque', band(0.3, 1.1, 'torque'), 'spin', {
    speed: q(300, 'speed'),
    time: q(40, 'time'),
    balls: q(8, 'ratio'),
    ball: q(9.5, 'length'),
    pitch: q(46, 'length'),
  }),
  stroke: made('Stroke to bite', 'length', band(18, 34, 'length'), 'stroke', {
    bite: q(40, 'force'),
    creep: q(1, 'length'),
  }),
  damper: made(
    'Force on the way out',
    'force',
    band(180, 320, 'force'),
    'damper',
    { speed: q(0.1, 'velocity') },
    { press: band(60, 140, 'force') },
  ),
  slip: made('Torque that a pack holds', 'torque', band(46, 70, 'torque'), 'slip', { turn: q(90, 'angle') }),
  drift: made('Sink in ten minutes', 'length', band(0, 4, 'length'), 'drift', { time: q(600, 'time') }),
};
