export type Verdict = 'within' | 'outside' | 'undecided';

export interface Limits {
  readonly lower?: number | undefined;
  readonly upper?: number | undefined;
}

/**
 * Guarded decision of ISO 14253-1: within only if inside by the guard, outside only if beyond by it, else undecided.
 * All figures in one unit; `guard` is g·U, and 0 lets the limits alone decide.
 */
export function judge(x: number, guard: number, { lower, upper }: Limits): Verdict {
  // A hair of floating-point slack, so that 0.09 + 0.01 ≤ 0.10 holds.
  const hair = 1e-9 * Math.max(Math.abs(x), Math.abs(lower ?? 0), Math.abs(upper ?? 0), 1e-9);
  const inside =
    (lower === undefined || x >= lower + guard - hair) && (upper === undefined || x <= upper - guard + hair);
  const beyond = (lower !== undefined && x < lower - guard - hair) || (upper !== undefined && x > upper + guard + hair);
  return inside ? 'within' : beyond ? 'outside' : 'undecided';
}

/** The gravest of several verdicts: one outside makes the whole outside. */
export function gravest(verdicts: readonly Verdict[]): Verdict {
  if (verdicts.includes('outside')) return 'outside';
  return verdicts.includes('undecided') ? 'undecided' : 'within';
}
