import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { booked, context, librarySheet, TestBench } from './bench.fixtures.ts';
import {
  aidsIn,
  betweenNow,
  decide,
  evolve,
  emptyBench,
  fold,
  leadsOff,
  nextMove,
  rehearse,
  type BenchState,
  type Command,
} from './index.ts';

/** What hands do, and what a slip of the hand does. */
type Act = { readonly kind: 'steady' } | { readonly kind: 'slip'; readonly command: (bench: TestBench) => Command };
const opId = (bench: TestBench): string => {
  const move = nextMove(bench.sheet, bench.state);
  return move.kind === 'op' ? move.op.id : 'none';
};
const anyOp = (bench: TestBench, n: number): string => {
  const ops = bench.sheet.steps.flatMap((s) => s.ops);
  return ops[n % ops.length]!.id;
};
const trays = (bench: TestBench, short: number): Record<string, number> =>
  Object.fromEntries(Object.entries(bench.state.off).map(([p, o]) => [p, Math.max(0, o.count - short)]));
const lastCommand = (s: BenchState): string => s.history?.event.command ?? 'none';

const slips: fc.Arbitrary<(bench: TestBench) => Command> = fc.oneof(
  fc.nat(400).map((n) => (b: TestBench): Command => ({ type: 'complete', op: anyOp(b, n), tray: 'Z9' })),
  fc.nat(400).map((n) => (b: TestBench): Command => ({ type: 'count', op: anyOp(b, n), count: n % 12 })),
  fc
    .constantFrom(-1, 0, 3, 1e9)
    .map((n) => (b: TestBench): Command => ({ type: 'count', op: opId(b), count: n, lost: 'renew', reason: 'gone' })),
  fc.constant((b: TestBench): Command => ({ type: 'take-back', command: lastCommand(b.state), reason: '' })),
  fc.constant((): Command => ({ type: 'park', why: 'parts', note: 'waits', to: 'Shelf 1' })),
  fc
    .nat(1)
    .map((n) => (b: TestBench): Command => ({ type: 'resume', to: 'A', counts: trays(b, n), reason: 'counted' })),
  fc.constant((): Command => ({
    type: 'surprise',
    kind: 'comes-off-first',
    title: 'A guard',
    note: '',
    parts: [{ title: 'Guard', count: 2 }],
  })),
  fc.constant((): Command => ({ type: 'add-aid', title: 'Plug', where: 'in the hole' })),
  fc.constant((): Command => ({ type: 'add-lead', title: 'Strap', where: 'outside' })),
  fc.nat(40).map((n) => (b: TestBench): Command => {
    const parts = Object.keys(b.sheet.parts);
    return {
      type: 'add-mark',
      between: [parts[n % parts.length]!, parts[(n * 7) % parts.length]!],
      where: 'top',
      with: 'paint',
    };
  }),
  fc.nat(3).map((n) => (b: TestBench): Command => ({ type: 'way-failed', op: n ? opId(b) : anyOp(b, n) })),
  fc
    .constantFrom(0, 5, 1e9)
    .map((m) => (): Command => ({ type: 'start-timer', title: 'Wash', minutes: m, kind: 'other' })),
  fc.constant((b: TestBench): Command => ({
    type: 'end-timer',
    timer: Object.keys(b.state.timers)[0] ?? 'none',
    reason: 'enough',
  })),
  fc.constant((): Command => ({ type: 'sign-off' })),
  fc.constant((): Command => ({ type: 'hand-over', to: 'somebody' })),
  fc
    .nat(1)
    .map((n) => (b: TestBench): Command => ({ type: 'order-stack', op: opId(b), order: n ? [0, 1] : [1, 0, 2] })),
);
const acts: fc.Arbitrary<Act[]> = fc.array(
  fc.oneof(
    { weight: 5, arbitrary: fc.constant<Act>({ kind: 'steady' }) },
    { weight: 1, arbitrary: slips.map((command): Act => ({ kind: 'slip', command })) },
  ),
  { minLength: 40, maxLength: 260 },
);

/** The rules that no bench ever breaks, however it was pressed. */
function rulesHold(bench: TestBench): void {
  const { state, sheet } = bench;
  for (const [part, lying] of Object.entries(state.off)) {
    expect([part, Number.isInteger(lying.count) && lying.count >= 0 && lying.count <= 1000]).toEqual([part, true]);
    // Nothing lies in a tray uncounted without being said to.
    if (lying.count === 0)
      expect(state.uncounted[part] !== undefined || state.counted.some((c) => c.part === part)).toBe(true);
  }
  const fitted = Object.values(state.aids).length;
  expect(aidsIn(sheet, state).length).toBe(fitted - Object.values(state.aids).filter((a) => a.removed).length);
  for (const m of Object.values(state.marks)) expect(m.made.seq).toBeLessThanOrEqual(m.aligned?.seq ?? Infinity);
  if (!state.signed) return;
  expect([
    aidsIn(sheet, state),
    leadsOff(sheet, state),
    betweenNow(sheet, state),
    Object.keys(state.off),
    Object.keys(state.uncounted),
  ]).toEqual([[], [], [], [], []]);
  expect(Object.values(state.marks).every((m) => m.aligned)).toBe(true);
  expect([state.parked, state.holds.some((h) => !h.cleared && h.seq < state.signed!.seq)]).toEqual([undefined, false]);
}

describe.each(['axle-clip', 'hub-loose-ball', 'gearbox-four', 'output-spanner', 'cab-strut'])(
  'random hands on %s',
  (name) => {
    test('never reach a state that breaks a rule; what is refused changes nothing; replay is the fold', () => {
      const sheet = librarySheet(name);
      let accepted = 0;
      let refused = 0;
      fc.assert(
        fc.property(acts, (list) => {
          const bench = booked(sheet, sheet.variants[0]!.id);
          for (const act of list) {
            const command =
              act.kind === 'steady'
                ? rehearse(sheet, bench.state, context, { impatience: 'hurry' })
                : act.command(bench);
            if (!command) break;
            const before = bench.state;
            const outcome = decide(before, sheet, bench.envelope(command), context);
            if (!outcome.ok) {
              refused += 1;
              expect([outcome.refusal.says.length > 3, outcome.refusal.clears.length > 1]).toEqual([true, true]);
              bench.wait(1);
              continue;
            }
            accepted += 1;
            // While it stands parked nothing is done to the unit.
            if (before.parked)
              expect(['parts-off', 'part-fitted', 'bolt-pulled']).not.toContain(outcome.events[0]!.type);
            bench.do(command);
            rulesHold(bench);
          }
          expect(fold('j1', bench.events)).toEqual(bench.state);
          expect(bench.events.reduce(evolve, emptyBench('j1'))).toEqual(bench.state);
        }),
        { numRuns: 12 },
      );
      expect(accepted).toBeGreaterThan(100);
      expect(refused).toBeGreaterThan(10);
    });
  },
);
