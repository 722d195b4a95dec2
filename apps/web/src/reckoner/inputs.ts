import {
  convert,
  dimensionOf,
  inCanonical,
  parseQuantity,
  QuantityError,
  unitsOf,
  type Dimension,
  type Quantity,
} from '@jubb/core/quantities';
import type { Field, Fields } from '@jubb/core/reckoners';

/** Inputs as they are typed: what the reckoner gets, and what the address holds. */
export type Inputs = Readonly<Record<string, unknown>>;
const LONGEST_ADDRESS = 6000;

/** An input as it is written beside a drawing; empty when it is not given, or is no word and no figure. */
export function written(inputs: Inputs, name: string): string {
  const value = inputs[name];
  if (typeof value === 'string' || typeof value === 'number') return String(value);
  const { number, unit } = splitTyped(value, 'length');
  return number === '' ? '' : `${number} ${unit}`;
}

/** Number and unit of a typed quantity; the canonical unit when none is typed yet. */
export function splitTyped(typed: unknown, dimension: Dimension): { number: string; unit: string } {
  const units = unitsOf(dimension).map((u) => u.symbol);
  const fallback = units[0]!;
  if (typeof typed === 'object' && typed !== null && 'value' in typed && 'unit' in typed)
    return { number: String((typed as Quantity).value), unit: String((typed as Quantity).unit) };
  if (typeof typed === 'number') return { number: String(typed), unit: fallback };
  if (typeof typed !== 'string') return { number: '', unit: fallback };
  const text = typed.trim();
  const unit = [...units].sort((a, b) => b.length - a.length).find((u) => text.endsWith(u) && text.length > u.length);
  if (unit) return { number: text.slice(0, -unit.length).trim(), unit };
  try {
    const q = parseQuantity(text, dimension);
    return { number: String(q.value), unit: q.unit };
  } catch (e) {
    if (e instanceof QuantityError) return { number: text, unit: fallback };
    throw e;
  }
}

/** What is kept of a number typed into a field whose unit stands beside it; a typed unit wins. */
export function joinTyped(number: string, unit: string): string | undefined {
  if (number.trim() === '') return undefined;
  return /[a-zµμΩ°%"′″]/i.test(number.replace(/\d\s*e\s*[+-]?\d/gi, '')) ? number : `${number} ${unit}`;
}

/** The same quantity in another unit, rounded so that switching back and forth gives what was typed. */
export function switchUnit(typed: unknown, to: string, dimension: Dimension): string {
  const { number, unit } = splitTyped(typed, dimension);
  try {
    const q = convert(parseQuantity(`${number} ${unit}`, dimension), to, dimension);
    return `${Number(q.value.toPrecision(10))} ${to}`;
  } catch (e) {
    if (e instanceof QuantityError) return `${number} ${to}`;
    throw e;
  }
}

/** Inputs with one changed, at a path; an undefined or empty value takes it out. */
export function withValue(inputs: Inputs, path: readonly (string | number)[], value: unknown): Inputs {
  const [first, ...rest] = path;
  if (first === undefined) return inputs;
  const change = (container: unknown, key: string | number, more: readonly (string | number)[]): unknown => {
    const copy: Record<string | number, unknown> | unknown[] = Array.isArray(container)
      ? [...(container as unknown[])]
      : { ...((container ?? {}) as Record<string, unknown>) };
    const next = more[0];
    const put =
      next === undefined ? value : change((copy as Record<string | number, unknown>)[key], next, more.slice(1));
    if (put === undefined && !Array.isArray(copy)) delete copy[key];
    else (copy as Record<string | number, unknown>)[key] = put;
    return copy;
  };
  return change(inputs, first, rest) as Inputs;
}

/** A first entry for a list or an optional group: empty, with the first of each choice. */
export function blank(field: Field): unknown {
  switch (field.kind) {
    case 'record':
      return blankRecord(field.fields);
    case 'list':
      return Array.from({ length: Math.max(1, field.minLength) }, () => blank(field.of));
    case 'choice':
      return field.options[0];
    default:
      return '';
  }
}
const blankRecord = (fields: Fields): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(fields)
      .filter(([, f]) => !f.optional && f.default === undefined)
      .map(([name, f]) => [name, blank(f)]),
  );

/** The address of a reckoning: it can be kept, sent and printed. A record too long for it is left out. */
export function addressOf(id: string, inputs: Inputs): string {
  const text = JSON.stringify(inputs);
  return text.length > LONGEST_ADDRESS ? `/reckoner/${id}` : `/reckoner/${id}?in=${encodeURIComponent(text)}`;
}
export function fromAddress(search: URLSearchParams): Inputs | undefined {
  const text = search.get('in');
  if (text === null) return undefined;
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Inputs) : undefined;
  } catch {
    return undefined;
  }
}

/** A typed input as a number in its canonical unit, for the drawings; undefined when it is not there. */
export function figure(typed: unknown, dimension: Dimension): number | undefined {
  if (typed === undefined || typed === '') return undefined;
  try {
    return inCanonical(parseQuantity(typed, dimension), dimension);
  } catch (e) {
    if (e instanceof QuantityError) return undefined;
    throw e;
  }
}

/** The size of a typed quantity of whatever kind, in the canonical unit of its kind, so that readings can be compared. */
export function sizeOf(typed: unknown): number {
  if (typeof typed === 'number') return typed;
  try {
    const q = parseQuantity(typed);
    return inCanonical(q, dimensionOf(q));
  } catch (e) {
    if (e instanceof QuantityError) return 0;
    throw e;
  }
}
