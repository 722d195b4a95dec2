import { describe, expect, test } from '@jest/globals';
import { booked, hubDolly, now, upTo } from '../bench.fixtures.ts';
import { linesOf, tighteningState } from '../index.ts';

/** The hub's castellated nut, pulled to its figure. */
function atItsFigure() {
  const bench = booked(hubDolly(), 'six-stud');
  const op = upTo(bench, 'tighten', 'build nut');
  const joint = bench.sheet.joints['spindle-nut']!;
  bench.run((_, s) => tighteningState(joint, s).complete);
  return { bench, op };
}

describe('a castellated nut', () => {
  test('is told to go on to its slot, forward only and never back', () => {
    const { bench } = atItsFigure();
    expect(linesOf(bench.sheet, bench.state, now(bench).op)[0]).toMatch(/forward only, at most 30°?.*never back/);
  });

  test('is not tight until somebody says that a slot meets; where none does, another washer is told', () => {
    const { bench, op } = atItsFigure();
    expect(bench.refused({ type: 'complete', op }).says).toMatch(/not on its slot yet/);
    const none = bench.refused({ type: 'complete', op, answer: 'no' });
    expect([none.says, none.clears]).toEqual([
      expect.stringMatching(/No slot meets the hole within 30/),
      expect.stringMatching(/Another washer.*never turned back/),
    ]);
    bench.do({ type: 'complete', op, answer: 'yes' });
    const event = bench.events.findLast((e) => e.type === 'joint-tightened')!;
    expect(event.payload).toMatchObject({ joint: 'spindle-nut', slot: 'meets' });
  });

  test('another joint asks nothing of the kind', () => {
    const bench = booked(hubDolly(), 'six-stud');
    const op = upTo(bench, 'tighten', 'build cap');
    const joint = bench.sheet.joints['cap-bolts']!;
    bench.run((_, s) => tighteningState(joint, s).complete);
    bench.do({ type: 'complete', op });
    expect(bench.state.done[op]).toBeDefined();
  });
});
