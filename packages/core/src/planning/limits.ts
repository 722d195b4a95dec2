import type { Resource } from './types.ts';

/** A plan that was made longer ago than this is not taken, minutes: too much has gone on since. */
export const STALE_PLAN_MIN = 30;
/** Moves of the plan that are told of, the newest first. */
export const MOVES_TOLD = 40;
/** More hours than this are not put onto one day. */
export const LONGEST_EXTRA_H = 12;

/** May it go on while nobody is in the house? A wash tank soaks overnight; an oven and a press want somebody there: common practice. */
export function runsAtNight(kind: Resource['kind']): boolean {
  return kind === 'tank';
}
