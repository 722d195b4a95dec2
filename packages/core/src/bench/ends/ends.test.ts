import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { booked, libraryNames, librarySheet, now, person, type TestBench } from '../bench.fixtures.ts';
import {
  aidsIn,
  billOf,
  buildRecord,
  decide,
  endKinds,
  ladderOf,
  nextMove,
  plainRecord,
  stageOf,
  type Command,
  type EndKind,
} from '../index.ts';

const money = { currency: '£', rateMinor: 6000, taxName: 'VAT', taxPercent: 20 };
const end = (how: EndKind, reason = 'the owner bought another', agreedBy = 'Mrs Skerrow'): Command => ({
  type: 'end-otherwise',
  how,
  reason,
  agreedBy,
});
/** The dolly hub so many commands into its work. */
function worked(commands: number, sheet = librarySheet('hub-dolly')): TestBench {
  const bench = booked(sheet, sheet.variants[0]?.id ?? null);
  let left = commands;
  bench.run(() => (left -= 1) < 0, { finding: () => ({ finding: 'renew', reason: 'pitted' }) });
  return bench;
}
/** Works the short ladder to the door. */
function home(bench: TestBench): number {
  for (let presses = 0; presses < 40; presses += 1) {
    const move = nextMove(bench.sheet, bench.state);
    if (move.kind === 'closed') return presses;
    if (move.kind === 'op') bench.do({ type: 'complete', op: move.op.id });
    else bench.do(move.kind === 'sign-off' ? { type: 'sign-off' } : { type: 'hand-over', to: 'the owner' });
  }
  throw new Error('the short ladder is not short');
}

describe('a job that ends otherwise than repaired', () => {
  test.each<EndKind>(['returned-built', 'returned-boxed', 'scrapped'])(
    '%s: a few presses to the door, aids out, a record and a price of its own',
    (how) => {
      const bench = worked(34);
      const off = Object.keys(bench.state.off).length;
      expect([off, aidsIn(bench.sheet, bench.state).length].every((n) => n > 0)).toBe(true);
      const whole = billOf(bench.sheet, bench.state, money).totalMinor;
      bench.do(end(how));
      const price = billOf(bench.sheet, bench.state, money);
      expect(price.totalMinor).toBeLessThan(whole);
      expect(price.hoursMinor).toBeGreaterThan(0);
      expect(now(bench).step.title).toMatch(/^Back|^To scrap/);
      expect(home(bench)).toBeLessThanOrEqual(12);
      expect(aidsIn(bench.sheet, bench.state)).toEqual([]);
      expect(stageOf(bench.sheet, bench.state)).toBe('handed-over');
      const record = buildRecord(bench.sheet, bench.state);
      expect(record.truth.end).toMatchObject({ how, reason: 'the owner bought another', agreedBy: 'Mrs Skerrow' });
      expect(plainRecord(record).done[0]).toContain('It is not repaired');
      // What was judged to be renewed and was not is not called renewed.
      const { found, done, left } = plainRecord(record);
      expect([...found, ...done, ...left].join()).not.toContain('renewed');
      expect(plainRecord(record).renewed).toEqual([]);
      expect(bench.refold()).toEqual(bench.state);
    },
  );

  test('how it ends can be said anew until it is signed', () => {
    const bench = worked(34);
    bench.do(end('returned-built'));
    bench.do(end('returned-boxed'));
    expect(bench.state.end!.how).toBe('returned-boxed');
    home(bench);
    expect(bench.refused(end('scrapped')).code).toBe('closed');
  });

  test('cancelled only while nothing is apart; refused only where it was here before; scrapped only with a name', () => {
    const apart = worked(34);
    expect(apart.refused(end('cancelled')).clears).toMatch(/^Return it/);
    expect(apart.refused(end('comeback-refused')).code).toBe('wrong-kind');
    expect(apart.refused(end('scrapped', 'worn out', ' ')).clears).toBe('Name them');
    expect(apart.refused(end('returned-built', ' ')).code).toBe('not-complete');
    const whole = worked(2);
    whole.do(end('cancelled'));
    home(whole);
    expect(whole.state.signed).toBeDefined();
  });

  test('what it waited for it waits for no more', () => {
    const bench = worked(20);
    bench.do({ type: 'hold', why: 'parts', note: 'a cup' });
    bench.do(end('returned-boxed'));
    expect(bench.state.holds.every((h) => h.cleared)).toBe(true);
  });

  test('a customer who says to leave it as it is has said how it ends', () => {
    const bench = worked(60);
    const lines = [{ title: 'Work', kind: 'hours' as const, count: 1, eachMinor: 6000, sumMinor: 6000 }];
    const option = { id: 'leave' as const, title: 'Leave it as it is', lines, netMinor: 6000, taxMinor: 1200, totalMinor: 7200, minutes: 60, leadDays: 0, comebackRisk: 0, expectedMinor: 7200 }; // prettier-ignore
    bench.do({ type: 'make-quote', options: [option], advised: 'leave', findings: [], currency: '£', taxName: 'VAT', taxPercent: 20, note: '' }); // prettier-ignore
    bench.do({ type: 'answer-quote', version: 1, answer: 'yes', option: 'leave', agreedMinor: 7200, who: 'Mrs Skerrow', how: 'by telephone', note: '' }); // prettier-ignore
    expect(bench.state.end).toMatchObject({ how: 'returned-built', agreedBy: 'Mrs Skerrow' });
    expect(home(bench)).toBeLessThanOrEqual(12);
  });
});

test('whenever a job of any sheet ends, and however, it comes to the door', () => {
  fc.assert(
    fc.property(fc.constantFrom(...libraryNames), fc.nat(120), fc.constantFrom(...endKinds), (name, commands, how) => {
      const bench = worked(commands, librarySheet(name));
      if (bench.state.signed) return;
      const outcome = decide(bench.state, bench.sheet, { ...bench.envelope(end(how)), who: person }, { drawers: {} });
      if (!outcome.ok) {
        expect(['cancelled', 'comeback-refused']).toContain(how);
        return;
      }
      bench.do(end(how));
      expect(ladderOf(bench.sheet, bench.state).build.at(-1)!.id).toBe('build end');
      home(bench);
      expect(bench.state.handedOver).toBeDefined();
    }),
    { numRuns: 60 },
  );
});
