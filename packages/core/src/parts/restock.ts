/** Something that is kept: how many lie there, below how many it is to be ordered, and up to how many. */
export interface Kept {
  readonly count: number;
  readonly least: number | null;
  readonly upTo: number | null;
  /** On order for the shop already. */
  readonly coming: number;
}

/**
 * How many to order of something that is kept: nothing while what lies there and what is coming is at its level or above;
 * else what is lacking up to where it is to be, or to its level where nobody said how far.
 * @returns pieces, 0 for none
 */
export function toRestock({ count, least, upTo, coming }: Kept): number {
  if (least === null || count + coming >= least) return 0;
  return Math.max(upTo ?? least, least) - count - coming;
}

/** What is wrong with a level: up to how many without below how many, or up to fewer. Undefined where it can be. */
export function levelProblem({
  least,
  upTo,
}: Pick<Kept, 'least' | 'upTo'>): { readonly field: 'least' | 'upTo'; readonly says: string } | undefined {
  if (upTo === null) return undefined;
  if (least === null) return { field: 'least', says: 'Say below how many it is ordered' };
  return upTo < least ? { field: 'upTo', says: `${least} at least: that is where it is ordered` } : undefined;
}
