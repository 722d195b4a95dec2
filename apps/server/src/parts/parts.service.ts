import { BadRequestException, Injectable, NotFoundException } from '@nestjs/common';
import type {
  ArriveDto,
  CommandAnswer,
  DrawerView,
  OrderLineView,
  PartsView,
  PlanView,
  TelephoneOrderDto,
  WhyDto,
} from '@jubb/contract';
import { jobSheet, type Command } from '@jubb/core/bench';
import { orderPlan, type BuyingWay, type OrderPlan } from '@jubb/core/parts';
import { DataSource } from 'typeorm';
import { OrderLine } from './order-line.entity.ts';
import { JobLog } from '../jobs/job-log.ts';
import type { Asker } from '../jobs/asker.ts';
import { JobWriter } from '../jobs/job-writer.service.ts';
import { wrongField } from '../problems/wrong-field.ts';
import { CatalogueService } from './catalogue.service.ts';
import { SupplierQueue } from './supplier-queue.ts';

/** Parts that came longer ago than this are not shown. */
const ARRIVED_DAYS = 14;
const MOST_SHOWN = 500;

/** A line as the database gives it. */
interface LineRow extends Omit<OrderLineView, 'contents' | 'orderedAt' | 'expected' | 'arrivedAt' | 'trouble'> {
  readonly parts: readonly string[];
  readonly orderedAt: Date;
  readonly expected: Date | null;
  readonly arrivedAt: Date | null;
  readonly lastError: string | null;
  readonly nextTry: Date;
  readonly sheet: string;
  readonly revision: number;
}

@Injectable()
export class PartsService {
  constructor(
    private readonly db: DataSource,
    private readonly log: JobLog,
    private readonly writer: JobWriter,
    private readonly catalogue: CatalogueService,
    private readonly supplier: SupplierQueue,
  ) {}

  async view(): Promise<PartsView> {
    const [toOrder, lines, drawer, superseded, [{ count }]] = await Promise.all([
      this.db.query<Promise<PartsView['toOrder']>>(
        `SELECT job.id AS job, job.number AS "jobNumber", split_part(job.title, ',', 1) || ', ' || unit.serial AS unit,
           customer.name AS customer, (notices -> 'parts' ->> 'toOrder')::int AS parts
         FROM job JOIN unit ON unit.id = job.unit_id JOIN customer ON customer.id = job.customer_id
         WHERE job.stage <> 'handed-over' AND (notices -> 'parts' ->> 'toOrder')::int > 0 ORDER BY job.number LIMIT ${MOST_SHOWN}`,
      ),
      this.lines(
        `o.state IN ('sending', 'on-its-way', 'out-of-stock') OR (o.state = 'arrived' AND o.arrived_at > now() - interval '${ARRIVED_DAYS} days')`,
        [],
      ),
      this.drawer(),
      this.db.query<Promise<PartsView['superseded']>>(
        `SELECT number AS old, superseded_by AS now, title FROM catalogue_item WHERE superseded_by IS NOT NULL ORDER BY number LIMIT ${MOST_SHOWN}`,
      ),
      this.db.query<Promise<[{ count: number }]>>('SELECT count(*)::int AS count FROM catalogue_item'),
    ]);
    return { toOrder, lines, drawer, superseded, catalogue: count };
  }

  private async lines(where: string, values: unknown[]): Promise<OrderLineView[]> {
    const rows = await this.db.query<LineRow[]>(
      `SELECT o.line, o.job_id AS job, job.number AS "jobNumber", split_part(job.title, ',', 1) || ', ' || unit.serial AS unit,
         job.place, o.number, o.title, o.count, o.price_minor AS "priceMinor", o.asked_minor AS "askedMinor", o.supplier, o.kit, o.parts, o.missing, o.state,
         o.ordered_at AS "orderedAt", o.expected, o.arrived_at AS "arrivedAt", o.last_error AS "lastError",
         o.next_try AS "nextTry", job.sheet, job.revision
       FROM order_line o JOIN job ON job.id = o.job_id JOIN unit ON unit.id = job.unit_id
       WHERE ${where} ORDER BY o.expected NULLS FIRST, o.ordered_at DESC, o.line LIMIT ${MOST_SHOWN}`,
      values,
    );
    return Promise.all(
      rows.map(async ({ sheet: id, revision, parts, lastError, nextTry, ...row }): Promise<OrderLineView> => {
        const sheet = row.kit ? await this.log.sheetOf(id, revision) : undefined;
        return {
          ...row,
          contents: sheet ? Object.fromEntries(parts.map((p) => [p, sheet.parts[p]?.title ?? p])) : {},
          orderedAt: row.orderedAt.toISOString(),
          expected: row.expected?.toISOString() ?? null,
          arrivedAt: row.arrivedAt?.toISOString() ?? null,
          trouble: lastError === null ? null : { says: lastError, again: nextTry.toISOString() },
        };
      }),
    );
  }

  async drawer(): Promise<DrawerView> {
    const [shims, stock] = await Promise.all([
      this.db.query<Promise<DrawerView['shims']>>(
        `SELECT drawer, thickness_nm / 1e6::float8 AS mm, count FROM drawer_size ORDER BY drawer, thickness_nm DESC`,
      ),
      this.db.query<Promise<DrawerView['stock']>>(
        `SELECT number, title, bin, count FROM stock_item ORDER BY bin, number LIMIT ${MOST_SHOWN}`,
      ),
    ]);
    return { shims, stock };
  }

  /** The list of a job as it makes itself. */
  async plan(job: string, way: BuyingWay): Promise<PlanView> {
    const { sheet, state } = await this.log.load(job);
    return orderPlan(
      sheet,
      state,
      await this.catalogue.shelfFor(jobSheet(sheet, state), Object.values(state.orders)),
      way,
    );
  }

  /** Orders the list of a job. The same command id again orders nothing again. */
  async order(job: string, commandId: string, way: BuyingWay, asker: Asker): Promise<CommandAnswer> {
    const { state } = await this.log.load(job);
    const plan = await this.plan(job, way);
    const answer = await this.writer.give(job, commandId, orderCommand(plan), state.seq, asker);
    void this.supplier.sendDue();
    return answer;
  }

  /**
   * Writes down what somebody ordered by telephone for a job: from whomever, at the price that was said, all of a part or some.
   * @throws BadRequestException for a part that the job does not have, or has no count for yet, or for more than are needed
   */
  async orderByTelephone(job: string, body: TelephoneOrderDto, asker: Asker): Promise<CommandAnswer> {
    const { sheet, state } = await this.log.load(job);
    const { needs } = await this.plan(job, 'singles');
    const { parts } = jobSheet(sheet, state);
    const lines = body.lines.map(({ part, number, count, priceMinor }, i) => {
      const wrong = (field: string, says: string): Error =>
        new BadRequestException(wrongField(`lines.${i}.${field}`, says));
      const known = parts[part];
      if (!known) throw wrong('part', `There is no part "${part}"`);
      const need = needs.find((n) => n.part === part);
      const rest = need?.count ?? known.count;
      if (rest === 0) throw wrong('part', `${known.title}: count them first`);
      if (count > rest) throw wrong('count', `${known.title}: ${rest} to order, not ${count}`);
      const needed = (need?.ordered ?? 0) + rest;
      return {
        number: number.trim() || known.order || 'by telephone',
        title: known.title,
        count,
        priceMinor,
        supplier: body.supplier.trim(),
        parts: [part],
        kit: false,
        from: 'supplier' as const,
        ...(count === needed ? {} : { needed }),
        byTelephone: true as const,
        ...(body.expected === undefined ? {} : { expected: body.expected }),
      };
    });
    return this.writer.give(job, body.commandId, { type: 'order-parts', lines }, state.seq, asker);
  }

  async arrive(line: string, { commandId, missing }: ArriveDto, asker: Asker): Promise<CommandAnswer> {
    return this.give(line, commandId, { type: 'arrive-part', line, missing }, asker);
  }

  async sendBack(line: string, { commandId, why }: WhyDto, asker: Asker): Promise<CommandAnswer> {
    const answer = await this.give(line, commandId, { type: 'send-part-back', line, why }, asker);
    void this.supplier.sendDue();
    return answer;
  }

  async cancel(line: string, { commandId, why }: WhyDto, asker: Asker): Promise<CommandAnswer> {
    return this.give(line, commandId, { type: 'cancel-line', line, why }, asker);
  }

  private async give(line: string, commandId: string, command: Command, asker: Asker): Promise<CommandAnswer> {
    const row = await this.db.getRepository(OrderLine).findOneBy({ line });
    if (!row) throw new NotFoundException('There is no such order line');
    const { state } = await this.log.load(row.jobId);
    return this.writer.give(row.jobId, commandId, command, state.seq, asker);
  }
}

/** The command that orders a plan; a plan with nothing in it is refused by the bench. */
export function orderCommand(plan: OrderPlan): Command {
  return { type: 'order-parts', lines: plan.lines };
}
