import { Inject, Injectable, Logger, type OnApplicationShutdown, type OnModuleInit } from '@nestjs/common';
import pg from 'pg';
import { Subject } from 'rxjs';
import { CONFIG, type Config } from '../config/config.ts';

export interface Appended {
  readonly job: string;
  readonly seq: number;
  /** Not a job's log has grown: what the week is planned from is another. */
  readonly week?: boolean;
}
const RETRY_MS = 1000;

/** Hears every append on this database, whichever server made it (LISTEN/NOTIFY). */
@Injectable()
export class LiveService implements OnModuleInit, OnApplicationShutdown {
  readonly appended = new Subject<Appended>();
  private readonly logger = new Logger('live');
  private client: pg.Client | undefined;
  private closing = false;

  constructor(@Inject(CONFIG) private readonly config: Config) {}

  async onModuleInit(): Promise<void> {
    await this.listen();
  }

  private async listen(): Promise<void> {
    const client = new pg.Client({ connectionString: this.config.databaseUrl });
    client.on('notification', (n) => {
      if (n.payload) this.appended.next(JSON.parse(n.payload) as Appended);
    });
    client.on('error', (e) => {
      this.logger.warn(`lost the database: ${e.message}`);
      if (!this.closing) setTimeout(() => void this.again(), RETRY_MS).unref();
    });
    await client.connect();
    await client.query('LISTEN jubb');
    this.client = client;
  }

  private async again(): Promise<void> {
    try {
      await this.listen();
    } catch (e) {
      this.logger.warn(`still no database: ${e instanceof Error ? e.message : String(e)}`);
      setTimeout(() => void this.again(), RETRY_MS).unref();
    }
  }

  async onApplicationShutdown(): Promise<void> {
    this.closing = true;
    this.appended.complete();
    await this.client?.end();
  }
}
