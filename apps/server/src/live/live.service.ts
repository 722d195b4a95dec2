import { Inject, Injectable, Logger, type OnModuleDestroy, type OnModuleInit } from '@nestjs/common';
import pg from 'pg';
import { Subject } from 'rxjs';
import { AuthService } from '../auth/auth.service.ts';
import { CONFIG, type Config } from '../config/config.ts';

export interface Appended {
  readonly job: string;
  readonly seq: number;
  /** Not a job's log has grown: what the week is planned from is another. */
  readonly week?: boolean;
  /** The line to the database was lost for a while: whatever is shown is asked for again. */
  readonly again?: boolean;
}
/** A session has ended, on whichever server. */
interface Ended {
  readonly session: string;
}

const FIRST_RETRY_MS = 250;
const LONGEST_RETRY_MS = 5000;
/** Told again on return: what came after the loss, and so much before it, s. */
const MARGIN_S = 5;

/** Hears every append on this database, whichever server made it (LISTEN/NOTIFY). One line to it, never two. */
@Injectable()
export class LiveService implements OnModuleInit, OnModuleDestroy {
  readonly appended = new Subject<Appended>();
  private readonly logger = new Logger('live');
  private client: pg.Client | undefined;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private closing = false;

  constructor(
    @Inject(CONFIG) private readonly config: Config,
    private readonly auth: AuthService,
  ) {}

  async onModuleInit(): Promise<void> {
    await this.listen();
  }

  private async listen(lostAt?: number): Promise<void> {
    const client = new pg.Client({
      connectionString: this.config.databaseUrl,
      application_name: 'jubb-live',
      connectionTimeoutMillis: 3000,
      keepAlive: true,
    });
    // One loss is heard as an error, as an end, or as both: the first of them counts, and the line is thrown away.
    const lost = (why: string): void => {
      if (this.client !== client) return;
      this.client = undefined;
      drop(client);
      this.logger.warn(`lost the database: ${why}`);
      this.again(Date.now(), FIRST_RETRY_MS);
    };
    client.on('notification', (n) => n.payload && this.hear(n.payload));
    client.on('error', (e) => lost(e.message));
    client.on('end', () => lost('the line ended'));
    try {
      await client.connect();
      await client.query('LISTEN jubb');
      // Listening first, then looking back: nothing falls between the two.
      if (lostAt !== undefined) await this.lookBack(client, lostAt);
    } catch (e) {
      drop(client);
      throw e;
    }
    if (this.closing) drop(client);
    else this.client = client;
  }

  /** Tells what was written while nobody listened. */
  private async lookBack(client: pg.Client, lostAt: number): Promise<void> {
    const seconds = (Date.now() - lostAt) / 1000 + MARGIN_S;
    const { rows } = await client.query<{ job: string; seq: number }>(
      `SELECT job_id AS job, max(seq) AS seq FROM job_event WHERE recorded_at > now() - make_interval(secs => $1) GROUP BY job_id`,
      [seconds],
    );
    for (const row of rows) this.appended.next(row);
    this.appended.next({ job: '', seq: 0, week: true, again: true });
  }

  private hear(payload: string): void {
    const said = JSON.parse(payload) as Appended | Ended;
    if ('session' in said) this.auth.ended.next(said.session);
    else this.appended.next(said);
  }

  private again(lostAt: number, afterMs: number): void {
    if (this.closing) return;
    clearTimeout(this.retry);
    this.retry = setTimeout(() => {
      this.listen(lostAt).catch((e: Error) => {
        this.logger.warn(`still no database: ${e.message}`);
        this.again(lostAt, Math.min(2 * afterMs, LONGEST_RETRY_MS));
      });
    }, afterMs);
    this.retry.unref();
  }

  async onModuleDestroy(): Promise<void> {
    this.closing = true;
    clearTimeout(this.retry);
    this.appended.complete();
    const { client } = this;
    this.client = undefined;
    await client?.end();
  }
}

/** Lets a line go, whatever state it is in. */
function drop(client: pg.Client): void {
  client.removeAllListeners();
  // What a line says after it was thrown away is nobody's business any more; unheard, it would end the process.
  client.on('error', () => undefined);
  client.end().catch(() => undefined);
}
