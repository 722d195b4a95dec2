import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { booked, librarySheet, now, secondPerson, TestBench, upTo } from '../bench.fixtures.ts';
import {
  buildRecord,
  decide,
  emptyBench,
  evolve,
  fold,
  measureOutcome,
  openBad,
  placesRead,
  plainRecord,
  saidBy,
  standsAt,
  type BenchState,
  type InstrumentFacts,
  type JobEvent,
} from '../index.ts';

const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
const micrometer: InstrumentFacts = {
  id: 'mic',
  name: 'Micrometer',
  uncertainty: mm(0.004),
  simulated: true,
  kind: 'outside-micrometer',
};
/** The hub at its first measure, with the limit that it is held against. */
function measuring(): { bench: TestBench; op: string; id: string; part: string; limit: number; where: string } {
  const bench = booked(librarySheet('hub-dolly'), 'six-stud');
  const op = upTo(bench, 'measure');
  const { measure } = now(bench).op as { measure: string };
  const m = bench.sheet.measures[measure]!;
  return { bench, op, id: measure, part: m.part, limit: m.min!.value, where: m.at[0]! };
}
const lastOf = (bench: TestBench, type: JobEvent['type']): JobEvent => bench.events.findLast((e) => e.type === type)!;

describe('a reading that was typed wrong', () => {
  test('is put right where it stands: the mean, the verdict and the record follow, the log keeps both', () => {
    const { bench, op, id, limit, where } = measuring();
    const read = (value: number): void =>
      bench.do({
        type: 'take-reading',
        op,
        where,
        value: mm(value),
        how: 'instrument',
        instrument: micrometer,
        sure: true,
      });
    read(limit + 0.03);
    read(limit - 3.97);
    read(limit + 0.05);
    const measure = bench.sheet.measures[id]!;
    const mean = (): number => standsAt(placesRead(measure, bench.state)[0]!).mean.value;
    expect(mean()).toBeCloseTo(limit - 1.2966666, 4);
    const mine = (): BenchState['readings'] => bench.state.readings.filter((r) => r.id === id);
    const wrong = mine()[1]!;
    bench.do({ type: 'correct', seq: wrong.seq, to: { value: mm(limit + 0.04) }, reason: 'read the wrong line' });
    // The average of the three as they should have been.
    expect(mean()).toBeCloseTo(limit + 0.04, 9);
    expect(mine()[2]!.result!.verdict).toBe('within');
    const correction = lastOf(bench, 'corrected');
    expect(correction.payload).toMatchObject({ what: 'reading', of: wrong.seq, reason: 'read the wrong line' });
    expect((correction as Extract<JobEvent, { type: 'corrected' }>).payload.changes.map((c) => c.seq)).toEqual([
      wrong.seq,
      wrong.seq + 1,
    ]);
    // What was said first stands in the log as it was said.
    const first = bench.events.find((e) => e.seq === wrong.seq)!;
    expect((first.payload as { value: object }).value).toEqual(mm(limit - 3.97));
    expect(bench.refold()).toEqual(bench.state);
    expect(bench.events.reduce(evolve, emptyBench('j1'))).toEqual(bench.state);
  });

  test('taken out altogether it is averaged no more', () => {
    const { bench, op, id, limit, where } = measuring();
    for (const value of [limit + 0.02, limit + 0.9])
      bench.do({
        type: 'take-reading',
        op,
        where,
        value: mm(value),
        how: 'instrument',
        instrument: micrometer,
        sure: true,
      });
    const mine = (): BenchState['readings'] => bench.state.readings.filter((r) => r.id === id);
    bench.do({ type: 'correct', seq: mine()[1]!.seq, to: { gone: true }, reason: 'the wrong journal' });
    expect(mine()).toHaveLength(1);
    expect(standsAt(placesRead(bench.sheet.measures[id]!, bench.state)[0]!).mean.value).toBeCloseTo(limit + 0.02, 9);
    expect(lastOf(bench, 'corrected').payload).toMatchObject({ now: 'taken out' });
  });

  test('that made a part good makes it bad when it is put right: it is judged again, or it is not signed', () => {
    const { bench, id, part, limit } = measuring();
    bench.run((c) => c.type === 'sign-off', {
      reading: (what) => (what.startsWith(`${id} `) ? mm(limit + 0.2) : undefined),
    });
    const reading = bench.state.readings.find((r) => r.id === id)!;
    expect(bench.state.findings[part]).toBe('reuse');
    expect(openBad(bench.sheet, bench.state)).toEqual([]);
    bench.do({ type: 'correct', seq: reading.seq, to: { value: mm(limit - 0.5) }, reason: 'a digit was dropped' });
    expect(measureOutcome(bench.sheet, bench.state, id)!.verdict).toBe('outside');
    expect(openBad(bench.sheet, bench.state).map((b) => b.key)).toEqual([`measure:${id}`]);
    expect(bench.refused({ type: 'sign-off' }).blockers!.map((b) => b.code)).toEqual(['bad-open']);
    bench.do({ type: 'judge-again', part, reason: 'the reading was put right' });
    expect(bench.state.findings[part]).toBeUndefined();
    bench.run(undefined, { finding: (p) => (p === part ? { finding: 'renew', reason: 'worn' } : undefined) });
    expect(bench.state.handedOver).toBeDefined();
    const record = buildRecord(bench.sheet, bench.state);
    expect(record.truth.corrections).toMatchObject([
      { of: reading.seq, reason: 'a digit was dropped', by: { name: 'Una Reith' } },
    ]);
    // The customer reads the right figure, and nothing of the slip.
    const plain = JSON.stringify(plainRecord(record));
    expect(plain).not.toContain('a digit was dropped');
  });

  test('a setting that was confirmed by it opens again', () => {
    const bench = booked(librarySheet('hub-dolly'), 'six-stud');
    bench.run((c) => c.type === 'sign-off');
    const [id, setting] = Object.entries(bench.state.settings).find(([, s]) => s.confirmed)!;
    const { op } = setting.confirmed!;
    const reading = setting.rounds.at(-1)!.readings.at(-1)!;
    const { high } = bench.sheet.settings[id]!.band;
    bench.do({
      type: 'correct',
      seq: reading.seq,
      to: { value: { value: high.value * 40, unit: high.unit } },
      reason: 'the dial had gone round',
    });
    expect(bench.state.settings[id]!.confirmed).toBeUndefined();
    expect(bench.state.done[op]).toBeUndefined();
    expect(now(bench).op.id).toBe(op);
  });
});

describe('what else was said wrong', () => {
  test('a look: another choice, and its verdict follows', () => {
    const bench = booked(librarySheet('hub-cartridge'), librarySheet('hub-cartridge').variants[0]!.id);
    bench.run((c) => c.type === 'sign-off');
    const seen = bench.state.looks.findLast((l) => l.moment !== 'as-found')!;
    const worse = bench.sheet.looks[seen.look]!.choices.find((c) => c.verdict === 'bad')!;
    bench.do({ type: 'correct', seq: seen.seq, to: { choice: worse.id }, reason: 'pressed the wrong one' });
    expect(openBad(bench.sheet, bench.state).map((b) => b.key)).toEqual([`look:${seen.look}`]);
    bench.do({ type: 'correct', seq: seen.seq, to: { choice: seen.choice }, reason: 'it was right after all' });
    expect(openBad(bench.sheet, bench.state)).toEqual([]);
    expect(bench.state.corrections).toHaveLength(2);
    expect(bench.refused({ type: 'correct', seq: seen.seq, to: { choice: 'paint' }, reason: 'x' }).clears).toMatch(
      /^One of: /,
    );
  });

  test('a count of what came off', () => {
    const bench = booked(librarySheet('hub-dolly'), 'six-stud');
    bench.run((_, s) => Object.keys(s.off).length > 0);
    const off = lastOf(bench, 'parts-off') as Extract<JobEvent, { type: 'parts-off' }>;
    const { part, count } = off.payload.parts[0]!;
    bench.do({ type: 'correct', seq: off.seq, to: { part, count: count + 1 }, reason: 'one was under the bench' });
    expect(bench.state.off[part]!.count).toBe(count + 1);
    expect(bench.refused({ type: 'correct', seq: off.seq, to: { part, count: -1 }, reason: 'x' }).code).toBe(
      'wrong-value',
    );
  });

  test('a note: its words, or that it is none', () => {
    const bench = booked();
    bench.do({ type: 'note', text: 'Seal on the left' });
    const { seq } = lastOf(bench, 'noted');
    bench.do({ type: 'correct', seq, to: { text: 'Seal on the right' }, reason: 'mixed up' });
    expect(bench.state.notes.map((n) => n.text)).toEqual(['Seal on the right']);
    bench.do({ type: 'correct', seq, to: { gone: true }, reason: 'of another unit' });
    expect(bench.state.notes).toEqual([]);
  });

  test('a finding, while the part is not in; then it is judged again', () => {
    const bench = booked(librarySheet('hub-dolly'), 'six-stud');
    bench.run((c) => c.type === 'complete' && c.op.startsWith('build/'));
    const made = lastOf(bench, 'finding-made') as Extract<JobEvent, { type: 'finding-made' }>;
    const { part } = made.payload;
    bench.do({
      type: 'correct',
      seq: made.seq,
      to: { finding: 'watch', text: 'A light mark' },
      reason: 'seen in daylight',
    });
    expect([bench.state.findings[part], bench.state.findingNotes[part]!.reason]).toEqual(['watch', 'A light mark']);
  });

  test('what is left to be watched follows its finding: a deferral comes and goes with it', () => {
    const bench = booked(librarySheet('hub-dolly'), 'six-stud');
    bench.run((c) => c.type === 'complete' && c.op.startsWith('build/'));
    const made = lastOf(bench, 'finding-made') as Extract<JobEvent, { type: 'finding-made' }>;
    const { part } = made.payload;
    const right = (to: object): void => bench.do({ type: 'correct', seq: made.seq, to, reason: 'seen again' });
    right({ finding: 'watch', text: 'A light mark' });
    expect(bench.state.deferrals[part]!.words).toBe('A light mark');
    right({ finding: 'reuse', text: 'Clean after all' });
    expect(bench.state.deferrals[part]).toBeUndefined();
    const watched = booked(librarySheet('hub-dolly'), 'six-stud');
    watched.run((c) => c.type === 'complete' && c.op.startsWith('build/'), {
      finding: () => ({ finding: 'watch', reason: 'a mark' }),
    });
    const seq = lastOf(watched, 'finding-made').seq;
    const of = (lastOf(watched, 'finding-made') as typeof made).payload.part;
    watched.do({ type: 'correct', seq, to: { finding: 'reuse', text: 'wiped off' }, reason: 'it was dirt' });
    expect(watched.state.deferrals[of]).toBeUndefined();
    expect(JSON.stringify(plainRecord(buildRecord(watched.sheet, watched.state)).left)).not.toContain(
      watched.sheet.parts[of]!.title,
    );
  });

  test('an earlier answer of which one it is: what was told after it is told again', () => {
    const bench = booked(librarySheet('alternator-brushpin'), null);
    bench.do({ type: 'identify', question: 'groups', answer: '3' });
    const first = lastOf(bench, 'identified');
    // The plug tells no variant by itself: what its answer says of it stood on the one before.
    bench.do({ type: 'identify', question: 'plug', answer: 'black' });
    expect(bench.state.variant).toBe('three-group');
    bench.do({ type: 'correct', seq: first.seq, to: { answer: '6' }, reason: 'counted again' });
    expect(bench.state.variant).toBe('six-group');
    expect(bench.state.identified.map((i) => i.answer)).toEqual(['6', 'black']);
    expect(bench.refold()).toEqual(bench.state);
  });

  test('the booking: serial, customer, complaint, limit, and what was answered', () => {
    const bench = booked(librarySheet('hub-dolly'), 'six-stud');
    const right = (to: object): void => bench.do({ type: 'correct', seq: 1, to, reason: 'told so by telephone' });
    right({ serial: ' 20418 ' });
    right({ customer: { id: 'c2', name: 'Brae Haulage' } });
    right({ complaint: 'leaks only' });
    right({ limitMinor: null });
    const { booked: b } = bench.state;
    expect([b!.unit.serial, b!.customer.name, b!.complaint, b!.spendLimitMinor]).toEqual([
      '20418',
      'Brae Haulage',
      'leaks only',
      null,
    ]);
    const question = bench.sheet.identify.find((q) => q.dimension)!;
    const other = question.choices.find((c) => c.variants.length > 0 && !c.variants.includes('six-stud'))!;
    const { low, high } = other.band!;
    right({ question: question.id, answer: `${(low.value + high.value) / 2} ${low.unit}` });
    expect(bench.state.variant).toBe(other.variants[0]);
    expect(bench.state.booked!.unit.serial).toBe('20418');
  });

  test('is refused without a reason, for what was not said, and where nothing changes', () => {
    const bench = booked();
    const cases: [number, object, string, string][] = [
      [1, { serial: '1' }, ' ', 'not-complete'],
      [99, { serial: '1' }, 'x', 'unknown-op'],
      [1, { serial: bench.state.booked!.unit.serial }, 'x', 'already-done'],
      [1, { limitMinor: -1 }, 'x', 'wrong-value'],
    ];
    for (const [seq, to, reason, code] of cases)
      expect(bench.refused({ type: 'correct', seq, to, reason }).code).toBe(code);
  });

  test('a correction taken back counts no more', () => {
    const bench = booked();
    bench.do({ type: 'correct', seq: 1, to: { serial: '1' }, reason: 'x' });
    bench.do({ type: 'take-back', command: lastOf(bench, 'corrected').command, reason: '' });
    expect(bench.state.booked!.unit.serial).toBe('20417');
    expect(bench.state.corrections).toEqual([]);
  });
});

test('whatever is corrected on a finished bench, folding whole and step by step agree, and every earlier event stays as it was', () => {
  const sheet = librarySheet('compressor-twin');
  const done = booked(sheet, sheet.variants[0]!.id);
  done.run((c) => c.type === 'sign-off');
  const said = done.events.filter((e) => saidBy(sheet, e) !== undefined);
  let righted = 0;
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat(said.length - 1), fc.nat(1000)), { minLength: 1, maxLength: 6 }), (list) => {
      let state = done.state;
      const events = [...done.events];
      list.forEach(([which, n], i) => {
        const { seq, type, payload } = said[which]!;
        const to =
          type === 'reading-taken' ? { value: { ...payload.value, value: payload.value.value * (0.9 + n / 5000) } }
          : type === 'noted' ? { text: `note ${n}` }
          : type === 'sense-answered' ? { answer: n % 2 ? 'yes' : 'no' }
          : type === 'looked' ? { choice: sheet.looks[(payload as unknown as { look: string }).look]!.choices[n % 2]!.id }
          : { count: n % 9 }; // prettier-ignore
        const envelope = { id: `x${i}`, job: 'j1', who: secondPerson, at: done.events.at(-1)!.at, device: 'd' };
        const outcome = decide(
          state,
          sheet,
          { ...envelope, command: { type: 'correct', seq, to, reason: 'r' } },
          { drawers: {} },
        );
        if (!outcome.ok) return;
        righted += 1;
        state = outcome.state;
        events.push(...outcome.events);
      });
      expect(fold('j1', events)).toEqual(state);
      expect(events.slice(0, done.events.length)).toEqual(done.events);
    }),
    { numRuns: 40 },
  );
  expect(righted).toBeGreaterThan(40);
});
