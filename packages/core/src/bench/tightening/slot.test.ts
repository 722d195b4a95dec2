import { describe, expect, test } from '@jest/globals';
import { booked, hubDolly, librarySheet, libraryText, now, upTo } from '../bench.fixtures.ts';
import { linesOf, nextMove, slotOf } from '../index.ts';
import { readSheet } from '../../sheet/read/index.ts';

describe('a castellated nut', () => {
  test('is told to go on to its slot, forward only and never back, as it is pulled and as its pin goes in', () => {
    const bench = booked(hubDolly(), 'six-stud');
    upTo(bench, 'tighten', 'build nut');
    expect(linesOf(bench.sheet, bench.state, now(bench).op)[0]).toMatch(/forward only, at most 30.*never back/);
    upTo(bench, 'place', 'build nut-lock');
    expect(linesOf(bench.sheet, bench.state, now(bench).op).join()).toMatch(/Nut on to the next slot: forward only/);
  });

  test('whose slot does not meet is loosened, and pulled again with another washer', () => {
    const bench = booked(hubDolly(), 'six-stud');
    upTo(bench, 'place', 'build nut-lock');
    const joint = slotOf(bench.sheet, 'lock-pin')!;
    bench.do({ type: 'loosen', joint: joint.id, why: 'No slot meets the hole: another washer' });
    const move = nextMove(bench.sheet, bench.state);
    expect(move.kind === 'op' && move.op).toMatchObject({ kind: 'tighten', joint: 'spindle-nut' });
  });

  test('on each side has its own pin; one that is no part of the sheet is refused', () => {
    const axle = librarySheet('axle-kingpin');
    expect(slotOf(axle, 'tie-pin@left')!.id).toBe('tie-joint@left');
    expect(slotOf(axle, 'tie-rod@left')).toBeUndefined();
    const { problems } = readSheet(libraryText('hub-dolly').replace('pin: lock-pin }', 'pin: nail }'));
    expect(problems.map((p) => p.code)).toContain('unknown-name');
  });
});
