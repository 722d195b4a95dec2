import type { HandAnswer, HandDto, InstrumentMessage, StandRunDto } from '@jubb/contract';
import { connect, type Socket } from 'node:net';
import { Subject } from 'rxjs';
import type { InstrumentPort } from './instrument.port.ts';

const RETRY_MS = 1500;
const LONGEST = 200_000;

/** Newline-delimited JSON over TCP; connects again by itself. */
export class TcpInstrument implements InstrumentPort {
  readonly messages = new Subject<InstrumentMessage>();
  connected = false;
  lastLive: InstrumentMessage | undefined;
  private socket: Socket | undefined;
  private rest = '';
  private closed = false;
  private moves = 0;
  private runs = 0;
  running: number | undefined;
  faults: InstrumentPort['faults'];

  constructor(
    private readonly id: string,
    private readonly host: string,
    private readonly port: number,
  ) {}

  connect(): void {
    if (this.closed) return;
    const socket = connect(this.port, this.host);
    this.socket = socket;
    socket.setEncoding('utf8');
    socket.on('connect', () => {
      this.moves = 0;
      this.runs = 0;
      this.running = undefined;
      this.say({ attach: this.id });
    });
    socket.on('data', (chunk: string) => this.hear(chunk));
    // 'close' follows every error and does the rest.
    socket.on('error', () => undefined);
    socket.on('close', () => {
      if (this.connected) this.messages.next({ type: 'gone' });
      this.connected = false;
      this.running = undefined;
      this.lastLive = undefined;
      if (!this.closed) setTimeout(() => this.connect(), RETRY_MS).unref();
    });
  }

  zero(): void {
    this.say({ zero: true });
  }

  hand(move: HandDto): HandAnswer {
    this.moves += 1;
    this.say({ hand: move });
    return { moves: this.moves };
  }

  run(setup: StandRunDto): { readonly run: number } {
    this.runs += 1;
    this.running = this.runs;
    this.say({ run: setup });
    return { run: this.runs };
  }

  stop(): void {
    this.running = undefined;
    this.say({ stop: true });
  }

  fault(name: string | null): void {
    this.say({ fault: name });
  }

  close(): void {
    this.closed = true;
    this.messages.complete();
    this.socket?.destroy();
  }

  private say(message: object): void {
    if (this.socket && !this.socket.destroyed) this.socket.write(`${JSON.stringify(message)}\n`);
  }

  private hear(chunk: string): void {
    this.rest += chunk;
    const lines = this.rest.split('\n');
    this.rest = lines.pop() ?? '';
    if (this.rest.length > LONGEST) this.rest = '';
    for (const line of lines) this.line(line);
  }

  private line(line: string): void {
    let m: {
      identify?: unknown;
      live?: { value: number; unit: string; moves?: number; turnedDeg?: number };
      pull?: { peakNm: number; turnedDeg: number; trace: [number, number][] };
      stand?: { faults: string[]; fault: string | null };
      point?: number[];
      wave?: { run: number; from: number; values: number[] };
      done?: { run: number } & Record<string, unknown>;
      error?: string;
    };
    try {
      m = JSON.parse(line) as typeof m;
    } catch {
      // Half a line after a cut cable: the next one is whole again.
      return;
    }
    if (m.identify) this.connected = true;
    if (m.live) {
      this.lastLive = { type: 'live', ...m.live };
      this.messages.next(this.lastLive);
    }
    if (m.pull) this.messages.next({ type: 'pull', ...m.pull });
    if (m.stand) this.faults = { all: m.stand.faults, chosen: m.stand.fault };
    if (m.point) this.messages.next({ type: 'point', run: m.point[0]!, at: m.point.slice(1) });
    if (m.wave) this.messages.next({ type: 'wave', ...m.wave });
    if (m.done) {
      if (m.done.run === this.running) this.running = undefined;
      this.messages.next({ type: 'done', run: m.done.run, said: m.done });
    }
    if (m.error) {
      this.running = undefined;
      this.messages.next({ type: 'error', says: m.error });
    }
  }
}
