import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { booked, booking, context, hubDolly, TestBench } from './bench.fixtures.ts';
import {
  aidsIn,
  blockers,
  buildRecord,
  decide,
  eventsOf,
  evolve,
  emptyBench,
  fold,
  ladderOf,
  nextMove,
  progress,
  rehearse,
  stageOf,
  standingNow,
  type Command,
} from './index.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
const nm = (value: number): { value: number; unit: string } => ({ value, unit: 'N·m' });
const opNow = (bench: TestBench): string => {
  const move = nextMove(bench.sheet, bench.state);
  if (move.kind !== 'op') throw new Error(`no operation is next: ${move.kind}`);
  return move.op.id;
};
const toKind = (bench: TestBench, kind: string): void =>
  bench.run((_, s) => {
    const move = nextMove(bench.sheet, s);
    return move.kind === 'op' && move.op.kind === kind;
  });
const rig = { extensionMm: 0, extensionAngleDeg: 0 };

describe('a whole job', () => {
  test('runs from booking to hand-over by rehearsal, and every state is the fold of its log', () => {
    const bench = booked();
    expect(stageOf(bench.sheet, bench.state)).toBe('booked');
    bench.run();
    expect(stageOf(bench.sheet, bench.state)).toBe('handed-over');
    expect(progress(bench.sheet, bench.state)).toBe(1);
    expect(aidsIn(bench.sheet, bench.state)).toEqual([]);
    expect(Object.keys(bench.state.off)).toEqual([]);
    expect(bench.refold()).toEqual(bench.state);
    expect(bench.events.filter((e) => e.type === 'rung-done')).toHaveLength(
      ladderOf(bench.sheet, bench.state).all.length,
    );
    expect(rehearse(bench.sheet, bench.state, context)).toBeUndefined();
  });

  test('the same commands give the same events, ids and all', () => {
    const [a, b] = [booked(), booked()];
    a.run();
    b.run();
    expect(a.events).toEqual(b.events);
  });

  test('the record holds as found and now, findings, renewed parts, settings with working, every pull, aids in and out', () => {
    const bench = booked();
    bench.run(() => false, {
      reading: (what) =>
        ({
          'float as-found': mm(0.31),
          'drag as-found': nm(1.6),
          'float round 1': mm(0.23),
          'float round 2': mm(0.05),
        })[what],
      finding: (part) => (part === 'cups' ? { finding: 'renew', reason: 'Step to be felt' } : undefined),
      groove: 'yes',
      choice: (m) => (m === 'lip-depth' ? 'deeper' : undefined),
    });
    const record = buildRecord(bench.sheet, bench.state);
    const float = record.comparisons.find((c) => c.title === 'End float')!;
    expect([float.asFound?.value.value, float.now?.value.value, float.now?.verdict]).toEqual([0.31, 0.05, 'within']);
    expect(record.findings.find((f) => f.part === 'cups')).toMatchObject({
      finding: 'renew',
      reason: 'Step to be felt',
    });
    expect(record.renewed).toContainEqual({ title: 'Bearing cups', order: 'BD6-144', count: 2 });
    expect(record.renewed.map((r) => r.title)).toContain('Hub seal');
    expect(record.methods.map((m) => m.choice)).toEqual(['1.5 mm deeper', 'Trial pack, then by what it gives']);
    const setting = record.settings[0]!;
    expect(setting.rounds.map((r) => r.pack?.value)).toEqual([1.5, 1.32]);
    expect(setting.rounds[1]!.pieces.map((p) => p.value)).toEqual([1.2, 0.12]);
    expect(setting.working.some((l) => l.formula === 'trial − (read − wanted)')).toBe(true);
    const cap = record.joints.find((j) => j.title === 'Cap')!;
    expect(cap.order).toEqual([1, 4, 2, 5, 3, 6]);
    expect(cap.stages.map((s) => s.pulls.map((p) => p.bolt))).toEqual([cap.order, cap.order]);
    expect(record.aids.every((a) => a.removed !== undefined)).toBe(true);
    expect(record.signed?.by.name).toBe('Una Reith');
    expect(record.measures[0]).toMatchObject({ answer: { answer: 'yes' } });
  });
});

describe('order', () => {
  test('a rung that is not reachable is refused, with what comes first', () => {
    const bench = booked();
    const nut = ladderOf(bench.sheet, bench.state).strip.find((s) => s.id === 'strip nut')!;
    expect(bench.refused({ type: 'complete', op: nut.ops[0]!.id })).toMatchObject({
      code: 'not-reachable',
      clears: expect.stringContaining('comes first'),
    });
    expect(bench.refused({ type: 'complete', op: 'nonsense' }).code).toBe('unknown-op');
    const first = opNow(bench);
    bench.do({ type: 'complete', op: first });
    expect(bench.refused({ type: 'complete', op: first }).code).toBe('already-done');
    expect(bench.refused({ type: 'pull', op: opNow(bench), bolt: 1, reading: nm(10), rig, how: 'hand' }).code).toBe(
      'wrong-kind',
    );
  });

  test('the rungs of the bottom may be done in any order', () => {
    const bench = booked();
    bench.run((_, s) => stageOf(bench.sheet, s) === 'bottom');
    const decideStep = ladderOf(bench.sheet, bench.state).bottom.find((s) => s.id === 'bottom decide')!;
    bench.do({ type: 'judge', op: decideStep.ops[0]!.id, part: 'spindle', finding: 'reuse', reason: 'Smooth' });
    expect(bench.state.findings).toEqual({ spindle: 'reuse' });
  });

  test('nothing happens before booking, or after hand-over', () => {
    const bench = new TestBench(hubDolly());
    expect(bench.refused({ type: 'sign-off' }).code).toBe('not-booked');
    bench.do(booking(bench.sheet));
    expect(bench.refused(booking(bench.sheet)).code).toBe('already-booked');
    bench.run();
    expect(bench.refused({ type: 'hold', why: 'parts', note: '' }).code).toBe('closed');
  });
});

describe('what changes the ladder', () => {
  test('cups renewed: driven out along the bottom, pressed in on the build side; reused: looked at', () => {
    const renewed = booked();
    renewed.run(() => false, { finding: (p) => (p === 'cups' ? { finding: 'renew', reason: 'Blue' } : undefined) });
    expect(renewed.events.filter((e) => e.type === 'part-fitted' && e.payload.part === 'cups')).toMatchObject([
      { payload: { how: 'press', renewed: true, count: 2 } },
    ]);
    const reused = booked();
    reused.run();
    expect(reused.events.some((e) => e.type === 'part-fitted' && e.payload.part === 'cups')).toBe(false);
    expect(
      reused.events.some((e) => e.type === 'op-done' && e.payload.kind === 'inspect' && e.payload.op.includes('cups')),
    ).toBe(true);
  });

  test('the variant brings its own rung', () => {
    const has = (variant: string): boolean =>
      ladderOf(hubDolly(), booked(hubDolly(), variant).state).strip.some((s) => s.rung === 'felt');
    expect([has('six-stud'), has('five-stud')]).toEqual([false, true]);
  });
});

describe('what must not be forgotten', () => {
  test('aids, standing cautions and the tray are kept until they are settled', () => {
    const bench = booked();
    toKind(bench, 'mark');
    expect(aidsIn(bench.sheet, bench.state).map((a) => a.id)).toEqual(['chock', 'stand']);
    expect(standingNow(bench.sheet, bench.state)).toEqual([]);
    bench.run((_, s) => s.steps['strip nut'] !== undefined);
    expect(standingNow(bench.sheet, bench.state).map((s) => s.id)).toEqual(['no-hang']);
    expect(bench.state.off).toMatchObject({ 'cap-bolt': { count: 6 }, nut: { count: 1 } });
    bench.run((_, s) => s.steps['build nut'] !== undefined);
    expect(standingNow(bench.sheet, bench.state)).toEqual([]);
    expect(bench.state.off['nut']).toBeUndefined();
  });

  test('sign-off is refused while an aid is in or a pull is missing, each with where to go', () => {
    const bench = booked();
    toKind(bench, 'tighten');
    const refusal = bench.refused({ type: 'sign-off' });
    expect(refusal.code).toBe('blocked');
    const codes = refusal.blockers!.map((b) => b.code);
    expect(codes).toEqual(
      expect.arrayContaining([
        'aid-in',
        'pull-missing',
        'standing-caution',
        'part-off',
        'mark-not-aligned',
        'step-open',
      ]),
    );
    for (const b of refusal.blockers!.filter((x) => x.code === 'aid-in' || x.code === 'pull-missing'))
      expect(b.op).toBeDefined();
    bench.do({ type: 'hold', why: 'helper', note: 'two to lift' });
    expect(blockers(bench.sheet, bench.state).some((b) => b.code === 'on-hold')).toBe(true);
  });

  test('a tray must be named, a nicked ring does not go in', () => {
    const bench = booked();
    toKind(bench, 'off');
    expect(bench.refused({ type: 'complete', op: opNow(bench) }).code).toBe('not-complete');
    toKind(bench, 'inspect');
    expect(bench.refused({ type: 'complete', op: opNow(bench), answer: 'yes' }).code).toBe('not-complete');
    bench.do({ type: 'complete', op: opNow(bench), answer: 'no' });
  });
});

describe('setting', () => {
  const atSet = (): TestBench => {
    const bench = booked();
    toKind(bench, 'set');
    return bench;
  };
  const read = (bench: TestBench, value: number): void =>
    bench.do({
      type: 'take-reading',
      op: opNow(bench),
      value: mm(value),
      how: 'instrument',
      instrument: { id: 'i1', name: 'Indicator 1', uncertainty: mm(0.01), simulated: true },
    });

  test('trial, pack from the drawer, confirmed by a second reading', () => {
    const bench = atSet();
    [0.229, 0.23, 0.231].forEach((v) => read(bench, v));
    const round = bench.state.settings['float']!.rounds[0]!;
    expect(round.result).toMatchObject({ verdict: 'outside', mean: { value: expect.closeTo(0.23, 9), unit: 'mm' } });
    expect(round.result!.uncertainty.value).toBeCloseTo(Math.hypot(0.01, (2 * 0.001) / Math.sqrt(3)), 9);
    expect(bench.refused({ type: 'complete', op: opNow(bench) }).code).toBe('not-complete');
    bench.do({ type: 'fit-pack', op: opNow(bench), pieces: [mm(1.2), mm(0.12)] });
    const fitted = bench.state.settings['float']!.rounds[1]!.fitted!;
    expect([fitted.pack.value, fitted.needed.value, fitted.predicted.value].map((v) => Math.round(v * 1000))).toEqual([
      1320, 1320, 50,
    ]);
    [0.05, 0.051, 0.049].forEach((v) => read(bench, v));
    bench.do({ type: 'complete', op: opNow(bench) });
    expect(bench.state.settings['float']!.confirmed).toMatchObject({
      verdict: 'within',
      value: { value: expect.closeTo(0.05, 9), unit: 'mm' },
    });
  });

  test('too near the limit is undecided, and does not pass', () => {
    const bench = atSet();
    [0.075, 0.075, 0.075].forEach((v) => read(bench, v));
    expect(bench.state.settings['float']!.rounds[0]!.result?.verdict).toBe('undecided');
    expect(bench.refused({ type: 'complete', op: opNow(bench) }).code).toBe('not-complete');
  });

  test('a pack comes out of the drawer or not at all; a wrong dimension is refused', () => {
    const bench = atSet();
    expect(bench.refused({ type: 'fit-pack', op: opNow(bench), pieces: [mm(1.2)] }).code).toBe('not-complete');
    [0.23, 0.23, 0.23].forEach((v) => read(bench, v));
    expect(bench.refused({ type: 'fit-pack', op: opNow(bench), pieces: [mm(1.0), mm(1.0)] }).says).toContain('holds 1');
    expect(bench.refused({ type: 'fit-pack', op: opNow(bench), pieces: [mm(1.33)] }).code).toBe('not-in-drawer');
    expect(bench.refused({ type: 'take-reading', op: opNow(bench), value: nm(3), how: 'hand' }).code).toBe(
      'wrong-value',
    );
  });
});

describe('tightening', () => {
  const atCap = (): TestBench => {
    const bench = booked();
    bench.run((_, s) => {
      const move = nextMove(bench.sheet, s);
      return move.kind === 'op' && move.op.kind === 'tighten' && move.op.joint === 'cap-bolts';
    });
    return bench;
  };
  const pull = (bench: TestBench, bolt: number, value: number, more: object = {}): Command => ({
    type: 'pull',
    op: opNow(bench),
    bolt,
    reading: nm(value),
    rig,
    how: 'hand',
    ...more,
  });

  test('in star order, stage by stage', () => {
    const bench = atCap();
    expect(bench.refused(pull(bench, 2, 10))).toMatchObject({
      code: 'wrong-bolt',
      says: expect.stringContaining('Fastener 1 is next'),
    });
    for (const bolt of [1, 4, 2, 5, 3, 6]) bench.do(pull(bench, bolt, 10));
    expect(bench.refused({ type: 'complete', op: opNow(bench) }).code).toBe('not-complete');
    for (const bolt of [1, 4, 2, 5, 3, 6]) bench.do(pull(bench, bolt, 24));
    bench.do({ type: 'complete', op: opNow(bench) });
    expect(bench.state.off['cap-bolt']).toBeUndefined();
  });

  test('an extension makes the fastener get more than the wrench shows', () => {
    const bench = atCap();
    for (const bolt of [1, 4, 2, 5, 3, 6]) bench.do(pull(bench, bolt, 10));
    bench.do(pull(bench, 1, 21.8, { rig: { wrenchLengthMm: 400, extensionMm: 40, extensionAngleDeg: 0 } }));
    const last = bench.state.joints['cap-bolts']!.pulls.at(-1)!;
    expect(last.torque.value).toBeCloseTo(23.98, 2);
    expect(last.verdict).toBe('within');
    expect(bench.refused(pull(bench, 4, 21.8, { rig: { extensionMm: 40, extensionAngleDeg: 0 } })).code).toBe(
      'wrong-value',
    );
  });

  test('the length of a wrench on the list is the list’s, whatever was said; of another it is asked for', () => {
    const bench = atCap();
    for (const bolt of [1, 4, 2, 5, 3, 6]) bench.do(pull(bench, bolt, 10));
    const instrument = {
      id: 'wrench-1',
      name: 'Torque wrench 1',
      simulated: true,
      kind: 'torque-wrench',
      leverMm: 400,
    };
    // Said to be 100 mm long it would have given 30.5 N·m: T (L + E) / L.
    const rigged = { extensionMm: 40, extensionAngleDeg: 0, wrenchLengthMm: 100 };
    bench.do(pull(bench, 1, 21.8, { rig: rigged, how: 'instrument', instrument }));
    const last = bench.state.joints['cap-bolts']!.pulls.at(-1)!;
    expect([last.torque.value.toFixed(2), last.rig.wrenchLengthMm]).toEqual(['23.98', 400]);
    const { leverMm: _lever, ...unlisted } = instrument;
    const unknown = { extensionMm: 40, extensionAngleDeg: 0 };
    expect(
      bench.refused(pull(bench, 4, 21.8, { rig: unknown, how: 'instrument', instrument: unlisted })),
    ).toMatchObject({
      code: 'wrong-value',
      says: expect.stringContaining('nobody has said it'),
    });
    // Without an extension the length does not matter, and none is made up.
    bench.do(pull(bench, 4, 24, { rig: { extensionMm: 0, extensionAngleDeg: 0 } }));
    expect(bench.state.joints['cap-bolts']!.pulls.at(-1)!.rig).toEqual({ extensionMm: 0, extensionAngleDeg: 0 });
  });

  test('too high stops the work until it is answered; past the renew mark only a new fastener will do', () => {
    const bench = atCap();
    bench.do(pull(bench, 1, 11.5));
    expect(bench.state.joints['cap-bolts']!.pulls.at(-1)).toMatchObject({ verdict: 'high', advice: 'slacken' });
    expect(bench.refused(pull(bench, 1, 10)).code).toBe('unanswered-pull');
    bench.do({ type: 'answer-pull', op: opNow(bench), bolt: 1, answer: 'slackened' });
    bench.do(pull(bench, 1, 10));
    bench.do(pull(bench, 4, 28));
    expect(bench.state.joints['cap-bolts']!.pulls.at(-1)).toMatchObject({ advice: 'renew' });
    expect(bench.refused({ type: 'answer-pull', op: opNow(bench), bolt: 4, answer: 'slackened' }).code).toBe(
      'not-a-choice',
    );
    bench.do({ type: 'answer-pull', op: opNow(bench), bolt: 4, answer: 'renewed' });
    bench.run();
    const record = buildRecord(bench.sheet, bench.state);
    expect(record.joints.find((j) => j.title === 'Cap')!.setAside.map((p) => [p.bolt, p.answer])).toEqual([
      [1, 'slackened'],
      [4, 'renewed'],
    ]);
    expect(record.renewed.some((r) => r.title === 'Cap bolt M8 × 20, place 4')).toBe(true);
  });

  test('too low is pulled again, with both pulls kept', () => {
    const bench = atCap();
    bench.do(pull(bench, 1, 8));
    bench.do(pull(bench, 1, 10));
    expect(bench.state.joints['cap-bolts']!.pulls.map((p) => p.verdict)).toEqual(['low', 'within']);
  });
});

describe('taking back', () => {
  test('the last command goes, the log keeps it, and the fold is as if it had not been', () => {
    const bench = booked();
    bench.run((c) => c.type === 'take-reading');
    const before = bench.state;
    const op = opNow(bench);
    bench.do({ type: 'take-reading', op, value: nm(0.5), how: 'hand' });
    const command = bench.events.at(-1)!.command;
    bench.do({ type: 'take-back', command, reason: 'wrong scale' });
    expect(bench.state.readings).toEqual(before.readings);
    expect(bench.state.done).toEqual(before.done);
    expect(
      eventsOf(bench.state)
        .map((e) => e.type)
        .slice(-2),
    ).toEqual(['reading-taken', 'taken-back']);
    expect(bench.refold()).toEqual(bench.state);
    expect(bench.refused({ type: 'take-back', command, reason: '' }).code).toBe('unknown-command');
  });

  test('only the last, and never the booking', () => {
    const bench = booked();
    expect(bench.refused({ type: 'take-back', command: bench.events[0]!.command, reason: '' }).code).toBe(
      'not-the-last',
    );
    bench.do({ type: 'complete', op: opNow(bench) });
    const first = bench.events.at(-1)!.command;
    bench.do({ type: 'complete', op: opNow(bench) });
    expect(bench.refused({ type: 'take-back', command: first, reason: '' }).code).toBe('not-the-last');
  });
});

describe('always', () => {
  const complete = booked();
  complete.run();

  test('folding any prefix of a log step by step equals folding it at once', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: complete.events.length }), (n) => {
        const some = complete.events.slice(0, n);
        expect(some.reduce(evolve, emptyBench('j1'))).toEqual(fold('j1', some));
      }),
    );
  });

  test('whatever is asked, in whatever order: accepted events fold, aids and tray never go below nothing, refusals say what clears them', () => {
    const sheet = hubDolly();
    const ops = sheet.steps.flatMap((s) => s.ops.map((o) => o.id));
    const command = fc.oneof(
      fc.constant<Command | 'next'>('next'),
      fc.constant<Command | 'next'>('next'),
      fc.record({
        type: fc.constant('complete' as const),
        op: fc.constantFrom(...ops),
        tray: fc.constantFrom('A1', ''),
        answer: fc.constantFrom('yes' as const, 'no' as const),
      }),
      fc.record({
        type: fc.constant('take-reading' as const),
        op: fc.constantFrom(...ops),
        value: fc.record({
          value: fc.double({ min: -5, max: 100, noNaN: true }),
          unit: fc.constantFrom('mm', 'N·m', 'thou'),
        }),
        how: fc.constant('hand' as const),
      }),
      fc.record({
        type: fc.constant('pull' as const),
        op: fc.constantFrom(...ops),
        bolt: fc.integer({ min: 0, max: 7 }),
        reading: fc.record({ value: fc.double({ min: 0, max: 60, noNaN: true }), unit: fc.constant('N·m') }),
        rig: fc.constant(rig),
        how: fc.constant('hand' as const),
      }),
      fc.constant<Command>({ type: 'sign-off' }),
    );
    let accepted = 0;
    let refused = 0;
    fc.assert(
      fc.property(fc.array(command, { minLength: 20, maxLength: 120 }), (commands) => {
        const bench = booked(sheet);
        for (const asked of commands) {
          const given = asked === 'next' ? rehearse(sheet, bench.state, context) : asked;
          if (!given) break;
          const outcome = decide(
            bench.state,
            sheet,
            bench.envelope(given, `x${bench.events.length}-${accepted + refused}`),
            context,
          );
          if (!outcome.ok) {
            refused += 1;
            expect(outcome.refusal.says.length * outcome.refusal.clears.length).toBeGreaterThan(0);
            continue;
          }
          accepted += 1;
          bench.events.push(...outcome.events);
          bench.state = outcome.state;
          for (const lying of Object.values(bench.state.off)) expect(lying.count).toBeGreaterThan(0);
        }
        expect(bench.refold()).toEqual(bench.state);
        if (bench.state.signed) expect(aidsIn(sheet, bench.state)).toEqual([]);
      }),
      { numRuns: 60 },
    );
    expect(Math.min(accepted, refused)).toBeGreaterThan(100);
  });
});
