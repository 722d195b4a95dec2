import type { Measure } from '../../sheet/index.ts';
import type { ReadingResult } from '../log/facts.ts';
import { meanOfReadings } from './repeats.ts';
import type { BenchState, Reading } from '../log/state.ts';

/** What stands at one place of a measure: the newest reading, and those pooled with it. */
export interface PlaceRead {
  readonly where: string;
  readonly newest: Reading;
  /** Readings of the same instrument at this place, one after another, the newest last. */
  readonly pooled: readonly Reading[];
}

/**
 * What stands at each place of a measure that was read. Reading a place again with the same instrument repeats it, and
 * the mean stands; with another instrument, or by hand with none, the newest reading alone stands. Nothing is dropped.
 */
export function placesRead(measure: Measure, state: BenchState): readonly PlaceRead[] {
  return measure.at.flatMap((where) => {
    const all = state.readings.filter((r) => r.subject === 'measure' && r.id === measure.id && r.where === where);
    const newest = all.at(-1);
    if (!newest) return [];
    return [{ where, newest, pooled: repeatsOf(all, newest.instrument?.id) }];
  });
}

/** The newest readings of one instrument at a place; of no instrument, only the newest. */
export function repeatsOf(all: readonly Reading[], instrument: string | undefined): readonly Reading[] {
  if (instrument === undefined) return all.slice(-1);
  const other = all.findLastIndex((r) => r.instrument?.id !== instrument);
  return all.slice(other + 1);
}

/** Places of a measure that are not read yet, in the order in which they are read. */
export function placesLeft(measure: Measure, state: BenchState): readonly string[] {
  const read = new Set(placesRead(measure, state).map((p) => p.where));
  return measure.at.filter((where) => !read.has(where));
}

/** The mean that stands at a place, also where a reading alone is held against no limit. */
export function standsAt(place: PlaceRead): Pick<ReadingResult, 'mean' | 'uncertainty'> {
  const { result, value, instrument } = place.newest;
  if (result) return { mean: result.mean, uncertainty: result.uncertainty };
  const { unit } = value;
  const gauge = instrument?.uncertainty?.unit === unit ? instrument.uncertainty.value : 0;
  const repeats = place.pooled.flatMap((r) => (r.value.unit === unit ? [r.value.value] : []));
  const { mean, uncertainty } = meanOfReadings(repeats, gauge);
  return { mean: { value: mean, unit }, uncertainty: { value: uncertainty, unit } };
}
