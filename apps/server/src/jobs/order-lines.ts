import type { LoggedEvent, OrderedLine } from '@jubb/core/bench';
import { BadRequestException } from '@nestjs/common';
import type { EntityManager } from 'typeorm';

/**
 * Brings the lines on order to what a command's events say, in the transaction that appends them: a line is in the log
 * and in the queue to the supplier, or in neither. What the drawer gives is taken out of it here.
 */
export async function keepOrderLines(m: EntityManager, events: readonly LoggedEvent[]): Promise<void> {
  for (const e of events) {
    switch (e.type) {
      case 'parts-ordered':
        for (const l of e.payload.lines) {
          if (l.from === 'drawer') await takeFromDrawer(m, l.number, l.title, l.count);
          await m.query(
            `INSERT INTO order_line (line, order_ref, job_id, number, title, count, price_minor, supplier, kit, parts, state, ordered_at, by_telephone, expected)
             VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14)`,
            [
              l.line,
              e.payload.order,
              e.job,
              l.number,
              l.title,
              l.count,
              l.priceMinor,
              l.supplier,
              l.kit,
              JSON.stringify(l.parts),
              firstState(l),
              e.at,
              l.byTelephone === true,
              l.expected ?? null,
            ],
          );
        }
        break;
      case 'part-arrived':
        await m.query(`UPDATE order_line SET state = 'arrived', arrived_at = $2, missing = $3 WHERE line = $1`, [
          e.payload.line,
          e.at,
          JSON.stringify(e.payload.missing),
        ]);
        break;
      case 'part-sent-back':
        // A reference of its own: the supplier is asked for another one; by telephone somebody has asked.
        await m.query(
          `UPDATE order_line SET state = CASE WHEN by_telephone THEN 'on-its-way' ELSE 'sending' END, arrived_at = NULL, expected = NULL, missing = '[]', tries = 0,
             next_try = now(), last_error = NULL, order_ref = line || '-again-' || $2 WHERE line = $1`,
          [e.payload.line, String(e.seq)],
        );
        break;
      case 'line-cancelled':
        await m.query(`UPDATE order_line SET state = 'cancelled' WHERE line = $1`, [e.payload.line]);
        break;
      default:
    }
  }
}

const firstState = ({ from, byTelephone }: OrderedLine): string =>
  from === 'drawer' ? 'arrived' : byTelephone ? 'on-its-way' : 'sending';

async function takeFromDrawer(m: EntityManager, number: string, title: string, count: number): Promise<void> {
  const [, changed] = await m.query<[unknown, number]>(
    `UPDATE stock_item SET count = count - $2 WHERE number = $1 AND count >= $2`,
    [number, count],
  );
  if (changed !== 1)
    throw new BadRequestException(`${title}: the drawer has not ${count} of ${number} any more. Make the list again.`);
}
