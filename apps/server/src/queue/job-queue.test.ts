import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { CONFIG, type Config } from '../config/config.ts';
import { openShop, type TestShop } from '../shop.fixtures.ts';
import { JobQueue, whenWanted } from './job-queue.ts';

jest.setTimeout(120_000);

describe('what is set up when it is first wanted', () => {
  test('is set up once for all who ask, and again after it failed', async () => {
    let runs = 0;
    const wanted = whenWanted(async () => {
      runs += 1;
      if (runs === 1) throw new Error('no database');
      return Promise.resolve(runs);
    });
    expect(runs).toBe(0);
    await expect(Promise.all([wanted(), wanted()])).rejects.toThrow('no database');
    expect(await Promise.all([wanted(), wanted(), wanted()])).toEqual([2, 2, 2]);
    expect(runs).toBe(2);
  });
});

describe('a server that is stopped', () => {
  let shop: TestShop;
  beforeAll(async () => {
    shop = await openShop();
  });
  afterAll(async () => {
    await shop.app.close();
  });

  test('while its queue begins lets it begin and stops it; one that never began has nothing to stop', async () => {
    const queue = new JobQueue(shop.app.get<Config>(CONFIG));
    await queue.onApplicationShutdown();
    const starting = queue.start();
    await queue.onApplicationShutdown();
    const boss = await starting;
    await expect(boss.getQueues()).rejects.toThrow();
  });

  test('after its queue could not begin is stopped all the same', async () => {
    const config = { ...shop.app.get<Config>(CONFIG), databaseUrl: 'postgres://nobody@127.0.0.1:1/none' };
    const queue = new JobQueue(config);
    await expect(queue.start()).rejects.toThrow();
    await expect(queue.onApplicationShutdown()).resolves.toBeUndefined();
  });
});
