import { Injectable } from '@nestjs/common';
import type { QueuedView } from '@jubb/contract';
import type { DeliveryDates } from '@jubb/core/planning';
import { hostname } from 'node:os';
import { Worker } from 'node:worker_threads';
import { JobQueue, whenWanted } from '../queue/job-queue.ts';
import type { PlanWork } from './plan-work.ts';

const QUEUE = 'plan';
const POLL_S = 0.5;
/** It takes a second or two; past this something is wrong. */
const THREAD_MS = 90_000;
const THREAD_MB = 512;
/** The compiled thread, also where the server itself runs from its sources. */
const THREAD = new URL(
  import.meta.url.replace('/server/src/', '/server/dist/').replace(/plan-queue\.[jt]s$/, 'plan.thread.js'),
);

/** Long planning as work in the database: see {@link JobQueue}. */
@Injectable()
export class PlanQueue {
  /** This server among those of one database. */
  readonly name = `${hostname()}/${process.pid}`;
  constructor(private readonly jobs: JobQueue) {}

  /** The queue is set up when it is first wanted, or when the server is ready. */
  readonly start = whenWanted(async () => {
    const boss = await this.jobs.start();
    await boss.createQueue(QUEUE);
    await boss.work<PlanWork>(QUEUE, { pollingIntervalSeconds: POLL_S, batchSize: 1 }, async ([job]) => ({
      deliveryDates: await this.inThread(job!.data),
      by: this.name,
    }));
    return boss;
  });

  private inThread(work: PlanWork): Promise<DeliveryDates> {
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
      const { deliveryDates, by } = job.output as { deliveryDates: DeliveryDates; by: string };
      return { id, state: 'done', deliveryDates, by };
    }
    if (job.state === 'failed' || job.state === 'cancelled') {
      const { message } = job.output as { message?: string };
      return { id, state: 'failed', says: message ?? 'it could not be planned' };
    }
    return { id, state: 'waiting' };
  }
}
