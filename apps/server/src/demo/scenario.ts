import type { Role } from '@jubb/contract';
import type { BenchState, Command, NextMove, RehearsalFigures } from '@jubb/core/bench';

/** Everything here is invented. */
export const workshop = { name: 'Skerrow Rebuilds', currency: '£', places: ['A', 'B', 'C', 'D', 'E'] } as const;

export const people: readonly { name: string; initials: string; role: Role; pin: string }[] = [
  { name: 'Una Reith', initials: 'UR', role: 'owner', pin: '1111' },
  { name: 'Magnus Sorley', initials: 'MS', role: 'mechanic', pin: '2222' },
  { name: 'Ailsa Brock', initials: 'AB', role: 'mechanic', pin: '3333' },
  { name: 'Tam Veitch', initials: 'TV', role: 'parts', pin: '4444' },
];
export const customers = [
  'Skerrow Airfield',
  'Skerrow Ice Rink',
  'Tarn Slate Quarry',
  'Flower Market Co-op',
  'Northend Cold Store',
  'Council Depot',
] as const;

/** Hub shims: thickness in mm, pieces. */
export const drawer: readonly (readonly [number, number])[] = [
  [1.5, 4],
  [1.2, 6],
  [1.0, 1],
  [0.3, 4],
  [0.2, 0],
  [0.12, 6],
  [0.1, 5],
  [0.05, 6],
];

export const instruments = [
  {
    id: 'indicator-1',
    name: 'Indicator 1',
    kind: 'indicator',
    unit: 'mm',
    resolution: 0.001,
    uncertainty: { value: 0.01, unit: 'mm' },
    wrench: null,
    calibratedTo: '2027-03-31',
    simulated: true,
  },
  {
    id: 'wrench-2',
    name: 'Torque wrench 2',
    kind: 'torque-wrench',
    unit: 'N·m',
    resolution: 0.1,
    uncertainty: { value: 0.8, unit: 'N·m' },
    wrench: { maxNm: 100, lengthMm: 400, graduation: 0.2, scaleUnit: 'N·m' },
    calibratedTo: '2027-03-31',
    simulated: true,
  },
] as const;

export interface DemoJob {
  readonly customer: (typeof customers)[number];
  readonly serial: string;
  readonly studs: string;
  readonly complaint: string;
  readonly by: string;
  readonly bookedMinutesAgo: number;
  /** From now. */
  readonly promiseMinutes: number;
  readonly paceMinutes: number;
  readonly spendLimitMinor: number;
  readonly place?: string;
  readonly tray: string;
  readonly figures: RehearsalFigures;
  readonly until: (steps: number, state: BenchState, move: NextMove) => boolean;
  readonly then: readonly Command[];
}

const DAY = 1440;
const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
const nm = (value: number): { value: number; unit: string } => ({ value, unit: 'N·m' });
const indicator = { id: 'indicator-1', name: 'Indicator 1', uncertainty: mm(0.01), simulated: true };
const wrench = {
  rig: { wrenchLengthMm: 400, extensionMm: 40, extensionAngleDeg: 0 },
  facts: { id: 'wrench-2', name: 'Torque wrench 2', uncertainty: nm(0.8), simulated: true },
};
const table =
  (rows: Readonly<Record<string, { value: number; unit: string }>>) =>
  (what: string): { value: number; unit: string } | undefined =>
    rows[what];
const worn: RehearsalFigures = {
  reading: table({
    'float as-found': mm(0.31),
    'drag as-found': nm(1.6),
    'lip-track 0°': mm(59.98),
    'lip-track 60°': mm(59.97),
    'lip-track 120°': mm(59.98),
    'float round 1': mm(0.23),
    'float round 2': mm(0.052),
    'drag now': nm(0.5),
  }),
  finding: (part) =>
    part === 'cups'
      ? { finding: 'renew', reason: 'A step to be felt on both tracks' }
      : part === 'cone-outer'
        ? { finding: 'renew', reason: 'Goes with its cup' }
        : undefined,
  groove: 'no',
  gauge: (dimension) => (dimension === 'length' ? indicator : undefined),
  wrench,
};
const never = (): boolean => false;
const atKind =
  (kind: string) =>
  (_: number, __: BenchState, move: NextMove): boolean =>
    move.kind === 'op' && move.op.kind === kind;

export const jobs: readonly DemoJob[] = [
  {
    customer: 'Skerrow Airfield',
    serial: '20417',
    studs: '65.2 mm',
    complaint: 'Growls when towed',
    by: 'Magnus Sorley',
    bookedMinutesAgo: 130 * DAY,
    promiseMinutes: -128 * DAY,
    paceMinutes: 2,
    spendLimitMinor: 20000,
    place: 'B',
    tray: 'B1',
    figures: worn,
    until: never,
    then: [],
  },
  {
    customer: 'Council Depot',
    serial: '19882',
    studs: '77.1 mm',
    complaint: 'Wobbles, cap leaks',
    by: 'Ailsa Brock',
    bookedMinutesAgo: 40 * DAY,
    promiseMinutes: -38 * DAY,
    paceMinutes: 2,
    spendLimitMinor: 18000,
    place: 'C',
    tray: 'C2',
    figures: { ...worn, finding: () => undefined },
    until: never,
    then: [],
  },
  {
    customer: 'Flower Market Co-op',
    serial: '20233',
    studs: '65.4 mm',
    complaint: 'Wheel runs hot',
    by: 'Ailsa Brock',
    bookedMinutesAgo: 3 * DAY,
    promiseMinutes: 2 * DAY,
    paceMinutes: 3,
    spendLimitMinor: 16000,
    place: 'D',
    tray: 'D1',
    figures: worn,
    until: atKind('judge'),
    then: [
      { type: 'hold', why: 'parts', note: 'Cups and outer cone, due tomorrow' },
      { type: 'move', to: 'Shelf 2' },
    ],
  },
  {
    customer: 'Tarn Slate Quarry',
    serial: '20105',
    studs: '76.8 mm',
    complaint: 'Grease on the tyre',
    by: 'Magnus Sorley',
    bookedMinutesAgo: 2 * DAY,
    promiseMinutes: 3 * DAY,
    paceMinutes: 3,
    spendLimitMinor: 9000,
    place: 'E',
    tray: 'E1',
    figures: worn,
    until: (_, s) => s.steps['bottom look'] !== undefined,
    then: [
      { type: 'hold', why: 'yes', note: 'Goes past the agreed £90' },
      { type: 'move', to: 'Shelf 1' },
    ],
  },
  {
    customer: 'Northend Cold Store',
    serial: '20377',
    studs: '65.0 mm',
    complaint: 'Leaks at the cap',
    by: 'Una Reith',
    bookedMinutesAgo: DAY,
    promiseMinutes: 6 * 60,
    paceMinutes: 3,
    spendLimitMinor: 24000,
    place: 'B',
    tray: 'B2',
    figures: worn,
    until: atKind('set'),
    then: [],
  },
  {
    customer: 'Skerrow Ice Rink',
    serial: '20390',
    studs: '65.6 mm',
    complaint: 'Play at the rim',
    by: 'Ailsa Brock',
    bookedMinutesAgo: 300,
    promiseMinutes: DAY + 120,
    paceMinutes: 3,
    spendLimitMinor: 20000,
    place: 'C',
    tray: 'C1',
    figures: worn,
    until: (_, s) => s.steps['strip washer'] !== undefined,
    then: [],
  },
  {
    customer: 'Skerrow Airfield',
    serial: '20417',
    studs: '65.2 mm',
    complaint: 'Leaks and growls again',
    by: 'Una Reith',
    bookedMinutesAgo: 40,
    promiseMinutes: 2 * DAY,
    paceMinutes: 1,
    spendLimitMinor: 24000,
    place: 'A',
    tray: 'A1',
    figures: {},
    until: () => true,
    then: [],
  },
];
