import { Inject, Injectable } from '@nestjs/common';
import type { PriceListView } from '@jubb/contract';
import type { CatalogueItem, PartsShelf } from '@jubb/core/parts';
import type { Sheet } from '@jubb/core/sheet';
import { DataSource, type EntityManager } from 'typeorm';
import { HeavyService } from '../bounds/heavy.service.ts';
import { CONFIG, type Config } from '../config/config.ts';
import { CatalogueRow } from './catalogue.entity.ts';
import { StockItem } from './stock.entity.ts';
import { putItems } from './put-items.ts';

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
  constructor(
    private readonly db: DataSource,
    private readonly heavy: HeavyService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** What a list for a sheet hangs on: its numbers, those that replace them, and what of them lies in the drawers. */
  async shelfFor(sheet: Sheet, orders: readonly string[], m: EntityManager = this.db.manager): Promise<PartsShelf> {
    const asked = [
      ...Object.values(sheet.parts).flatMap((p) => p.order ?? []),
      ...Object.values(sheet.kits).map((k) => k.order),
      ...orders,
    ];
    const rows = await m.query<CatalogueRow[]>(
      `WITH RECURSIVE wanted AS (
         SELECT number, title, price_minor, supplier, superseded_by, 0 AS step FROM catalogue_item WHERE number = ANY($1)
         UNION
         SELECT c.number, c.title, c.price_minor, c.supplier, c.superseded_by, w.step + 1
         FROM wanted w JOIN catalogue_item c ON c.number = w.superseded_by WHERE w.step < 50
       ) SELECT DISTINCT number, title, price_minor AS "priceMinor", supplier, superseded_by AS "supersededBy" FROM wanted`,
      [asked],
    );
    const catalogue = new Map(rows.map((r) => [r.number, item(r)]));
    const numbers = [...new Set([...asked, ...catalogue.keys()])];
    const stock = await m.query<StockItem[]>(
      `SELECT number, count FROM stock_item WHERE number = ANY($1) AND count > 0`,
      [numbers],
    );
    return { catalogue, stock: new Map(stock.map((s) => [s.number, s.count])) };
  }

  /** The whole list as CSV, written in a thread: it may have hundreds of thousands of lines. */
  csv(): Promise<Uint8Array> {
    return this.heavy.run({ kind: 'price-csv', databaseUrl: this.config.databaseUrl });
  }

  /** Reads a price list and says what it changes; with `apply` it is done, in one transaction. */
  async priceList(list: Uint8Array, supplier: string, apply: boolean): Promise<PriceListView> {
    const { databaseUrl } = this.config;
    return { ...(await this.heavy.run({ kind: 'price-list', list, supplier, apply, databaseUrl })), applied: apply };
  }

  /** Puts items into the catalogue, in one transaction. */
  async take(items: readonly CatalogueItem[]): Promise<void> {
    await this.db.transaction((m) => putItems((sql, values) => m.query(sql, values), items));
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
