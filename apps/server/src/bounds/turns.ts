import { ServiceUnavailableException } from '@nestjs/common';

/** Whoever has waited longer than this for a turn is told so, and may ask again. */
const LONGEST_WAIT_MS = 10_000;
const MOST_WAITING = 500;

/**
 * One at a time for each key, in the order of asking. Commands for one job take turns here before they take turns at the
 * database: otherwise many hands on one job would hold every connection there is, each waiting for the same lock.
 */
export class Turns {
  private readonly last = new Map<string, { readonly done: Promise<unknown>; waiting: number }>();

  /**
   * Runs `act` when its turn comes.
   * @throws ServiceUnavailableException when too many wait, or the turn came too late
   */
  async take<T>(key: string, act: () => Promise<T>): Promise<T> {
    const before = this.last.get(key);
    const waiting = (before?.waiting ?? 0) + 1;
    if (waiting > MOST_WAITING) throw busy();
    const asked = performance.now();
    const mine = (before?.done ?? Promise.resolve()).then(() => {
      if (performance.now() - asked > LONGEST_WAIT_MS) throw busy();
      return act();
    });
    // The next one waits for the end of this one, whichever way it ends.
    const entry = { done: mine.catch(() => undefined), waiting };
    this.last.set(key, entry);
    void entry.done.then(() => {
      const newest = this.last.get(key);
      if (newest === entry) this.last.delete(key);
      else if (newest) newest.waiting -= 1;
    });
    return mine;
  }
}

const busy = (): ServiceUnavailableException =>
  new ServiceUnavailableException('Too much waits for this job just now. Nothing was written; try again.');
