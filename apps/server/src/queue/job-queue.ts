import { Inject, Injectable, Logger, type OnApplicationShutdown } from '@nestjs/common';
import PgBoss from 'pg-boss';
import { CONFIG, type Config } from '../config/config.ts';

/** How long what is under way when the server is stopped has to come to its end. */
const LAST_WORDS_MS = 3000;
const CONNECTIONS = 3;

/**
 * Runs something once, when it is first wanted, and gives its outcome from then on. One that failed is run again for the next
 * who asks: the database may have been away.
 */
export function whenWanted<T>(run: () => Promise<T>): () => Promise<T> {
  let running: Promise<T> | undefined;
  return () => {
    running ??= run().catch((e: unknown) => {
      running = undefined;
      throw e;
    });
    return running;
  };
}

/** Work that is kept in the database (pg-boss): whichever server has time takes the next piece, and it outlives a restart. */
@Injectable()
export class JobQueue implements OnApplicationShutdown {
  private readonly logger = new Logger('job-queue');
  /** Begun or not: one that is still beginning when the server is stopped is stopped too. */
  private starting: Promise<PgBoss> | undefined;
  constructor(@Inject(CONFIG) private readonly config: Config) {}

  readonly start = whenWanted(() => (this.starting = this.begin()));

  private async begin(): Promise<PgBoss> {
    const boss = new PgBoss({ connectionString: this.config.databaseUrl, max: CONNECTIONS });
    boss.on('error', (e) => this.logger.warn(e instanceof Error ? e.message : String(e)));
    await boss.start();
    return boss;
  }

  async onApplicationShutdown(): Promise<void> {
    // One that could not begin was told of to whoever wanted it.
    const boss = await this.starting?.catch(() => undefined);
    await boss?.stop({ graceful: true, timeout: LAST_WORDS_MS, close: true });
  }
}
