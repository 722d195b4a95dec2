import { CsvError, parse } from 'csv-parse/sync';
import { plainText, writeCsv } from '../csv/write-csv.ts';

/** How a customer is reached; what nobody knows is empty. */
export interface CustomerFacts {
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly address: string;
  readonly notes: string;
}
export const customerColumns = ['name', 'phone', 'email', 'address', 'notes'] as const;
export type CustomerColumn = (typeof customerColumns)[number];
/** Letters at most in each. */
export const longestCustomerField: Readonly<Record<CustomerColumn, number>> = {
  name: 80,
  phone: 40,
  email: 120,
  address: 400,
  notes: 2000,
};
/** Lines of one file. */
export const MOST_CUSTOMERS = 5000;

/** What a line of the file would do: a customer that is new, one that is known and would become another, one that is as it is; or why it is none. */
export type CustomerLine =
  | { readonly line: number; readonly what: 'new' | 'changed' | 'same'; readonly facts: CustomerFacts }
  | { readonly line: number; readonly what: 'wrong'; readonly why: string };

const keyOf = (name: string): string => name.trim().replace(/\s+/g, ' ').toLowerCase();

/**
 * Why a field of a customer is not taken, in words; undefined where it is.
 * An address of mail is only held to have one @ with something on both sides: whether it is real shows when it is used.
 */
export function customerProblem(
  facts: CustomerFacts,
): { readonly field: CustomerColumn; readonly says: string } | undefined {
  if (facts.name === '') return { field: 'name', says: 'A name is due' };
  for (const field of customerColumns)
    if (facts[field].length > longestCustomerField[field])
      return { field, says: `${facts[field].length} letters; at most ${longestCustomerField[field]}` };
  if (facts.email !== '' && !/^[^\s@]+@[^\s@]+$/.test(facts.email))
    return { field: 'email', says: `"${facts.email}" is no address of mail` };
  return undefined;
}

/**
 * Customers of a CSV (RFC 4180, commas or semicolons, header first, in any order), each held against those that are known
 * by name. A column that the file does not have leaves what is known as it is.
 * @throws RangeError when the file is no CSV, has no column "name", or has too many lines
 */
export function readCustomers(text: string, known: readonly CustomerFacts[]): readonly CustomerLine[] {
  const [first, ...rows] = records(text);
  const header = (first?.record ?? []).map((h) => h.toLowerCase());
  if (!header.includes('name'))
    throw new RangeError(`There is no column "name"; the columns are ${header.join(', ') || 'none'}`);
  if (rows.length > MOST_CUSTOMERS) throw new RangeError(`${rows.length} lines; at most ${MOST_CUSTOMERS}`);
  const byName = new Map(known.map((k) => [keyOf(k.name), k]));
  const seen = new Map<string, number>();
  return rows.map(({ record, line }): CustomerLine => {
    const cell = (column: CustomerColumn): string | undefined => {
      const at = header.indexOf(column);
      return at < 0 ? undefined : plainText(record[at] ?? '').trim();
    };
    const name = (cell('name') ?? '').replace(/\s+/g, ' ');
    const was = byName.get(keyOf(name));
    const facts: CustomerFacts = {
      name: was?.name ?? name,
      phone: cell('phone') ?? was?.phone ?? '',
      email: cell('email') ?? was?.email ?? '',
      address: cell('address') ?? was?.address ?? '',
      notes: cell('notes') ?? was?.notes ?? '',
    };
    const wrong = customerProblem(facts);
    if (wrong) return { line, what: 'wrong', why: `${wrong.field}: ${wrong.says}` };
    const before = seen.get(keyOf(name));
    if (before !== undefined) return { line, what: 'wrong', why: `name: "${name}" stands in line ${before} already` };
    seen.set(keyOf(name), line);
    if (!was) return { line, what: 'new', facts };
    return { line, what: customerColumns.every((c) => was[c] === facts[c]) ? 'same' : 'changed', facts };
  });
}

function records(text: string): readonly { readonly record: readonly string[]; readonly line: number }[] {
  const [head = ''] = text.split('\n', 1);
  try {
    const all = parse(text, {
      bom: true,
      delimiter: head.split(';').length > head.split(',').length ? ';' : ',',
      relax_column_count: true,
      skip_empty_lines: true,
      trim: true,
      info: true,
    }) as unknown as readonly { readonly record: readonly string[]; readonly info: { readonly lines: number } }[];
    return all.map(({ record, info }) => ({ record, line: info.lines }));
  } catch (e) {
    if (e instanceof CsvError) throw new RangeError(e.message, { cause: e });
    throw e;
  }
}

/** Customers as CSV that {@link readCustomers} reads. */
export const customersCsv = (customers: readonly CustomerFacts[]): string =>
  writeCsv(
    customerColumns,
    customers.map((c) => customerColumns.map((column) => c[column])),
  );
