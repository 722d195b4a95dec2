import { describe, expect, test } from '@jest/globals';
import type { Quantity } from '../../quantities/index.ts';
import { booked, librarySheet, now, upTo, type TestBench } from '../bench.fixtures.ts';
import type { Command } from '../command/commands.ts';
import { nextMove } from '../ladder/moves.ts';
import type { BenchState } from '../log/state.ts';

const mm = (value: number): Quantity => ({ value, unit: 'mm' });
type Take = Extract<Command, { type: 'take-reading' }>;
const read = (op: string, value: Quantity, more: Partial<Take> = {}): Take => ({
  type: 'take-reading',
  op,
  value,
  how: 'hand',
  ...more,
});
/** The hub at its end float, by the method that was chosen. */
function atFloat(choice: string): { bench: TestBench; op: string } {
  const bench = booked();
  const isNext = (state: BenchState): boolean => {
    const move = nextMove(bench.sheet, state);
    return move.kind === 'op' && move.op.kind === 'set' && move.op.setting === 'float';
  };
  bench.run((_, state) => isNext(state), { choice: (method) => (method === 'float-by' ? choice : undefined) });
  return { bench, op: now(bench).op.id };
}

describe('a reading of a setting', () => {
  test('is judged once there are as many as the sheet asks for, and by their mean', () => {
    const { bench, op } = atFloat('trial');
    expect(bench.state.methods['float-by']).toBe('trial');
    const start = bench.state.settings['float']?.rounds.at(-1)?.readings.length ?? 0;
    for (const value of [0.3, 0.31, 0.29].slice(start)) bench.do(read(op, mm(value)));
    const [first] = bench.state.settings['float']!.rounds;
    expect(first!.readings.map((r) => r.result === null)).toEqual([true, true, false]);
    expect(first!.result).toMatchObject({ verdict: 'outside' });
    expect(first!.result!.mean.value).toBeCloseTo(0.3, 9);
  });

  test('in a unit of something else, or of a setting that is not made here, is refused and says what would do', () => {
    const { bench, op } = atFloat('trial');
    expect(bench.refused(read(op, { value: 12, unit: 'N·m' })).code).toBe('wrong-value');
    const other = bench.refused(read(op, mm(0.3), { setting: 'preload' }));
    expect([other.says, other.clears]).toEqual(['"preload" is not set here', 'One of: float']);
    expect(bench.refused(read(op, mm(0.3), { where: 'cones' })).clears).toBe('Read the setting itself');
  });

  test('by depths: each that the sheet names, then the pack, and only then the float itself', () => {
    const { bench, op } = atFloat('depths');
    expect(bench.state.methods['float-by']).toBe('depths');
    expect(bench.refused(read(op, mm(0.05)))).toMatchObject({
      code: 'not-complete',
      says: 'The pack is not in yet',
    });
    const wrong = bench.refused(read(op, mm(30), { where: 'nowhere' }));
    expect([wrong.says, wrong.clears]).toEqual(['"nowhere" is not a depth of this setting', 'One of: cones, spacer']);
    expect(bench.refused(read(op, { value: 3, unit: 'N' }, { where: 'cones' })).code).toBe('wrong-value');
    bench.do(read(op, mm(31.25), { where: 'cones' }));
    bench.do(read(op, mm(30), { where: 'spacer' }));
    expect(bench.state.readings.slice(-2).map((r) => [r.moment, r.where, r.result])).toEqual([
      ['depth', 'cones', null],
      ['depth', 'spacer', null],
    ]);
  });
});

describe('a drag that is read as a pull', () => {
  test('is taken in newtons on its cord, and judged as the torque that it is', () => {
    const bench = booked(librarySheet('differential-side'), null);
    const op = upTo(bench, 'set');
    // 20 N on a radius of 65 mm are 1.3 N·m.
    bench.do(read(op, { value: 20, unit: 'N' }, { setting: 'preload' }));
    bench.do(read(op, { value: 20, unit: 'N' }, { setting: 'preload' }));
    const round = bench.state.settings['preload']!.rounds.at(-1)!;
    expect(round.result!.mean.unit).toBe('N·m');
    expect(round.result!.mean.value).toBeCloseTo(1.3, 9);
    expect(bench.refused(read(op, mm(3), { setting: 'preload' })).code).toBe('wrong-value');
  });
});
