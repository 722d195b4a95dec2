import type { BenchState, PartLineState } from '../log/state.ts';

/** What stands on order or is here for a part. */
export interface Cover {
  /** The line that brings it whole; else the lines that bring some of it each. Empty: nothing is ordered. */
  readonly lines: readonly PartLineState[];
  /** How many of it they bring, of how many; undefined where one line brings it whole. */
  readonly share?: { readonly count: number; readonly needed: number };
  /** Nothing of it is left to order. */
  readonly whole: boolean;
}

const NOTHING: Cover = { lines: [], whole: false };

/** Part id → what is ordered or here for it. A line that was cancelled brings nothing, nor does a kit what it lacked. */
export function coverOf(state: BenchState): ReadonlyMap<string, Cover> {
  const live = Object.values(state.partLines).filter((l) => l.status !== 'cancelled');
  const byPart = new Map<string, PartLineState[]>();
  for (const line of live)
    for (const part of line.parts)
      if (!line.missing.includes(part)) byPart.set(part, [...(byPart.get(part) ?? []), line]);
  return new Map([...byPart].map(([part, lines]) => [part, coverBy(lines)]));
}

/** What is ordered or here for one part. */
export const coverFor = (state: BenchState, part: string): Cover => coverOf(state).get(part) ?? NOTHING;

function coverBy(lines: readonly PartLineState[]): Cover {
  const all = lines.findLast((l) => l.needed === undefined);
  if (all) return { lines: [all], whole: true };
  const count = lines.reduce((sum, l) => sum + l.count, 0);
  // The newest order knows best how many it wants.
  const needed = lines.at(-1)!.needed!;
  return { lines, share: { count, needed }, whole: count >= needed };
}

/** Parts of which some are ordered or here, and the rest is not. */
export const partlyOrdered = (state: BenchState): readonly string[] =>
  [...coverOf(state)].flatMap(([part, cover]) => (cover.whole ? [] : [part]));
