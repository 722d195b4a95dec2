import { describe, expect, test } from '@jest/globals';
import { Batches, type Settled } from './batches.ts';

/** Batches of numbers, each run when the test lets it. */
function held(): { batches: Batches<number, string>; ran: number[][]; release: () => void } {
  const ran: number[][] = [];
  let release = (): void => undefined;
  const batches = new Batches<number, string>(async (_key, items) => {
    ran.push([...items]);
    await new Promise<void>((go) => (release = go));
    return items.map((n): Settled<string> => (n < 0 ? { error: new Error(`no ${n}`) } : { answer: `did ${n}` }));
  });
  return { batches, ran, release: () => release() };
}
const soon = (): Promise<void> => new Promise((r) => setTimeout(r, 5));

describe('what waits for one key', () => {
  test('goes together, in its order, one batch at a time; each has its own answer', async () => {
    const { batches, ran, release } = held();
    const answers = [1, 2, -3, 4].map((n) => batches.take('job', n).catch((e: Error) => e.message));
    await soon();
    // The first does not wait for company.
    expect(ran).toEqual([[1]]);
    release();
    await soon();
    expect(ran).toEqual([[1], [2, -3, 4]]);
    release();
    expect(await Promise.all(answers)).toEqual(['did 1', 'did 2', 'no -3', 'did 4']);
  });

  test('holds up no other key', async () => {
    const { batches, ran, release } = held();
    const one = batches.take('one', 1);
    const two = batches.take('two', 2);
    await soon();
    expect(ran).toEqual([[1], [2]]);
    release();
    expect(await two).toBe('did 2');
    void one;
  });

  test('a run that breaks is the fault of all in it, and of nobody after', async () => {
    let broken = true;
    const batches = new Batches<number, number>((_key, items) =>
      broken ? Promise.reject(new Error('away')) : Promise.resolve(items.map((n) => ({ answer: n }))),
    );
    await expect(batches.take('job', 1)).rejects.toThrow('away');
    broken = false;
    expect(await batches.take('job', 2)).toBe(2);
  });

  test('more than can be done in time is told so at once', async () => {
    const { batches, release } = held();
    const waiting = Array.from({ length: 501 }, (_, n) => batches.take('job', n).catch(() => 'late'));
    await expect(batches.take('job', 999)).rejects.toThrow(/Too much waits/);
    for (let i = 0; i < 20; i += 1) {
      await soon();
      release();
    }
    expect((await Promise.all(waiting)).filter((a) => a === 'late')).toEqual([]);
  });
});
