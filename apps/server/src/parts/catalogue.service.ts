import { BadRequestException, Injectable } from '@nestjs/common';
import type { PriceListView } from '@jubb/contract';
import type { CatalogueItem, PartsShelf } from '@jubb/core/parts';
import { priceChanges, readPriceList, writePriceList } from '@jubb/core/parts/price-list';
import type { Sheet } from '@jubb/core/sheet';
import { DataSource, type EntityManager } from 'typeorm';
import { CatalogueRow } from '../database/entities/catalogue.entity.ts';
import { StockItem } from '../database/entities/stock.entity.ts';

/** Lines of a list shown as samples, and errors shown at most. */
const SHOWN = 20;
const ERRORS_SHOWN = 200;
/** Rows of one INSERT. */
const BATCH = 2000;

const item = (r: CatalogueRow): CatalogueItem => ({
  number: r.number,
  title: r.title,
  priceMinor: r.priceMinor,
  supplier: r.supplier,
  ...(r.supersededBy === null ? {} : { supersededBy: r.supersededBy }),
});

/** Prices, supersessions and what lies in the drawers. */
@Injectable()
export class CatalogueService {
  constructor(private readonly db: DataSource) {}

  /** What a list for a sheet hangs on: its numbers, those that replace them, and what of them lies in the drawers. */
  async shelfFor(sheet: Sheet, orders: readonly string[], m: EntityManager = this.db.manager): Promise<PartsShelf> {
    const asked = [
      ...Object.values(sheet.parts).flatMap((p) => p.order ?? []),
      ...Object.values(sheet.kits).map((k) => k.order),
      ...orders,
    ];
    const rows = (await m.query(
      `WITH RECURSIVE wanted AS (
         SELECT number, title, price_minor, supplier, superseded_by, 0 AS step FROM catalogue_item WHERE number = ANY($1)
         UNION
         SELECT c.number, c.title, c.price_minor, c.supplier, c.superseded_by, w.step + 1
         FROM wanted w JOIN catalogue_item c ON c.number = w.superseded_by WHERE w.step < 50
       ) SELECT DISTINCT number, title, price_minor AS "priceMinor", supplier, superseded_by AS "supersededBy" FROM wanted`,
      [asked],
    )) as CatalogueRow[];
    const catalogue = new Map(rows.map((r) => [r.number, item(r)]));
    const numbers = [...new Set([...asked, ...catalogue.keys()])];
    const stock = (await m.query(`SELECT number, count FROM stock_item WHERE number = ANY($1) AND count > 0`, [
      numbers,
    ])) as StockItem[];
    return { catalogue, stock: new Map(stock.map((s) => [s.number, s.count])) };
  }

  async all(): Promise<CatalogueItem[]> {
    return (await this.db.getRepository(CatalogueRow).find({ order: { number: 'ASC' } })).map(item);
  }

  async csv(): Promise<string> {
    return writePriceList(await this.all());
  }

  /** Reads a price list and says what it changes; with `apply` it is done, in one transaction. */
  async priceList(text: string, supplier: string, apply: boolean): Promise<PriceListView> {
    let list;
    try {
      list = readPriceList(text, supplier);
    } catch (e) {
      if (!(e instanceof RangeError)) throw e;
      throw new BadRequestException({ message: `price list: ${e.message}`, errors: { file: [e.message] } });
    }
    const changes = priceChanges(list, new Map((await this.all()).map((i) => [i.number, i])));
    if (apply) await this.take([...changes.added, ...changes.changed.map((c) => c.after)]);
    return {
      lines: changes.lines,
      added: changes.added.length,
      changed: changes.changed.length,
      same: changes.same,
      wrong: changes.errors.length,
      sampleAdded: changes.added.slice(0, SHOWN),
      sampleChanged: changes.changed.slice(0, SHOWN),
      errors: changes.errors.slice(0, ERRORS_SHOWN),
      applied: apply,
    };
  }

  /** Puts items into the catalogue, in one transaction. */
  async take(items: readonly CatalogueItem[]): Promise<void> {
    await this.db.transaction(async (m) => {
      for (let i = 0; i < items.length; i += BATCH)
        await m.query(
          `INSERT INTO catalogue_item (number, title, price_minor, supplier, superseded_by)
           SELECT number, title, "priceMinor", supplier, "supersededBy"
           FROM jsonb_to_recordset($1::jsonb) AS x(number text, title text, "priceMinor" int, supplier text, "supersededBy" text)
           ON CONFLICT (number) DO UPDATE SET title = excluded.title, price_minor = excluded.price_minor,
             supplier = excluded.supplier, superseded_by = excluded.superseded_by`,
          [JSON.stringify(items.slice(i, i + BATCH))],
        );
    });
  }

  /** Numbers of a sheet that no list names yet, at the sheet's own prices, so that they can be ordered. */
  async learn(sheet: Sheet, supplier: string): Promise<void> {
    const items = [
      ...Object.values(sheet.parts).map((p) => ({ number: p.order, title: p.title, priceMinor: p.priceMinor })),
      ...Object.values(sheet.kits).map((k) => ({ number: k.order, title: k.title, priceMinor: k.priceMinor })),
    ].flatMap(({ number, title, priceMinor }) =>
      number === undefined || priceMinor === undefined ? [] : [{ number, title, priceMinor, supplier }],
    );
    const once = [...new Map(items.map((i) => [i.number, i])).values()];
    if (once.length > 0)
      await this.db.createQueryBuilder().insert().into(CatalogueRow).values(once).orIgnore().execute();
  }

  async setStock(number: string, stock: Omit<StockItem, 'number'>): Promise<void> {
    await this.db.getRepository(StockItem).upsert({ number, ...stock }, ['number']);
  }
}
