import { Injectable, Logger } from '@nestjs/common';
import { recordColumns, recordRows } from '@jubb/core/bench';
import { csvHeader, csvRows } from '@jubb/core/csv';
import { ZipArchive } from 'archiver';
import { PassThrough, Readable } from 'node:stream';
import { once } from 'node:events';
import { DataSource } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { CustomersService } from '../customers/customers.service.ts';
import { InvoicesService } from '../invoices/invoices.service.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { ShopChangesService } from '../shop/shop-changes.service.ts';
import { README } from './export-readme.ts';

type Cell = string | number | boolean | Date | null;
/** Rows that are read of a table at once. */
const PAGE = 2000;

/** Tables that are exported as they stand: file, columns, and how they are read. */
const TABLES: readonly { readonly file: string; readonly sql: string }[] = [
  {
    file: 'units.csv',
    sql: `SELECT u.serial, u.model, u.sheet, c.name AS customer, u.works_at, u.hours_per_week FROM unit u JOIN customer c ON c.id = u.customer_id ORDER BY u.id`,
  },
  {
    file: 'parts.csv',
    sql: `SELECT j.number AS job, o.number, o.title, o.count, o.supplier, o.state, o.price_minor, o.asked_minor, o.ordered_at, o.arrived_at
          FROM order_line o JOIN job j ON j.id = o.job_id ORDER BY o.line`,
  },
  {
    file: 'prices.csv',
    sql: `SELECT number, title, price_minor, supplier, superseded_by FROM catalogue_item ORDER BY number`,
  },
  { file: 'stock.csv', sql: `SELECT number, title, bin, count, least, up_to FROM stock_item ORDER BY number` },
  {
    file: 'drawers.csv',
    sql: `SELECT drawer, thickness_nm / 1e6 AS mm, count, least, up_to FROM drawer_size ORDER BY drawer, thickness_nm`,
  },
  {
    file: 'instruments.csv',
    sql: `SELECT name, kind, number, unit, resolution, uncertainty->>'value' AS uncertainty, calibrated_to, read_by, simulated, retired_at FROM instrument ORDER BY id`,
  },
  { file: 'suppliers.csv', sql: `SELECT name, phone, email, account, notes FROM supplier ORDER BY name` },
  { file: 'people.csv', sql: `SELECT name, initials, role, works, left_at FROM person ORDER BY name` },
  { file: 'changes.csv', sql: `SELECT at, by_name, what, was, is_now FROM shop_change ORDER BY id` },
];

interface StoredRow {
  readonly id: string;
  /** Whose it is: number of a job, a sheet, an instrument. */
  readonly of: string;
  readonly name: string;
  readonly mime: string;
}
/** Files that lie in the database, and where each goes. */
const STORED: readonly {
  readonly table: string;
  readonly sql: string;
  readonly name: (row: StoredRow) => string;
}[] = [
  {
    table: 'photo',
    sql: `SELECT p.id, j.number AS of, '' AS name, 'image/jpeg' AS mime FROM photo p JOIN job j ON j.id = p.job_id ORDER BY j.number, p.id`,
    name: ({ of, id }) => `pictures/${of}-${id}.jpg`,
  },
  {
    table: 'document',
    sql: `SELECT id, sheet AS of, name, mime FROM document ORDER BY sheet, name, id`,
    name: (row) => `documents/${namedFile(row)}`,
  },
  {
    table: 'certificate',
    sql: `SELECT c.id, i.name AS of, c.name, c.mime FROM certificate c JOIN instrument i ON i.id = c.instrument_id ORDER BY i.name, c.at`,
    name: (row) => `certificates/${namedFile(row)}`,
  },
];
const namedFile = ({ of, name, id, mime }: StoredRow): string =>
  `${safeName(of)}/${safeName(name)}-${id.slice(0, 8)}${endOf(mime)}`;

/** Everything of a shop as files that other software reads, written while they are read: no file of it stands in memory whole but one job's. */
@Injectable()
export class ExportService {
  private readonly logger = new Logger('export');
  constructor(
    private readonly db: DataSource,
    private readonly jobs: JobsService,
    private readonly customers: CustomersService,
    private readonly invoices: InvoicesService,
    private readonly changes: ShopChangesService,
  ) {}

  /** A zip as it is made. What goes wrong after it has begun ends it early: a zip without its end is refused by whatever opens it. */
  async zip(me: Person, now: Date): Promise<Readable> {
    await this.changes.note(this.db.manager, me, [{ what: 'everything as open files', is: 'copied from the screen' }]);
    const zip = new ZipArchive({ zlib: { level: 6 } });
    const out = new PassThrough();
    zip.pipe(out);
    zip.on('error', (e: Error) => out.destroy(e));
    out.on('close', () => zip.destroy());
    this.fill(zip, now).catch((e: Error) => {
      this.logger.warn(`the export ended early: ${e.message}`);
      out.destroy(e);
    });
    return out;
  }

  private async fill(zip: ZipArchive, now: Date): Promise<void> {
    const add = async (name: string, what: string | Buffer | Readable, packed = false): Promise<void> => {
      const taken = once(zip, 'entry');
      zip.append(what, { name, date: now, store: packed });
      await taken;
    };
    await add('README.txt', README);
    await add('customers.csv', await this.customers.csv());
    await add('invoices.csv', await this.invoices.csv(undefined, undefined, now));
    for (const { file, sql } of TABLES) await add(file, Readable.from(this.table(sql)));
    const sheets = await this.db.query<{ sheet: string; revision: number }[]>(
      `SELECT sheet, revision FROM sheet_revision ORDER BY sheet, revision`,
    );
    for (const s of sheets) {
      const [{ source }] = await this.db.query<[{ source: string }]>(
        `SELECT source FROM sheet_revision WHERE sheet = $1 AND revision = $2`,
        [s.sheet, s.revision],
      );
      await add(`sheets/${s.sheet}-r${s.revision}.yaml`, source);
    }
    await add('readings.csv', Readable.from(this.readings()));
    for (const { id, number } of await this.allJobs())
      await add(`jobs/${number}.json`, `${JSON.stringify(await this.jobs.exported(id), null, 1)}\n`);
    for (const { table, sql, name } of STORED)
      for (const row of await this.db.query<StoredRow[]>(sql)) {
        const [{ bytes }] = await this.db.query<[{ bytes: Buffer }]>(`SELECT bytes FROM ${table} WHERE id = $1`, [
          row.id,
        ]);
        // Pictures and PDFs are packed already.
        await add(name(row), bytes, true);
      }
    await zip.finalize();
  }

  private allJobs(): Promise<{ id: string; number: number }[]> {
    return this.db.query(`SELECT id, number FROM job ORDER BY number`);
  }

  private async *table(sql: string): AsyncGenerator<string> {
    for (let from = 0; ; from += PAGE) {
      const rows = await this.db.query<Record<string, Cell>[]>(`${sql} LIMIT ${PAGE} OFFSET ${from}`);
      if (from === 0) yield csvHeader(await this.columnsOf(sql));
      if (rows.length > 0) yield csvRows(rows.map((r) => Object.values(r).map(cellOf)));
      if (rows.length < PAGE) return;
    }
  }

  /** Column names of a query, also where it finds no row. */
  private async columnsOf(sql: string): Promise<string[]> {
    const [row] = await this.db.query<Record<string, unknown>[]>(
      `SELECT q.* FROM (SELECT 1) one LEFT JOIN (${sql} LIMIT 1) q ON true`,
    );
    return Object.keys(row!);
  }

  private async *readings(): AsyncGenerator<string> {
    yield csvHeader(['job', 'serial', ...recordColumns]);
    for (const { id } of await this.allJobs()) {
      const { record } = await this.jobs.exported(id);
      yield csvRows(recordRows(record).map((row) => [record.number, record.unit.serial, ...row]));
    }
  }
}

const cellOf = (c: Cell): string | number =>
  c === null ? '' : c instanceof Date ? c.toISOString() : typeof c === 'boolean' ? (c ? 'yes' : 'no') : c;

/** A name as every file system takes it, and that leads nowhere else. */
const safeName = (name: string): string => name.replace(/[^\p{L}\p{N}_-]+/gu, '-').slice(0, 60) || 'document';
const endOf = (mime: string): string =>
  ({ 'application/pdf': '.pdf', 'image/jpeg': '.jpg', 'image/png': '.png', 'image/webp': '.webp' })[mime] ?? '';
