import { ServiceUnavailableException } from '@nestjs/common';

/** Whoever has waited longer than this for a turn is told so, and may ask again. */
const LONGEST_WAIT_MS = 10_000;
const MOST_WAITING = 500;
/** Taken at once. */
const MOST_AT_ONCE = 40;

export type Settled<R> = { readonly answer: R } | { readonly error: unknown };

interface Waiter<T, R> {
  readonly item: T;
  readonly since: number;
  readonly answer: (r: R) => void;
  readonly refuse: (e: unknown) => void;
}

/**
 * One at a time for each key, in the order of asking, and all that wait by then together: many hands on one job take one
 * turn at the database and not one each, and never hold every connection there is while each waits for the same lock.
 */
export class Batches<T, R> {
  private readonly queues = new Map<string, Waiter<T, R>[]>();

  /** @param run does a batch in its order; answers for each of it */
  constructor(private readonly run: (key: string, items: readonly T[]) => Promise<readonly Settled<R>[]>) {}

  /** @throws ServiceUnavailableException when too many wait, or the turn came too late; whatever the item's own answer throws */
  take(key: string, item: T): Promise<R> {
    return new Promise<R>((answer, refuse) => {
      const known = this.queues.get(key);
      if (known && known.length >= MOST_WAITING) return refuse(busy());
      const waiter = { item, since: performance.now(), answer, refuse };
      if (known) known.push(waiter);
      else {
        const queue = [waiter];
        this.queues.set(key, queue);
        void this.drain(key, queue);
      }
    });
  }

  private async drain(key: string, queue: Waiter<T, R>[]): Promise<void> {
    while (queue.length > 0) {
      const batch = queue.splice(0, MOST_AT_ONCE).filter((w) => {
        const late = performance.now() - w.since > LONGEST_WAIT_MS;
        if (late) w.refuse(busy());
        return !late;
      });
      if (batch.length === 0) continue;
      try {
        const settled = await this.run(
          key,
          batch.map((w) => w.item),
        );
        batch.forEach((w, i) => {
          const own = settled[i];
          if (own && 'answer' in own) w.answer(own.answer);
          else w.refuse(own ? own.error : new Error('a command was left without an answer'));
        });
      } catch (e) {
        for (const w of batch) w.refuse(e);
      }
    }
    // Nothing runs between the last look and this: whoever comes next begins anew.
    this.queues.delete(key);
  }
}

const busy = (): ServiceUnavailableException =>
  new ServiceUnavailableException('Too much waits for this job just now. Nothing was written; try again.');
