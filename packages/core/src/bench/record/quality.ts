import { meanInterval, shareInterval, type Interval } from './intervals.ts';
import type { Sheet } from '../../sheet/index.ts';
import { workedMinutes } from '../ladder/worked.ts';
import type { BenchState } from '../log/state.ts';

const DAY_MS = 86_400_000;
/** A unit that is booked in again within this after it left came back (common practice: half a year). */
export const COMES_BACK_DAYS = 183;

/** One visit that is over, as far as it says how a sheet and its methods hold. */
export interface DoneVisit {
  readonly sheet: string;
  readonly title: string;
  /** What was asked, and what was chosen, in words. */
  readonly methods: readonly (readonly [ask: string, choice: string])[];
  readonly hours: number;
  readonly sheetHours: number;
  readonly cameBack: boolean;
}
export interface QualityLine {
  readonly title: string;
  readonly jobs: number;
  readonly comebacks: Interval | null;
  /** `high` is null where a single job says nothing of the range. */
  readonly hours: { readonly value: number; readonly low: number; readonly high: number | null } | null;
  readonly sheetHours: number;
}
export interface SheetQuality extends QualityLine {
  readonly sheet: string;
  readonly methods: readonly QualityLine[];
}

/** Was a unit that left then (ISO 8601) booked in again soon enough to count as one that came back? */
export function cameBack(left: string, bookedAgain: readonly string[]): boolean {
  return bookedAgain.some((at) => {
    const days = (Date.parse(at) - Date.parse(left)) / DAY_MS;
    return days >= 0 && days <= COMES_BACK_DAYS;
  });
}

/**
 * What a visit that is over says of its sheet; nothing of one that ended otherwise: what was not repaired says nothing of
 * how repairs hold.
 */
export function doneVisit(sheet: Sheet, state: BenchState, bookedAgain: readonly string[]): DoneVisit | undefined {
  if (!state.handedOver || state.end) return undefined;
  const worked = workedMinutes(sheet, state);
  return {
    sheet: sheet.id,
    title: sheet.title,
    methods: Object.entries(state.methods).map(([id, choice]) => {
      const m = sheet.methods[id];
      return [m?.ask ?? id, m?.choices.find((c) => c.id === choice)?.title ?? choice] as const;
    }),
    hours: worked.minutes / 60,
    sheetHours: worked.sheetMinutes / 60,
    cameBack: cameBack(state.handedOver.at, bookedAgain),
  };
}

/** Comebacks and hours by sheet, and within each by the method that was chosen, in the order in which they first stand. */
export function qualityOf(visits: readonly DoneVisit[]): readonly SheetQuality[] {
  return [...new Set(visits.map((v) => v.sheet))].map((sheet) => {
    const own = visits.filter((v) => v.sheet === sheet);
    const asks = [...new Set(own.flatMap((v) => v.methods.map(([ask]) => ask)))];
    const methods = asks.flatMap((ask) => {
      const choices = [...new Set(own.flatMap((v) => v.methods.filter(([a]) => a === ask).map(([, c]) => c)))];
      return choices.map((choice) =>
        lineOf(
          `${ask} ${choice}`,
          own.filter((v) => v.methods.some(([a, c]) => a === ask && c === choice)),
        ),
      );
    });
    return { sheet, ...lineOf(own[0]!.title, own), methods };
  });
}

function lineOf(title: string, own: readonly DoneVisit[]): QualityLine {
  const hours = meanInterval(own.map((v) => v.hours));
  return {
    title,
    jobs: own.length,
    comebacks: shareInterval(own.filter((v) => v.cameBack).length, own.length) ?? null,
    // JSON knows no infinity: a range that is not known has no upper end.
    hours: hours ? { ...hours, high: Number.isFinite(hours.high) ? hours.high : null } : null,
    sheetHours: own.reduce((sum, v) => sum + v.sheetHours, 0) / Math.max(1, own.length),
  };
}
