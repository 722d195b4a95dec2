import { BadRequestException, ConflictException, Injectable, NotFoundException } from '@nestjs/common';
import type {
  KeptView,
  LevelDto,
  ShopOrderDto,
  ShopOrderView,
  StoresView,
  SupplierDto,
  SupplierView,
} from '@jubb/contract';
import { levelProblem, toRestock } from '@jubb/core/parts';
import { DataSource, type EntityManager } from 'typeorm';
import type { Person } from '../auth/person.entity.ts';
import { wrongField } from '../problems/wrong-field.ts';
import { ShopChangesService } from '../shop/shop-changes.service.ts';

type KeptRow = Omit<KeptView, 'wanted'>;
type Which = {
  readonly number?: string | undefined;
  readonly drawer?: string | undefined;
  readonly thicknessNm?: number | undefined;
};

/** What the shop keeps for itself: levels, the list that they make, what is on order for the drawers, and suppliers. */
@Injectable()
export class StoresService {
  constructor(
    private readonly db: DataSource,
    private readonly changes: ShopChangesService,
  ) {}

  async view(): Promise<StoresView> {
    const [kept, orders] = await Promise.all([
      this.db.query<KeptRow[]>(
        `SELECT s.number, NULL AS drawer, NULL::int AS "thicknessNm", s.title, s.bin, s.count, s.least, s.up_to AS "upTo",
           COALESCE((SELECT sum(o.count) FROM shop_order o WHERE o.state = 'ordered' AND o.number = s.number), 0)::int AS coming,
           c.supplier, c.price_minor AS "priceMinor"
         FROM stock_item s LEFT JOIN catalogue_item c ON c.number = s.number
         UNION ALL
         SELECT NULL, d.drawer, d.thickness_nm, upper(left(d.drawer, 1)) || replace(substr(d.drawer, 2), '-', ' ') || ' ' || (d.thickness_nm / 1e6)::float8 || ' mm', d.drawer, d.count, d.least, d.up_to,
           COALESCE((SELECT sum(o.count) FROM shop_order o
             WHERE o.state = 'ordered' AND o.drawer = d.drawer AND o.thickness_nm = d.thickness_nm), 0)::int,
           NULL, NULL
         FROM drawer_size d
         ORDER BY bin, title`,
      ),
      this.db.query<(Omit<ShopOrderView, 'ordered'> & { readonly ordered: Date })[]>(
        `SELECT id, title, count, supplier, price_minor AS "priceMinor", ordered_at AS ordered, by_name AS by
         FROM shop_order WHERE state = 'ordered' ORDER BY ordered_at, id`,
      ),
    ]);
    return {
      kept: kept.map((k) => ({ ...k, wanted: toRestock(k) })),
      orders: orders.map((o) => ({ ...o, ordered: o.ordered.toISOString() })),
    };
  }

  /** Sets below how many something is ordered, and up to how many. */
  async setLevel(body: LevelDto, me: Person): Promise<void> {
    const wrong = levelProblem(body);
    if (wrong) throw new BadRequestException(wrongField(wrong.field, wrong.says));
    await this.db.transaction(async (m) => {
      const was = await one(m, body);
      const [table, where, values] = whereOf(body);
      await m.query(`UPDATE ${table} SET least = $1, up_to = $2 WHERE ${where}`, [body.least, body.upTo, ...values]);
      await this.changes.note(m, me, [
        { what: `${was.title}: level`, was: levelWords(was.least, was.up_to), is: levelWords(body.least, body.upTo) },
      ]);
    });
  }

  /** Writes down that something was ordered for the shop. The same id twice is one order. */
  async order(body: ShopOrderDto, me: Person, now: Date): Promise<void> {
    await this.db.transaction(async (m) => {
      const { title } = await one(m, body);
      const supplier = body.supplier.trim();
      const written = await m.query<unknown[]>(
        `INSERT INTO shop_order (id, number, drawer, thickness_nm, title, count, supplier, price_minor, ordered_at, by_name)
         VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) ON CONFLICT (id) DO NOTHING RETURNING id`,
        [
          body.id,
          body.number ?? null,
          body.drawer ?? null,
          body.thicknessNm ?? null,
          title,
          body.count,
          supplier,
          body.priceMinor ?? null,
          now,
          me.name,
        ],
      );
      if (written.length > 0) return;
      const [was] = await m.query<[{ title: string; count: number; supplier: string }]>(
        `SELECT title, count, supplier FROM shop_order WHERE id = $1`,
        [body.id],
      );
      if (was.title !== title || was.count !== body.count || was.supplier !== supplier)
        throw new ConflictException(
          `This order is written down already, as ${was.count} × ${was.title} from ${was.supplier}`,
        );
    });
  }

  /** It has come, and lies where it belongs: counted in, once. */
  async arrive(id: string, now: Date): Promise<void> {
    await this.db.transaction(async (m) => {
      const { number, drawer, thicknessNm, count } = await this.end(m, id, 'arrived', now);
      if (number !== undefined)
        await m.query(`UPDATE stock_item SET count = count + $1 WHERE number = $2`, [count, number]);
      // The size may have been counted out of its drawer meanwhile: it lies there again.
      else
        await m.query(
          `INSERT INTO drawer_size (drawer, thickness_nm, count) VALUES ($1, $2, $3)
           ON CONFLICT (drawer, thickness_nm) DO UPDATE SET count = drawer_size.count + $3`,
          [drawer, thicknessNm, count],
        );
    });
  }

  async cancel(id: string, now: Date): Promise<void> {
    await this.db.transaction((m) => this.end(m, id, 'cancelled', now));
  }

  private async end(
    m: EntityManager,
    id: string,
    to: 'arrived' | 'cancelled',
    now: Date,
  ): Promise<Which & { readonly count: number }> {
    const [order] = await m.query<
      {
        number: string | null;
        drawer: string | null;
        thickness_nm: number | null;
        count: number;
        state: string;
        title: string;
      }[]
    >(`SELECT number, drawer, thickness_nm, count, state, title FROM shop_order WHERE id = $1 FOR UPDATE`, [id]);
    if (!order) throw new NotFoundException('There is no such order');
    if (order.state !== 'ordered')
      throw new ConflictException(
        `${order.title} ${order.state === 'arrived' ? 'is here already' : 'is cancelled already'}`,
      );
    await m.query(`UPDATE shop_order SET state = $2, ended_at = $3 WHERE id = $1`, [id, to, now]);
    return {
      number: order.number ?? undefined,
      drawer: order.drawer ?? undefined,
      thicknessNm: order.thickness_nm ?? undefined,
      count: order.count,
    };
  }

  suppliers(): Promise<SupplierView[]> {
    return this.db.query(
      `SELECT s.name, s.phone, s.email, s.account, s.notes,
         (SELECT count(*)::int FROM catalogue_item c WHERE c.supplier = s.name) AS numbers
       FROM (SELECT name, phone, email, account, notes FROM supplier
             UNION SELECT DISTINCT supplier, '', '', '', '' FROM catalogue_item
               WHERE supplier <> '' AND supplier NOT IN (SELECT name FROM supplier)) s
       ORDER BY lower(s.name)`,
    );
  }

  /** How a supplier is reached; one that is not known is added. */
  async setSupplier(body: SupplierDto, me: Person): Promise<void> {
    const name = body.name.trim();
    await this.db.transaction(async (m) => {
      const [was] = await m.query<{ phone: string; email: string; account: string }[]>(
        `SELECT phone, email, account FROM supplier WHERE name = $1 FOR UPDATE`,
        [name],
      );
      await m.query(
        `INSERT INTO supplier (name, phone, email, account, notes) VALUES ($1, $2, $3, $4, $5)
         ON CONFLICT (name) DO UPDATE SET phone = $2, email = $3, account = $4, notes = $5`,
        [name, body.phone.trim(), body.email.trim(), body.account.trim(), body.notes.trim()],
      );
      const words = (s: { phone: string; email: string; account: string }): string =>
        [s.phone, s.email, s.account]
          .map((w) => w.trim())
          .filter((w) => w !== '')
          .join(', ') || 'no telephone, no mail';
      await this.changes.note(m, me, [{ what: `supplier ${name}`, was: was ? words(was) : null, is: words(body) }]);
    });
  }
}

const levelWords = (least: number | null, upTo: number | null): string =>
  least === null ? 'none' : `below ${least}${upTo === null ? '' : `, up to ${upTo}`}`;

/** Where something that is kept stands; its values begin at $3. */
function whereOf(which: Which): readonly [table: string, where: string, values: readonly unknown[]] {
  return which.drawer === undefined
    ? ['stock_item', 'number = $3', [which.number]]
    : ['drawer_size', 'drawer = $3 AND thickness_nm = $4', [which.drawer, which.thicknessNm]];
}

async function one(
  m: EntityManager,
  which: Which,
): Promise<{ title: string; least: number | null; up_to: number | null }> {
  const [found] = await (which.drawer === undefined
    ? m.query<{ title: string; least: number | null; up_to: number | null }[]>(
        `SELECT title, least, up_to FROM stock_item WHERE number = $1 FOR UPDATE`,
        [which.number],
      )
    : m.query<{ title: string; least: number | null; up_to: number | null }[]>(
        `SELECT upper(left(drawer, 1)) || replace(substr(drawer, 2), '-', ' ') || ' ' || (thickness_nm / 1e6)::float8 || ' mm' AS title, least, up_to
         FROM drawer_size WHERE drawer = $1 AND thickness_nm = $2 FOR UPDATE`,
        [which.drawer, which.thicknessNm],
      ));
  if (!found) throw new NotFoundException('Nothing of it is kept here');
  return found;
}
