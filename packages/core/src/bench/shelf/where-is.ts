import type { Sheet } from '../../sheet/index.ts';
import { unitNow } from '../ladder/unit-now.ts';
import type { BenchState } from '../log/state.ts';

/**
 * Where a part is, in words, by what was said of it: the tray that it lies in, on the unit, or neither; never a guess.
 * @param rides it is drawn off with what carries it, though nobody took it out of that
 */
export function whereIs(pinned: Sheet, state: BenchState, part: string, rides = false): string {
  const lying = state.off[part];
  const all = pinned.parts[part]?.count ?? 1;
  if (lying)
    return lying.count < all
      ? `${lying.count} of ${all} off, in tray ${lying.tray}`
      : `off, ${lying.count} in tray ${lying.tray}`;
  if (unitNow(pinned, state).parts.get(part) === 'off') return 'not on the unit';
  return rides ? 'off with what carries it' : 'on the unit';
}
