import { Injectable, Logger } from '@nestjs/common';
import { JobQueue, whenWanted } from '../queue/job-queue.ts';
import { SupplierOrders } from './supplier-orders.ts';

const QUEUE = 'supplier';
const LOOK = 'supplier-look';
const POLL_S = 2;
const EVERY_MINUTE = '* * * * *';
/** A server that died while it asked: the order is another's after this. */
const EXPIRE_S = 60;

/**
 * When the supplier is asked, and by whom: an order is one piece of work by its reference, so that several servers never ask
 * for it at once, and it is put off by longer pauses while the supplier does not answer. Lines are what is owed: every minute,
 * and when a server begins, what waits there is put in the queue if it is not in it.
 */
@Injectable()
export class SupplierQueue {
  private readonly logger = new Logger('supplier-queue');
  constructor(
    private readonly jobs: JobQueue,
    private readonly orders: SupplierOrders,
  ) {}

  private readonly ready = whenWanted(async () => {
    const boss = await this.jobs.start();
    await boss.createQueue(QUEUE, { name: QUEUE, policy: 'stately', expireInSeconds: EXPIRE_S });
    await boss.createQueue(LOOK, { name: LOOK, policy: 'short' });
    await boss.schedule(LOOK, EVERY_MINUTE);
    // Last, so that what is set up anew after a failure has no second worker.
    const worker = await boss.work<{ readonly ref: string }>(
      QUEUE,
      { pollingIntervalSeconds: POLL_S, batchSize: 1 },
      async ([job]) => {
        const { ref } = job!.data;
        const next = await this.orders.send(ref);
        if (next) await boss.sendAfter(QUEUE, { ref }, { singletonKey: ref }, next);
      },
    );
    await boss.work(LOOK, { pollingIntervalSeconds: POLL_S }, () => this.addDue());
    return { boss, worker };
  });

  /** Puts every order that is due in the queue, and looks into it at once. */
  private async addDue(): Promise<void> {
    const { boss, worker } = await this.ready();
    for (const ref of await this.orders.due()) await boss.send(QUEUE, { ref }, { singletonKey: ref });
    boss.notifyWorker(worker);
  }

  /** Sends what is due; never fails: while the database is away the lines are kept there, and are looked for again. */
  async sendDue(): Promise<void> {
    try {
      await this.addDue();
    } catch (e) {
      this.logger.warn(`orders could not be put in the queue to the supplier: ${(e as Error).message}`);
    }
  }
}
