import { formatQuantity, inCanonical, type Quantity } from '../quantities/index.ts';

/** What is done again once the unit has left: after so much running, so far, or so long, whichever comes first. */
export interface FollowUp {
  readonly do: string;
  readonly after: {
    /** Of running. */
    readonly running?: Quantity;
    readonly distance?: Quantity;
    /** By the calendar, from the hand-over. */
    readonly calendar?: Quantity;
  };
}

/** "Wheel nuts again, after 10 h of running or 50 km, whichever comes first". */
export function followUpWords({ do: what, after }: FollowUp): string {
  const spans = [
    ...(after.running ? [`${formatQuantity(after.running)} of running`] : []),
    ...(after.distance ? [formatQuantity(after.distance)] : []),
    ...(after.calendar ? [spanOf(after.calendar)] : []),
  ];
  return `${what}, after ${spans.join(' or ')}${spans.length > 1 ? ', whichever comes first' : ''}`;
}

const NAMES: Readonly<Record<string, string>> = { d: 'day', wk: 'week' };
const spanOf = (q: Quantity): string => {
  const name = NAMES[q.unit];
  return name === undefined ? formatQuantity(q) : `${q.value} ${name}${q.value === 1 ? '' : 's'}`;
};

const DAY_MS = 86_400_000;
const DAYS_A_WEEK = 7;
/**
 * The day on which it is due: the first of the calendar's and, where it is known how long the unit runs, the running's.
 * @param left when the unit left
 * @param hoursPerWeek hours that the unit runs in a week
 * @returns undefined where nothing known says a day: a distance alone
 */
export function followUpDay({ after }: FollowUp, left: Date, hoursPerWeek?: number): Date | undefined {
  const seconds = (q: Quantity): number => inCanonical(q, 'time');
  const days = [
    ...(after.calendar ? [seconds(after.calendar) / 86_400] : []),
    ...(after.running && hoursPerWeek ? [(seconds(after.running) / 3600 / hoursPerWeek) * DAYS_A_WEEK] : []),
  ];
  return days.length === 0 ? undefined : new Date(left.getTime() + Math.ceil(Math.min(...days)) * DAY_MS);
}
