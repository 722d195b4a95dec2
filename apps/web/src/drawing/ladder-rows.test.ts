import { describe, expect, test } from '@jest/globals';
import { ladder, type Ladder } from '@jubb/core/sheet';
import { libraryNames, librarySheet } from '@jubb/core/sheet/fixtures';
import fc from 'fast-check';
import { ladderRows, rungOrder } from './ladder-rows.ts';

const sheets = libraryNames.map(librarySheet);
const step = (rung: string, side: string, group?: string): Ladder['strip'][number] =>
  ({
    id: `${side} ${rung}`,
    rung,
    side,
    title: rung,
    group,
    ops: [],
    open: [],
    minutes: 1,
    tools: [],
    ahead: [],
    after: [],
  }) as never;

describe('rows of the ladder', () => {
  test.each(sheets.map((s) => [s.id, s] as const))('%s: every rung stands once, in strip order', (_, sheet) => {
    const l = ladder(sheet, { variant: sheet.variants[0]!.id, methods: {}, findings: {} });
    const order = rungOrder(l);
    expect(new Set(order)).toEqual(new Set([...l.strip, ...l.build].map((s) => s.rung)));
    expect(new Set(order).size).toBe(order.length);
    const strip = [...new Set(l.strip.map((s) => s.rung))];
    expect(order.filter((r) => strip.includes(r))).toEqual(strip);
    const rows = ladderRows(l, new Set());
    expect(rows.flatMap((r) => r.rungs)).toEqual(order);
  });

  test('what only the build side has stands where it is built, not at the end', () => {
    const strip = ['a', 'b', 'c'].map((r) => step(r, 'strip'));
    const build = ['c', 'b', 'extra', 'a'].map((r) => step(r, 'build'));
    expect(rungOrder({ strip, build })).toEqual(['a', 'extra', 'b', 'c']);
  });

  test('a long ladder folds every sub-assembly but the one at hand, and loses none of its rungs', () => {
    fc.assert(
      fc.property(fc.integer({ min: 15, max: 80 }), fc.integer({ min: 2, max: 9 }), fc.nat(), (n, groups, pick) => {
        const strip = Array.from({ length: n }, (_, i) => step(`r${i}`, 'strip', `g${Math.floor((i * groups) / n)}`));
        const open = `r${pick % n}`;
        const rows = ladderRows({ strip, build: [] }, new Set([open]));
        expect(rows.flatMap((r) => r.rungs)).toEqual(strip.map((s) => s.rung));
        expect(rows.find((r) => r.rungs.includes(open))!.folded).toBe(false);
        const group = strip.find((s) => s.rung === open)!.group;
        for (const row of rows.filter((r) => r.folded)) expect(row.title).not.toBe(group);
        expect(rows.length).toBeLessThan(n);
      }),
    );
  });
});
