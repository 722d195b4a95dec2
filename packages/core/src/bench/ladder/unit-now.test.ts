import { describe, expect, test } from '@jest/globals';
import { booked, libraryNames, librarySheet } from '../bench.fixtures.ts';
import type { Op, Sheet, UnitState } from '../../sheet/index.ts';
import { blockers, nextMove, type BenchState } from '../index.ts';
import { dangersOf, inTheWayOf, unitNow } from './unit-now.ts';

describe.each(libraryNames)('%s as it stands by its log', (name) => {
  const sheet = librarySheet(name);
  test('nothing is in the way of what comes next, from strip to sign-off', () => {
    const bench = booked(sheet, sheet.variants[0]!.id);
    const inTheWay: string[] = [];
    bench.run(
      (_, s) => {
        const move = nextMove(sheet, s);
        if (move.kind === 'op')
          for (const f of inTheWayOf(sheet, s, move.op)) inTheWay.push(`${move.op.id}: ${f.code}: ${f.says}`);
        return move.kind === 'sign-off';
      },
      { finding: () => ({ finding: 'renew', reason: 'worn' }) },
    );
    expect([...new Set(inTheWay)]).toEqual([]);
  });
});

/** A sheet as it might have been pinned before the lint knew: an operation of it is not there. */
const withoutOps = (sheet: Sheet, drop: (op: Op) => boolean): Sheet => ({
  ...sheet,
  steps: sheet.steps.map((s) => ({ ...s, ops: s.ops.filter((o) => !drop(o)) })),
});

describe('what could hurt somebody as the unit stands', () => {
  const sheet = librarySheet('auto-clutch');
  const load = Object.values(sheet.loads)[0]!;
  const unheld = withoutOps(sheet, (o) => 'aid' in o && o.aid === load.loadedBy);
  const upToDanger = () => {
    const bench = booked(unheld, 'late');
    bench.run((_, s) => {
      const move = nextMove(unheld, s);
      return move.kind === 'op' && dangersOf(unheld, s, move.op).length > 0;
    });
    const move = nextMove(unheld, bench.state);
    if (move.kind !== 'op') throw new Error('nothing dangerous came');
    return { bench, op: move.op };
  };

  test('is refused with what is in the way, in words', () => {
    const { bench, op } = upToDanger();
    const refusal = bench.refused({ type: 'complete', op: op.id });
    expect([refusal.code, refusal.says]).toEqual(['in-the-way', expect.stringContaining(load.title)]);
    expect(blockers(unheld, bench.state).some((b) => b.says.includes(load.title))).toBe(true);
  });

  test('is done all the same once somebody says why it is safe: that is in the log', () => {
    const { bench, op } = upToDanger();
    bench.do({ type: 'complete', op: op.id, tray: 'A1', reason: 'The spring is broken, nothing is under load' });
    expect(bench.state.done[op.id]).toBeDefined();
    expect(bench.state.notes.at(-1)).toMatchObject({
      about: 'not-as-sheet',
      text: expect.stringMatching(/Done all the same: The spring is broken/),
    });
  });
});

describe('the unit by its log', () => {
  const sheet = librarySheet('axle-pinion');
  const at = (until: (s: BenchState) => boolean): UnitState => {
    const bench = booked(sheet, sheet.variants[0]!.id);
    bench.run((_, s) => until(s), { finding: () => ({ finding: 'renew', reason: 'worn' }) });
    return unitNow(sheet, bench.state);
  };

  test('drained at the bottom, full and tight at the end', () => {
    const bottom = at((s) => s.steps['strip pinion'] !== undefined);
    expect([bottom.full.has('axle-room'), bottom.parts.get('pinion'), bottom.joints.get('drain')]).toEqual([
      false,
      'off',
      'none',
    ]);
    const end = at((s) => nextMove(sheet, s).kind === 'sign-off');
    expect([end.full.has('axle-room'), end.parts.get('pinion'), end.joints.get('drain')]).toEqual([
      true,
      'on',
      'final',
    ]);
    expect([end.aids.size, end.leadsOff.size]).toEqual([0, 0]);
  });

  test('what was drained once more and not filled holds the signature up', () => {
    const bench = booked(sheet, sheet.variants[0]!.id);
    bench.run((c) => c.type === 'sign-off', { finding: () => ({ finding: 'renew', reason: 'worn' }) });
    const fill = sheet.steps.flatMap((s) => s.ops).find((o) => o.kind === 'fill')!;
    const drain = sheet.steps.flatMap((s) => s.ops).find((o) => o.kind === 'drain')!;
    // Drained after it was filled: the log says so by its order.
    const done = {
      ...bench.state.done,
      [drain.id]: { ...bench.state.done[drain.id]!, seq: bench.state.done[fill.id]!.seq + 1 },
    };
    const found = blockers(sheet, { ...bench.state, done });
    expect(found).toMatchObject([{ code: 'not-whole', says: 'The axle housing is empty', op: fill.id }]);
  });

  test('a sheet of the first form does not say where its parts sit: nothing is in the way', () => {
    const bench = booked(sheet, sheet.variants[0]!.id);
    const [off] = sheet.steps
      .flatMap((s) => s.ops)
      .filter((o) => o.kind === 'off' && o.parts.some((p) => p.part === 'pinion'));
    expect(inTheWayOf(sheet, bench.state, off!).length).toBeGreaterThan(0);
    expect(inTheWayOf({ ...sheet, form: 1 }, bench.state, off!)).toEqual([]);
  });
});
