import type { HealthView } from '@jubb/contract';
import { api } from '../api/client.ts';

/** Asked so often while the page is looked at, and given up after so long: within five seconds it is known. */
const EVERY_MS = 2000;
const PATIENCE_MS = 2500;

export interface LineState {
  /** Since when the server has not answered; undefined while it does. */
  readonly silentSince: number | undefined;
  /** Is there a server that answers nothing, or no line to one? */
  readonly why: 'silent' | 'no-line' | undefined;
  readonly diskFull: boolean;
}
const GOOD: LineState = { silentSince: undefined, why: undefined, diskFull: false };

/** Asks the server again and again whether it is there. A stream that hangs says nothing of it for a long time. */
export class LineWatch {
  private state: LineState = GOOD;
  private readonly listeners = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private watchers = 0;
  /** Called when the server answers after it did not. */
  onBack: () => void = () => undefined;

  constructor(
    private readonly ask: () => Promise<HealthView> = () =>
      api<HealthView>('health/live', undefined, 'GET', PATIENCE_MS),
  ) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    this.watchers += 1;
    if (this.watchers === 1) {
      document.addEventListener('visibilitychange', this.seen);
      void this.look();
    }
    return () => {
      this.listeners.delete(listener);
      this.watchers -= 1;
      if (this.watchers > 0) return;
      document.removeEventListener('visibilitychange', this.seen);
      clearTimeout(this.timer);
    };
  };
  readonly snapshot = (): LineState => this.state;

  /** A page that comes into view says at once what is so: what it showed last may be hours old. */
  private readonly seen = (): void => {
    if (document.visibilityState === 'visible') void this.look();
  };

  /** Asks once, and again after a while. */
  async look(): Promise<void> {
    clearTimeout(this.timer);
    if (document.visibilityState === 'visible') await this.askOnce();
    if (this.watchers > 0) this.timer = setTimeout(() => void this.look(), EVERY_MS);
  }

  private async askOnce(): Promise<void> {
    const began = Date.now();
    try {
      const { disk } = await this.ask();
      const back = this.state.silentSince !== undefined;
      this.put({ silentSince: undefined, why: undefined, diskFull: disk === 'full' });
      if (back) this.onBack();
    } catch (e) {
      const why = e instanceof DOMException && e.name === 'TimeoutError' ? 'silent' : 'no-line';
      this.put({ ...this.state, silentSince: this.state.silentSince ?? began, why });
    }
  }

  private put(next: LineState): void {
    const { silentSince, why, diskFull } = this.state;
    if (next.silentSince === silentSince && next.why === why && next.diskFull === diskFull) return;
    this.state = next;
    for (const l of this.listeners) l();
  }
}
