import type { CommandAnswer, RefusedBody } from '@jubb/contract';
import type { Command, LoggedEvent } from '@jubb/core/bench';
import { get, set } from 'idb-keyval';
import { api, ApiError } from '../api/client.ts';

/** A command that waits to be sent, or was refused. */
export interface Waiting {
  readonly id: string;
  readonly job: string;
  readonly at: string;
  readonly device: string;
  readonly command: Command;
  /** Set when the server refused it: shown until somebody has read it. */
  readonly refused?: string;
}
export type Send = (w: Waiting, seen: number) => Promise<CommandAnswer>;
export interface Store {
  load(): Promise<readonly Waiting[]>;
  save(waiting: readonly Waiting[]): Promise<void>;
}

const KEY = 'jubb-outbox';
const RETRY_MS = 1500;

export const indexedDbStore: Store = {
  load: async () => (await get<readonly Waiting[]>(KEY)) ?? [],
  save: (w) => set(KEY, w),
};
const post: Send = (w, seen) =>
  api<CommandAnswer>(`jobs/${w.job}/commands`, { id: w.id, seen, at: w.at, device: w.device, command: w.command });

/**
 * Commands on their way: kept in IndexedDB before anything is sent, sent one after another, and taken out only when the
 * server has answered. No network means try again; a refusal is kept and shown. Nothing is dropped in silence.
 */
export class Outbox {
  private waiting: readonly Waiting[] = [];
  private readonly listeners = new Set<() => void>();
  private sending = false;
  private closed = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** The network was there at the last try. */
  online = true;
  /** Newest event seen of a job, and what to do with events that come. */
  seenOf: (job: string) => number = () => 0;
  onEvents: (job: string, events: readonly LoggedEvent[]) => void = () => undefined;

  constructor(
    private readonly store: Store = indexedDbStore,
    private readonly send: Send = post,
  ) {}

  async open(): Promise<void> {
    this.waiting = await this.store.load();
    this.tell();
    void this.drain();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): readonly Waiting[] => this.waiting;

  async add(w: Waiting): Promise<void> {
    this.waiting = [...this.waiting, w];
    this.tell();
    await this.store.save(this.waiting);
    void this.drain();
  }

  async dismiss(id: string): Promise<void> {
    await this.replace(this.waiting.filter((w) => w.id !== id));
  }

  /** Stops trying; what waits stays in the store for the next one. */
  close(): void {
    this.closed = true;
    clearTimeout(this.timer);
  }

  /** Sends what waits, oldest first. Safe to call at any time. */
  async drain(): Promise<void> {
    if (this.sending || this.closed) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      for (let next = this.next(); next; next = this.next()) {
        try {
          const answer = await this.send(next, this.seenOf(next.job));
          this.online = true;
          this.onEvents(next.job, answer.events);
          await this.dismiss(next.id);
        } catch (e) {
          if (e instanceof ApiError && e.status < 500 && e.status !== 401 && e.status !== 429) {
            const body = e.problem as unknown as Partial<RefusedBody>;
            if (body.missed) this.onEvents(next.job, body.missed);
            const { id } = next;
            await this.replace(this.waiting.map((w) => (w.id === id ? { ...w, refused: e.message } : w)));
            continue;
          }
          // No network, or a server that is down or does not know who asks: keep it and try again.
          this.online = e instanceof ApiError;
          this.tell();
          this.timer = setTimeout(() => void this.drain(), RETRY_MS);
          return;
        }
      }
    } finally {
      this.sending = false;
    }
  }

  private next(): Waiting | undefined {
    return this.waiting.find((w) => !w.refused);
  }

  private async replace(waiting: readonly Waiting[]): Promise<void> {
    this.waiting = waiting;
    this.tell();
    await this.store.save(waiting);
  }

  private tell(): void {
    this.waiting = [...this.waiting];
    for (const l of this.listeners) l();
  }
}
