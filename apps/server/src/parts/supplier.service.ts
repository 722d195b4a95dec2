import { Inject, Injectable, Logger, type OnApplicationShutdown } from '@nestjs/common';
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
const LOOK_MS = 2000;
const LONGEST_PAUSE_S = 300;

/**
 * Sends what waits in the queue to the supplier. A line stays in the queue until the supplier has answered for it, over
 * any number of restarts; the order's reference makes asking again safe. Several servers share the queue: an order is taken
 * under a lock of its own.
 */
@Injectable()
export class SupplierService implements OnApplicationShutdown {
  private readonly logger = new Logger(SupplierService.name);
  private timer: NodeJS.Timeout | undefined;
  private sending: Promise<void> | undefined;
  private again = false;

  constructor(
    private readonly db: DataSource,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** Begins to look into the queue; called once the server listens. */
  start(): void {
    this.timer ??= setInterval(() => void this.sendDue(), LOOK_MS);
    this.timer.unref();
  }

  async onApplicationShutdown(): Promise<void> {
    clearInterval(this.timer);
    await this.sending;
  }

  /** Sends every order that is due, one after the other. While a run is under way it looks once more before it ends. */
  sendDue(): Promise<void> {
    this.again = true;
    this.sending ??= this.run();
    return this.sending;
  }

  private async run(): Promise<void> {
    try {
      while (this.again) {
        this.again = false;
        while (await this.sendOne()) {
          // The next one, until none is due.
        }
      }
    } catch (e) {
      // The database is away: the queue is kept there, and looked into again.
      this.logger.warn(`the queue to the supplier could not be read: ${(e as Error).message}`);
    } finally {
      this.sending = undefined;
    }
  }

  /** Takes one order that is due, asks the supplier and writes down the answer; false when none is due. */
  private async sendOne(): Promise<boolean> {
    return this.db.transaction(async (m) => {
      const [due] = await m.query<{ order_ref: string }[]>(
        `SELECT order_ref FROM (
           SELECT order_ref FROM order_line WHERE state = 'sending' AND next_try <= now()
           GROUP BY order_ref ORDER BY min(ordered_at) LIMIT 50
         ) due WHERE pg_try_advisory_xact_lock(hashtextextended(order_ref, 0)) LIMIT 1`,
      );
      if (!due) return false;
      const lines = await m.query<DueLine[]>(
        `SELECT line, number, count, price_minor AS "priceMinor", tries FROM order_line WHERE order_ref = $1 AND state = 'sending' ORDER BY line FOR UPDATE`,
        [due.order_ref],
      );
      try {
        for (const answer of await this.ask(due.order_ref, lines))
          await m.query(
            `UPDATE order_line SET state = $2, expected = $3, asked_minor = $4, last_error = NULL, tries = tries + 1
             WHERE line = $1 AND state = 'sending'`,
            [answer.line, answer.status, answer.expected, answer.priceMinor],
          );
      } catch (e) {
        if (!(e instanceof SupplierError)) throw e;
        const tries = (lines[0]?.tries ?? 0) + 1;
        const pause = Math.min(LONGEST_PAUSE_S, 2 ** Math.min(tries, 12));
        await m.query(
          `UPDATE order_line SET tries = $2, last_error = $3, next_try = now() + make_interval(secs => $4)
           WHERE order_ref = $1 AND state = 'sending'`,
          [due.order_ref, tries, e.message, pause],
        );
      }
      return true;
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
