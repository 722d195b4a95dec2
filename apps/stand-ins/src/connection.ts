import type { Socket } from 'node:net';
import { Gauge } from './gauge.ts';
import { identities, LineReader, makes, type HandMove, type Identity } from './protocol.ts';
import { rigKinds, type RigState } from './rig.ts';
import { isSetup, runStand, standFaults, type StandRun, type StandSetup } from './stands/index.ts';
import { pullTrace } from './torque-wrench.ts';

/** How fast a simulated instrument goes, ms; 0 in tests. */
export interface Pace {
  /** Between samples of a pull. */
  readonly sampleMs?: number;
  /** Between two values of a gauge that is held. */
  readonly liveMs?: number;
  /** How long a run of a stand is drawn out. */
  readonly runMs?: number;
}
const SAMPLE_MS = 12;
const LIVE_MS = 400;
const RUN_MS = 4000;
/** A run comes in so many pieces, its wave in pieces of so many values. */
const RUN_PIECES = 60;
const WAVE_CHUNK = 2500;

interface Message {
  readonly attach?: unknown;
  readonly zero?: unknown;
  readonly hand?: HandMove;
  readonly run?: unknown;
  readonly stop?: unknown;
  readonly fault?: unknown;
}

/** One line to a simulated instrument: which one it is, what a hand did to it, and what it says of that. */
export class Connection {
  private readonly timers = new Set<NodeJS.Timeout>();
  private attached: Identity | undefined;
  private gauge: Gauge | undefined;
  private zeroAt = 0;
  private moves = 0;
  private runs = 0;
  private running: NodeJS.Timeout | undefined;

  constructor(
    private readonly socket: Socket,
    private readonly random: () => number,
    private readonly pace: Pace,
    /** What is wrong on each stand, by its id: set on the stand, whoever asked for it. */
    private readonly faults: Map<string, string>,
  ) {
    const lines = new LineReader(
      (line) => this.hear(line),
      () => this.say({ error: 'line too long' }),
    );
    socket.setEncoding('utf8');
    socket.on('data', (chunk: string) => lines.push(chunk));
    socket.on('close', () => this.stop());
    // A client that goes away in mid-sentence is no fault of the instrument's.
    socket.on('error', () => this.stop());
  }

  private say(message: object): void {
    if (!this.socket.destroyed) this.socket.write(`${JSON.stringify(message)}\n`);
  }

  private live(value: number, unit: string, turnedDeg?: number): void {
    this.say({
      live: {
        value: Number((value - this.zeroAt).toFixed(4)),
        unit,
        moves: this.moves,
        ...(turnedDeg === undefined ? {} : { turnedDeg }),
      },
    });
  }

  private every(ms: number, act: (timer: NodeJS.Timeout) => void): NodeJS.Timeout {
    const timer = setInterval(() => act(timer), ms);
    this.timers.add(timer);
    return timer;
  }

  private end(timer: NodeJS.Timeout): void {
    clearInterval(timer);
    this.timers.delete(timer);
  }

  private stop(): void {
    for (const t of this.timers) clearInterval(t);
    this.timers.clear();
  }

  private hear(line: string): void {
    let message: Message;
    try {
      message = JSON.parse(line) as Message;
    } catch {
      return this.say({ error: 'not JSON' });
    }
    if (typeof message !== 'object' || message === null) return this.say({ error: 'not an object' });
    if (typeof message.attach === 'string') return this.attach(message.attach);
    if (!this.attached) return this.say({ error: 'attach first' });
    if (message.zero === true) {
      this.zeroAt = this.gauge?.read() ?? 0;
      return;
    }
    if (message.run !== undefined) {
      if (!isSetup(this.attached.kind, message.run)) return this.say({ error: 'not a run of this stand' });
      return this.run(this.attached, message.run);
    }
    if (message.stop === true) return this.endRun();
    if (message.fault !== undefined) return this.setFault(this.attached, message.fault);
    return this.hand(this.attached, message.hand);
  }

  private attach(id: string): void {
    const identity = identities[id];
    if (!identity) return this.say({ error: `no instrument "${id}"` });
    this.attached = identity;
    this.say({ identify: identity });
    if (identity.kind in makes) {
      const gauge = new Gauge(identity.id, makes[identity.kind as keyof typeof makes], this.random);
      this.gauge = gauge;
      this.every(this.pace.liveMs ?? LIVE_MS, () => this.live(gauge.read(), identity.unit));
      this.live(gauge.read(), identity.unit);
    } else if (identity.kind in standFaults) this.tellStand(identity);
    else this.live(0, 'N·m');
  }

  /** What a hand did: laid a piece on, pulled, or set a unit on a rig. */
  private hand(on: Identity, move: HandMove | undefined): void {
    this.moves += 1;
    if (move?.action === 'present' && this.gauge && typeof move.piece === 'string') {
      this.gauge.present({ piece: move.piece, newSize: move.newSize, limit: move.limit });
      return this.live(this.gauge.read(), on.unit);
    }
    if (move?.action === 'pull' && on.kind === 'torque-wrench') return this.pull(move);
    if (move?.action === 'rig' && this.gauge && isRig(move)) {
      this.gauge.stand(move, on.kind === 'pull-scale');
      return this.live(this.gauge.read(), on.unit);
    }
    return this.say({ error: 'not something this instrument does' });
  }

  private pull(move: HandMove): void {
    const { stopNm = 0, fromNm = 0, yieldNm, byDeg, fault } = move;
    const trace = pullTrace({ stopNm, fromNm, yieldNm, byDeg, fault }, this.random);
    // A line that drops out in mid-pull: what was said is all that there is.
    const cut = fault === 'drop-out' ? trace.length >> 1 : Infinity;
    const peak = Math.max(...trace.map(([, nm]) => nm));
    let i = 0;
    this.every(this.pace.sampleMs ?? SAMPLE_MS, (timer) => {
      const sample = trace[i];
      if (i >= cut) {
        this.socket.destroy();
        return;
      }
      if (sample) {
        this.live(sample[1], 'N·m', sample[0]);
        i += 1;
        return;
      }
      this.end(timer);
      this.say({
        pull: {
          peakNm: Number(peak.toFixed(2)),
          turnedDeg: trace.at(-1)![0],
          trace: trace.map(([a, t]) => [a, Number(t.toFixed(2))]),
        },
      });
      this.live(0, 'N·m');
    });
  }

  private endRun(): void {
    if (!this.running) return;
    this.end(this.running);
    this.running = undefined;
  }

  /** A run of a stand, drawn out: its points, then its wave, then what came of it. */
  private run(on: Identity, setup: StandSetup): void {
    this.endRun();
    this.runs += 1;
    const number = this.runs;
    let made: StandRun;
    try {
      made = runStand(setup, this.faults.get(on.id), this.random);
    } catch (e) {
      return this.say({ error: e instanceof Error ? e.message : 'it cannot be run' });
    }
    const { points, wave = [], done } = made;
    const each = Math.max(1, Math.ceil(points.length / RUN_PIECES));
    let at = 0;
    this.running = this.every((this.pace.runMs ?? RUN_MS) / RUN_PIECES, () => {
      for (const point of points.slice(at, at + each)) this.say({ point: [number, ...point] });
      at += each;
      if (at < points.length) return;
      this.endRun();
      for (let from = 0; from < wave.length; from += WAVE_CHUNK)
        this.say({ wave: { run: number, from, values: wave.slice(from, from + WAVE_CHUNK) } });
      this.say({ done: { run: number, kind: setup.kind, ...done } });
    });
  }

  private setFault(on: Identity, fault: unknown): void {
    const known = standFaults[on.kind] ?? [];
    if (fault === null) this.faults.delete(on.id);
    else if (typeof fault === 'string' && known.includes(fault)) this.faults.set(on.id, fault);
    else return this.say({ error: `no such fault; one of: ${known.join(', ')}` });
    return this.tellStand(on);
  }

  private tellStand(on: Identity): void {
    this.say({ stand: { faults: standFaults[on.kind], fault: this.faults.get(on.id) ?? null } });
  }
}

/** Does it say which unit, and what is set on it? */
function isRig(move: HandMove): move is HandMove & RigState {
  return typeof move.rig === 'string' && rigKinds.some((k) => k === move.kind) && typeof move.target === 'number';
}
