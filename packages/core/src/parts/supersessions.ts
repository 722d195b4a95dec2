import { JubbError } from '../error.ts';

/** A number that a newer one replaces. */
export interface Supersession {
  readonly old: string;
  readonly now: string;
}

/**
 * Follows a number through its supersessions to the newest; the numbers on the way, old first, the newest last.
 * @throws JubbError `supersession-circle` when a number comes round to itself: a list like that cannot be ordered from
 */
export function newestNumber(number: string, newer: ReadonlyMap<string, string>): readonly string[] {
  const way = [number];
  for (let next = newer.get(number); next !== undefined; next = newer.get(next)) {
    if (way.includes(next))
      throw new JubbError(`${number}: the supersessions go round in a circle, ${[...way, next].join(' → ')}`, {
        code: 'supersession-circle',
        field: 'supersededBy',
        given: [...way, next].join(' → '),
        accepted: 'numbers that lead to one that nothing replaces',
      });
    way.push(next);
  }
  return way;
}
