import { describe, expect, test } from '@jest/globals';
import type { CommandAnswer } from '@jubb/contract';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import 'fake-indexeddb/auto';
import { set } from 'idb-keyval';
import { ApiError } from '../api/client.ts';
import { newId } from '../api/ids.ts';
import { oneSender, type OneSender } from './one-sender.ts';
import { Outbox, type Send, type Tabs, type Told } from './outbox.ts';
import { IndexedDbStore, type Store } from './store.ts';
import { askWhoIsHere } from './who-is-here.ts';
import { ageOf, newWaiting, type Waiting } from './waiting.ts';

const magnus = { id: 'm', name: 'Magnus', initials: 'MS' };
const ailsa = { id: 'a', name: 'Ailsa', initials: 'AB' };
const waiting = (id: string, job = 'j', giver = magnus): Waiting => ({
  ...newWaiting(giver, job, 'd', { type: 'complete', op: id }),
  id,
});
const answer: CommandAnswer = { events: [] };
const problem = (status: number, detail: string, more: object = {}): ApiError =>
  new ApiError({ type: '', title: '', status, detail, ...more });

interface Memory extends Store {
  kept: Waiting[];
  broken: boolean;
}
function memoryStore(): Memory {
  const store: Memory = {
    kept: [],
    broken: false,
    load: () => (store.broken ? Promise.reject(new Error('no')) : Promise.resolve(store.kept)),
    add: (w) =>
      store.broken ? Promise.reject(new Error('no')) : Promise.resolve(void (store.kept = [...store.kept, w])),
    update: (w) => Promise.resolve(void (store.kept = store.kept.map((k) => (k.id === w.id ? w : k)))),
    remove: (id) => Promise.resolve(void (store.kept = store.kept.filter((k) => k.id !== id))),
    lease: () => Promise.resolve(true),
  };
  return store;
}
/** Tabs of one browser: what one posts all others hear. */
function browser(): () => Tabs {
  const all: Tabs[] = [];
  return () => {
    const tab: Tabs = {
      post: (said: Told) => all.filter((t) => t !== tab).forEach((t) => t.onmessage?.(said)),
      onmessage: undefined,
    };
    all.push(tab);
    return tab;
  };
}
const alone: OneSender = async (act) => {
  await act();
  return true;
};
/** Waits until something is so. */
async function until(what: () => boolean): Promise<void> {
  for (let i = 0; !what(); i += 1) {
    if (i > 500) throw new Error(`it never came to be: ${String(what)}`);
    await new Promise((r) => setTimeout(r, 10));
  }
}
function box(store: Store, send: Send, person: typeof magnus | undefined = magnus, tabs = browser()()): Outbox {
  const made = new Outbox(store, send, alone, tabs);
  made.signedIn(person);
  return made;
}

describe('the outbox', () => {
  test('keeps before it sends, sends in order, and takes out what was answered', async () => {
    const store = memoryStore();
    const sent: string[] = [];
    const own = box(store, (w) => {
      expect(store.kept.some((k) => k.id === w.id)).toBe(true);
      sent.push(w.id);
      return Promise.resolve(answer);
    });
    await Promise.all(['a', 'b', 'c'].map((id) => own.add(waiting(id))));
    await until(() => store.kept.length === 0);
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(own.snapshot()).toEqual({ waiting: [], trouble: undefined });
  });

  test('two that are given at once both go, also where the store has only the first when it is looked into', async () => {
    const store = memoryStore();
    const add = store.add.bind(store);
    let write: () => void = () => undefined;
    store.add = (w) => (w.id === 'c2' ? new Promise((done) => (write = () => done(add(w)))) : add(w));
    const went: string[] = [];
    const b = box(store, (w) => Promise.resolve(went.push(w.id)).then(() => answer));
    await b.open();
    await Promise.all([b.add(waiting('c1')), Promise.resolve(void b.add(waiting('c2')))]);
    await until(() => went.includes('c1'));
    await b.drain();
    expect(b.snapshot().waiting.map((w) => w.id)).not.toContain('c1');
    write();
    await until(() => store.kept.length === 0 && b.snapshot().waiting.length === 0);
    expect(new Set(went)).toEqual(new Set(['c1', 'c2']));
  });

  test('without a network everything stays, also over a reload, and lands in order once', async () => {
    const store = memoryStore();
    const dead = box(store, () => Promise.reject(new TypeError('no network')));
    for (const id of ['a', 'b', 'c']) await dead.add(waiting(id));
    await until(() => dead.snapshot().trouble?.kind === 'no-line');
    expect(store.kept.map((k) => k.id)).toEqual(['a', 'b', 'c']);
    dead.close();
    const sent: string[] = [];
    const again = box(store, (w) => (sent.push(w.id), Promise.resolve(answer)));
    await again.open();
    await until(() => store.kept.length === 0);
    expect(sent).toEqual(['a', 'b', 'c']);
  });

  test('a refusal is kept with its reason; the next goes on; dismissing takes it away', async () => {
    const store = memoryStore();
    const own = box(store, (w) =>
      w.id === 'a' ? Promise.reject(problem(409, 'Fastener 1 is next')) : Promise.resolve(answer),
    );
    await own.add(waiting('a'));
    await own.add(waiting('b'));
    await until(() => store.kept.length === 1);
    expect(store.kept[0]).toMatchObject({ id: 'a', refused: 'Fastener 1 is next' });
    await own.dismiss('a');
    expect(store.kept).toEqual([]);
  });

  test('a hung server is called silent, and what waits is tried again', async () => {
    let hung = true;
    const own = box(memoryStore(), () =>
      hung ? Promise.reject(new DOMException('late', 'TimeoutError')) : Promise.resolve(answer),
    );
    await own.add(waiting('a'));
    await until(() => own.snapshot().trouble?.kind === 'silent');
    expect(own.snapshot().waiting).toHaveLength(1);
    hung = false;
    await own.drain();
    expect(own.snapshot()).toEqual({ waiting: [], trouble: undefined });
    own.close();
  });

  test('one that the server breaks on holds up its own job, not others; after three times it is set aside', async () => {
    const sent: string[] = [];
    const own = box(memoryStore(), (w) => {
      sent.push(w.id);
      return w.id === 'poison' ? Promise.reject(problem(500, 'Something broke here')) : Promise.resolve(answer);
    });
    await own.add(waiting('poison', 'one'));
    await own.add(waiting('after', 'one'));
    await own.add(waiting('other', 'two'));
    await until(() => sent.includes('other'));
    expect(sent).not.toContain('after');
    for (let i = 0; i < 3; i += 1) await own.drain();
    const [first, second] = own.snapshot().waiting;
    expect([first?.aside, second?.id]).toEqual(['Something broke here', 'after']);
    // Left out on purpose, what came after it goes on.
    await own.dismiss('poison');
    await until(() => sent.includes('after'));
    expect(own.snapshot().waiting).toEqual([]);
    own.close();
  });

  test('one that was set aside is sent when somebody says so', async () => {
    let broken = true;
    const own = box(memoryStore(), () => (broken ? Promise.reject(problem(500, 'broke')) : Promise.resolve(answer)));
    await own.add(waiting('a'));
    for (let i = 0; i < 3; i += 1) await own.drain();
    expect(own.snapshot().waiting[0]?.aside).toBe('broke');
    broken = false;
    await own.tryAgain('a');
    await until(() => own.snapshot().waiting.length === 0);
    own.close();
  });

  test.each([503, 507, 429])('%d means not now: nothing is refused or set aside', async (status) => {
    const own = box(memoryStore(), () => Promise.reject(problem(status, 'Not now')));
    await own.add(waiting('a'));
    for (let i = 0; i < 5; i += 1) await own.drain();
    expect(own.snapshot()).toMatchObject({ trouble: { kind: 'server', says: 'Not now' } });
    expect(Object.keys(own.snapshot().waiting[0]!)).not.toEqual(expect.arrayContaining(['refused']));
    own.close();
  });
});

describe('whose work it is', () => {
  test('work of one waits while another is signed in, and goes out under its own name when its giver is back', async () => {
    const sent: string[] = [];
    const own = box(
      memoryStore(),
      (w) => (sent.push(`${w.id} by ${w.giver.name}`), Promise.resolve(answer)),
      undefined,
    );
    await own.add(waiting('a', 'one', magnus));
    own.signedIn(ailsa);
    await own.add(waiting('b', 'one', ailsa));
    await until(() => sent.length === 1);
    expect(sent).toEqual(['b by Ailsa']);
    expect(own.snapshot().waiting.map((w) => w.id)).toEqual(['a']);
    own.signedIn(magnus);
    await until(() => sent.length === 2);
    expect(sent[1]).toBe('a by Magnus');
  });

  test.each([
    ['the same person is signed in after all: what waits goes', 'Magnus', ['a']],
    ['somebody else is: it waits for its giver', 'Ailsa', []],
  ])('a 401 that was but a moment, and %s', async (_what, back, goes) => {
    const client = new QueryClient({ defaultOptions: { queries: { gcTime: 0 } } });
    const here = (): Promise<{ person: typeof magnus }> =>
      Promise.resolve({ person: back === 'Magnus' ? magnus : ailsa });
    const observed = new QueryObserver(client, { queryKey: ['me'], queryFn: here });
    const stop = observed.subscribe(() => undefined);
    let signedOut = true;
    const sent: string[] = [];
    const own = box(memoryStore(), (w) =>
      signedOut ? Promise.reject(problem(401, 'Press your name')) : Promise.resolve((sent.push(w.id), answer)),
    );
    let asked: Promise<void> | undefined;
    own.onSignedOut = () => {
      asked = askWhoIsHere(client, own);
    };
    await own.add(waiting('a', 'one', magnus));
    await until(() => own.snapshot().trouble?.kind === 'signed-out');
    signedOut = false;
    await asked;
    await own.drain();
    expect(sent).toEqual(goes);
    stop();
    client.clear();
    own.close();
  });

  test.each<[string, ApiError]>([
    ['nobody is signed in any more', problem(401, 'Press your name')],
    ['somebody else is by now, in another tab', problem(403, 'Ailsa did not give this', { code: 'other-hands' })],
  ])('%s: it waits and is not refused, and the screen is told', async (_, error) => {
    let told = 0;
    const own = box(memoryStore(), () => Promise.reject(error));
    own.onSignedOut = () => void (told += 1);
    await own.add(waiting('a'));
    await until(() => told === 1);
    expect(own.snapshot()).toMatchObject({ trouble: { kind: 'signed-out' } });
    expect(own.snapshot().waiting[0]).not.toHaveProperty('refused');
    own.close();
  });

  test('who may not is refused by name, once, and it does not wait for ever', async () => {
    const own = box(memoryStore(), () => Promise.reject(problem(403, 'Not for the parts role')));
    await own.add(waiting('a'));
    await until(() => own.snapshot().waiting[0]?.refused === 'Not for the parts role');
  });
});

describe('a store that cannot be written', () => {
  test('is said, the command is sent at once, and never called kept', async () => {
    const store = memoryStore();
    store.broken = true;
    let line = false;
    const own = box(store, () => (line ? Promise.resolve(answer) : Promise.reject(new TypeError('no network'))));
    await own.add(waiting('a'));
    await until(() => own.snapshot().trouble?.kind === 'no-line');
    expect(own.snapshot().waiting).toEqual([expect.objectContaining({ id: 'a', unkept: true })]);
    line = true;
    await own.drain();
    expect(own.snapshot().waiting).toEqual([]);
    own.close();
  });
});

describe('two tabs of one browser', () => {
  test('neither writes over what the other was given; each is sent once, and both see it go', async () => {
    const store = memoryStore();
    const tab = browser();
    let line = false;
    const sent: string[] = [];
    const send: Send = (w) =>
      line ? (sent.push(w.id), Promise.resolve(answer)) : Promise.reject(new TypeError('no network'));
    const [one, two] = [box(store, send, magnus, tab()), box(store, send, magnus, tab())];
    for (let i = 0; i < 5; i += 1) {
      await one.add(waiting(`one ${i}`));
      await two.add(waiting(`two ${i}`));
    }
    expect(store.kept).toHaveLength(10);
    await until(() => one.snapshot().waiting.length === 10 && two.snapshot().waiting.length === 10);
    line = true;
    await Promise.all([one.drain(), two.drain()]);
    await until(() => one.snapshot().waiting.length === 0 && two.snapshot().waiting.length === 0);
    expect([...new Set(sent)]).toHaveLength(10);
    one.close();
    two.close();
  });
});

describe('the browser’s own store', () => {
  test('keeps each in its own record, in order, over two openings; the same twice is one', async () => {
    const [one, two] = [new IndexedDbStore(), new IndexedDbStore()];
    await Promise.all([one.add(waiting('a')), two.add(waiting('b'))]);
    await one.add(waiting('c'));
    await two.add(waiting('c'));
    expect((await one.load()).map((w) => w.id).sort()).toEqual(['a', 'b', 'c']);
    await two.update({ ...waiting('c'), refused: 'no' });
    await one.remove('a');
    const left = await two.load();
    expect(left.map((w) => [w.id, w.refused])).toEqual([
      ['b', undefined],
      ['c', 'no'],
    ]);
    for (const w of left) await one.remove(w.id);
  });

  test('what an earlier release kept is brought over, without a name, and is not sent as anybody’s', async () => {
    const old = { id: 'old', job: 'j', at: '2026-01-01T00:00:00.000Z', device: 'd', command: { type: 'sign-off' } };
    await set('jubb-outbox', [old]);
    const store = new IndexedDbStore();
    const sent: string[] = [];
    const own = box(store, (w) => (sent.push(`${w.id} ${w.giver.name}`), Promise.resolve(answer)));
    await own.open();
    expect(own.snapshot().waiting.map((w) => [w.id, w.giver.id])).toEqual([['old', '']]);
    await own.drain();
    expect(sent).toEqual([]);
    await own.claim('old', magnus);
    await until(() => sent.length === 1);
    expect(sent).toEqual(['old Magnus']);
    await until(() => own.snapshot().waiting.length === 0);
    expect(await store.load()).toEqual([]);
  });

  test('a command is sent by the name that it has today, whatever the page that kept it called it', async () => {
    const store = new IndexedDbStore();
    const kept = { ...waiting('w'), command: { type: 'lead-back', op: 'x', suspect: 'seal' } };
    await store.add(kept as unknown as Waiting);
    expect((await store.load()).map((w) => w.command)).toEqual([{ type: 'return-to-step', op: 'x', suspect: 'seal' }]);
    await store.remove('w');
  });

  test('one tab at a time has the lease; one that was closed lets go by itself', async () => {
    const store = new IndexedDbStore();
    expect(await store.lease('one', 1000, 0)).toBe(true);
    expect(await store.lease('two', 2000, 500)).toBe(false);
    expect(await store.lease('one', 1500, 600)).toBe(true);
    expect(await store.lease('two', 3000, 1500)).toBe(true);
  });

  test('where the browser has no locks two senders take turns by the lease', async () => {
    const store = memoryStore();
    let holder: string | undefined;
    store.lease = (tab, until) => {
      if (holder !== undefined && holder !== tab) return Promise.resolve(false);
      holder = until === 0 ? undefined : tab;
      return Promise.resolve(true);
    };
    const [one, two] = [oneSender(store), oneSender(store)];
    let busy = 0;
    let most = 0;
    const act = async (): Promise<void> => {
      most = Math.max(most, (busy += 1));
      await new Promise((r) => setTimeout(r, 20));
      busy -= 1;
    };
    const ran = await Promise.all([one(act), two(act)]);
    expect([ran.filter(Boolean).length, most]).toEqual([1, 1]);
    expect(await two(act)).toBe(true);
  });
});

describe('ids and ages', () => {
  test('an id is a UUID of version 4, each another, without what browsers have over https only', () => {
    const ids = Array.from({ length: 1000 }, () => newId());
    expect(new Set(ids).size).toBe(1000);
    for (const id of ids) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  });
  test('how old a command is goes by the stopwatch: a clock that is put right does not move it', () => {
    const w = waiting('a');
    expect(ageOf(w, Date.now() + 3 * 3600_000)).toBeLessThan(1000);
    const ofAnotherPage = { ...w, given: { page: 'gone', ms: 0 } };
    expect(ageOf(ofAnotherPage, Date.parse(w.at) + 60_000)).toBe(60_000);
    expect(ageOf(ofAnotherPage, Date.parse(w.at) - 60_000)).toBe(0);
  });
});
