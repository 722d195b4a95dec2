import type { InstrumentView, Role } from '@jubb/contract';
import type { BenchState, Command, NextMove, RehearsalFigures } from '@jubb/core/bench';

/** Everything here is invented. */
export const workshop = {
  name: 'Skerrow Rebuilds',
  currency: '£',
  rateMinor: 5200,
  taxPercent: 20,
  taxName: 'VAT',
  places: ['A', 'B', 'C', 'D', 'E'],
} as const;

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

/** Thickness in mm and how many, drawer by drawer. */
type Sizes = readonly (readonly [number, number])[];
export const drawers: Readonly<Record<string, Sizes>> = {
  'hub-shims': [[1.5, 4], [1.2, 6], [1.0, 1], [0.3, 4], [0.2, 0], [0.12, 6], [0.1, 5], [0.05, 6]],
  'gear-shims': [[1.2, 3], [1.0, 2], [0.2, 4], [0.1, 6], [0.05, 6]],
  'clutch-shims': [[1.0, 4], [0.5, 4], [0.2, 6], [0.1, 6]],
  'screw-rings': [[2.92, 1], [2.94, 2], [2.96, 2], [2.98, 2], [3.0, 2], [3.02, 1], [3.04, 1]],
  'clutch-plates': [[2.4, 1], [2.2, 2], [2.0, 3], [1.8, 2], [1.6, 2], [1.4, 1]],
}; // prettier-ignore

/** A simulated gauge as the list has it; the uncertainty is that of its certificate with resolution and repeats, k = 2. */
const gauge = <K extends string>(
  id: string,
  name: string,
  kind: K,
  unit: string,
  resolution: number,
  uncertainty: number,
) => ({
  id,
  name,
  kind,
  unit,
  resolution,
  uncertainty: { value: uncertainty, unit },
  wrench: null,
  calibratedTo: '2027-03-31',
  simulated: true,
});

/** A torque wrench as the list has it. */
const torqueWrench = (id: string, name: string, uncertainty: number, facts: NonNullable<InstrumentView['wrench']>) => ({
  id,
  name,
  kind: 'torque-wrench' as const,
  unit: 'N·m',
  resolution: 0.1,
  uncertainty: { value: uncertainty, unit: 'N·m' },
  wrench: facts,
  calibratedTo: '2027-03-31',
  simulated: true,
});

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
  // Uncertainty as the certificate has it: 4 % of the reading at most (ISO 6789-1), less for a good one.
  torqueWrench('wrench-1', 'Torque wrench 1', 0.25, {
    minNm: 2,
    maxNm: 20,
    lengthMm: 250,
    graduation: 0.1,
    scaleUnit: 'N·m',
  }),
  torqueWrench('wrench-2', 'Torque wrench 2', 0.8, {
    minNm: 5,
    maxNm: 100,
    lengthMm: 400,
    graduation: 0.2,
    scaleUnit: 'N·m',
  }),
  torqueWrench('wrench-3', 'Torque wrench 3', 1.2, {
    minNm: 20,
    maxNm: 200,
    lengthMm: 520,
    graduation: 0.5,
    scaleUnit: 'N·m',
    angle: true,
  }),
  torqueWrench('wrench-4', 'Torque wrench 4', 5, {
    minNm: 100,
    maxNm: 600,
    lengthMm: 1050,
    graduation: 1,
    scaleUnit: 'N·m',
  }),
  gauge('alternator-stand-1', 'Alternator stand', 'alternator-stand', 'A', 0.1, 0.6),
  gauge('balancing-stand-1', 'Balancing stand', 'balancing-stand', 'mm/s', 0.01, 0.04),
  gauge('leak-tester-1', 'Leak tester', 'leak-tester', 'bar', 0.0001, 0.0005),
  gauge('spin-stand-1', 'Spin stand', 'spin-stand', 'N·m', 0.01, 0.02),
  gauge('function-stand-1', 'Function stand', 'function-stand', 'N', 0.1, 2),
  gauge('thermometer-1', 'Bearing thermometer', 'thermometer', '°C', 0.5, 2),
  gauge('press-1', 'Press', 'press', 'kN', 0.1, 0.3),
  gauge('caliper-1', 'Caliper 1', 'caliper', 'mm', 0.01, 0.03),
  gauge('micrometer-1', 'Micrometer 1', 'micrometer', 'mm', 0.001, 0.004),
  gauge('bore-gauge-1', 'Bore gauge 1', 'bore-gauge', 'mm', 0.001, 0.005),
  gauge('pull-scale-1', 'Pull scale 1', 'pull-scale', 'N', 0.1, 0.5),
  gauge('ohm-meter-1', 'Ohm meter 1', 'ohm-meter', 'Ω', 0.001, 0.01),
  gauge('insulation-tester-1', 'Insulation tester 1', 'insulation-tester', 'MΩ', 0.1, 1),
  gauge('diode-meter-1', 'Diode meter 1', 'diode-meter', 'V', 0.001, 0.01),
] as const;

/** Something that happens on the way: the first time it is so, these are given. */
export interface DemoTurn {
  readonly when: (state: BenchState, move: NextMove) => boolean;
  readonly give: readonly Command[] | ((move: Extract<NextMove, { kind: 'op' }>) => readonly Command[]);
}
export interface DemoJob {
  readonly customer: (typeof customers)[number];
  readonly sheet: string;
  readonly serial: string;
  /** Answers to the questions at the counter, in order; none leaves that one out. */
  readonly answers: readonly (string | undefined)[];
  readonly opened?: {
    readonly answer: 'yes' | 'no' | 'unknown';
    readonly signs: readonly string[];
    readonly why?: string;
  };
  readonly complaint: string;
  readonly by: string;
  readonly bookedMinutesAgo: number;
  /** From now, its days in working days: see `demoDeliveryDate`. */
  readonly deliveryMinutes: number;
  readonly paceMinutes: number;
  readonly spendLimitMinor: number;
  readonly place?: string;
  readonly tray: string;
  readonly figures: RehearsalFigures;
  readonly turns?: readonly DemoTurn[];
  /** A wait that is started is started this long ago. */
  readonly timerMinutesAgo?: number;
  readonly photo?: { readonly step: string; readonly caption: string };
  readonly until: (steps: number, state: BenchState, move: NextMove) => boolean;
  readonly then: readonly Command[];
  /** Quoted at the end; or quoted, agreed to and ordered. */
  readonly desk?: 'quote' | 'ordered';
}

export const DAY = 1440;
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
export const worn: RehearsalFigures = {
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
export const never = (): boolean => false;
export const atKind =
  (kind: string) =>
  (_: number, __: BenchState, move: NextMove): boolean =>
    move.kind === 'op' && move.op.kind === kind;

/** Dolly hubs: every stage of one sheet. */
export const hubJobs: readonly DemoJob[] = [
  {
    customer: 'Skerrow Airfield',
    serial: '20417',
    sheet: 'hub-dolly',
    answers: ['65.2 mm'],
    complaint: 'Growls when towed',
    by: 'Magnus Sorley',
    bookedMinutesAgo: 130 * DAY,
    deliveryMinutes: -128 * DAY,
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
    sheet: 'hub-dolly',
    answers: ['77.1 mm'],
    complaint: 'Wobbles, cap leaks',
    by: 'Ailsa Brock',
    bookedMinutesAgo: 40 * DAY,
    deliveryMinutes: -38 * DAY,
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
    sheet: 'hub-dolly',
    answers: ['65.4 mm'],
    complaint: 'Wheel runs hot',
    by: 'Ailsa Brock',
    bookedMinutesAgo: 3 * DAY,
    deliveryMinutes: 2 * DAY,
    paceMinutes: 3,
    spendLimitMinor: 20000,
    place: 'D',
    tray: 'D1',
    figures: worn,
    until: atKind('judge'),
    then: [{ type: 'park', why: 'parts', note: 'Cups and outer cone, due tomorrow', to: 'Shelf 2' }],
  },
  {
    customer: 'Tarn Slate Quarry',
    serial: '20105',
    sheet: 'hub-dolly',
    answers: ['76.8 mm'],
    complaint: 'Grease on the tyre',
    by: 'Magnus Sorley',
    bookedMinutesAgo: 2 * DAY,
    deliveryMinutes: 3 * DAY,
    paceMinutes: 3,
    spendLimitMinor: 9000,
    place: 'E',
    tray: 'E1',
    figures: worn,
    until: (_, s) => s.steps['bottom look'] !== undefined,
    then: [{ type: 'park', why: 'yes', note: 'Goes past the agreed £90', to: 'Shelf 1' }],
  },
  {
    customer: 'Northend Cold Store',
    serial: '20377',
    sheet: 'hub-dolly',
    answers: ['65.0 mm'],
    complaint: 'Leaks at the cap',
    by: 'Una Reith',
    bookedMinutesAgo: DAY,
    deliveryMinutes: 6 * 60,
    paceMinutes: 3,
    spendLimitMinor: 32000,
    place: 'B',
    tray: 'B2',
    figures: worn,
    until: atKind('set'),
    then: [],
  },
  {
    customer: 'Skerrow Ice Rink',
    serial: '20390',
    sheet: 'hub-dolly',
    answers: ['65.6 mm'],
    complaint: 'Play at the rim',
    by: 'Ailsa Brock',
    bookedMinutesAgo: 300,
    deliveryMinutes: DAY + 120,
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
    sheet: 'hub-dolly',
    answers: ['65.2 mm'],
    opened: { answer: 'yes', signs: ['Sealant where there should be none'], why: 'Growls again after four months' },
    complaint: 'Leaks and growls again',
    by: 'Una Reith',
    bookedMinutesAgo: 40,
    deliveryMinutes: 2 * DAY,
    paceMinutes: 1,
    spendLimitMinor: 24000,
    place: 'A',
    tray: 'A1',
    figures: {},
    until: () => true,
    then: [],
  },
];
