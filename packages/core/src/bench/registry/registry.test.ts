import { describe, expect, test } from '@jest/globals';
import { merged } from '../../records.ts';
import { plainVerbs } from '../../sheet/ops.ts';
import { booked, context, libraryNames, librarySheet } from '../bench.fixtures.ts';
import { decide } from '../command/decide.ts';
import { apply } from '../log/evolve.ts';
import { completions } from './completions.ts';
import { hands } from './hands.ts';
import { titles } from './titles.ts';

describe('families put together', () => {
  test('what two of them claim is refused by name', () => {
    expect(() => merged({ strip: { off: 1 }, shelf: { park: 2, off: 3 } })).toThrow(
      '"off" stands in strip and in shelf',
    );
    expect(merged({ strip: { off: 1 }, shelf: { park: 2 } })).toEqual({ off: 1, park: 2 });
  });

  test('completions, titles and hands know the same kinds: every verb, and every operation of every shipped sheet', () => {
    const inSheets = libraryNames.flatMap((n) => librarySheet(n).steps.flatMap((s) => s.ops.map((o) => o.kind)));
    const known = Object.keys(completions).sort();
    expect(known).toEqual(expect.arrayContaining([...new Set([...plainVerbs, ...inSheets])]));
    expect(Object.keys(titles).sort()).toEqual(known);
    expect(Object.keys(hands).sort()).toEqual(known);
  });

  test('an event that no family knows is told, and not passed over', () => {
    const { state, events } = booked();
    const strange = { ...events[0]!, seq: 2, type: 'teleported' } as never;
    expect(() => apply(state, strange)).toThrow('an event of an unknown type');
  });

  test('a command that no family knows is told', () => {
    const bench = booked();
    const strange = bench.envelope({ type: 'teleport' } as never);
    expect(() => decide(bench.state, bench.sheet, strange, context)).toThrow('a command that nothing decides');
  });
});
