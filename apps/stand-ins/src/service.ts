import { createServer, type Server, type Socket } from 'node:net';
import { Gauge } from './gauge.ts';
import { identities, LineReader, makes, type HandMove } from './protocol.ts';
import { seededRandom } from './random.ts';
import { rigKinds, type RigState } from './rig.ts';
import { isSetup, runStand, standFaults, type StandRun, type StandSetup } from './stands/index.ts';
import { pullTrace } from './torque-wrench.ts';

export interface StandInOptions {
  readonly seed?: number;
  /** Time between samples of a pull, ms; 0 in tests. */
  readonly sampleMs?: number;
  readonly liveMs?: number;
  /** How long a run of a stand is drawn out, ms; 0 in tests. */
  readonly runMs?: number;
}

/** A run is drawn out to this, and a wave comes in pieces of so many values. */
const RUN_MS = 4000;
const WAVE_CHUNK = 2500;

/** The simulated instruments: one TCP service, one instrument a connection. Listens on loopback only. */
export function startStandIns(port: number, options: StandInOptions = {}): Promise<Server> {
  const random = seededRandom(options.seed ?? 20417);
  // What is wrong on a stand is set on the stand, whoever asked for it.
  const faults = new Map<string, string>();
  const server = createServer((socket) => serve(socket, random, options, faults));
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}

function serve(socket: Socket, random: () => number, options: StandInOptions, faults: Map<string, string>): void {
  const timers = new Set<NodeJS.Timeout>();
  let attached: string | undefined;
  let gauge: Gauge | undefined;
  let zeroAt = 0;
  const say = (message: object): void => {
    if (!socket.destroyed) socket.write(`${JSON.stringify(message)}\n`);
  };
  let moves = 0;
  let runs = 0;
  let running: NodeJS.Timeout | undefined;
  const endRun = (): void => {
    if (!running) return;
    clearInterval(running);
    timers.delete(running);
    running = undefined;
  };
  const run = (setup: StandSetup): void => {
    endRun();
    runs += 1;
    const number = runs;
    let made: StandRun;
    try {
      made = runStand(setup, faults.get(attached!), random);
    } catch (e) {
      return say({ error: e instanceof Error ? e.message : 'it cannot be run' });
    }
    const { points, wave, done } = made;
    const every = Math.max(1, Math.ceil(points.length / 60));
    let at = 0;
    const timer = setInterval(
      () => {
        for (const point of points.slice(at, at + every)) say({ point: [number, ...point] });
        at += every;
        if (at < points.length) return;
        endRun();
        for (let from = 0; from < (wave?.length ?? 0); from += WAVE_CHUNK)
          say({ wave: { run: number, from, values: wave!.slice(from, from + WAVE_CHUNK) } });
        say({ done: { run: number, kind: setup.kind, ...done } });
      },
      (options.runMs ?? RUN_MS) / 60,
    );
    running = timer;
    timers.add(timer);
  };
  const live = (value: number, unit: string, turnedDeg?: number): void =>
    say({
      live: {
        value: Number((value - zeroAt).toFixed(4)),
        unit,
        moves,
        ...(turnedDeg === undefined ? {} : { turnedDeg }),
      },
    });

  const pull = (move: HandMove): void => {
    const trace = pullTrace(
      {
        stopNm: move.stopNm ?? 0,
        fromNm: move.fromNm ?? 0,
        yieldNm: move.yieldNm,
        byDeg: move.byDeg,
        fault: move.fault,
      },
      random,
    );
    // A line that drops out in mid-pull: what was said is all that there is.
    const cut = move.fault === 'drop-out' ? trace.length >> 1 : Infinity;
    const peak = Math.max(...trace.map(([, nm]) => nm));
    let i = 0;
    const timer = setInterval(() => {
      const sample = trace[i];
      if (i >= cut) {
        socket.destroy();
        return;
      }
      if (sample) {
        live(sample[1], 'N·m', sample[0]);
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

  const tellStand = (): void =>
    say({ stand: { faults: standFaults[identities[attached!]!.kind], fault: faults.get(attached!) ?? null } });

  const hear = (line: string): void => {
    let message: { attach?: unknown; zero?: unknown; hand?: HandMove; run?: unknown; stop?: unknown; fault?: unknown };
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
      if (identity.kind in makes) {
        const held = new Gauge(identity.id, makes[identity.kind as keyof typeof makes], random);
        gauge = held;
        timers.add(setInterval(() => live(held.read(), identity.unit), options.liveMs ?? 400));
        live(held.read(), identity.unit);
      } else if (identity.kind in standFaults) tellStand();
      else live(0, 'N·m');
      return;
    }
    if (attached === undefined) return say({ error: 'attach first' });
    if (message.zero === true) {
      zeroAt = gauge?.read() ?? 0;
      return;
    }
    const { kind } = identities[attached]!;
    if (message.run !== undefined) {
      if (!isSetup(kind, message.run)) return say({ error: 'not a run of this stand' });
      return run(message.run);
    }
    if (message.stop === true) return endRun();
    if (message.fault !== undefined) {
      const { fault } = message;
      if (fault === null) faults.delete(attached);
      else if (typeof fault === 'string' && standFaults[kind]?.includes(fault)) faults.set(attached, fault);
      else return say({ error: `no such fault; one of: ${(standFaults[kind] ?? []).join(', ')}` });
      return tellStand();
    }
    const move = message.hand;
    moves += 1;
    if (move?.action === 'present' && gauge && typeof move.piece === 'string') {
      gauge.present({ piece: move.piece, newSize: move.newSize, limit: move.limit });
      return live(gauge.read(), identities[attached]!.unit);
    }
    if (move?.action === 'pull' && identities[attached]!.kind === 'torque-wrench') return pull(move);
    if (move?.action === 'rig' && gauge && isRig(move)) {
      gauge.stand(move, identities[attached]!.kind === 'pull-scale');
      return live(gauge.read(), identities[attached]!.unit);
    }
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

/** Does it say which unit, and what is set on it? */
function isRig(move: HandMove): move is HandMove & RigState {
  return typeof move.rig === 'string' && rigKinds.some((k) => k === move.kind) && typeof move.target === 'number';
}
