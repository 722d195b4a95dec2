/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import type { HealthView } from '@jubb/contract';
import { newWaiting, type Waiting } from '../outbox/waiting.ts';
import { LineWatch, type LineState } from './line-watch.ts';
import { lineWords } from './say-line.ts';

const magnus = { id: 'm', name: 'Magnus Sorley', initials: 'MS' };
const ailsa = { id: 'a', name: 'Ailsa Brock', initials: 'AB' };
const now = Date.parse('2026-03-09T10:42:00Z');
const given = (secondsAgo: number, giver = magnus, more: Partial<Waiting> = {}): Waiting => ({
  ...newWaiting(giver, 'j', 'd', { type: 'sign-off' }),
  at: new Date(now - secondsAgo * 1000).toISOString(),
  ...more,
});
const good: LineState = { silentSince: undefined, why: undefined, diskFull: false };
const dead: LineState = { silentSince: now - 60_000, why: 'no-line', diskFull: false };
const say = (
  waiting: readonly Waiting[],
  line = good,
  trouble?: Parameters<typeof lineWords>[0]['trouble'],
  person = 'm',
): string =>
  lineWords({ waiting, trouble }, line, person === '' ? undefined : person, now)
    .map((w) => w.words)
    .join(' | ');

describe('what the bar says', () => {
  test('nothing while all is well, nor of what is on its way for a moment', () => {
    expect(say([])).toBe('');
    expect(say([given(1)])).toBe('');
  });
  test('how many wait, why, and that they are kept', () => {
    expect(say([given(20), given(10)], dead)).toBe(
      'No line to the server. 2 entries are kept on this device and will be sent.',
    );
    expect(say([given(4)])).toBe('Still on its way. 1 entry is kept on this device and will be sent.');
    expect(say([given(4)], { ...dead, why: 'silent' })).toContain('The server does not answer.');
    expect(
      say([given(4)], good, { kind: 'server', says: 'The database does not answer. Nothing was written; try again.' }),
    ).toBe(
      'Not taken yet: The database does not answer. Nothing was written; try again. 1 entry is kept on this device and will be sent.',
    );
  });
  test('a silent server is told of also where nothing waits', () => {
    expect(say([], { ...dead, why: 'silent' })).toMatch(/^The server does not answer\. Since \d\d:\d\d; what is shown/);
  });
  test('what could not be kept is never called kept', () => {
    const words = say([given(9, magnus, { unkept: true })], dead);
    expect(words).not.toMatch(/are kept|is kept/);
    expect(words).toContain('1 entry could not be kept: this browser cannot write.');
    expect(say([given(9), given(9, magnus, { unkept: true })], dead)).toContain('1 entry is kept on this device');
  });
  test('work of others waits for them, by name', () => {
    expect(say([given(90), given(80)], good, undefined, 'a')).toBe(
      '2 entries of Magnus Sorley wait here until Magnus Sorley signs in.',
    );
    expect(say([given(90), given(2, ailsa)], good, { kind: 'signed-out' }, '')).toBe(
      'Nobody is signed in. 1 entry of Magnus Sorley waits here until Magnus Sorley signs in. 1 entry of Ailsa Brock waits here until Ailsa Brock signs in.',
    );
  });
  test('a full disk', () => {
    expect(say([], { ...good, diskFull: true })).toContain('disk is full');
  });
  test('what was refused or set aside has lines of its own', () => {
    expect(say([given(90, magnus, { refused: 'x' }), given(90, magnus, { aside: 'y' })])).toBe('');
  });
});

describe('the watch of the line', () => {
  test('says since when nobody answers, and once when somebody does again', async () => {
    let how: () => Promise<HealthView> = () => Promise.resolve({ status: 'ok' });
    const watch = new LineWatch(() => how());
    let back = 0;
    let told = 0;
    watch.onBack = () => void (back += 1);
    const stop = watch.subscribe(() => void (told += 1));
    await watch.look();
    expect([watch.snapshot().silentSince, told]).toEqual([undefined, 0]);
    how = () => Promise.reject(new DOMException('late', 'TimeoutError'));
    await watch.look();
    const since = watch.snapshot().silentSince;
    await watch.look();
    expect(watch.snapshot()).toEqual({ silentSince: since, why: 'silent', diskFull: false });
    how = () => Promise.resolve({ status: 'ok', disk: 'full' });
    await watch.look();
    expect([watch.snapshot(), back]).toEqual([{ silentSince: undefined, why: undefined, diskFull: true }, 1]);
    stop();
  });
  test('asks while the page is looked at only, and at once when it is looked at again', async () => {
    let asked = 0;
    const watch = new LineWatch(() => {
      asked += 1;
      return Promise.resolve({ status: 'ok' });
    });
    let seen: DocumentVisibilityState = 'hidden';
    Object.defineProperty(document, 'visibilityState', { configurable: true, get: () => seen });
    const stop = watch.subscribe(() => undefined);
    await watch.look();
    expect(asked).toBe(0);
    seen = 'visible';
    document.dispatchEvent(new Event('visibilitychange'));
    expect(asked).toBe(1);
    stop();
    document.dispatchEvent(new Event('visibilitychange'));
    expect(asked).toBe(1);
    Reflect.deleteProperty(document, 'visibilityState');
  });
});
