import { createServer, type Server, type Socket } from 'node:net';
import { FloatRig } from './indicator.ts';
import { identities, LineReader, type HandMove } from './protocol.ts';
import { seededRandom } from './random.ts';
import { pullTrace } from './torque-wrench.ts';

export interface StandInOptions {
  readonly seed?: number;
  /** Time between samples of a pull, ms; 0 in tests. */
  readonly sampleMs?: number;
  readonly liveMs?: number;
}

/** The simulated instruments: one TCP service, one instrument a connection. Listens on loopback only. */
export function startStandIns(port: number, options: StandInOptions = {}): Promise<Server> {
  const random = seededRandom(options.seed ?? 20417);
  const rig = new FloatRig(random);
  const server = createServer((socket) => serve(socket, rig, random, options));
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}

function serve(socket: Socket, rig: FloatRig, random: () => number, options: StandInOptions): void {
  const timers = new Set<NodeJS.Timeout>();
  let attached: string | undefined;
  let zeroAt = 0;
  const say = (message: object): void => {
    if (!socket.destroyed) socket.write(`${JSON.stringify(message)}\n`);
  };
  const live = (value: number, unit: string): void =>
    say({ live: { value: Number((value - zeroAt).toFixed(4)), unit } });

  const pull = (move: HandMove): void => {
    const trace = pullTrace({ stopNm: move.stopNm ?? 0, fromNm: move.fromNm ?? 0, yieldNm: move.yieldNm }, random);
    const peak = Math.max(...trace.map(([, nm]) => nm));
    let i = 0;
    const timer = setInterval(() => {
      const sample = trace[i];
      if (sample) {
        live(sample[1], 'N·m');
        i += 1;
        return;
      }
      clearInterval(timer);
      timers.delete(timer);
      say({
        pull: {
          peakNm: Number(peak.toFixed(2)),
          turnedDeg: trace.at(-1)![0],
          trace: trace.map(([a, t]) => [a, Number(t.toFixed(2))]),
        },
      });
      live(0, 'N·m');
    }, options.sampleMs ?? 12);
    timers.add(timer);
  };

  const hear = (line: string): void => {
    let message: { attach?: unknown; zero?: unknown; hand?: HandMove };
    try {
      message = JSON.parse(line) as typeof message;
    } catch {
      say({ error: 'not JSON' });
      return;
    }
    if (typeof message !== 'object' || message === null) return say({ error: 'not an object' });
    if (typeof message.attach === 'string') {
      const identity = identities[message.attach];
      if (!identity) return say({ error: `no instrument "${message.attach}"` });
      attached = identity.id;
      say({ identify: identity });
      if (identity.kind === 'indicator') {
        const timer = setInterval(() => live(rig.rock(), 'mm'), options.liveMs ?? 400);
        timers.add(timer);
      } else live(0, 'N·m');
      return;
    }
    if (attached === undefined) return say({ error: 'attach first' });
    if (message.zero === true) {
      zeroAt = attached === 'indicator-1' ? rig.rock() : 0;
      return;
    }
    const move = message.hand;
    if (move?.action === 'pull' && attached === 'wrench-2') return pull(move);
    if (move?.action === 'fit-pack' && attached === 'indicator-1' && typeof move.packMm === 'number') {
      rig.fitPack(move.packMm);
      return live(rig.rock(), 'mm');
    }
    if (move?.action === 'rock' && attached === 'indicator-1') return live(rig.rock(), 'mm');
    say({ error: 'not something this instrument does' });
  };

  const lines = new LineReader(hear, () => say({ error: 'line too long' }));
  socket.setEncoding('utf8');
  socket.on('data', (chunk: string) => lines.push(chunk));
  const stop = (): void => {
    for (const t of timers) clearInterval(t);
    timers.clear();
  };
  socket.on('close', stop);
  // A client that goes away in mid-sentence is no fault of the instrument's.
  socket.on('error', stop);
}
