import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ladder, type Finding, type LadderChoices, type Sheet } from '../sheet/index.ts';
import { booked, libraryNames, librarySheet } from './bench.fixtures.ts';
import { neededParts } from '../parts/index.ts';
import { aidsIn, betweenNow, blockers, ladderOf, leadsOff, nextMove, stageOf } from './index.ts';

const findingsOf = (sheet: Sheet): string[] => [
  ...new Set(sheet.steps.flatMap((s) => s.ops.flatMap((o) => (o.kind === 'judge' ? o.parts : [])))),
];
/** Random choices for a sheet: one of its variants, a choice of each method, a finding for each part judged. */
const choicesOf = (sheet: Sheet): fc.Arbitrary<LadderChoices & { variant: string }> =>
  fc.record({
    variant: fc.constantFrom(...sheet.variants.map((v) => v.id)),
    methods: fc.record(
      Object.fromEntries(
        Object.values(sheet.methods).map((m) => [m.id, fc.constantFrom(...m.choices.map((c) => c.id))]),
      ),
    ),
    findings: fc.record(
      Object.fromEntries(
        findingsOf(sheet).map((p) => [p, fc.constantFrom<Finding>('reuse', 'dress', 'renew', 'watch', 'scrap')]),
      ),
    ),
  });

describe.each(libraryNames)('%s', (name) => {
  const sheet = librarySheet(name);

  test('in whatever way it is found, its order satisfies every constraint', () => {
    fc.assert(
      fc.property(choicesOf(sheet), (choices) => {
        const { strip, bottom, build, all } = ladder(sheet, choices);
        expect(new Set(all.map((s) => s.id)).size).toBe(all.length);
        for (const side of [strip, build]) {
          const place = new Map(side.map((s, i) => [s.id, i]));
          for (const s of side) {
            const written = sheet.steps.find((w) => w.id === s.id)!;
            for (const a of written.after) if (place.has(a)) expect(place.get(a)!).toBeLessThan(place.get(s.id)!);
            for (const b of written.before) if (place.has(b)) expect(place.get(b)!).toBeGreaterThan(place.get(s.id)!);
          }
        }
        // Down in the order of the sheet; along only when all is off; up only when all is judged.
        const written = sheet.steps.filter((s) => s.side === 'strip').map((s) => s.id);
        expect(strip.map((s) => s.id)).toEqual(written.filter((id) => strip.some((s) => s.id === id)));
        for (const b of bottom) expect(b.after).toEqual(strip.length > 0 ? [strip.at(-1)!.id] : []);
        expect(build[0]!.after).toEqual(bottom.map((b) => b.id));
      }),
      { numRuns: 30 },
    );
  });

  test('strip then build puts back, renews or scraps every part, whatever is chosen and found', () => {
    fc.assert(
      fc.property(choicesOf(sheet), (choices) => {
        const bench = booked(sheet, choices.variant);
        bench.run((c) => c.type === 'sign-off', {
          choice: (m) => choices.methods[m],
          finding: (p) => ({ finding: choices.findings[p] ?? 'reuse', reason: 'drawn by lot' }),
        });
        expect(blockers(sheet, bench.state)).toEqual([]);
        expect(Object.keys(bench.state.off)).toEqual([]);
        expect([leadsOff(sheet, bench.state), betweenNow(sheet, bench.state), aidsIn(sheet, bench.state)]).toEqual([
          [],
          [],
          [],
        ]);
        expect(Object.values(bench.state.marks).every((m) => m.aligned)).toBe(true);
        expect(bench.refold()).toEqual(bench.state);
      }),
      { numRuns: 6 },
    );
  });

  // Each once: every variant, and in the first of them every choice of every method.
  const first = sheet.variants[0]!.id;
  const ways: readonly { what: string; variant: string; method?: string; choice?: string }[] = [
    ...sheet.variants.map((v) => ({ what: v.title, variant: v.id })),
    ...Object.values(sheet.methods).flatMap((m) =>
      m.choices.map((c) => ({ what: `${m.ask} ${c.title}`, variant: first, method: m.id, choice: c.id })),
    ),
  ];
  test.each(ways)('from strip to sign-off: $what', ({ variant, method, choice }) => {
    const bench = booked(sheet, variant);
    bench.run((c) => c.type === 'sign-off', {
      choice: (m) => (m === method ? choice : undefined),
      finding: () => ({ finding: 'renew', reason: 'worn' }),
    });
    expect(blockers(sheet, bench.state)).toEqual([]);
    expect(Object.keys(bench.state.off)).toEqual([]);
    expect(bench.state.variant).toBe(variant);
    const asked = ladder(sheet, {
      variant,
      methods: bench.state.methods,
      findings: bench.state.findings,
    }).all.some((s) => s.ops.some((o) => o.kind === 'choose' && o.method === method));
    if (asked) expect(bench.state.methods[method!]).toBe(choice);
  });

  const lessThanAll = Object.keys(sheet.scopes).flatMap((scope) =>
    sheet.variants.flatMap((v) => (['renew', 'reuse'] as const).map((finding) => ({ scope, variant: v.id, finding }))),
  );
  // A sheet without scopes has none to work.
  if (lessThanAll.length > 0)
    test.each(lessThanAll)('$scope of $variant, parts found $finding: to sign-off', ({ scope, variant, finding }) => {
      const bench = booked(sheet, variant, scope);
      bench.run((c) => c.type === 'sign-off', { finding: () => ({ finding, reason: 'as drawn' }) });
      expect(blockers(sheet, bench.state)).toEqual([]);
      expect(Object.keys(bench.state.off)).toEqual([]);
      const { methods } = bench.state;
      const findings = Object.fromEntries(findingsOf(sheet).map((p) => [p, finding]));
      const whole = ladder(sheet, { variant, methods, findings }).all.length;
      // What is only done to a worn part is no more where none is worn.
      expect(ladderOf(sheet, bench.state).all.length).toBeLessThan(whole + (finding === 'reuse' ? 1 : 0));
      const needed = neededParts(sheet, bench.state).map((n) => n.part);
      expect(needed).toEqual(expect.arrayContaining(Object.keys(bench.state.renewed)));
      expect(bench.refold()).toEqual(bench.state);
    });

  // A sheet without scopes has none to work.
  if (lessThanAll.length > 0)
    test.each(Object.keys(sheet.scopes))(
      '%s, not known which: told on its way, or asked for, or it makes no difference',
      (scope) => {
        const bench = booked(sheet, null, scope);
        bench.run((c) => c.type === 'sign-off', { finding: () => ({ finding: 'renew', reason: 'worn' }) });
        const askable = sheet.identify.some(
          (q) => q.needs === 'nothing' && q.choices.some((c) => c.variants.length > 0),
        );
        // What nothing on the way tells is asked for, by a question that needs no dismantling.
        if (nextMove(sheet, bench.state).kind === 'which') return expect(askable).toBe(true);
        const open = blockers(sheet, bench.state).map((b) => b.code);
        if (open.includes('variant-open')) expect(askable).toBe(true);
        expect(open.filter((c) => c !== 'variant-open')).toEqual([]);
      },
    );

  test('unknown at the counter, it is told on its rung or refused at the end, never guessed', () => {
    const later = sheet.identify.some((q) => q.needs !== 'nothing' && q.choices.some((c) => c.variants.length > 0));
    const bench = booked(sheet, null);
    bench.run((c) => c.type === 'sign-off', { finding: () => ({ finding: 'reuse', reason: 'good' }) });
    if (later) {
      expect(bench.state.variant).toBeDefined();
      bench.run();
      expect(stageOf(sheet, bench.state)).toBe('handed-over');
    } else expect(bench.refused({ type: 'sign-off' }).blockers?.map((b) => b.code)).toContain('variant-open');
  });

  test('is more than a heading: cautions, figures with their source, both sides', () => {
    const ops = sheet.steps.flatMap((s) => s.ops);
    expect(ops.filter((o) => o.kind === 'caution').length).toBeGreaterThan(0);
    expect(ops.filter((o) => o.kind === 'off').length).toBeGreaterThan(3);
    expect(Object.values(sheet.tests).length).toBeGreaterThan(0);
    for (const j of Object.values(sheet.joints)) expect(j.from).toBeDefined();
    const minutes = sheet.steps.reduce((n, s) => n + s.minutes, 0);
    expect(minutes).toBeGreaterThan(60);
  });
});
