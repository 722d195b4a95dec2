import { convert, QuantityError, type Quantity } from '../../quantities/index.ts';
import { ReckonError } from './error.ts';

/** The values of quantities of one kind, in the unit of the first. @throws ReckonError naming the one that differs */
export function inOneUnit(quantities: readonly Quantity[], field: string): number[] {
  const unit = quantities[0]!.unit;
  return quantities.map((q, i) => {
    if (q.unit === unit) return q.value;
    try {
      return convert(q, unit).value;
    } catch (e) {
      if (e instanceof QuantityError)
        throw new ReckonError(
          'wrong-dimension',
          `${field}[${i}]`,
          q,
          `a quantity of the same kind as the first (${unit})`,
        );
      throw e;
    }
  });
}
