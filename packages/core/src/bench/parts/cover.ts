import type { PartLineState } from '../log/state.ts';

/** A line as it stands: whatever is asked of what is ordered or here needs no more of it. */
export type LineNow = Omit<PartLineState, 'order' | 'ordered' | 'arrived' | 'sentBack'>;
/** Line id → the line as it stands: those of a bench's state, or as they will be once something is decided. */
export interface LinesNow {
  readonly partLines: Readonly<Record<string, LineNow>>;
}

/** What stands on order or is here for a part. */
export interface Cover {
  /** The line that brings it whole; else the lines that bring some of it each. Empty: nothing is ordered. */
  readonly lines: readonly LineNow[];
  /** How many of it they bring, of how many; undefined where one line brings it whole. */
  readonly share?: { readonly count: number; readonly needed: number };
  /** Nothing of it is left to order. */
  readonly whole: boolean;
}

const NOTHING: Cover = { lines: [], whole: false };

/** Part id → what is ordered or here for it. A line that was cancelled brings nothing, nor does a kit what it lacked. */
export function coverOf({ partLines }: LinesNow): ReadonlyMap<string, Cover> {
  const byPart = new Map<string, LineNow[]>();
  for (const line of Object.values(partLines))
    for (const part of line.status === 'cancelled' ? [] : line.parts)
      if (!line.missing.includes(part)) byPart.set(part, [...(byPart.get(part) ?? []), line]);
  return new Map([...byPart].map(([part, lines]) => [part, coverBy(lines)]));
}

/** What is ordered or here for one part. */
export const coverFor = (now: LinesNow, part: string): Cover => coverOf(now).get(part) ?? NOTHING;

function coverBy(lines: readonly LineNow[]): Cover {
  const all = lines.findLast((l) => l.needed === undefined);
  if (all) return { lines: [all], whole: true };
  const count = lines.reduce((sum, l) => sum + l.count, 0);
  // The newest order knows best how many it wants.
  const needed = lines.at(-1)!.needed!;
  return { lines, share: { count, needed }, whole: count >= needed };
}

/** Parts that a kit lacked, and that no other line brings whole. */
export function stillMissing(now: LinesNow): readonly string[] {
  const cover = coverOf(now);
  return Object.values(now.partLines).flatMap((l) =>
    l.status === 'arrived' ? l.missing.filter((p) => cover.get(p)?.whole !== true) : [],
  );
}

/** Is everything that was ordered here, and nothing left to buy of what a kit lacked, or of what was ordered in part? */
export const allHere = (now: LinesNow): boolean =>
  Object.values(now.partLines).every((l) => l.status !== 'ordered') &&
  stillMissing(now).length === 0 &&
  [...coverOf(now).values()].every((c) => c.whole);
