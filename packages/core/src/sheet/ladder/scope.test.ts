import { describe, expect, test } from '@jest/globals';
import { aidsIn, blockers, jobSheet, opTitle } from '../../bench/index.ts';
import { booked, librarySheet } from '../../bench/bench.fixtures.ts';
import { ladder, ladders, scopeTitle, widerScopes } from '../index.ts';

describe('a scope', () => {
  const sheet = librarySheet('axle-pinion');
  const all = ladders(sheet)[0]!;
  const ids = (scope?: string): readonly string[] =>
    ladder(sheet, { ...all, ...(scope === undefined ? {} : { scope }) }).all.map((s) => s.id);

  test('cuts the ladder on both sides, down to the rung that it names', () => {
    const few = ids('half-shafts');
    expect(few).toEqual(expect.arrayContaining(['strip half-shaft@right', 'build half-shaft@left']));
    expect(few.some((id) => /pinion|cover|hub/.test(id))).toBe(false);
    const drive = ids('final-drive');
    expect([drive.includes('build pinion'), drive.includes('build hub@left')]).toEqual([true, false]);
    expect(ids().length).toBeGreaterThan(drive.length);
  });

  test('along the bottom neither asks for nor takes off what it does not lay bare', () => {
    const ops = ladder(sheet, { ...all, scope: 'half-shafts' }).bottom.flatMap((s) => s.ops);
    const judged = ops.flatMap((o) => (o.kind === 'judge' ? o.parts : []));
    expect(judged).not.toContain('pinion-cups');
    expect(ops.some((o) => o.kind === 'off' || (o.kind === 'measure' && o.measure === 'head-seat'))).toBe(false);
    expect(ops.some((o) => o.kind === 'clean')).toBe(true);
    const drive = ladder(sheet, { ...all, scope: 'final-drive' }).bottom.flatMap((s) => s.ops);
    const driven = drive.flatMap((o) => (o.kind === 'judge' ? o.parts : []));
    expect([driven.includes('pinion-cups'), driven.includes('hub-cone-outer@left')]).toEqual([true, false]);
  });
});

describe('a scope with a build of its own', () => {
  const sheet = librarySheet('axle-pinion');
  const of = (scope: string): readonly string[] =>
    ladder(sheet, { ...ladders(sheet)[0]!, scope }).all.flatMap((s) =>
      s.ops.flatMap((o) => (o.kind === 'set' ? [o.setting] : s.id.startsWith('strip') ? [s.rung] : [])),
    );

  test('passes the rungs by that it does not open, and sets what it alone sets', () => {
    const seal = of('pinion-seal');
    expect(seal).toEqual(expect.arrayContaining(['flange', 'pinion-seal', 'drag-again']));
    expect(['preload', 'backlash', 'cover', 'diff'].filter((x) => seal.includes(x))).toEqual([]);
    const drive = of('final-drive');
    expect([drive.includes('preload'), drive.includes('drag-again')]).toEqual([true, false]);
  });

  test('what is wider takes in all that is narrower', () => {
    const wider = (scope?: string): readonly string[] => widerScopes(sheet, scope).map((s) => s.id);
    expect(wider('half-shafts')).toEqual(['pinion-seal', 'final-drive', 'full']);
    expect(wider('pinion-seal')).toEqual(['final-drive', 'full']);
    expect([wider('full'), wider()]).toEqual([[], []]);
    expect([scopeTitle(sheet, 'pinion-seal'), scopeTitle(sheet, undefined)]).toEqual(['Pinion seal only', 'All of it']);
  });
});

describe('a count by variant', () => {
  test.each([
    ['disc', 8],
    ['drum', 5],
  ])('%s: %i come off, go back and are pulled', (variant, count) => {
    const bench = booked(librarySheet('hub-cartridge'), variant);
    const own = jobSheet(bench.sheet, bench.state);
    const off = own.steps.flatMap((s) => s.ops).flatMap((o) => (o.kind === 'off' ? o.parts : []));
    expect(off.find((p) => p.part === 'wheel-nut')!.count).toBe(count);
    expect(own.joints['wheel-nuts']!.count).toBe(count);
  });
});

test('a shipping cap leaves with the unit: it is in, and holds nothing up', () => {
  const bench = booked(librarySheet('auto-clutch'), 'late');
  bench.run((c) => c.type === 'sign-off', { finding: () => ({ finding: 'reuse', reason: 'good' }) });
  expect(bench.state.aids['shipping-cap']).toMatchObject({ fitted: expect.anything() });
  expect(bench.state.aids['shipping-cap']!.removed).toBeUndefined();
  expect([aidsIn(bench.sheet, bench.state), blockers(bench.sheet, bench.state)]).toEqual([[], []]);
});

test('a load is let down by its name, a space by its pressure', () => {
  const said = (name: string): readonly string[] => {
    const sheet = librarySheet(name);
    return sheet.steps.flatMap((s) => s.ops.filter((o) => o.kind === 'let-down').map((o) => opTitle(sheet, o)));
  };
  expect(said('auto-clutch')[0]).toBe('Let the load down: forward return springs, 900 N');
  expect(said('damper-neck')).toEqual(['Let the pressure down: gas chamber']);
});
