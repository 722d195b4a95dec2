import { unreachable } from '../../records.ts';
import { JubbError } from '../../error.ts';
import {
  canonicalUnit,
  findUnit,
  formatNumber,
  inCanonical,
  parseQuantity,
  unitList,
  type Quantity,
} from '../../quantities/index.ts';
import { ReckonError, shown } from './error.ts';
import { suffixOf, type Checked, type Field, type Fields, type ListField } from './fields.ts';

/** A default that stood in for a field left out. */
export interface DefaultUsed {
  readonly field: string;
  readonly label: string;
  readonly value: string | number | boolean;
}

const isPlainObject = (x: unknown): x is Record<string, unknown> =>
  typeof x === 'object' && x !== null && !Array.isArray(x);

/**
 * Checks inputs against a reckoner's fields and returns them complete and in canonical units.
 * @throws ReckonError naming the field's path, what came and what is accepted
 */
export function check<R extends Fields>(fields: R, inputs: unknown): { checked: Checked<R>; defaults: DefaultUsed[] } {
  const defaults: DefaultUsed[] = [];
  return { checked: checkRecord(fields, inputs, '', defaults) as Checked<R>, defaults };
}

function checkRecord(fields: Fields, inputs: unknown, path: string, defaults: DefaultUsed[]): Record<string, unknown> {
  if (!isPlainObject(inputs)) {
    throw new ReckonError('not-an-object', path, inputs, `an object with: ${Object.keys(fields).join(', ')}`);
  }
  for (const name of Object.keys(inputs)) {
    if (!Object.hasOwn(fields, name)) {
      throw new ReckonError(
        'unknown-field',
        join(path, name),
        inputs[name],
        `one of: ${Object.keys(fields).join(', ')}`,
      );
    }
  }
  const out: Record<string, unknown> = {};
  for (const [name, field] of Object.entries(fields)) {
    const at = join(path, name);
    const given = inputs[name];
    const key = keyOf(name, field);
    if (given !== undefined && given !== null) {
      out[key] = checkField(field, given, at, defaults);
    } else if (field.default !== undefined) {
      defaults.push({ field: at, label: field.label, value: field.default });
      out[key] = checkField(field, field.default, at, defaults);
    } else if (field.optional) {
      out[key] = undefined;
    } else {
      throw new ReckonError('missing-field', at, given ?? null, accepted(field), `${at} is needed: ${accepted(field)}`);
    }
  }
  return out;
}

const join = (path: string, name: string): string => (path ? `${path}.${name}` : name);

function keyOf(name: string, field: Field): string {
  if (field.kind === 'quantity') return `${name}${suffixOf[field.dimension]}`;
  if (field.kind === 'list' && field.of.kind === 'quantity') return `${name}${suffixOf[field.of.dimension]}`;
  return name;
}

function checkField(field: Field, given: unknown, at: string, defaults: DefaultUsed[]): unknown {
  switch (field.kind) {
    case 'quantity': {
      const value = inCanonical(
        atField(at, () => parseQuantity(withBareUnit(field, given), field.dimension)),
        field.dimension,
      );
      return bounded(value, field, at, given);
    }
    case 'any-quantity':
      if (typeof given === 'number' && Number.isFinite(given)) return { value: given, unit: '1' } satisfies Quantity;
      return atField(at, () =>
        parseQuantity(typeof given === 'string' && /^[\s\d.,+−-]+$/.test(given) ? `${given} 1` : given),
      );
    case 'scale':
      if (typeof given === 'number' && Number.isFinite(given)) return given;
      return atField(at, () => parseQuantity(given, 'torque'));
    case 'number': {
      const value = typeof given === 'string' && /^\s*[+-]?[\d.]+(e[+-]?\d+)?\s*$/i.test(given) ? Number(given) : given;
      if (typeof value !== 'number' || !Number.isFinite(value))
        throw new ReckonError('not-a-number', at, given, accepted(field));
      if (field.integer && !Number.isInteger(value))
        throw new ReckonError('not-a-whole-number', at, given, accepted(field));
      return bounded(value, field, at, given);
    }
    case 'choice':
      return chosen(field.options, given) ?? refuseChoice(field, given, at);
    case 'flag': {
      const said = typeof given === 'string' ? YES_NO[given.trim().toLowerCase()] : given;
      if (typeof said !== 'boolean') throw new ReckonError('not-yes-or-no', at, given, accepted(field));
      return said;
    }
    case 'text':
      if (typeof given !== 'string' || given.trim() === '')
        throw new ReckonError('not-a-text', at, given, accepted(field));
      if (given.length > field.maxLength) throw new ReckonError('too-long', at, shown(given), accepted(field));
      return given.trim();
    case 'list':
      if (!Array.isArray(given)) throw new ReckonError('not-a-list', at, given, accepted(field));
      if (given.length === 0 && field.minLength > 0) throw new ReckonError('empty-list', at, given, accepted(field));
      if (given.length < field.minLength) throw new ReckonError('too-few', at, given, accepted(field));
      if (given.length > field.maxLength)
        throw new ReckonError('too-many', at, `${given.length} entries`, accepted(field));
      // Dense first: holes of a sparse array are skipped by map and every, and would slip through.
      return checkEntries(field, Array.from(given as ArrayLike<unknown>), at, defaults);
    case 'record':
      return checkRecord(field.fields, given, at, defaults);
    case 'either': {
      const option = field.options.find((o) => couldBe(o, given));
      if (!option) throw new ReckonError('not-accepted', at, given, accepted(field));
      return checkField(option, given, at, defaults);
    }
    default:
      return unreachable('a field kind without a check', field);
  }
}

const YES_NO: Readonly<Record<string, boolean>> = { yes: true, no: false, true: true, false: false };

function checkEntries(field: ListField, entries: unknown[], at: string, defaults: DefaultUsed[]): unknown {
  if (field.of.kind === 'number' && entries.every((n) => plainlyWithin(field.of, n))) return entries;
  return entries.map((entry, i) => {
    if (entry === null || entry === undefined)
      throw new ReckonError('missing-field', `${at}[${i}]`, null, accepted(field.of));
    return checkField(field.of, entry, `${at}[${i}]`, defaults);
  });
}

/** The option that is meant: as it is written, or with other capitals and with spaces for hyphens. */
function chosen(options: readonly string[], given: unknown): string | undefined {
  if (typeof given !== 'string') return undefined;
  if (options.includes(given)) return given;
  const plain = (text: string): string =>
    text
      .trim()
      .toLowerCase()
      .replace(/[\s_]+/g, '-');
  const meant = options.filter((o) => plain(o) === plain(given));
  return meant.length === 1 ? meant[0] : undefined;
}
function refuseChoice(field: Field, given: unknown, at: string): never {
  throw new ReckonError('not-a-choice', at, given, accepted(field));
}

/** A number field's whole check in one test, so that a long record of samples is not walked path by path. */
function plainlyWithin(field: Field, n: unknown): boolean {
  return (
    field.kind === 'number' &&
    typeof n === 'number' &&
    Number.isFinite(n) &&
    !(field.integer && !Number.isInteger(n)) &&
    !(field.min !== undefined && n < field.min) &&
    !(field.max !== undefined && n > field.max) &&
    !(field.above !== undefined && n <= field.above)
  );
}

function withBareUnit(field: { readonly bareUnit?: string }, given: unknown): unknown {
  if (field.bareUnit === undefined) return given;
  if (typeof given === 'number') return { value: given, unit: field.bareUnit };
  if (typeof given === 'string' && /^\s*[+-]?[\d.]+(e[+-]?\d+)?\s*$/i.test(given)) return `${given} ${field.bareUnit}`;
  return given;
}

const looksLikeQuantity = (given: Record<string, unknown>): boolean => 'value' in given && 'unit' in given;

/** Could a value be meant for this kind of field? Tells the options of an `either` apart. */
function couldBe(field: Field, given: unknown): boolean {
  switch (field.kind) {
    case 'list':
      return Array.isArray(given);
    case 'record':
      return isPlainObject(given) && !looksLikeQuantity(given);
    case 'quantity':
      return isPlainObject(given) ? looksLikeQuantity(given) : typeof given === 'string' || typeof given === 'number';
    case 'number':
      return typeof given === 'number';
    case 'flag':
      return typeof given === 'boolean';
    case 'choice':
    case 'text':
      return typeof given === 'string';
    default:
      return typeof given !== 'object' || isPlainObject(given);
  }
}

function bounded(
  value: number,
  field: { min?: number; max?: number; above?: number } & Field,
  at: string,
  given: unknown,
): number {
  const outside =
    (field.min !== undefined && value < field.min) ||
    (field.max !== undefined && value > field.max) ||
    (field.above !== undefined && value <= field.above);
  if (outside) throw new ReckonError('out-of-range', at, given, accepted(field));
  return value;
}

function atField<T>(field: string, read: () => T): T {
  try {
    return read();
  } catch (e) {
    if (e instanceof JubbError) throw new ReckonError(e.code, field, e.given, e.accepted, `${field}: ${e.message}`);
    throw e;
  }
}

/** What a field takes, in words: "torque above 0 N·m (N·m, ft·lbf, …)". */
export function accepted(field: Field): string {
  switch (field.kind) {
    case 'quantity':
      return `${range(field, canonicalUnit(field.dimension))}a number with one of: ${unitList(field.dimension)}`;
    case 'any-quantity':
      return 'a quantity such as "0.095 mm", or a bare number for a ratio or count';
    case 'scale':
      return 'a number on the wrench’s own scale, or a torque';
    case 'number':
      return `${range(field, '')}a ${field.integer ? 'whole ' : ''}number`;
    case 'choice':
      return `one of: ${field.options.join(', ')}`;
    case 'flag':
      return 'yes or no (true or false)';
    case 'text':
      return `a text of at most ${field.maxLength} characters`;
    case 'list':
      return `a list of ${field.minLength} to ${field.maxLength}: ${accepted(field.of)}`;
    case 'record':
      return `an object with: ${Object.keys(field.fields).join(', ')}`;
    case 'either':
      return field.options.map(accepted).join('; or ');
    default:
      return unreachable('a field kind without a check', field);
  }
}

function range(field: { min?: number; max?: number; above?: number }, unit: string): string {
  const at = (n: number): string =>
    unit && findUnit(unit, 'ratio') === undefined ? `${formatNumber(n)} ${unit}` : formatNumber(n);
  const parts: string[] = [];
  if (field.above !== undefined) parts.push(`above ${at(field.above)}`);
  if (field.min !== undefined) parts.push(`at least ${at(field.min)}`);
  if (field.max !== undefined) parts.push(`at most ${at(field.max)}`);
  return parts.length > 0 ? `${parts.join(', ')}: ` : '';
}
