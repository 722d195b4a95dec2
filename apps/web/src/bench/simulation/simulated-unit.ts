import type { BenchState } from '@jubb/core/bench';

/**
 * The name by which every simulated instrument knows the unit of a job. The stand-ins draw its true dimensions from the name, so
 * it holds only what stands on the job card: the same rehearsal meets the same unit.
 */
export function simulatedUnit(state: BenchState): string {
  const { unit, number } = state.booked!;
  return `${unit.serial}, job ${number}`;
}
