import type { Joint, Sheet } from '../../sheet/index.ts';

/** The joint of a castellated nut that a pin goes through; undefined for any other part. */
export const slotOf = (sheet: Sheet, pin: string): Joint | undefined =>
  Object.values(sheet.joints).find((j) => j.slot?.pin === pin);
