import type { HandDto, InstrumentMessage } from '@jubb/contract';
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
    socket.on('connect', () => this.say({ attach: this.id }));
    socket.on('data', (chunk: string) => this.hear(chunk));
    // 'close' follows every error and does the rest.
    socket.on('error', () => undefined);
    socket.on('close', () => {
      if (this.connected) this.messages.next({ type: 'gone' });
      this.connected = false;
      this.lastLive = undefined;
      if (!this.closed) setTimeout(() => this.connect(), RETRY_MS).unref();
    });
  }

  zero(): void {
    this.say({ zero: true });
  }

  hand(move: HandDto): void {
    this.say({ hand: move });
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
      live?: { value: number; unit: string };
      pull?: { peakNm: number; turnedDeg: number; trace: [number, number][] };
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
  }
}
