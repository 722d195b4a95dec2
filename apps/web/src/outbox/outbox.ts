import { OTHER_HANDS, type CommandAnswer, type RefusedBody } from '@jubb/contract';
import type { Command, LoggedEvent, Person } from '@jubb/core/bench';
import { ApiError } from '../api/client.ts';
import type { OneSender } from './one-sender.ts';
import type { Store } from './store.ts';
import { newWaiting, type Waiting } from './waiting.ts';

export type Send = (w: Waiting, seen: number) => Promise<CommandAnswer>;
/** What tabs tell each other. */
export type Told =
  | { readonly type: 'changed' }
  | { readonly type: 'sent'; readonly job: string; readonly events: readonly LoggedEvent[] };
/** A channel to the other tabs of this browser. */
export interface Tabs {
  post(said: Told): void;
  onmessage: ((said: Told) => void) | undefined;
}

/** Why what waits is not sent just now; undefined while nothing is in the way. */
export type Trouble =
  | { readonly kind: 'no-line' }
  | { readonly kind: 'silent' }
  | { readonly kind: 'signed-out' }
  | { readonly kind: 'server'; readonly says: string };

export interface OutboxState {
  /** Oldest first. */
  readonly waiting: readonly Waiting[];
  readonly trouble: Trouble | undefined;
}

const FIRST_RETRY_MS = 1500;
const LONGEST_RETRY_MS = 10_000;
/** A command that the server breaks on so often is set aside, so that it holds up no others. */
const BREAKS = 3;
/** Answers that say "not now": the same command may well be taken later. */
const LATER: ReadonlySet<number> = new Set([408, 425, 429, 502, 503, 504, 507]);

/**
 * Commands on their way. Each is kept before it is sent, and taken out only when the server has answered; it is sent only
 * while its giver is signed in. One tab sends at a time and tells the others. What is refused, and what the server breaks
 * on, is set aside and shown, and the rest goes on. Nothing is dropped in silence, and nothing is called kept that is not.
 */
export class Outbox {
  private state: OutboxState = { waiting: [], trouble: undefined };
  private readonly listeners = new Set<() => void>();
  private readonly breaks = new Map<string, number>();
  /** Those that are just being written to the store: a look into it may come before them. */
  private readonly adding = new Set<string>();
  private draining: Promise<void> | undefined;
  private again = false;
  private closed = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private retryMs = FIRST_RETRY_MS;
  private person: Person | undefined;
  /** Newest event seen of a job, what to do with events that come, and when nobody is signed in any more. */
  seenOf: (job: string) => number = () => 0;
  onEvents: (job: string, events: readonly LoggedEvent[]) => void = () => undefined;
  onSignedOut: () => void = () => undefined;

  constructor(
    private readonly store: Store,
    private readonly send: Send,
    private readonly oneSender: OneSender,
    private readonly tabs: Tabs,
  ) {
    tabs.onmessage = (said) => void this.hear(said);
  }

  async open(): Promise<void> {
    await this.reload();
    void this.drain();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): OutboxState => this.state;

  /** Whose commands may be sent: whoever is signed in on this device. */
  signedIn(person: Person | undefined): void {
    if (person?.id === this.person?.id) return;
    this.person = person;
    if (person !== undefined) {
      this.put({ trouble: undefined });
      void this.drain();
    }
  }

  /**
   * Whoever is signed in after the server said that nobody was. What waits goes with the next try, not at once: a server that
   * says both without end is not asked without end.
   */
  stillHere(person: Person | undefined): void {
    this.person = person;
  }

  /** Takes a command of whoever is signed in. */
  give(job: string, device: string, command: Command): void {
    if (!this.person) throw new Error('nobody is signed in');
    void this.add(newWaiting(this.person, job, device, command));
  }

  /** Takes a command: it is shown at once, kept, and sent. One that cannot be kept is sent all the same, and said to be so. */
  async add(w: Waiting): Promise<void> {
    this.adding.add(w.id);
    this.put({ waiting: [...this.state.waiting, w] });
    try {
      await this.store.add(w);
      this.tabs.post({ type: 'changed' });
    } catch {
      // Said on the screen for as long as it is so: `unkept` is shown with what waits.
      this.change(w.id, (known) => ({ ...known, unkept: true }));
    } finally {
      this.adding.delete(w.id);
    }
    void this.drain();
  }

  /** Takes a refused command, or one that was set aside, out for good: somebody has read it and said so. */
  async dismiss(id: string): Promise<void> {
    await this.takeOut(id);
    void this.drain();
  }

  /** Tries one that was set aside once more. */
  async tryAgain(id: string): Promise<void> {
    this.breaks.delete(id);
    await this.rewrite(id, ({ aside: _gone, ...w }) => w);
    void this.drain();
  }

  /** Somebody says that a command without a name is theirs. */
  async claim(id: string, giver: Waiting['giver']): Promise<void> {
    await this.rewrite(id, (w) => ({ ...w, giver }));
    void this.drain();
  }

  /** Stops trying; what waits stays in the store for the next one. */
  close(): void {
    this.closed = true;
    clearTimeout(this.timer);
  }

  /** Sends what may be sent, oldest first. Safe to call at any time; resolves when it has tried. */
  drain(): Promise<void> {
    this.again = true;
    this.draining ??= this.run().finally(() => (this.draining = undefined));
    return this.draining;
  }

  private async run(): Promise<void> {
    while (this.again && !this.closed) {
      this.again = false;
      if (!this.next(new Set())) return;
      clearTimeout(this.timer);
      const sent = await this.oneSender(async () => {
        // Another tab may have sent some of it since.
        await this.reload();
        await this.sendAll();
      });
      if (!sent) this.later();
    }
  }

  private async sendAll(): Promise<void> {
    /** Jobs that wait for a later try; the others go on. */
    const stopped = new Set<string>();
    for (let w = this.next(stopped); w; w = this.next(stopped)) {
      let answer: CommandAnswer;
      try {
        answer = await this.send(w, this.seenOf(w.job));
      } catch (e) {
        if (await this.settled(w, e, stopped)) continue;
        this.later();
        return;
      }
      this.retryMs = FIRST_RETRY_MS;
      this.breaks.delete(w.id);
      this.onEvents(w.job, answer.events);
      await this.takeOut(w.id);
      this.tabs.post({ type: 'sent', job: w.job, events: answer.events });
    }
    if (stopped.size > 0) this.later();
    else this.put({ trouble: undefined });
  }

  /** What follows from an answer that is none. False when nothing can be sent just now. */
  private async settled(w: Waiting, e: unknown, stopped: Set<string>): Promise<boolean> {
    if (!(e instanceof ApiError)) {
      const silent = e instanceof DOMException && (e.name === 'TimeoutError' || e.name === 'AbortError');
      this.put({ trouble: { kind: silent ? 'silent' : 'no-line' } });
      return false;
    }
    if (e.status === 401 || (e.status === 403 && e.problem['code'] === OTHER_HANDS)) {
      this.person = undefined;
      this.put({ trouble: { kind: 'signed-out' } });
      this.onSignedOut();
      return false;
    }
    if (LATER.has(e.status)) {
      this.put({ trouble: { kind: 'server', says: e.message } });
      return false;
    }
    if (e.status >= 500) {
      const times = (this.breaks.get(w.id) ?? 0) + 1;
      this.breaks.set(w.id, times);
      this.put({ trouble: { kind: 'server', says: e.message } });
      if (times >= BREAKS) await this.rewrite(w.id, (known) => ({ ...known, aside: e.message }));
      else stopped.add(w.job);
      return true;
    }
    const body = e.problem as unknown as Partial<RefusedBody>;
    if (body.missed) this.onEvents(w.job, body.missed);
    await this.rewrite(w.id, (known) => ({ ...known, refused: e.message }));
    return true;
  }

  /** The oldest that may be sent: by whoever is signed in, of a job of which nothing older is held back. */
  private next(stopped: ReadonlySet<string>): Waiting | undefined {
    const held = new Set(stopped);
    for (const w of this.state.waiting) {
      if (w.refused !== undefined || w.giver.id !== this.person?.id) continue;
      // Kept before it is sent: one that is still being written comes next time.
      if (w.aside !== undefined || this.adding.has(w.id)) held.add(w.job);
      else if (!held.has(w.job)) return w;
    }
    return undefined;
  }

  private later(): void {
    if (this.closed) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.drain(), this.retryMs);
    this.retryMs = Math.min(2 * this.retryMs, LONGEST_RETRY_MS);
  }

  private async hear(said: Told): Promise<void> {
    if (said.type === 'sent') this.onEvents(said.job, said.events);
    await this.reload();
  }

  /** What is kept, with what lies in this page alone or is on its way to the store. */
  private async reload(): Promise<void> {
    try {
      const onTheirWay = new Set(this.adding);
      const kept = await this.store.load();
      const known = new Set(kept.map((w) => w.id));
      const here = this.state.waiting.filter(
        (w) => (w.unkept || onTheirWay.has(w.id) || this.adding.has(w.id)) && !known.has(w.id),
      );
      this.put({ waiting: [...kept, ...here] });
    } catch {
      // A store that cannot be read keeps nothing: what this page has is all there is, and is said not to be kept.
      this.put({ waiting: this.state.waiting.map((w) => ({ ...w, unkept: true as const })) });
    }
  }

  private async takeOut(id: string): Promise<void> {
    const gone = this.state.waiting.find((w) => w.id === id);
    this.put({ waiting: this.state.waiting.filter((w) => w.id !== id) });
    if (gone?.unkept) return;
    // Left in the store it is sent again and answered the same: nothing is lost by it.
    await this.store.remove(id).catch(() => undefined);
    this.tabs.post({ type: 'changed' });
  }

  private async rewrite(id: string, how: (w: Waiting) => Waiting): Promise<void> {
    const changed = this.change(id, how);
    if (!changed || changed.unkept) return;
    try {
      await this.store.update(changed);
      this.tabs.post({ type: 'changed' });
    } catch {
      this.change(id, (w) => ({ ...w, unkept: true }));
    }
  }

  private change(id: string, how: (w: Waiting) => Waiting): Waiting | undefined {
    const waiting = this.state.waiting.map((w) => (w.id === id ? how(w) : w));
    this.put({ waiting });
    return waiting.find((w) => w.id === id);
  }

  private put(state: Partial<OutboxState>): void {
    this.state = { ...this.state, ...state };
    for (const l of this.listeners) l();
  }
}
