import { commandToday } from '@jubb/core/bench';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { del, get } from 'idb-keyval';
import type { Waiting } from './waiting.ts';

/** Where commands wait: each a record of its own, in the order in which they were given, whichever tab gave them. */
export interface Store {
  /** All that wait, oldest first. */
  load(): Promise<readonly Waiting[]>;
  add(w: Waiting): Promise<void>;
  /** Writes over the record of the same id. */
  update(w: Waiting): Promise<void>;
  remove(id: string): Promise<void>;
  /** Takes, or keeps, the right to send for so long; false while another tab has it. */
  lease(tab: string, untilMs: number, now: number): Promise<boolean>;
}

interface Schema extends DBSchema {
  waiting: { key: number; value: Waiting; indexes: { id: string } };
  lease: { key: string; value: { readonly tab: string; readonly untilMs: number } };
}
/** A store that does not answer within this is one that cannot be written. */
const PATIENCE_MS = 2500;
const OLD_KEY = 'jubb-outbox';

async function inTime<T>(work: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('the browser’s store does not answer')), PATIENCE_MS);
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

/** The browser's own database. */
export class IndexedDbStore implements Store {
  private db: Promise<IDBPDatabase<Schema>> | undefined;

  private open(): Promise<IDBPDatabase<Schema>> {
    this.db ??= openDB<Schema>('jubb-outbox', 1, {
      upgrade: (db) => {
        db.createObjectStore('waiting', { autoIncrement: true }).createIndex('id', 'id', { unique: true });
        db.createObjectStore('lease');
      },
      terminated: () => (this.db = undefined),
    }).catch((e: unknown) => {
      this.db = undefined;
      throw e;
    });
    return this.db;
  }

  async load(): Promise<readonly Waiting[]> {
    return inTime(
      (async () => {
        const db = await this.open();
        await this.bringOver();
        const kept = await db.getAll('waiting');
        return kept.map((w) => ({ ...w, command: commandToday(w.command) }));
      })(),
    );
  }

  /** What an earlier release kept as one list, without who gave it: shown, and sent only by somebody who says it is theirs. */
  private async bringOver(): Promise<void> {
    const old = await get<readonly Waiting[]>(OLD_KEY);
    if (!old) return;
    for (const w of old)
      await this.add({
        ...w,
        atServer: w.at,
        given: { page: 'before', ms: 0 },
        giver: { id: '', name: 'somebody', initials: '?' },
      });
    await del(OLD_KEY);
  }

  async add(w: Waiting): Promise<void> {
    await inTime(
      (async () => {
        const tx = (await this.open()).transaction('waiting', 'readwrite', { durability: 'strict' });
        if ((await tx.store.index('id').getKey(w.id)) === undefined) await tx.store.add(w);
        await tx.done;
      })(),
    );
  }

  async update(w: Waiting): Promise<void> {
    await inTime(
      (async () => {
        const tx = (await this.open()).transaction('waiting', 'readwrite');
        const key = await tx.store.index('id').getKey(w.id);
        if (key !== undefined) await tx.store.put(w, key);
        await tx.done;
      })(),
    );
  }

  async remove(id: string): Promise<void> {
    await inTime(
      (async () => {
        const tx = (await this.open()).transaction('waiting', 'readwrite');
        const key = await tx.store.index('id').getKey(id);
        if (key !== undefined) await tx.store.delete(key);
        await tx.done;
      })(),
    );
  }

  async lease(tab: string, untilMs: number, now: number): Promise<boolean> {
    const tx = (await this.open()).transaction('lease', 'readwrite');
    const held = await tx.store.get('sender');
    const free = !held || held.tab === tab || held.untilMs <= now;
    if (free) await tx.store.put({ tab, untilMs }, 'sender');
    await tx.done;
    return free;
  }
}
