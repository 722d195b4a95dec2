import type { EventPayloads } from '@jubb/core/bench';
import { dimensionOf, whyNotOf, type Dimension } from '@jubb/core/quantities';
import type { Sheet } from '@jubb/core/sheet';

/** What kind of figure a reading is: the sheet's, unless it was taken as something else, as a pull of a drag is. */
export function dimensionOfReading(sheet: Sheet, { subject, id, value }: EventPayloads['reading-taken']): Dimension {
  const asked =
    subject === 'process'
      ? undefined
      : { measure: sheet.measures, setting: sheet.settings, test: sheet.tests }[subject][id];
  return asked && whyNotOf(value, asked.dimension) === undefined ? asked.dimension : dimensionOf(value);
}
