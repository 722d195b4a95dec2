import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet, now, upTo } from '../bench.fixtures.ts';
import { formatReading } from '../../quantities/index.ts';
import { buildRecord, jobSheet, ladderOf, lastReading } from '../index.ts';

describe('figures', () => {
  test('one without a unit is no figure until someone says which, and the record says who', () => {
    const bench = booked(librarySheet('cab-strut'), 'soft');
    const op = upTo(bench, 'tighten', 'build weight');
    const pull = {
      type: 'pull',
      op,
      bolt: 1,
      reading: { value: 95, unit: 'N·m' },
      rig: { extensionMm: 0, extensionAngleDeg: 0 },
      how: 'hand',
    } as const;
    expect(bench.refused(pull).says).toMatch(/without a unit/);
    expect(bench.refused({ type: 'say-unit', op, unit: 'kgf·m', reason: 'x' }).code).toBe('not-a-choice');
    expect(bench.refused({ type: 'say-unit', op, unit: 'ft·lbf', reason: ' ' }).code).toBe('not-complete');
    bench.do({ type: 'say-unit', op, unit: 'N·m', reason: 'The dealer’s own page' });
    bench.do(pull);
    expect(buildRecord(bench.sheet, bench.state).strip.weakFigures).toContainEqual({
      what: 'Lower bolts',
      figure: '95 N·m',
      whose: 'the sheet gave no unit: N·m, The dealer’s own page',
    });
  });
  test('a turn goes on from a torque, and is judged by its degrees', () => {
    const bench = booked(librarySheet('prop-centre'), 'wide');
    upTo(bench, 'tighten', 'build front');
    bench.run((c) => c.type === 'pull' && c.turnedDeg !== undefined);
    const op = now(bench).op.id;
    const pull = {
      type: 'pull',
      op,
      bolt: 1,
      reading: { value: 25, unit: 'N·m' },
      rig: { extensionMm: 0, extensionAngleDeg: 0 },
      how: 'hand',
    } as const;
    expect(bench.refused(pull).says).toMatch(/a turn/);
    bench.do({ ...pull, turnedDeg: 50 });
    bench.do({ ...pull, turnedDeg: 70 });
    const verdicts = bench.state.joints['front-flange']!.pulls.filter((p) => p.stage === 1).map((p) => [
      p.turnedDeg,
      p.verdict,
    ]);
    expect(verdicts).toEqual([
      [50, 'low'],
      [70, 'within'],
    ]);
  });
  test('no figure in the book is computed, safe for the softer thread, and marked', () => {
    const joint = librarySheet('tensioner-belt').joints['tensioner-joint']!;
    expect(joint.from).toEqual({ kind: 'computed' });
    // M10 8.8 dry takes 48 N·m at 90 % of yield (VDI 2230-1 table A1); a safe one lies well below.
    expect(joint.stages[0]!.to.value).toBeGreaterThan(20);
    expect(joint.stages[0]!.to.value).toBeLessThan(40);
  });
});

describe('a setting that is moved by hand', () => {
  test('each try is a round of its own, and the mean is never taken across a move', () => {
    const bench = booked(librarySheet('output-spanner'), 'short-nose');
    const op = upTo(bench, 'set', 'build nut');
    const read = (value: number): void =>
      bench.do({ type: 'take-reading', op, value: { value, unit: 'N·m' }, how: 'hand' });
    read(3.0);
    expect(bench.refused({ type: 'adjust', op, note: 'x' }).code).toBe('not-complete');
    read(3.2);
    expect(bench.refused({ type: 'complete', op }).code).toBe('not-complete');
    bench.do({ type: 'adjust', op, note: 'Nut back one slot' });
    read(0.7);
    read(0.9);
    // Both cones go in again: half of 1.0 to 2.2 N·m, common practice.
    const rounds = bench.state.settings['drag']!.rounds;
    expect(rounds.map((r) => r.result?.mean.value)).toEqual([3.1, 0.8]);
    expect(bench.refused({ type: 'adjust', op, note: 'x' }).code).toBe('already-done');
    bench.do({ type: 'complete', op });
    expect(bench.state.settings['drag']!.confirmed?.value.value).toBe(0.8);
  });
});

describe('which one it is', () => {
  test('told on its rung, the ladder changes', () => {
    const bench = booked(librarySheet('differential-side'), null);
    const ids = (): string[] => ladderOf(bench.sheet, bench.state).all.map((s) => s.id);
    expect(ids()).not.toContain('strip plates');
    const op = upTo(bench, 'identify');
    expect(bench.refused({ type: 'identify', op, question: 'inside', answer: 'a spring' }).says).toMatch(
      /not one of the answers/,
    );
    bench.do({ type: 'identify', op, question: 'inside', answer: 'plate pack' });
    expect(ids()).toContain('strip plates');
    expect(ids()).not.toContain('strip washers');
  });
  test('an answer that contradicts one before is said, not believed', () => {
    const bench = booked(librarySheet('differential-side'), null);
    bench.do({ type: 'identify', question: 'splines', answer: '24' });
    expect(bench.state.variant).toBe('open');
    const op = upTo(bench, 'identify');
    expect(bench.refused({ type: 'identify', op, question: 'inside', answer: 'plate pack' }).says).toMatch(
      /says otherwise/,
    );
  });
  test('a measured value between two is undecided; colour tells which number stands now', () => {
    const bench = booked(librarySheet('hub-dolly'), null);
    expect(bench.refused({ type: 'identify', question: 'studs', answer: '71 mm' }).says).toMatch(
      /near Six studs, late and Five studs, early: undecided/,
    );
    const alternator = booked(librarySheet('alternator-brushpin'), 'three-group');
    alternator.do({ type: 'identify', question: 'plug', answer: 'Black' });
    expect(jobSheet(alternator.sheet, alternator.state).parts['regulator']!.order).toBe('BA14-247');
  });
});

describe('a reading in words', () => {
  test.each([
    // By hand: a mean of two readings in thousandths is rounded once, to the thousandth.
    [{ value: 59.8945, unit: 'mm' }, '59.895 mm'],
    [{ value: 65.01, unit: 'mm' }, '65.01 mm'],
    [{ value: 0.05243, unit: 'mm' }, '0.05243 mm'],
    [{ value: 40.833333, unit: 'A' }, '40.83 A'],
    [{ value: 0.5, unit: 'N·m' }, '0.5 N·m'],
  ])('%j is %s', (q, words) => {
    expect(formatReading(q).replace('\u202f', ' ')).toBe(words);
  });
  test('the one taken last is told by its title and place, with what it came to', () => {
    const bench = booked();
    expect(lastReading(bench.sheet, bench.state)).toBeUndefined();
    const op = upTo(bench, 'measure');
    bench.do({ type: 'take-reading', op, value: { value: 59.98, unit: 'mm' }, how: 'hand', where: '0°' });
    expect(lastReading(bench.sheet, bench.state)).toMatchObject({
      title: 'Spindle where the lip runs, 0°',
      value: { value: 59.98, unit: 'mm' },
      verdict: 'within',
    });
  });
});
