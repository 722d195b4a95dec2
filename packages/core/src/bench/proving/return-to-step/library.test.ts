import { describe, expect, test } from '@jest/globals';
import { booked, libraryNames, librarySheet, now } from '../../bench.fixtures.ts';
import { canonical, formatQuantity, inCanonical } from '../../../quantities/index.ts';
import { blockers, ladderOf, nextMove, suspectsOf, returnToStepOf } from '../../index.ts';

describe.each(libraryNames)('%s: a test that fails', (name) => {
  const sheet = librarySheet(name);
  const proofs = Object.values(sheet.tests).filter((t) =>
    sheet.steps.some((s) => s.side === 'build' && s.ops.some((o) => o.kind === 'test' && o.test === t.id)),
  );
  const cases = proofs.flatMap((t) => t.failedBy.map((id) => [t.id, id] as const));

  test('names what could cause it, each with a step of the way up', () => {
    for (const t of Object.values(sheet.tests)) expect(t.failedBy.length).toBeGreaterThan(0);
    expect(cases.length + (proofs.length === 0 ? 1 : 0)).toBeGreaterThan(0);
  });

  test.each(cases)('%s leads back to %s, reopens what lies over it and nothing else, and is cured', (id, suspect) => {
    const bench = booked(sheet, sheet.variants[0]?.id ?? null);
    const t = sheet.tests[id]!;
    const over = canonical(inCanonical(t.accept.high, t.dimension) * 1.5 + 1, t.dimension);
    const figures = {
      finding: () => ({ finding: 'renew' as const, reason: 'worn' }),
      reading: (what: string) => (what === `${id} now` && !bench.state.returns.length ? over : undefined),
    };
    // Up to the failed reading: the test's own completion is what is refused.
    bench.run((c, s) => {
      const move = nextMove(sheet, s);
      return (
        c.type === 'complete' &&
        move.kind === 'op' &&
        move.op.kind === 'test' &&
        move.op.test === id &&
        move.op.moment === 'now'
      );
    }, figures);
    const { id: op } = now(bench).op;
    expect(bench.refused({ type: 'complete', op }).says).toContain('is outside');
    const before = new Set(Object.keys(bench.state.done));
    const found = suspectsOf(sheet, bench.state, t);
    expect(found.reduce((s, x) => s + x.share, 0)).toBeCloseTo(1, 9);
    const one = found.find((s) => s.id === suspect)!;
    // A suspect that this variant has no step for is said to be none.
    if (!one.step) {
      expect(bench.refused({ type: 'return-to-step', op, suspect }).code).toBe('not-reachable');
      return;
    }
    bench.do({ type: 'return-to-step', op, suspect });
    const failed = formatQuantity(bench.state.readings.findLast((r) => r.op === op)!.value);
    expect(returnToStepOf(sheet, bench.state)).toMatchObject({
      suspect: one.title,
      says: expect.stringContaining(failed),
    });
    const undone = [...before].filter((o) => bench.state.done[o] === undefined);
    expect(undone.length).toBeGreaterThan(0);
    // Before the suspect's own step nothing is done again but putting back what has to come off.
    const back = ['place', 'press', 'seal', 'tighten', 'start', 'reconnect', 'remove-aid'];
    const { build } = ladderOf(sheet, bench.state);
    const from = build.findIndex((s) => s.id === one.step!.id);
    for (const s of build.slice(0, Math.max(0, from)))
      for (const o of s.ops) if (undone.includes(o.id)) expect(back).toContain(o.kind);
    bench.run((c) => c.type === 'sign-off', { finding: figures.finding });
    // Made again and passed: it is on no way back any more.
    expect(returnToStepOf(sheet, bench.state)).toBeUndefined();
    expect(blockers(sheet, bench.state)).toEqual([]);
    expect(Object.keys(bench.state.off)).toEqual([]);
    expect(bench.refold()).toEqual(bench.state);
  });
});
