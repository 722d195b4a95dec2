import { stringify } from 'csv-stringify/sync';

/**
 * Signs that a spreadsheet takes for the beginning of a formula (common practice of CSV injection), full-width ones too;
 * behind apostrophes as well, so that each text is read again as it was.
 */
const FORMULA = /^'*[=+\-@\t\r\n\uFF1D\uFF0B\uFF0D\uFF20]/;

/** A text as it may stand in a cell: one that a spreadsheet would run is written behind an apostrophe, and so only shown. */
export function cellText(text: string): string {
  return FORMULA.test(text) ? `'${text}` : text;
}

/** The text of a cell as it was before {@link cellText}. */
export function plainText(cell: string): string {
  return cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;
}

/**
 * Rows as CSV (RFC 4180): UTF-8, header first. Numbers stand as they are, also below nothing; no text is ever a formula.
 */
export function writeCsv(columns: readonly string[], rows: readonly (readonly (string | number)[])[]): string {
  return csvHeader(columns) + csvRows(rows);
}

/** The header alone, for a file that is written in pieces. */
export const csvHeader = (columns: readonly string[]): string => stringify([[...columns]]);

/** Rows alone, as {@link writeCsv} writes them. */
export function csvRows(rows: readonly (readonly (string | number)[])[]): string {
  return stringify(rows.map((row) => row.map((cell) => (typeof cell === 'string' ? cellText(cell) : cell))));
}
