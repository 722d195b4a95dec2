import type { RawRung, RawSheet } from './raw.ts';

/** The maps of a sheet whose entries may stand once on each side or place. */
const MAPS = [
  'parts',
  'joints',
  'aids',
  'leads',
  'looks',
  'marks',
  'measures',
  'settings',
  'tests',
  'causes',
  'loads',
  'axes',
] as const;
/** Words for people: a name that happens to stand in them is no name. */
const WORDS = new Set([
  'title', 'do', 'say', 'note', 'ask', 'yes', 'helper', 'group', 'confirm', 'clean', 'where', 'with', 'to', 'how',
  'until', 'check', 'clear', 'rework', 'tools', 'then', 'reuse-if', 'look-again', 'asks', 'takes', 'caution', 'ahead', 'way', 'keep-clear', 'may-not-touch', 'faces', 'hole', 'on', 'shape', 'pattern', 'thicker', 'sign', 'material', 'motion', 'medium', 'goes', 'kind', 'gauge', 'quantity', 'points',
]); // prettier-ignore

/** What may stand once on each side. */
type Sided = { readonly each?: readonly string[]; readonly title?: string };

export interface Expanded {
  readonly raw: RawSheet;
  /** Place in the text of each rung of `raw`. */
  readonly rungAt: readonly number[];
}

/** `caliper` on the left is `caliper@left`: a name that cannot be written, so that it is never mixed up. */
const on = (name: string, side: string): string => `${name}@${side}`;

/**
 * Opens `each: [left, right]`: every entry and rung that has it becomes one for each side, under its own name, and a
 * rung of a side speaks only of the things of that side. Readings, findings and parts then cannot be swapped across.
 */
export function expandEach(raw: RawSheet): Expanded {
  const sides = new Map<string, readonly string[]>();
  for (const map of MAPS)
    for (const [name, entry] of Object.entries<Sided>(raw[map] ?? {})) if (entry.each) sides.set(name, entry.each);
  for (const rung of raw.rungs) if (rung.each) sides.set(rung.id, rung.each);
  if (sides.size === 0) return { raw, rungAt: raw.rungs.map((_, i) => i) };

  const rungs: RawRung[] = [];
  const rungAt: number[] = [];
  raw.rungs.forEach((rung, i) => {
    for (const side of rung.each ?? [undefined]) {
      const copy = spoken(rung, sides, side) as RawRung;
      rungs.push(
        side === undefined
          ? { ...copy, id: rung.id }
          : { ...copy, id: on(rung.id, side), title: `${rung.title}, ${side}`, each: undefined, onSide: side },
      );
      rungAt.push(i);
    }
  });
  const maps = Object.fromEntries(
    MAPS.map((map) => [
      map,
      raw[map] &&
        Object.fromEntries(Object.entries<Sided>(raw[map]).flatMap(([name, entry]) => copies(name, entry, sides))),
    ]),
  );
  const both = (p: string): readonly string[] => sides.get(p)?.map((s) => on(p, s)) ?? [p];
  const kits =
    raw.kits &&
    Object.fromEntries(Object.entries(raw.kits).map(([k, kit]) => [k, { ...kit, covers: kit.covers.flatMap(both) }]));
  const sets =
    raw.sets &&
    Object.fromEntries(Object.entries(raw.sets).map(([k, s]) => [k, { ...s, parts: s.parts.flatMap(both) }]));
  const open = raw['while-open']?.flatMap((w) => both(w.part).map((part) => ({ ...w, part })));
  return {
    raw: {
      ...raw,
      ...maps,
      ...(kits ? { kits } : {}),
      ...(sets ? { sets } : {}),
      ...(open ? { 'while-open': open } : {}),
      rungs,
    },
    rungAt,
  };
}

/** "Left caliper bolt": as it is said at the bench. */
function sided(title: string, side: string): string {
  return `${side.charAt(0).toUpperCase()}${side.slice(1)} ${title.charAt(0).toLowerCase()}${title.slice(1)}`;
}

function copies(name: string, entry: Sided, sides: ReadonlyMap<string, readonly string[]>): [string, object][] {
  if (!entry.each) return [[name, entry]];
  // "on" and "with" are words in an operation, and names in a part.
  const names = (side: string): object =>
    Object.fromEntries(
      (['on', 'with'] as const).flatMap((key) => {
        const given = (entry as { readonly [k: string]: unknown })[key];
        return typeof given === 'string' && sides.get(given)?.includes(side) ? [[key, on(given, side)]] : [];
      }),
    );
  return entry.each.map((side) => [
    on(name, side),
    {
      ...(spoken(entry, sides, side) as object),
      ...names(side),
      ...(entry.title === undefined ? {} : { title: sided(entry.title, side) }),
      each: undefined,
      onSide: side,
    },
  ]);
}

/** A thing as one side says it: names of its own side; outside any side, a name in a list means all of them. */
function spoken(
  value: unknown,
  sides: ReadonlyMap<string, readonly string[]>,
  side: string | undefined,
  key = '',
): unknown {
  const named = (name: string): string =>
    side !== undefined && sides.get(name)?.includes(side) ? on(name, side) : name;
  if (typeof value === 'string') {
    if (WORDS.has(key)) return value;
    // "pads is renew", "strip caliper"
    const parts = /^(strip |bottom |build )?([a-z][a-z0-9-]*)( is .*)?$/.exec(value);
    return parts ? `${parts[1] ?? ''}${named(parts[2]!)}${parts[3] ?? ''}` : value;
  }
  if (Array.isArray(value)) {
    return value.flatMap((v: unknown): unknown[] =>
      side === undefined && typeof v === 'string' && !WORDS.has(key) && sides.has(v)
        ? sides.get(v)!.map((s) => on(v, s))
        : [spoken(v, sides, side, key)],
    );
  }
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([k, v]) =>
      key === 'row'
        ? [named(k), spoken(v, sides, side, 'row')]
        : [key === 'off' ? named(k) : k, k === 'id' ? v : spoken(v, sides, side, k)],
    ),
  );
}
