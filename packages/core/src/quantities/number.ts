import { QuantityError } from './errors.ts';

const MINUS = /[−‒–]/g;
const ACCEPTED = 'a number such as 24, 1.5, 1,5, 3/8 or 1 3/8';

/**
 * Reads one number as people write it: "24", "−0.5", "1,5", "1 3/8", "3/8", "1.2e3".
 * A comma is a decimal comma unless exactly three digits follow it, which could as well mean thousands.
 * @throws QuantityError `not-a-number` or `ambiguous-number`
 */
export function parseNumber(text: string): number {
  const t = text.trim().replace(MINUS, '-');
  const fraction = /^([+-]?)(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(t);
  if (fraction) {
    const [, sign, whole, top, bottom] = fraction;
    if (Number(bottom) === 0) {
      throw new QuantityError('not-a-number', `"${text}" divides by zero`, text, ACCEPTED);
    }
    const magnitude = Number(whole ?? 0) + Number(top) / Number(bottom);
    return sign === '-' ? -magnitude : magnitude;
  }
  if (/^[+-]?\d{1,3}(,\d{3})+$/.test(t)) {
    throw new QuantityError(
      'ambiguous-number',
      `"${text}" could be ${t.replaceAll(',', '')} or ${t.replace(',', '.')}: write it with a point or without the comma`,
      text,
      ACCEPTED,
    );
  }
  const plain = /^[+-]?\d+,\d+$/.test(t) ? t.replace(',', '.') : t;
  if (!/^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i.test(plain)) {
    throw new QuantityError('not-a-number', `"${text}" is not a number`, text, ACCEPTED);
  }
  const value = Number(plain);
  if (!Number.isFinite(value)) {
    throw new QuantityError('not-a-number', `"${text}" is too large a number`, text, ACCEPTED);
  }
  return value;
}
