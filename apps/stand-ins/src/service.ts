import { createServer, type Server } from 'node:net';
import { Connection, type Pace } from './connection.ts';
import { seededRandom } from './random.ts';

export interface StandInOptions extends Pace {
  readonly seed?: number;
}

/** The simulated instruments: one TCP service, one instrument a connection. Listens on loopback only. */
export function startStandIns(port: number, options: StandInOptions = {}): Promise<Server> {
  const random = seededRandom(options.seed ?? 20417);
  const faults = new Map<string, string>();
  const server = createServer((socket) => new Connection(socket, random, options, faults));
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}
