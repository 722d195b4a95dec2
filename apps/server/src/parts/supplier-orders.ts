import { Inject, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { CONFIG, type Config } from '../config/config.ts';

interface DueLine {
  readonly line: string;
  readonly number: string;
  readonly count: number;
  readonly priceMinor: number | null;
  readonly tries: number;
}
interface AnsweredLine {
  readonly line: string;
  readonly status: 'on-its-way' | 'out-of-stock';
  readonly expected: string | null;
  readonly priceMinor: number;
}

/** How long the supplier may take to answer; then it is asked again with the same reference. */
const PATIENCE_MS = 4000;
const LONGEST_PAUSE_S = 300;

/**
 * Asks the supplier for what is on order. A line waits until the supplier has answered for it; the order's reference makes
 * asking again safe. Two who ask for one order at once ask one after the other, and the second finds nothing left to ask.
 */
@Injectable()
export class SupplierOrders {
  constructor(
    private readonly db: DataSource,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** References of the orders that the supplier is to be asked for now, the oldest first. */
  async due(): Promise<string[]> {
    const rows = await this.db.query<{ order_ref: string }[]>(
      `SELECT order_ref FROM order_line WHERE state = 'sending' AND next_try <= now() GROUP BY order_ref ORDER BY min(ordered_at)`,
    );
    return rows.map((r) => r.order_ref);
  }

  /** Asks for one order and writes down the answer. @returns when to ask again, where there was none; undefined when it is done */
  send(ref: string): Promise<Date | undefined> {
    return this.db.transaction(async (m) => {
      const lines = await m.query<DueLine[]>(
        `SELECT line, number, count, price_minor AS "priceMinor", tries FROM order_line WHERE order_ref = $1 AND state = 'sending' ORDER BY line FOR UPDATE`,
        [ref],
      );
      if (lines.length === 0) return undefined;
      try {
        for (const answer of await this.ask(ref, lines))
          await m.query(
            `UPDATE order_line SET state = $2, expected = $3, asked_minor = $4, last_error = NULL, tries = tries + 1
             WHERE line = $1 AND state = 'sending'`,
            [answer.line, answer.status, answer.expected, answer.priceMinor],
          );
        return undefined;
      } catch (e) {
        if (!(e instanceof SupplierError)) throw e;
        const tries = lines[0]!.tries + 1;
        const pause = Math.min(LONGEST_PAUSE_S, 2 ** Math.min(tries, 12));
        const [[next]] = await m.query<[{ next: Date }[], number]>(
          `UPDATE order_line SET tries = $2, last_error = $3, next_try = now() + make_interval(secs => $4)
           WHERE order_ref = $1 AND state = 'sending' RETURNING next_try AS next`,
          [ref, tries, e.message, pause],
        );
        return next!.next;
      }
    });
  }

  private async ask(ref: string, lines: readonly DueLine[]): Promise<AnsweredLine[]> {
    let response: Response;
    try {
      response = await fetch(`${this.config.supplier}/orders`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          ref,
          lines: lines.map(({ line, number, count, priceMinor }) => ({
            line,
            number,
            count,
            ...(priceMinor === null ? {} : { listMinor: priceMinor }),
          })),
        }),
        signal: AbortSignal.timeout(PATIENCE_MS),
      });
    } catch (e) {
      throw new SupplierError(
        (e as Error).name === 'TimeoutError' ? 'The supplier takes too long to answer' : 'The supplier does not answer',
      );
    }
    if (!response.ok) throw new SupplierError(`The supplier refuses: ${response.status}`);
    const body = (await response.json()) as { lines?: AnsweredLine[] };
    const known = new Set(lines.map((l) => l.line));
    const answered = (body.lines ?? []).filter(
      (l) =>
        known.has(l.line) &&
        (l.status === 'on-its-way' || l.status === 'out-of-stock') &&
        Number.isInteger(l.priceMinor) &&
        l.priceMinor >= 0,
    );
    if (answered.length < lines.length) throw new SupplierError('The supplier answered for some of the lines only');
    return answered;
  }
}

/** The supplier could not be asked, or answered something else. Kept with the line, and tried again. */
class SupplierError extends Error {}
