import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet, now, upTo, type TestBench } from '../bench.fixtures.ts';

/** The compressor at its test of the build: the fall in five minutes is measured after the fill. */
function atTest(): { bench: TestBench; op: string } {
  const bench = booked(librarySheet('compressor-twin'), 'splash');
  bench.run((_, s) => {
    const { step, op } = now({ ...bench, state: s } as TestBench);
    return step.side === 'build' && op.kind === 'test' && op.test === 'leak-down';
  });
  return { bench, op: now(bench).op.id };
}
const falling = (bar: number, seconds = 300): { kind: 'decay'; points: number[][] } => ({
  kind: 'decay',
  points: Array.from({ length: 61 }, (_, i) => [(i * seconds) / 60, 7 - (bar * i) / 60, 20]),
});

describe('a run on a stand', () => {
  test('is judged once more when it is taken, with what it tells', () => {
    const { bench, op } = atTest();
    bench.do({ type: 'take-run', op, run: falling(0.6) });
    const read = bench.state.readings.at(-1)!;
    expect(read).toMatchObject({ subject: 'test', id: 'leak-down', moment: 'now', result: { verdict: 'outside' } });
    expect(read.value.value).toBeCloseTo(0.6, 2);
    expect(read.proof!.tells).toEqual(['leak']);
  });

  test('one with nothing in it, and one that is not sure yet, are refused with what would do', () => {
    const { bench, op } = atTest();
    expect(bench.refused({ type: 'take-run', op, run: { kind: 'decay', points: [] } })).toMatchObject({
      code: 'not-complete',
      clears: 'Start the run',
    });
    // Ten seconds in which it fell about as fast as it may.
    expect(bench.refused({ type: 'take-run', op, run: falling(0.005, 10) })).toMatchObject({
      code: 'not-complete',
      clears: 'Let it run on',
    });
    expect(bench.state.readings.some((r) => r.id === 'leak-down' && r.moment === 'now')).toBe(false);
  });

  test('belongs to the operation at hand: another takes none', () => {
    const bench = booked(librarySheet('compressor-twin'), null);
    const look = upTo(bench, 'look');
    expect(bench.refused({ type: 'take-run', op: look, run: falling(0.1) }).code).not.toBe('');
    expect(bench.refused({ type: 'take-run', op: 'nothing', run: falling(0.1) }).code).not.toBe('');
  });
});

describe('a way back', () => {
  test('is only from a test that has failed', () => {
    const { bench, op } = atTest();
    expect(bench.refused({ type: 'return-to-step', op, suspect: 'valve-plate' })).toMatchObject({
      code: 'wrong-kind',
      clears: 'Run it, read it or look first',
    });
    bench.do({ type: 'take-run', op, run: falling(0.02) });
    expect(bench.state.readings.at(-1)!.result!.verdict).toBe('within');
  });

  test('leads to what the test can fail by, and opens what was done since', () => {
    const { bench, op } = atTest();
    bench.do({ type: 'take-run', op, run: falling(0.6) });
    const refused = bench.refused({ type: 'return-to-step', op, suspect: 'paint' });
    expect([refused.code, refused.clears]).toEqual(['not-a-choice', 'One of: valve-plate, head-gasket']);
    bench.do({ type: 'return-to-step', op, suspect: 'valve-plate' });
    const [back] = bench.state.returns;
    expect(back).toMatchObject({ test: 'leak-down', suspect: 'valve-plate' });
    expect(back!.ops.length).toBeGreaterThan(3);
    for (const undone of back!.ops) expect(bench.state.done[undone]).toBeUndefined();
    // What is over the plate has to come off again first.
    expect(now(bench).step.side).toBe('strip');
  });
});
