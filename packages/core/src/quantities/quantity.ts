import { QuantityError } from './errors.ts';
import { parseNumber } from './number.ts';
import { canonicalUnit, dimensionsOfUnit, findUnit, unitsOf, type Dimension, type Unit } from './units.ts';

/** A value in the unit in which it was given. */
export interface Quantity {
  readonly value: number;
  readonly unit: string;
}

/** What may stand where a quantity is due: "59 ft·lbf" or `{value: 59, unit: "ft·lbf"}`. */
export type QuantityInput = string | Quantity;

export function isQuantity(x: unknown): x is Quantity {
  return (
    typeof x === 'object' &&
    x !== null &&
    typeof (x as Quantity).value === 'number' &&
    typeof (x as Quantity).unit === 'string'
  );
}

/** "N·m, ft·lbf, …": the units that a dimension takes, for messages. */
export function unitList(dimension: Dimension): string {
  return unitsOf(dimension)
    .map((u) => u.symbol)
    .join(', ');
}

const NUMBER = String.raw`[+\-−–]?(?:\d+\s+\d+\s*\/\s*\d+|\d+\s*\/\s*\d+|(?:\d+(?:[.,]\d+)*|\.\d+)(?:[eE][+\-]?\d+(?![a-zA-Z]))?)`;
const QUANTITY = new RegExp(String.raw`^\s*(${NUMBER})\s*(.*?)\s*$`, 'u');

/** Splits "59 ft·lbf" into "59" and "ft·lbf". Throws `not-a-quantity` when it does not begin with a number. */
export function splitQuantity(text: string): { number: string; unit: string } {
  const match = QUANTITY.exec(text);
  if (!match?.[1]) {
    throw new QuantityError(
      'not-a-quantity',
      `"${text}" is not a number with a unit`,
      text,
      'a number with a unit, such as 24 N·m',
    );
  }
  return { number: match[1], unit: match[2] ?? '' };
}

function resolveUnit(
  unit: string,
  dimension: Dimension | undefined,
  given: unknown,
): { unit: Unit; dimension: Dimension } {
  if (dimension) {
    if (unit === '') {
      if (dimension === 'ratio') return { unit: unitsOf('ratio')[0]!, dimension };
      const likely = unitsOf(dimension)
        .slice(0, 3)
        .map((u) => u.symbol);
      throw new QuantityError(
        'unit-missing',
        likely.length > 1
          ? `${String(given)} has no unit: ${likely.slice(0, -1).join(', ')} or ${likely.at(-1)}?`
          : `${String(given)} has no unit: ${likely[0]}?`,
        given,
        `a number with one of: ${unitList(dimension)}`,
      );
    }
    const found = findUnit(unit, dimension);
    if (found) return { unit: found, dimension };
    const others = dimensionsOfUnit(unit);
    if (others.length > 0) {
      throw new QuantityError(
        'wrong-dimension',
        `"${unit}" is a unit of ${words(others[0]!)}; ${words(dimension)} is due`,
        given,
        `a number with one of: ${unitList(dimension)}`,
      );
    }
    throw new QuantityError(
      'unknown-unit',
      `"${unit}" is not a unit of ${words(dimension)}`,
      given,
      `a number with one of: ${unitList(dimension)}`,
    );
  }
  if (unit === '')
    throw new QuantityError(
      'unit-missing',
      `${String(given)} has no unit`,
      given,
      'a number with a unit, such as 24 N·m',
    );
  const first = dimensionsOfUnit(unit)[0];
  if (!first)
    throw new QuantityError(
      'unknown-unit',
      `"${unit}" is not a unit that Jubb knows`,
      given,
      'a number with a unit, such as 24 N·m',
    );
  return { unit: findUnit(unit, first)!, dimension: first };
}

/** A dimension's name in words: "temperature difference". */
export function words(dimension: Dimension): string {
  return dimension === 'ratio' ? 'a plain number' : dimension.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);
}

/**
 * Reads a quantity, as text or as `{value, unit}`, in the dimension that is due (any, when none is named).
 * The value stays in the unit in which it was given, that unit in Jubb's own spelling.
 * @throws QuantityError naming what came and which units are accepted; never a silent default unit
 */
export function parseQuantity(input: unknown, dimension?: Dimension): Quantity {
  if (typeof input === 'number') {
    if (!Number.isFinite(input))
      throw new QuantityError('not-a-number', 'not a finite number', String(input), 'a finite number with a unit');
    const { unit } = resolveUnit('', dimension, input);
    return { value: input, unit: unit.symbol };
  }
  if (isQuantity(input)) {
    if (!Number.isFinite(input.value))
      throw new QuantityError('not-a-number', 'the value is not a finite number', input, 'a finite number with a unit');
    const { unit } = resolveUnit(input.unit === '1' && dimension === 'ratio' ? '' : input.unit, dimension, input);
    return { value: input.value, unit: unit.symbol };
  }
  if (typeof input !== 'string') {
    throw new QuantityError(
      'not-a-quantity',
      'neither a text nor {value, unit}',
      input,
      'a text such as "24 N·m", or {value, unit}',
    );
  }
  if (input.length > 80)
    throw new QuantityError(
      'not-a-quantity',
      'too long for a quantity',
      `${input.slice(0, 80)}…`,
      'a number with a unit',
    );
  const { number, unit } = splitQuantity(input);
  const resolved = resolveUnit(unit, dimension, input);
  return { value: parseNumber(number), unit: resolved.unit.symbol };
}

/**
 * Reads what was typed into a field that shows its own unit: a bare number is in that unit, any other unit stays as given.
 * @param own the field's unit
 * @throws QuantityError for an empty field, and whatever {@link parseQuantity} refuses
 */
export function parseInUnit(text: string, dimension: Dimension, own: string): Quantity {
  const typed = text.trim();
  if (typed === '')
    throw new QuantityError('not-a-number', 'nothing was typed', text, `a figure in ${own}, or with another unit`);
  // A number alone, with a point, a comma, a power of ten or spaces between its figures.
  const bare = /^[+-]?[\d.,\s\u202f\u2009]+(e[+-]?\d+)?$/i.test(typed);
  return parseQuantity(bare ? `${typed} ${own}` : typed, dimension);
}

function unitOrThrow(q: Quantity, dimension: Dimension): Unit {
  return resolveUnit(q.unit, dimension, q).unit;
}

/** The dimension of a quantity; where a unit serves several (MPa: stress, pressure), the first in the table. */
export function dimensionOf(q: Quantity): Dimension {
  return resolveUnit(q.unit === '' ? '1' : q.unit, undefined, q).dimension;
}

/** The quantity's value in the canonical unit of `dimension` (N·m, mm, N, MPa, bar, °C …). */
export function inCanonical(q: Quantity, dimension: Dimension): number {
  const unit = unitOrThrow(q, dimension);
  return q.value * unit.factor + (unit.offset ?? 0);
}

/** The same quantity in another unit of the same dimension. @throws QuantityError `wrong-dimension`, `unknown-unit` */
export function convert(q: Quantity, to: string, dimension: Dimension = commonDimension(q.unit, to)): Quantity {
  const target = resolveUnit(to, dimension, to).unit;
  if (unitOrThrow(q, dimension).symbol === target.symbol) return { value: q.value, unit: target.symbol };
  return { value: (inCanonical(q, dimension) - (target.offset ?? 0)) / target.factor, unit: target.symbol };
}

function commonDimension(from: string, to: string): Dimension {
  const shared = dimensionsOfUnit(from).find((d) => findUnit(to, d));
  if (!shared) {
    const own = dimensionsOfUnit(from)[0];
    throw new QuantityError(
      own ? 'wrong-dimension' : 'unknown-unit',
      own ? `"${from}" cannot be given in "${to}"` : `"${from}" is not a unit that Jubb knows`,
      to,
      own ? `one of: ${unitList(own)}` : 'a known unit',
    );
  }
  return shared;
}

/** A quantity in the canonical unit of its dimension. */
export function canonical(value: number, dimension: Dimension): Quantity {
  return { value, unit: canonicalUnit(dimension) };
}

/** Why a quantity is not one of a dimension, in words; undefined when it is. */
export function whyNotOf(q: Quantity, dimension: Dimension): string | undefined {
  try {
    parseQuantity(q, dimension);
    return undefined;
  } catch (e) {
    if (e instanceof QuantityError) return e.message;
    throw e;
  }
}
