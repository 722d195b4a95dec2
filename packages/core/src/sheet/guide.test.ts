import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { booked } from '../bench/bench.fixtures.ts';
import { figuresFor, lookAgainDay, nextMove, stageOf } from '../bench/index.ts';
import { readGoodSheet, readSheet } from './read/index.ts';

/** The sheets of the guide, in order: what it tells is held to them. */
const guide = readFileSync(join(process.cwd(), 'docs/writing-a-sheet.md'), 'utf8');
const [draft, whole, more] = [...guide.matchAll(/```yaml\n([\s\S]*?)```/g)].map((m) => m[1]!);

describe('the guide to a first sheet', () => {
  test('its draft has just the problems that the guide tells, each with its line', () => {
    const told = [...guide.matchAll(/^- \*\*([a-z-]+)\*\*/gm)].map((m) => m[1]);
    const { problems } = readSheet(draft!);
    expect(problems.map((p) => p.code).sort()).toEqual(told.sort());
    for (const p of problems) expect(p.line).toBeGreaterThan(0);
  });

  test('faults and scopes may be added at its end, and are what the guide says of them', () => {
    const sheet = readGoodSheet(`${whole!}\n${more!}`, 'idler-belt');
    expect(Object.keys(sheet.faults!)).toHaveLength(3);
    const bench = booked(sheet, null, 'listen');
    bench.run((c) => c.type === 'sign-off');
    expect(Object.keys(bench.state.steps)).not.toContain('strip cover');
    const alike = more!.replace('shows: { drag: high, growl: growls }', 'shows: { growl: growls }');
    const second = `${whole!.replace('build-sheet/1', 'build-sheet/2')}\n${alike}`;
    expect(readSheet(second).problems.map((p) => p.code)).toContain('faults-alike');
  });

  test('its last sheet goes from strip to sign-off, and asks on the way for what the guide says', () => {
    const sheet = readGoodSheet(whole!, 'idler-belt');
    const bench = booked(sheet, null);
    const kinds = new Set<string>();
    bench.run((c) => {
      const move = nextMove(sheet, bench.state);
      if (move.kind === 'op') kinds.add(move.op.kind);
      return c.type === 'sign-off';
    });
    expect([...kinds]).toEqual(
      expect.arrayContaining(['caution', 'fit-aid', 'measure', 'judge', 'tighten', 'remove-aid']),
    );
    expect(bench.state.readings.filter((r) => r.subject === 'test').map((r) => r.moment)).toEqual(['as-found', 'now']);
    expect(stageOf(sheet, bench.state)).toBe('ready');
    expect(figuresFor(sheet.tests['drag']!)).toMatchObject({ speed: 300, time: 20, high: 0.3 });
    const [again] = sheet.handOver!.lookAgain;
    // 500 hours at 50 a week are ten weeks.
    expect(lookAgainDay(again!, new Date('2026-01-01T00:00:00Z'), 50)?.toISOString().slice(0, 10)).toBe('2026-03-12');
  });
});
