import { describe, expect, test } from '@jest/globals';
import { neededParts } from '../../parts/index.ts';
import { booked, librarySheet, upTo } from '../bench.fixtures.ts';
import { buildRecord, ladderOf, minutesLeft, nextMove, scopeAt } from '../index.ts';

const axle = librarySheet('axle-pinion');
const variant = axle.variants[0]!.id;
const shafts = () => booked(axle, variant, 'half-shafts');

describe('a job about less than all of the unit', () => {
  test('has fewer hours and fewer parts, its one-time bolts of what is not touched among them', () => {
    const few = shafts();
    const all = booked(axle, variant);
    expect(minutesLeft(axle, few.state)).toBeLessThan(minutesLeft(axle, all.state) / 2);
    const parts = neededParts(axle, few.state).map((n) => n.part);
    expect(parts.some((p) => p.startsWith('half-shaft-gasket') || p.includes('gasket'))).toBe(true);
    expect(parts.filter((p) => /crush|cone|cup|pinion/.test(p))).toEqual([]);
    expect(neededParts(axle, all.state).map((n) => n.part)).toEqual(expect.arrayContaining(['crush-sleeve']));
  });

  test('a scope that the sheet does not have is refused with those that it has', () => {
    expect(() => booked(axle, variant, 'everything')).toThrow(/no scope "everything"/);
  });

  test('is on record, as is what was agreed on beyond it', () => {
    const bench = shafts();
    upTo(bench, 'judge');
    bench.do({ type: 'widen-scope', scope: 'final-drive', says: 'Mrs Hay by telephone: it whines too' });
    expect(buildRecord(axle, bench.state).scope).toMatchObject({
      title: 'Final drive, hubs stay',
      widened: [{ to: 'Final drive, hubs stay', says: 'Mrs Hay by telephone: it whines too' }],
    });
    expect(buildRecord(axle, booked(axle, variant).state).scope).toBeUndefined();
  });
});

describe('more taken in on the way', () => {
  test('from the bottom the work goes on down, and up again over all of it', () => {
    const bench = shafts();
    upTo(bench, 'judge');
    const before = { ladder: ladderOf(axle, bench.state), seq: bench.state.seq };
    bench.do({ type: 'widen-scope', scope: 'full', says: 'yes, by the foreman' });
    const move = nextMove(axle, bench.state);
    expect(move.kind === 'op' && move.step.side).toBe('strip');
    expect(before.ladder.strip.every((s) => bench.state.steps[s.id])).toBe(true);
    expect(ladderOf(axle, bench.state).strip.length).toBeGreaterThan(before.ladder.strip.length);
    // What was quoted before speaks of what it was about then.
    expect([scopeAt(bench.state, before.seq), scopeAt(bench.state, bench.state.seq)]).toEqual(['half-shafts', 'full']);
    bench.run((c) => c.type === 'sign-off', { finding: () => ({ finding: 'renew', reason: 'worn' }) });
    expect(Object.keys(bench.state.off)).toEqual([]);
    expect(bench.state.steps).toHaveProperty(['build pinion']);
    expect(bench.refold()).toEqual(bench.state);
  });

  test.each([
    ['nobody agreed', { scope: 'full', says: ' ' }, /Nobody is named/],
    ['what it is about already', { scope: 'half-shafts', says: 'x' }, /is not more than "Half shaft gaskets only"/],
    ['what the sheet does not know', { scope: 'moon', says: 'x' }, /is not more than/],
  ])('%s: refused', (_, given, says) => {
    const bench = shafts();
    expect(bench.refused({ type: 'widen-scope', ...given }).says).toMatch(says);
  });

  test('once it is being put together, refused with what would clear it; and nothing is wider than all', () => {
    const bench = shafts();
    bench.run((c) => 'op' in c && c.op?.startsWith('build/') === true);
    bench.run((_, s) => Object.keys(s.done).some((op) => op.startsWith('build/')));
    const refusal = bench.refused({ type: 'widen-scope', scope: 'full', says: 'yes' });
    expect([refusal.code, refusal.clears]).toEqual(['not-reachable', expect.stringMatching(/bottom first/)]);
    const all = booked(axle, variant).refused({ type: 'widen-scope', scope: 'full', says: 'yes' });
    expect(all.clears).toBe('The job is about all of it already');
  });
});
