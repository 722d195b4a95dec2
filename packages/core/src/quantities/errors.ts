import { JubbError } from '../error.ts';

export type QuantityErrorCode =
  | 'not-a-quantity'
  | 'not-a-number'
  | 'ambiguous-number'
  | 'unit-missing'
  | 'unknown-unit'
  | 'wrong-dimension'
  | 'not-a-band'
  | 'band-upside-down';

/** A text or value that is not the quantity that was due. */
export class QuantityError extends JubbError {
  declare readonly code: QuantityErrorCode;
  constructor(code: QuantityErrorCode, message: string, given: unknown, accepted: string, field = '') {
    super(message, { code, field, given, accepted });
  }
}
