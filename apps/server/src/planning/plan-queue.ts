import { Inject, Injectable, Logger, type OnApplicationShutdown } from '@nestjs/common';
import type { QueuedView } from '@jubb/contract';
import type { PromiseDates } from '@jubb/core/planning';
import PgBoss from 'pg-boss';
import { hostname } from 'node:os';
import { Worker } from 'node:worker_threads';
import { CONFIG, type Config } from '../config/config.ts';
import type { PlanWork } from './plan-work.ts';

const QUEUE = 'plan';
const POLL_S = 0.5;
/** A promise takes a second or two; past this something is wrong. */
const THREAD_MS = 90_000;
const THREAD_MB = 512;
/** The compiled thread, also where the server itself runs from its sources. */
const THREAD = new URL(
  import.meta.url.replace('/server/src/', '/server/dist/').replace(/plan-queue\.[jt]s$/, 'plan.thread.js'),
);

/** Long planning as jobs in the database: whichever server has time takes the next one, and it outlives a restart. */
@Injectable()
export class PlanQueue implements OnApplicationShutdown {
  private readonly logger = new Logger('plan-queue');
  private starting: Promise<PgBoss> | undefined;
  /** This server among those of one database. */
  readonly name = `${hostname()}/${process.pid}`;
  constructor(@Inject(CONFIG) private readonly config: Config) {}

  /** The queue is set up when it is first wanted, or when the server is ready. */
  start(): Promise<PgBoss> {
    this.starting ??= this.open().catch((e: unknown) => {
      // The database was away: the next one who asks tries again.
      this.starting = undefined;
      throw e;
    });
    return this.starting;
  }

  private async open(): Promise<PgBoss> {
    const boss = new PgBoss({ connectionString: this.config.databaseUrl, max: 3 });
    boss.on('error', (e) => this.logger.warn(e instanceof Error ? e.message : String(e)));
    await boss.start();
    await boss.createQueue(QUEUE);
    await boss.work<PlanWork>(QUEUE, { pollingIntervalSeconds: POLL_S, batchSize: 1 }, async ([job]) => ({
      promise: await this.inThread(job!.data),
      by: this.name,
    }));
    return boss;
  }

  private inThread(work: PlanWork): Promise<PromiseDates> {
    return new Promise((resolve, reject) => {
      const thread = new Worker(THREAD, {
        workerData: work,
        resourceLimits: { maxOldGenerationSizeMb: THREAD_MB },
      });
      const timer = setTimeout(() => {
        reject(new Error(`planning took longer than ${THREAD_MS / 1000} s`));
        void thread.terminate();
      }, THREAD_MS);
      thread.once('message', resolve);
      thread.once('error', reject);
      // A thread that ends without a word would keep whoever asked waiting for ever.
      thread.once('exit', (code) => {
        clearTimeout(timer);
        reject(new Error(`the planning thread ended with ${code}`));
      });
    });
  }

  /** Puts work in the queue. */
  async add(work: PlanWork): Promise<string> {
    const boss = await this.start();
    const id = await boss.send(QUEUE, work, { expireInSeconds: 120, retryLimit: 1 });
    if (!id) throw new Error('the queue took no work');
    return id;
  }

  /** How far it is; undefined for work that there is not. */
  async look(id: string): Promise<QueuedView | undefined> {
    const boss = await this.start();
    const job = await boss.getJobById<PlanWork>(QUEUE, id);
    if (!job) return undefined;
    if (job.state === 'completed') {
      const { promise, by } = job.output as { promise: PromiseDates; by: string };
      return { id, state: 'done', promise, by };
    }
    if (job.state === 'failed' || job.state === 'cancelled') {
      const { message } = job.output as { message?: string };
      return { id, state: 'failed', says: message ?? 'it could not be planned' };
    }
    return { id, state: 'waiting' };
  }

  async onApplicationShutdown(): Promise<void> {
    const boss = await this.starting?.catch(() => undefined);
    await boss?.stop({ graceful: false, close: true });
  }
}
