import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet, libraryNames, now, upTo, type TestBench } from '../bench.fixtures.ts';
import { nextMove, opTitle, rehearse, together, withLead, type Together } from '../index.ts';

const goOf = (bench: TestBench): Together => {
  const { step, op } = now(bench);
  return together(bench.sheet, bench.state, step, op);
};
const titles = (bench: TestBench): { first: string[]; then: string } => {
  const { lead, op } = goOf(bench);
  return { first: lead.map((o) => opTitle(bench.sheet, o)), then: opTitle(bench.sheet, op) };
};
/** To where an operation of a kind on a part or joint is next. */
const before = (bench: TestBench, is: (title: string) => boolean): void =>
  bench.run((_, s) => {
    const move = nextMove(bench.sheet, s);
    return move.kind === 'op' && is(opTitle(bench.sheet, move.op));
  });

describe('what is done in one go', () => {
  test('undone and taken off; greased and put in', () => {
    const bench = booked();
    before(bench, (t) => t.startsWith('Undo the spindle nut'));
    expect(titles(bench)).toEqual({ first: ['Undo the spindle nut, 1 × M24x2'], then: 'Castellated nut off' });
    before(bench, (t) => t.startsWith('Lubricate the inner cone'));
    expect(titles(bench)).toEqual({ first: ['Lubricate the inner cone with grease'], then: 'Place the inner cone' });
  });

  test('a seal is led up to, and nothing leads on past it: it is drawn as it goes home', () => {
    const bench = booked();
    before(bench, (t) => t.startsWith('Lubricate the hub seal'));
    expect(titles(bench).then).toMatch(/^Press the hub seal/);
    expect(titles(bench).first).toEqual(['Lubricate the hub seal with grease']);
  });

  test('a caution stands alone, and so do bolts of which one stays in', () => {
    const bench = booked();
    expect(titles(bench)).toEqual({ first: [], then: 'Read this first' });
    before(bench, (t) => t.includes('leave 1 in'));
    expect(titles(bench).first).toEqual([]);
  });

  test('along the bottom, where the order is free, each is its own', () => {
    const bench = booked();
    upTo(bench, 'clean');
    expect(titles(bench).first).toEqual([]);
  });

  test('only what leads up to the end of it is done with it: a note on the way is given alone', () => {
    const bench = booked();
    before(bench, (t) => t.startsWith('Undo the spindle nut'));
    const go = goOf(bench);
    expect(withLead(go, { type: 'note', text: 'stiff' })).toEqual([{ type: 'note', text: 'stiff' }]);
    expect(withLead(go, { type: 'complete', op: go.op.id, tray: 'A1' })).toEqual([
      { type: 'complete', op: go.lead[0]!.id },
      { type: 'complete', op: go.op.id, tray: 'A1' },
    ]);
  });

  test.each(libraryNames)('%s: every press is accepted, and skips no caution, count, reading or mark', (name) => {
    const bench = booked(librarySheet(name), null);
    const alone = new Set(['caution', 'count', 'read', 'measure', 'test', 'look', 'mark', 'align', 'tighten', 'set', 'judge', 'helper', 'scrap', 'disconnect', 'reconnect']); // prettier-ignore
    let presses = 0;
    let moves = 0;
    for (let i = 0; i < 900; i += 1) {
      const command = rehearse(bench.sheet, bench.state, { drawers: {} }, { impatience: 'rehearsed' });
      const move = nextMove(bench.sheet, bench.state);
      if (!command || move.kind !== 'op') break;
      const go = goOf(bench);
      expect(go.lead.filter((o) => alone.has(o.kind))).toEqual([]);
      presses += 1;
      moves += go.lead.length + 1;
      const given = command.type === 'complete' && command.op === move.op.id && go.lead.length > 0;
      if (given) for (const o of go.lead) bench.do({ type: 'complete', op: o.id });
      else bench.do(command);
    }
    expect(presses).toBeLessThan(moves);
  });
});
