import { convert, type Quantity } from '../../quantities/index.ts';

/** How many a rehearsal says there are of a part that neither the sheet nor its figures count. */
export const UNTOLD_COUNT = 8;

/** The middle of a band, in the unit of its lower end. */
export function middle(low: Quantity, high: Quantity): Quantity {
  return { value: (low.value + convert(high, low.unit).value) / 2, unit: low.unit };
}
