import { reckoners, type Reckoner } from '@jubb/core/reckoners';

const words = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/** How well a reckoner answers what somebody typed: 0 is not at all. Every word must begin one of its words. */
export function fitOf(r: Reckoner, typed: string): number {
  const asked = words(typed);
  if (asked.length === 0) return 1;
  const fields: readonly (readonly [number, readonly string[]])[] = [
    [4, words(r.title)],
    [3, r.asks.flatMap(words)],
    [2, words(r.id)],
    [1, [...words(r.subject), ...Object.values(r.inputs).flatMap((f) => words(f.label))]],
  ];
  let total = 0;
  for (const word of asked) {
    const best = Math.max(0, ...fields.map(([weight, known]) => (known.some((k) => k.startsWith(word)) ? weight : 0)));
    if (best === 0) return 0;
    total += best;
  }
  // A whole phrase that people ask with comes first.
  return total + (r.asks.some((a) => a.toLowerCase().startsWith(typed.trim().toLowerCase())) ? 5 : 0);
}

/** The reckoners that answer what was typed, best first; all in the catalogue's order when nothing is. */
export function findReckoners(typed: string): readonly Reckoner[] {
  return reckoners
    .map((r) => ({ r, fit: fitOf(r, typed) }))
    .filter(({ fit }) => fit > 0)
    .sort((a, b) => b.fit - a.fit)
    .map(({ r }) => r);
}
