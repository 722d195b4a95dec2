import type { Band, Dimension, Quantity } from '../quantities/index.ts';

/** How a test is made on a stand: each kind has its own run, its own drawing and its own judging, whatever the unit is. */
export const standKinds = [
  'alternator',
  'balancing',
  'decay',
  'vacuum',
  'pump-up',
  'spin',
  'stroke',
  'damper',
  'slip',
  'drift',
] as const;
export type StandKind = (typeof standKinds)[number];

/** What a figure of a stand is: a quantity of a dimension, a count, or a band. */
type StandFigure = { readonly is: Dimension | 'count'; readonly band?: boolean; readonly needed: boolean };
const needed = (is: StandFigure['is']): StandFigure => ({ is, needed: true });
const may = (is: StandFigure['is']): StandFigure => ({ is, needed: false });

/** The figures that each kind of run takes from the sheet. */
export const standFigures = {
  alternator: {
    speed: needed('speed'),
    'pole-pairs': needed('count'),
    regulated: { is: 'voltage', band: true, needed: false },
  },
  balancing: {
    mass: needed('mass'),
    grade: needed('count'),
    service: needed('speed'),
    speed: needed('speed'),
    radius: needed('length'),
    trial: needed('mass'),
    places: may('count'),
  },
  decay: { volume: needed('volume'), pressure: needed('pressure'), time: needed('time') },
  vacuum: { time: needed('time') },
  'pump-up': { volume: needed('volume'), pressure: needed('pressure') },
  spin: {
    speed: needed('speed'),
    time: needed('time'),
    balls: may('count'),
    ball: may('length'),
    pitch: may('length'),
  },
  stroke: { bite: needed('force'), creep: may('length') },
  damper: { speed: needed('velocity'), press: { is: 'force', band: true, needed: false } },
  slip: { turn: needed('angle') },
  drift: { time: needed('time') },
} as const satisfies Record<StandKind, Readonly<Record<string, StandFigure>>>;

/** The dimension of the figure that a kind of run comes to; an alternator is judged by its current or its voltage. */
export const standGives: Readonly<Record<StandKind, readonly Dimension[]>> = {
  alternator: ['current', 'voltage'],
  balancing: ['unbalance'],
  decay: ['pressure'],
  vacuum: ['pressure'],
  'pump-up': ['time'],
  spin: ['torque'],
  stroke: ['length'],
  damper: ['force'],
  slip: ['torque'],
  drift: ['length'],
};

/** What a run may tell beside its figure: the names that a sheet's `tells` may lead from. */
export const standTells: Readonly<Record<StandKind, readonly string[]>> = {
  alternator: ['open-diode', 'open-phase', 'shorted-diode', 'uneven-winding', 'slipping', 'low-output', 'regulator'],
  balancing: ['unbalance'],
  decay: ['leak'],
  vacuum: ['leak', 'moisture'],
  'pump-up': ['slow'],
  spin: ['outer-race', 'inner-race', 'ball', 'drag-high', 'drag-low'],
  stroke: ['creep', 'long-stroke', 'short-stroke'],
  damper: ['weak-out', 'weak-in', 'uneven'],
  slip: ['slips', 'grabs'],
  drift: ['drift'],
};

/** A test that is made on a stand, with the figures of its run. */
export interface Stand {
  readonly kind: StandKind;
  readonly figures: Readonly<Record<string, Quantity>>;
  readonly bands: Readonly<Record<string, Band>>;
}

/** Which kind of instrument makes which runs. */
export const standsFor = {
  'alternator-stand': ['alternator'],
  'balancing-stand': ['balancing'],
  'leak-tester': ['decay', 'vacuum', 'pump-up'],
  'spin-stand': ['spin'],
  'function-stand': ['stroke', 'damper', 'slip', 'drift'],
} as const satisfies Record<string, readonly StandKind[]>;
export type StandInstrument = keyof typeof standsFor;
/** The kind of instrument that makes a kind of run. */
export const standOf = (kind: StandKind): StandInstrument =>
  (Object.keys(standsFor) as StandInstrument[]).find((s) => (standsFor[s] as readonly StandKind[]).includes(kind))!;
