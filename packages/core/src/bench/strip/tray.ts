import type { Between, BenchState, Lying } from '../log/state.ts';

/** The tray without so many of a part; the part's line goes when none is left. */
export function takeFromTray(off: BenchState['off'], part: string, count: number): BenchState['off'] {
  const lying = off[part];
  if (!lying) return off;
  if (lying.count > count) return { ...off, [part]: { ...lying, count: lying.count - count } };
  return without(off, part);
}

/** What is in between, without the one that is settled now. */
export function settled(between: BenchState['between'], key: string): BenchState['between'] {
  return key in between ? without<Between>(between, key) : between;
}

/** A record without one key. */
export function without<T>(record: Readonly<Record<string, T>>, key: string): Readonly<Record<string, T>> {
  const { [key]: _gone, ...rest } = record;
  return rest;
}

/** The tray with a part in it, on top of what lies there of it already. */
export function layInTray(off: BenchState['off'], part: string, lying: Lying): BenchState['off'] {
  return { ...off, [part]: { ...lying, count: (off[part]?.count ?? 0) + lying.count } };
}
