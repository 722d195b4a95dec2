import type { Part, Sheet } from '../../sheet/index.ts';
import { goesBackNew } from '../fitting/renewal.ts';
import { ladderOf } from '../ladder/moves.ts';
import type { BenchState } from '../log/state.ts';
import { coverOf } from '../parts/cover.ts';
import { agreedOption } from './agreed-option.ts';
import { hoursMinor, type BillSettings } from './money.ts';
import type { QuoteLine } from './events.ts';

/** Lines on order that still count. */
export const orderedLines = (state: BenchState): readonly BenchState['partLines'][string][] =>
  Object.values(state.partLines).filter((l) => l.status !== 'cancelled');

/**
 * Parts that go back new and that no order covers, and how many of each: the rest, where some are ordered. Of a job that ended,
 * those that were renewed before it did.
 */
export function uncoveredParts(
  sheet: Sheet,
  state: BenchState,
): readonly { readonly part: Part; readonly count: number }[] {
  const ordered = new Set(orderedLines(state).flatMap((l) => (l.needed === undefined ? l.parts : [])));
  const cover = coverOf(state);
  return Object.values(sheet.parts).flatMap((part) => {
    const isNew = state.end ? state.renewed[part.id] !== undefined : goesBackNew(sheet, state, part.id);
    if (!isNew || ordered.has(part.id)) return [];
    const share = cover.get(part.id)?.share;
    const count = share ? share.needed - share.count : part.count;
    return count > 0 ? [{ part, count }] : [];
  });
}

/** What such a part costs each, by the lists, else by the sheet; minor units without tax. */
export const priceOf = (part: Part, money: BillSettings): number =>
  money.pricing?.prices[part.order ?? ''] ?? part.priceMinor ?? 0;

/** Minutes of the ladder as it stands, by what such jobs really take. */
export const billedMinutes = (sheet: Sheet, state: BenchState, money: BillSettings): number =>
  Math.round(ladderOf(sheet, state).all.reduce((sum, s) => sum + s.minutes, 0) * (money.pricing?.timeFactor ?? 1));

/**
 * What a bill is made of, line by line: what was agreed while that stands, and what was ordered past it; else orders, parts and
 * hours. Its sum is the net sum of {@link billOf}.
 */
export function billLines(sheet: Sheet, state: BenchState, money: BillSettings): readonly QuoteLine[] {
  const ordered = orderedLines(state);
  const agreed = agreedOption(state);
  if (agreed) {
    const quoted = agreed.lines.filter((l) => l.kind !== 'hours').reduce((sum, l) => sum + l.sumMinor, 0);
    const past = ordered.reduce((sum, l) => sum + (l.priceMinor ?? 0) * l.count, 0) - quoted;
    return past > 0
      ? [
          ...agreed.lines,
          { title: 'Parts ordered past the quote', kind: 'part', count: 1, eachMinor: past, sumMinor: past },
        ]
      : agreed.lines;
  }
  const minutes = billedMinutes(sheet, state, money);
  const line = (title: string, kind: QuoteLine['kind'], count: number, eachMinor: number): QuoteLine => ({
    title,
    kind,
    count,
    eachMinor,
    sumMinor: count * eachMinor,
  });
  return [
    ...ordered.map((l) => line(l.title, l.kit ? 'kit' : 'part', l.count, l.priceMinor ?? 0)),
    ...uncoveredParts(sheet, state).map(({ part, count }) => line(part.title, 'part', count, priceOf(part, money))),
    {
      title: 'Work',
      kind: 'hours',
      count: Math.round((minutes / 60) * 100) / 100,
      eachMinor: money.rateMinor,
      sumMinor: hoursMinor(minutes, money.rateMinor),
    },
  ];
}
