import { CsvError, parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { cellText } from '../csv/write-csv.ts';
import { JubbError } from '../error.ts';
import type { CatalogueItem } from './order-plan.ts';
import { newestNumber } from './supersessions.ts';

/** A line of a price list that cannot be taken, and why. */
export interface LineError {
  /** In the file, from 1. */
  readonly line: number;
  readonly field: string;
  readonly given: string;
  readonly says: string;
}
export interface PriceList {
  readonly items: readonly CatalogueItem[];
  readonly errors: readonly LineError[];
  /** Lines of the file that say something, the heading not among them. */
  readonly lines: number;
}
/** More lines than this are refused whole: it is no price list of a workshop's suppliers. */
export const MOST_LINES = 200_000;
/** Characters of a line: longer ones are no line of a list. */
const LONGEST_LINE = 10_000;
const MOST_PRICE_MINOR = 100_000_000;
const LONGEST = { number: 40, title: 120, supplier: 80 } as const;

/** What a column may be called, in small letters without spaces. */
const COLUMNS: Readonly<Record<string, readonly string[]>> = {
  number: ['number', 'partnumber', 'part', 'no', 'orderno', 'code'],
  title: ['title', 'description', 'name', 'text'],
  price: ['price', 'net', 'netprice', 'each', 'unitprice'],
  supplier: ['supplier', 'source', 'vendor'],
  supersededBy: ['supersededby', 'replacedby', 'newnumber', 'now'],
};

/**
 * Reads a price list: CSV with a heading, separated by comma, semicolon or tab, with or without a byte order mark;
 * prices with a point or a comma. Lines that are wrong are named and left out; the rest is taken.
 * A cell that a spreadsheet would run as a formula is refused: it would run where the list is opened next.
 * @param supplier whose list it is, for lines that name none
 * @throws RangeError when it has no heading, no number or price column, or too many lines
 */
export function readPriceList(text: string, supplier: string): PriceList {
  const items = new Map<string, CatalogueItem>();
  const errors: LineError[] = [];
  let columns: Columns | undefined;
  let lines = 0;

  const take = (record: readonly string[], line: number): void => {
    if (!columns) {
      columns = columnsOf(record);
      return;
    }
    lines += 1;
    if (lines > MOST_LINES) throw new RangeError(`More than ${MOST_LINES} lines: cut the list in parts`);
    takeLine(columns, record, line);
  };
  const takeLine = (columns: Columns, record: readonly string[], line: number): void => {
    const cell = (i: number): string => (i < 0 ? '' : (record[i] ?? ''));
    const wrong = (field: string, given: string, says: string): void => {
      errors.push({ line, field, given: given.slice(0, 80), says });
    };
    const given = {
      number: cell(columns.number),
      title: cell(columns.title),
      supplier: cell(columns.supplier) || supplier,
      supersededBy: cell(columns.supersededBy),
    };
    const formula = Object.entries(given).find(([, v]) => isFormula(v));
    if (formula) {
      wrong(formula[0], formula[1], 'begins like a formula, which a spreadsheet would run');
      return;
    }
    const long = (['number', 'title', 'supplier'] as const).find((k) => given[k].length > LONGEST[k]);
    if (long) {
      wrong(long, given[long], `longer than ${LONGEST[long]} letters`);
      return;
    }
    if (given.number === '') {
      wrong('number', '', 'a number is due');
      return;
    }
    const price = readPrice(cell(columns.price));
    if (typeof price === 'string') {
      wrong('price', cell(columns.price), price);
      return;
    }
    if (items.has(given.number)) {
      wrong('number', given.number, 'stands in the list twice: the first line was taken');
      return;
    }
    if (given.supersededBy === given.number) {
      wrong('superseded by', given.supersededBy, 'a number does not replace itself');
      return;
    }
    items.set(given.number, {
      number: given.number,
      title: given.title || given.number,
      priceMinor: price,
      supplier: given.supplier,
      ...(given.supersededBy === '' ? {} : { supersededBy: given.supersededBy }),
    });
  };
  const tooLong = longLine(text);
  if (tooLong !== undefined)
    throw new RangeError(`Line ${tooLong} has more than ${LONGEST_LINE} characters: this is no price list`);
  // Line by line, so that a long list is never held as a table beside the items.
  try {
    parse(text, {
      bom: true,
      delimiter: delimiterOf(text),
      relax_column_count: true,
      relax_quotes: true,
      skip_empty_lines: true,
      trim: true,
      max_record_size: LONGEST_LINE,
      on_record: (record: string[], { lines: line }): null => {
        take(record, line);
        return null;
      },
    });
  } catch (e) {
    // What the parser cannot read is the file's fault, and said in one kind of error.
    if (e instanceof CsvError) throw new RangeError(e.message, { cause: e });
    throw e;
  }
  if (!columns) throw new RangeError('The list is empty: a heading is due, with number and price');
  return { items: [...items.values()], errors, lines };
}

interface Columns {
  readonly number: number;
  readonly title: number;
  readonly price: number;
  readonly supplier: number;
  readonly supersededBy: number;
}

/** Where each column stands, by the heading; −1 for one that is not there. */
function columnsOf(heading: readonly string[]): Columns {
  const head = heading.map((c) => c.toLowerCase().replace(/[^a-z]/g, ''));
  const column = (name: string): number => head.findIndex((h) => COLUMNS[name]!.includes(h));
  const at = {
    number: column('number'),
    title: column('title'),
    price: column('price'),
    supplier: column('supplier'),
    supersededBy: column('supersededBy'),
  };
  for (const name of ['number', 'price'] as const)
    if (at[name] < 0)
      throw new RangeError(`The heading has no column "${name}"; it has: ${heading.join(', ').slice(0, 200)}`);
  return at;
}

/** The first line of a text that is longer than any line of a list; undefined when none is. */
function longLine(text: string): number | undefined {
  let begin = 0;
  let line = 1;
  for (let i = 0; i <= text.length; i += 1) {
    const c = text.charCodeAt(i);
    if (i - begin > LONGEST_LINE) return line;
    if (c !== 10 && c !== 13) continue;
    begin = i + 1;
    if (c === 10) line += 1;
  }
  return undefined;
}

/** The separator of a list: the one that stands most often in its heading. */
function delimiterOf(text: string): string {
  const start = text.slice(0, LONGEST_LINE);
  const end = start.search(/[\r\n]/);
  const heading = end < 0 ? start : start.slice(0, end);
  const often = (mark: string): number => heading.split(mark).length;
  return [',', ';', '\t'].reduce((best, mark) => (often(mark) > often(best) ? mark : best));
}

/** A price as people write it, in minor units; a sentence when it is none. */
function readPrice(text: string): number | string {
  const plain = text.replace(/[\s£$€]/g, '');
  if (plain === '') return 'a price is due';
  if (/^-/.test(plain)) return 'a price is not negative';
  // 1,234.50 and 1.234,50 and 12,5: the last of the two marks is the decimal one.
  const european = /^(\d+|\d{1,3}(\.\d{3})+),\d{1,2}$/.test(plain);
  const normal = european ? plain.replaceAll('.', '').replace(',', '.') : plain.replaceAll(/,(?=\d{3}(\D|$))/g, '');
  if (!/^\d+(\.\d{1,2})?$/.test(normal)) return 'is no price: a number with at most two decimals, such as 12.50';
  const minor = Math.round(Number(normal) * 100);
  return minor > MOST_PRICE_MINOR ? 'is more than any part costs' : minor;
}

/** A cell that a spreadsheet would run (common practice of CSV injection): it begins with =, +, - or @. */
const isFormula = (text: string): boolean => /^[=+\-@\t\r]/.test(text);

/** What an import would change. */
export interface PriceChanges {
  readonly added: readonly CatalogueItem[];
  readonly changed: readonly { readonly before: CatalogueItem; readonly after: CatalogueItem }[];
  readonly same: number;
  readonly errors: readonly LineError[];
  readonly lines: number;
}

/** Holds a list that was read against the catalogue. Supersessions that would go round in a circle become errors. */
export function priceChanges(list: PriceList, catalogue: ReadonlyMap<string, CatalogueItem>): PriceChanges {
  const newer = new Map<string, string>();
  for (const item of [...catalogue.values(), ...list.items])
    if (item.supersededBy !== undefined) newer.set(item.number, item.supersededBy);
  const errors = [...list.errors];
  const added: CatalogueItem[] = [];
  const changed: { before: CatalogueItem; after: CatalogueItem }[] = [];
  let same = 0;
  for (const item of list.items) {
    if (goesRound(item.number, newer)) {
      errors.push({
        line: 0,
        field: 'superseded by',
        given: item.supersededBy ?? '',
        says: `${item.number}: the supersessions would go round in a circle`,
      });
      continue;
    }
    const before = catalogue.get(item.number);
    if (!before) added.push(item);
    else {
      const after = {
        ...item,
        ...((item.supersededBy ?? before.supersededBy)
          ? { supersededBy: item.supersededBy ?? before.supersededBy }
          : {}),
      };
      if (sameItem(before, after)) same += 1;
      else changed.push({ before, after });
    }
  }
  return { added, changed, same, errors, lines: list.lines };
}

function goesRound(number: string, newer: ReadonlyMap<string, string>): boolean {
  try {
    newestNumber(number, newer);
    return false;
  } catch (e) {
    if (!(e instanceof JubbError)) throw e;
    return true;
  }
}

const sameItem = (a: CatalogueItem, b: CatalogueItem): boolean =>
  a.title === b.title &&
  a.priceMinor === b.priceMinor &&
  a.supplier === b.supplier &&
  a.supersededBy === b.supersededBy;

/** The catalogue as CSV, which reads back as it was. A cell that looks like a formula is held by an apostrophe. */
export function writePriceList(items: Iterable<CatalogueItem>): string {
  const rows = [...items].map((i) => [
    cellText(i.number),
    cellText(i.title),
    (i.priceMinor / 100).toFixed(2),
    cellText(i.supplier),
    cellText(i.supersededBy ?? ''),
  ]);
  return stringify([['number', 'title', 'price', 'supplier', 'superseded by'], ...rows], {
    record_delimiter: 'windows',
  });
}
