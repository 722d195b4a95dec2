import { afterEach, describe, expect, test } from '@jest/globals';
import type { InstrumentMessage } from '@jubb/contract';
import { once } from 'node:events';
import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { firstValueFrom, type Observable } from 'rxjs';
import type { DataSource } from 'typeorm';
import type { Config } from '../config/config.ts';
import { InstrumentsService } from './instruments.service.ts';

/** The other end of the cable: says what the test says. */
let line: Server | undefined;
let service: InstrumentsService | undefined;
afterEach(() => {
  service?.onModuleDestroy();
  line?.close();
});

/** A service with one leak tester on the line; what the stand says, and when the service has heard it. */
async function plugged(): Promise<{ instruments: InstrumentsService; says: (m: object) => void; socket: Socket }> {
  const server = createServer().listen(0, '127.0.0.1');
  line = server;
  await once(server, 'listening');
  const tester = { id: 'leak-1', kind: 'leak-tester', name: 'Leak tester', simulated: true };
  const repository = { find: () => Promise.resolve([tester]), findOneByOrFail: () => Promise.resolve(tester) };
  service = new InstrumentsService(
    { getRepository: () => repository } as unknown as DataSource,
    { standIns: `127.0.0.1:${(server.address() as AddressInfo).port}` } as Config,
  );
  const joining = once(server, 'connection') as Promise<[Socket]>;
  await service.connectAll();
  const [socket] = await joining;
  const says = (m: object): void => void socket.write(`${JSON.stringify(m)}\n`);
  says({ identify: tester });
  while (!(await service.list())[0]!.connected) await new Promise((r) => setTimeout(r, 5));
  return { instruments: service, says, socket };
}
const next = (of: Observable<InstrumentMessage>, type: InstrumentMessage['type']): Promise<InstrumentMessage> =>
  new Promise((resolve) => {
    const sub = of.subscribe((m) => {
      if (m.type !== type) return;
      setTimeout(() => sub.unsubscribe());
      resolve(m);
    });
  });
const run = { kind: 'decay' as const, unit: 'x', figures: { time: 60 } };

describe('a stand', () => {
  test('says first that the line is open, so that a run that follows is heard whole', async () => {
    const { instruments } = await plugged();
    expect(await firstValueFrom(instruments.messages('leak-1'))).toEqual({ type: 'joined' });
  });

  test('makes one run at a time: a second bench is refused until the first has ended', async () => {
    const { instruments, says } = await plugged();
    expect(await instruments.run('leak-1', run)).toEqual({ run: 1 });
    await expect(instruments.run('leak-1', run)).rejects.toThrow('Leak tester is running already');
    const ended = next(instruments.messages('leak-1'), 'done');
    says({ done: { run: 1, volume: 3 } });
    expect(await ended).toMatchObject({ run: 1, said: { volume: 3 } });
    expect(await instruments.run('leak-1', run)).toEqual({ run: 2 });
  });

  test('a run that was stopped leaves it free, and its late end does not free the next one', async () => {
    const { instruments, says } = await plugged();
    await instruments.run('leak-1', run);
    await instruments.stop('leak-1');
    await instruments.run('leak-1', run);
    const late = next(instruments.messages('leak-1'), 'done');
    says({ done: { run: 1 } });
    await late;
    await expect(instruments.run('leak-1', run)).rejects.toThrow('running already');
  });

  test('a cut cable ends its run', async () => {
    const { instruments, socket } = await plugged();
    await instruments.run('leak-1', run);
    const gone = next(instruments.messages('leak-1'), 'gone');
    socket.destroy();
    await gone;
    await expect(instruments.run('leak-1', run)).rejects.toThrow('not connected');
  });
});
