import { standsFor, type StandInstrument } from '../../sheet/index.ts';
import { couldGive, gaugeKindNames } from './gauges.ts';

const standKinds = Object.keys(standsFor) as readonly StandInstrument[] as readonly [
  StandInstrument,
  ...StandInstrument[],
];
/** What an instrument of the shop's own may be. */
export const ownInstrumentKinds = [
  'torque-wrench',
  'indicator',
  'thermometer',
  'press',
  ...gaugeKindNames,
  ...standKinds,
] as const;
export type OwnInstrumentKind = (typeof ownInstrumentKinds)[number];

/** The unit that each kind usually shows (common practice). */
export const usualUnits: Readonly<Record<OwnInstrumentKind, string>> = {
  'torque-wrench': 'N·m',
  indicator: 'mm',
  thermometer: '°C',
  press: 'kN',
  caliper: 'mm',
  micrometer: 'mm',
  'bore-gauge': 'mm',
  'pull-scale': 'N',
  'ohm-meter': 'Ω',
  'insulation-tester': 'MΩ',
  'diode-meter': 'V',
  'alternator-stand': 'A',
  'balancing-stand': 'mm/s',
  'leak-tester': 'bar',
  'spin-stand': 'N·m',
  'function-stand': 'N',
};

/** An instrument of the shop's own, as far as its facts must fit together. */
export interface OwnInstrument {
  readonly kind: string;
  /** The unit that it shows. */
  readonly unit: string;
  /** How it is read: 'typed', 'keyboard' or 'port'. */
  readonly readBy?: string | undefined;
  /** Last day of its calibration, YYYY-MM-DD. */
  readonly calibratedTo?: string | undefined;
  /** Where the scale of a torque wrench begins and ends, N·m. */
  readonly wrench?: { readonly minNm: number; readonly maxNm: number } | undefined;
}

/**
 * Why the facts of an instrument cannot be: a unit that it does not show, a stand that is typed, a day that is none, a torque wrench without a
 * range or with one that runs backwards. Undefined where they can.
 */
export function ownInstrumentProblem({
  kind,
  unit,
  readBy,
  calibratedTo,
  wrench,
}: OwnInstrument):
  { readonly field: 'unit' | 'readBy' | 'calibratedTo' | 'wrench'; readonly says: string } | undefined {
  if (!couldGive(kind, { value: 1, unit }))
    return { field: 'unit', says: `${unit} is not what a ${kind.replaceAll('-', ' ')} shows` };
  // Its curves come over a line: nobody types them.
  if (readBy !== undefined && readBy !== 'port' && Object.hasOwn(standsFor, kind))
    return { field: 'readBy', says: 'A stand is on a line' };
  if (calibratedTo !== undefined && !isDay(calibratedTo))
    return { field: 'calibratedTo', says: `${calibratedTo} is no day of the calendar` };
  if (kind === 'torque-wrench' && !wrench)
    return { field: 'wrench', says: 'A torque wrench has a range, a length and a graduation' };
  if (wrench && wrench.minNm >= wrench.maxNm) return { field: 'wrench', says: 'Its scale ends above where it begins' };
  return undefined;
}

function isDay(day: string): boolean {
  const at = new Date(`${day}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(day);
}

/**
 * Has the calibration of an instrument run out? It holds through its last day.
 * @param calibratedTo YYYY-MM-DD; null for one that was never calibrated, of which nothing has run out
 * @param today YYYY-MM-DD
 */
export const ranOut = (calibratedTo: string | null, today: string): boolean =>
  calibratedTo !== null && calibratedTo < today;
