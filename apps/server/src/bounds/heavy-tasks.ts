import type { InvoiceView, PriceListView } from '@jubb/contract';
import type { QuoteState } from '@jubb/core/bench';
import { verifyExport, type JobExport, type Verification } from '@jubb/core/bench/verify';
import { priceChanges, readPriceList, writePriceList } from '@jubb/core/parts/price-list';
import type { CatalogueItem } from '@jubb/core/parts';
import type { Sheet, SheetProblem } from '@jubb/core/sheet';
import { readSheet } from '@jubb/core/sheet/read';
import pg from 'pg';
import type { Label } from '../jobs/labels.ts';
import type { QuotedJob } from '../quotes/quote-pdf.ts';
import type { RecordTrend } from '../records/record-pdf.ts';
import { putItems } from '../parts/put-items.ts';
import { boundOf, type BodyBound } from './bounds.ts';
import { BodyError, parseBody } from './check-json.ts';

/** Work that may take long for what a stranger to its writer has put into it: done in a thread, never where requests are answered. */
export type HeavyTask =
  | { readonly kind: 'lint'; readonly body: Uint8Array }
  | { readonly kind: 'verify'; readonly body: Uint8Array; readonly keys: readonly string[] }
  | {
      readonly kind: 'price-list';
      readonly list: Uint8Array;
      readonly supplier: string;
      readonly apply: boolean;
      readonly databaseUrl: string;
    }
  | { readonly kind: 'price-csv'; readonly databaseUrl: string }
  | {
      readonly kind: 'record-pdf';
      readonly file: JobExport;
      readonly depth: 'customer' | 'workshop';
      readonly unitUrl: string;
      readonly trends: readonly RecordTrend[];
    }
  | { readonly kind: 'quote-pdf'; readonly quote: QuoteState; readonly job: QuotedJob; readonly workshop: string }
  | { readonly kind: 'invoice-pdf'; readonly invoice: InvoiceView }
  | { readonly kind: 'labels-pdf'; readonly labels: readonly Label[] };

export interface LintAnswer {
  readonly source: string;
  /** The sheet that came out of it, as JSON; absent when it has errors. */
  readonly sheet?: Sheet;
  readonly problems: readonly SheetProblem[];
}
export interface VerifyAnswer {
  readonly verification: Verification;
  /** Of a record that is good: what a list shows of it, and itself as JSON. */
  readonly record?: {
    readonly job: string;
    readonly workshop: string;
    readonly number: number;
    readonly serial: string;
    readonly model: string;
    readonly json: string;
  };
}
/** What the view of a price list says, but whether it was applied. */
export type PriceListAnswer = Omit<PriceListView, 'applied'>;
export interface HeavyAnswers {
  lint: LintAnswer;
  verify: VerifyAnswer;
  'price-list': PriceListAnswer;
  'price-csv': Uint8Array;
  'record-pdf': Uint8Array;
  'quote-pdf': Uint8Array;
  'invoice-pdf': Uint8Array;
  'labels-pdf': Uint8Array;
}

/** Lines of a list shown as samples, and errors shown at most. */
const SHOWN = 20;
const ERRORS_SHOWN = 200;
/** What a list may be at fault for: said to its sender. Anything else is ours. */
export class HeavyError extends Error {
  constructor(
    readonly field: string,
    says: string,
    readonly status = 400,
  ) {
    super(says);
    this.name = 'HeavyError';
  }
}

/** Does a task. @throws HeavyError for what is wrong with what came */
export async function doHeavy<K extends HeavyTask['kind']>(task: HeavyTask & { kind: K }): Promise<HeavyAnswers[K]>;
export async function doHeavy(task: HeavyTask): Promise<HeavyAnswers[keyof HeavyAnswers]> {
  switch (task.kind) {
    case 'lint':
      return lint(task.body);
    case 'verify':
      return verify(task.body, task.keys);
    case 'price-list':
      return priceList(task);
    case 'price-csv':
      return withDatabase(task.databaseUrl, async (db) => Buffer.from(writePriceList(await catalogue(db))));
    case 'record-pdf':
      return (await pages()).record(task);
    case 'quote-pdf':
      return (await pages()).quote(task);
    case 'invoice-pdf':
      return (await pages()).invoice(task);
    case 'labels-pdf':
      return (await pages()).labels(task);
  }
}

type Task<K extends HeavyTask['kind']> = Extract<HeavyTask, { kind: K }>;
/** What sets pages is loaded by the thread that does, and by no other. */
const pages = () => import('./pages.ts');
export type PageTask = Task<'record-pdf'> | Task<'quote-pdf'> | Task<'invoice-pdf'> | Task<'labels-pdf'>;

/** One field of a body, of a kind. */
function fieldOf(body: Uint8Array, bound: BodyBound, name: string): unknown {
  let parsed: unknown;
  try {
    parsed = parseBody(Buffer.from(body).toString('utf8'), bound);
  } catch (e) {
    if (e instanceof BodyError) throw new HeavyError('body', e.message, e.status);
    throw e;
  }
  if (typeof parsed !== 'object' || parsed === null || Array.isArray(parsed))
    throw new HeavyError(name, `an object with "${name}" is due`);
  const other = Object.keys(parsed).find((k) => k !== name);
  if (other !== undefined) throw new HeavyError(other.slice(0, 60), `property ${other.slice(0, 60)} should not exist`);
  return (parsed as Record<string, unknown>)[name];
}

function lint(body: Uint8Array): LintAnswer {
  const source = fieldOf(body, boundOf('POST', '/api/sheets/lint'), 'source');
  if (typeof source !== 'string') throw new HeavyError('source', 'source must be a string');
  const { sheet, problems } = readSheet(source);
  return { source, problems, ...(sheet ? { sheet: JSON.parse(JSON.stringify(sheet)) as Sheet } : {}) };
}

function verify(body: Uint8Array, keys: readonly string[]): VerifyAnswer {
  const file = fieldOf(body, boundOf('POST', '/api/records/verify'), 'file');
  if (typeof file !== 'object' || file === null) throw new HeavyError('file', 'file must be an object');
  const verification = verifyExport(file, keys);
  if (!verification.good) return { verification };
  const { job, workshop, record } = file as JobExport;
  return {
    verification,
    record: {
      job,
      workshop,
      number: record.number,
      serial: record.unit.serial,
      model: record.unit.model,
      json: JSON.stringify(file),
    },
  };
}

async function withDatabase<T>(url: string, act: (db: pg.Client) => Promise<T>): Promise<T> {
  const db = new pg.Client({ connectionString: url, connectionTimeoutMillis: 3000 });
  await db.connect();
  try {
    return await act(db);
  } finally {
    await db.end();
  }
}

async function catalogue(db: pg.Client): Promise<CatalogueItem[]> {
  const { rows } = await db.query<Omit<CatalogueItem, 'supersededBy'> & { supersededBy: string | null }>(
    `SELECT number, title, price_minor AS "priceMinor", supplier, superseded_by AS "supersededBy" FROM catalogue_item ORDER BY number`,
  );
  return rows.map(({ supersededBy, ...item }) => (supersededBy === null ? item : { ...item, supersededBy }));
}

/** Reads a price list and says what it changes; with `apply` it is done, in one transaction. */
async function priceList(task: Extract<HeavyTask, { kind: 'price-list' }>): Promise<PriceListAnswer> {
  let list;
  try {
    list = readPriceList(Buffer.from(task.list).toString('utf8'), task.supplier);
  } catch (e) {
    if (e instanceof RangeError) throw new HeavyError('file', e.message);
    throw e;
  }
  return withDatabase(task.databaseUrl, async (db) => {
    const changes = priceChanges(list, new Map((await catalogue(db)).map((i) => [i.number, i])));
    if (task.apply) await takeItems(db, [...changes.added, ...changes.changed.map((c) => c.after)]);
    return {
      lines: changes.lines,
      added: changes.added.length,
      changed: changes.changed.length,
      same: changes.same,
      wrong: changes.errors.length,
      sampleAdded: changes.added.slice(0, SHOWN),
      sampleChanged: changes.changed.slice(0, SHOWN),
      errors: changes.errors.slice(0, ERRORS_SHOWN),
    };
  });
}

async function takeItems(db: pg.Client, items: readonly CatalogueItem[]): Promise<void> {
  await db.query('BEGIN');
  try {
    await putItems((sql, values) => db.query(sql, values), items);
    await db.query('COMMIT');
  } catch (e) {
    await db.query('ROLLBACK');
    throw e;
  }
}
