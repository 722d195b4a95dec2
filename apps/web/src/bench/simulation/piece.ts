import type { HandDto } from '@jubb/contract';
import { convert, type Quantity } from '@jubb/core/quantities';
import type { Measure } from '@jubb/core/sheet';

/** What a simulated gauge is to touch: this unit's piece at this place, between new and worn out. */
export function pieceFor(measure: Measure, unit: string, on: string, where: string): HandDto {
  const own = (q: Quantity | undefined): number | undefined => q && convert(q, unit).value;
  const limit = measure.min ?? measure.max ?? measure.derived.spread;
  return {
    action: 'present',
    piece: `${on}/${measure.id}/${where}`,
    newSize: own(measure.newSize),
    limit: limit && limit.unit !== '%' ? own(limit) : undefined,
  };
}
