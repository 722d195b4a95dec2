import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseQuantity, type Dimension, type Quantity } from '../../quantities/index.ts';
import { boreReadings } from '../../reckoners/index.ts';
import { readSheet } from '../../sheet/read/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import { booked, type TestBench } from '../bench.fixtures.ts';
import {
  absurd,
  adviseFinding,
  causeEvidence,
  gaugesFor,
  measureOutcome,
  placesLeft,
  wouldDecide,
  type Gauge,
  type InstrumentFacts,
} from '../index.ts';

/** A small unit with one of every kind of measurement. */
const YAML = `
jubb: build-sheet/1
sheet: test-pump
revision: 1
title: Test pump
kind: pump
maker: Brindlow
parts:
  body: { title: Body, renew: judge, order: B-1, price: 60, body: true, look-again: "at 500 h" }
  piston: { title: Piston, renew: judge, order: B-2, price: 30 }
  rotor: { title: Rotor, renew: judge, order: B-3, price: 80 }
  stator: { title: Stator, renew: judge, order: B-4, price: 90 }
  spring: { title: Spring, count: 3, renew: judge, order: B-5, price: 2 }
  clip: { title: Clip, renew: judge, order: B-6, price: 1 }
  plate: { title: Plate, count: 3, renew: judge, order: B-7, price: 4 }
sets:
  springs: { title: Springs and clip, parts: [spring, clip] }
exchange: { title: Exchange pump, order: B-99, price: 300, lead-days: 2, takes: 30 min }
measures:
  bore: { title: Bore, part: body, quantity: length, gauge: bore gauge, shape: bore, at: [top, bottom], new: 60.00 mm, min: 60.00 mm, max: 60.08 mm, out-of-round: 0.03 mm, taper: 0.04 mm, clearance: { of: skirt, band: 0.02 mm to 0.12 mm } }
  skirt: { title: Skirt, part: piston, quantity: length, gauge: micrometer, at: ["0°", "90°"], new: 59.96 mm, min: 59.90 mm }
  coil: { title: Rotor winding, part: rotor, quantity: resistance, gauge: ohm meter, shape: winding, new: 2.60 Ω, min: 2.40 Ω, max: 2.80 Ω }
  phases: { title: Stator phases, part: stator, quantity: resistance, gauge: ohm meter, shape: phases, at: [U-V, V-W, W-U], spread: 4 % }
  earth: { title: Stator to earth, part: stator, quantity: resistance, gauge: insulation tester, shape: insulation, voltage: 24 V }
  free: { title: Free length, part: spring, quantity: length, gauge: caliper, shape: springs, at: ["1", "2", "3"], new: 49.0 mm, min: 47.5 mm, spread: 1 mm }
  pack: { title: Plate pack, part: plate, quantity: length, gauge: micrometer, shape: pack, at: ["1", "2", "3"], new: 2.00 mm, min: 1.85 mm, housing: 6.80 mm, room: 0.8 mm to 1.2 mm }
looks:
  scratch: { title: Bore by fingernail, ask: "Does a nail catch?", by: hand, part: body, choose: { smooth: { title: Smooth, verdict: good }, catches: { title: It catches, verdict: bad } } }
causes:
  leak: { ask: "Why did it leak?", choose: { worn: { title: The bore is worn, speaks: [bore, scratch], then: Renew the body }, dry: { title: It ran dry, speaks: scratch } } }
rungs:
  - { id: look, title: Measure, side: bottom, ops: [ { look: scratch }, { measure: bore }, { measure: skirt }, { measure: coil }, { measure: phases }, { measure: earth }, { measure: free }, { measure: pack }, { cause: leak }, { judge: [body, piston, rotor, stator, spring, clip, plate] } ] }
`;
function pump(): Sheet {
  const { sheet, problems } = readSheet(YAML);
  const errors = problems.filter((p) => p.severity === 'error');
  if (!sheet || errors.length > 0) throw new Error(JSON.stringify(errors));
  return sheet;
}
const facts = (id: string, uncertainty?: string, dimension: Dimension = 'length'): InstrumentFacts => ({
  id,
  name: id,
  simulated: true,
  ...(uncertainty === undefined ? {} : { uncertainty: parseQuantity(uncertainty, dimension) }),
});
const bench = (): TestBench => booked(pump(), null);
const opOf = (b: TestBench, measure: string): string =>
  b.sheet.steps[0]!.ops.find((o) => o.kind === 'measure' && o.measure === measure)!.id;

/** Reads a measure at its places, one figure each. */
function read(
  b: TestBench,
  measure: string,
  figures: readonly string[],
  instrument?: InstrumentFacts,
  more: { temperature?: Quantity; sure?: boolean } = {},
): void {
  const m = b.sheet.measures[measure]!;
  figures.forEach((figure, i) =>
    b.do({
      type: 'take-reading',
      op: opOf(b, measure),
      where: m.at[i]!,
      value: parseQuantity(figure, m.dimension),
      how: 'hand',
      ...(instrument ? { instrument } : {}),
      ...more,
    }),
  );
}
const outcome = (b: TestBench, measure: string): ReturnType<typeof measureOutcome> =>
  measureOutcome(b.sheet, b.state, measure);

describe('a bore', () => {
  test('is read along and across at each depth; round, taper and clearance come of all of them', () => {
    const b = bench();
    expect(b.sheet.measures['bore']!.at).toEqual(['top, along', 'top, across', 'bottom, along', 'bottom, across']);
    read(b, 'skirt', ['59.950 mm', '59.955 mm']);
    expect(outcome(b, 'bore')).toBeUndefined();
    read(b, 'bore', ['60.02 mm', '60.03 mm', '60.00 mm', '60.01 mm'], facts('bg', '0.002 mm'));
    const figures = Object.fromEntries(outcome(b, 'bore')!.figures.map((f) => [f.name, f]));
    expect(figures['Out of round']!.value.value).toBeCloseTo(0.01, 9);
    expect(figures['Taper']!.value.value).toBeCloseTo(0.02, 9);
    expect(figures['Least clearance']!.value.value).toBeCloseTo(60.0 - 59.955, 9);
    expect(figures['Most clearance']!.value.value).toBeCloseTo(60.03 - 59.95, 9);
    // GUM 5.1.2: a difference of two readings of U 0.002 has U 0.002·√2.
    expect(figures['Out of round']!.uncertainty!.value).toBeCloseTo(0.002 * Math.SQRT2, 9);
    const working = figures['Taper']!.reckoner!;
    expect(boreReadings.reckon(working.inputs as never).results.taper.value).toBeCloseTo(0.02, 9);
  });

  test('ten thou out of round is outside whatever each reading says, and the body is to be renewed', () => {
    const b = bench();
    read(b, 'bore', ['60.00 mm', '60.06 mm', '60.01 mm', '60.02 mm']);
    expect(outcome(b, 'bore')!.verdict).toBe('outside');
    const advice = adviseFinding(b.sheet, b.state, 'body');
    expect(advice.finding).toBe('renew');
    expect(advice.says.join(' ')).toMatch(/Out of round 0.06\smm, outside/);
  });
});

describe('a winding', () => {
  test('is held against its limits as it would be at 20 °C', () => {
    // By hand: 2.90 × (235 + 20)/(235 + 45) = 2.641 Ω (IEC 60034-1).
    const b = bench();
    const op = opOf(b, 'coil');
    const value = parseQuantity('2.90 Ω', 'resistance');
    expect(b.refused({ type: 'take-reading', op, value, how: 'hand' }).says).toBe('How warm is the winding?');
    read(b, 'coil', ['2.90 Ω'], undefined, { temperature: parseQuantity('45 °C', 'temperature') });
    const { result, value: typed } = b.state.readings.at(-1)!;
    expect(typed).toEqual(value);
    expect(result!.mean.value).toBeCloseTo(2.641, 3);
    expect(result!.verdict).toBe('within');
  });
  test('phases: their spread decides, guarded by the meter', () => {
    const spread = (third: string, u?: string): unknown => {
      const b = bench();
      read(b, 'phases', ['0.102 Ω', '0.101 Ω', third], u === undefined ? undefined : facts('om', u, 'resistance'));
      return outcome(b, 'phases')!.verdict;
    };
    expect(spread('0.100 Ω')).toBe('within');
    expect(spread('0.080 Ω')).toBe('outside');
    expect(spread('0.0975 Ω', '0.001 Ω')).toBe('undecided');
  });
  test('insulation is held against what its voltage asks for', () => {
    // IEEE 43, from memory: 5 MΩ for a winding under 1 kV.
    const b = bench();
    read(b, 'earth', ['4 MΩ']);
    expect(outcome(b, 'earth')!.verdict).toBe('outside');
    expect(outcome(b, 'earth')!.figures[0]!.low).toMatchObject({ value: 5e6, unit: 'Ω' });
  });
});

describe('springs and plates', () => {
  test('a set is judged by its shortest, and by how far they differ', () => {
    const b = bench();
    read(b, 'free', ['48.8 mm', '48.6 mm', '47.6 mm']);
    const { figures, verdict } = outcome(b, 'free')!;
    expect(figures.map((f) => [f.name, Number(f.value.value.toFixed(2)), f.verdict])).toEqual([
      ['Shortest, shorter than new by', 2.86, null],
      ['Spread', 1.2, 'outside'],
    ]);
    expect(verdict).toBe('outside');
  });
  test('room in a pack is what the plates leave', () => {
    const b = bench();
    read(b, 'pack', ['1.95 mm', '1.93 mm', '1.92 mm']);
    const [room] = outcome(b, 'pack')!.figures;
    expect(room!.value.value).toBeCloseTo(6.8 - 5.8, 9);
    expect(room!.verdict).toBe('within');
  });
});

describe('reading again', () => {
  test('with the same gauge it is repeated and the mean stands; with another only that one; nothing is dropped', () => {
    const b = bench();
    const micrometer = facts('m1', '0.004 mm');
    read(b, 'skirt', ['59.902 mm'], micrometer);
    expect(b.state.readings.at(-1)!.result!.verdict).toBe('undecided');
    read(b, 'skirt', ['59.906 mm'], micrometer);
    expect(b.state.readings.at(-1)!.result!.mean.value).toBeCloseTo(59.904, 9);
    read(b, 'skirt', ['59.895 mm'], facts('m2', '0.001 mm'));
    expect(b.state.readings.at(-1)!.result!.mean.value).toBeCloseTo(59.895, 9);
    expect(b.state.readings.at(-1)!.result!.verdict).toBe('outside');
    expect(b.state.readings).toHaveLength(3);
    expect(placesLeft(b.sheet.measures['skirt']!, b.state)).toEqual(['90°']);
  });

  test('a measure that is done is taken up again until building up begins', () => {
    const b = bench();
    read(b, 'skirt', ['59.94 mm', '59.95 mm']);
    const op = opOf(b, 'skirt');
    expect(b.refused({ type: 'measure-again', op }).code).toBe('already-done');
    b.do({ type: 'complete', op });
    b.do({ type: 'measure-again', op });
    expect(b.state.done[op]).toBeUndefined();
    read(b, 'skirt', ['59.88 mm']);
    b.do({ type: 'complete', op });
    expect(adviseFinding(b.sheet, b.state, 'piston').finding).toBe('renew');
    expect(b.refused({ type: 'measure-again', op: 'bottom/look/99' }).code).toBe('unknown-op');
  });

  test('a reading three times too large is asked again, with what was perhaps meant, and kept once it is sure', () => {
    const b = bench();
    const op = opOf(b, 'skirt');
    const odd = { type: 'take-reading', op, value: parseQuantity('599.5 mm', 'length'), how: 'hand' } as const;
    const refusal = b.refused(odd);
    expect(refusal.code).toBe('absurd');
    expect(refusal.says).toMatch(/59.95\smm was perhaps meant/);
    expect(b.state.readings).toHaveLength(0);
    b.do({ ...odd, sure: true });
    expect(b.state.readings.at(-1)!.result!.verdict).toBe('within');
    expect(b.refused({ ...odd, value: { value: 4, unit: 'Ω' } }).code).toBe('wrong-value');
  });

  test('no reading between new and twice its wear is ever absurd', () => {
    const m = pump().measures['skirt']!;
    fc.assert(
      fc.property(fc.double({ min: 59.8, max: 60, noNaN: true }), (mm) => {
        expect(absurd(m, { value: mm, unit: 'mm' })).toBeUndefined();
      }),
    );
  });
});

describe('which gauge', () => {
  const shop: readonly Gauge[] = [
    { id: 'caliper-1', name: 'Caliper 1', kind: 'caliper', uncertainty: { value: 0.03, unit: 'mm' } },
    { id: 'micrometer-1', name: 'Micrometer 1', kind: 'micrometer', uncertainty: { value: 0.004, unit: 'mm' } },
    { id: 'bore-gauge-1', name: 'Bore gauge 1', kind: 'bore-gauge', uncertainty: { value: 0.005, unit: 'mm' } },
    { id: 'ohm-1', name: 'Ohm meter 1', kind: 'ohm-meter', uncertainty: { value: 0.01, unit: 'Ω' } },
    { id: 'ins-1', name: 'Insulation tester 1', kind: 'insulation-tester', uncertainty: null },
  ];
  const sheet = pump();
  const offered = (measure: string): unknown =>
    gaugesFor(sheet.measures[measure]!, shop).map((g) => [g.gauge.id, g.verdict, g.asked]);
  test('one that reads from inside for a bore, from outside for a shaft; too coarse is said before it is used', () => {
    // Tolerance over 2U: 0.08/(2·0.005) = 8; 0.08/(2·0.03) = 1.3 (common practice: good from 4, usable from 2).
    expect(offered('bore')).toEqual([
      ['bore-gauge-1', 'good', true],
      ['caliper-1', 'too coarse', false],
    ]);
    expect(offered('skirt')).toEqual([
      ['micrometer-1', 'good', true],
      ['caliper-1', 'usable', false],
    ]);
    expect(offered('coil')).toEqual([['ohm-1', 'good', true]]);
    expect(offered('earth')).toEqual([['ins-1', 'unknown', true]]);
  });

  test('what would decide: the finer gauge whose guard is smaller than the way to the limit', () => {
    const b = bench();
    read(b, 'skirt', ['59.91 mm'], facts('caliper-1', '0.03 mm'));
    const { result } = b.state.readings.at(-1)!;
    expect(result!.verdict).toBe('undecided');
    const m = sheet.measures['skirt']!;
    expect(wouldDecide(m, result!, 1, 'caliper-1', shop)).toEqual([{ how: 'gauge', gauge: shop[1] }]);
    const nearer = { ...result!, mean: { value: 59.901, unit: 'mm' } };
    expect(wouldDecide(m, nearer, 1, 'caliper-1', shop)).toEqual([{ how: 'nothing' }]);
    expect(wouldDecide(m, { ...result!, verdict: 'within' }, 1, 'caliper-1', shop)).toEqual([]);
  });

  test('more readings are offered only while their scatter is what makes it unsure', () => {
    const m = sheet.measures['skirt']!;
    const scattered = { mean: { value: 59.91, unit: 'mm' }, uncertainty: { value: 0.014, unit: 'mm' }, working: [] };
    expect(wouldDecide(m, { ...scattered, verdict: 'undecided' }, 3, 'micrometer-1', shop.slice(1, 2))).toEqual([
      // (0.014² − 0.004²)·3/(0.010² − 0.004²) = 6.4: seven in all
      { how: 'repeats', more: 4 },
    ]);
  });
});

describe('judging', () => {
  const judge = (b: TestBench): string => b.sheet.steps[0]!.ops.find((o) => o.kind === 'judge')!.id;

  test('what is advised needs no reason; another finding does, and both are kept', () => {
    const b = bench();
    read(b, 'skirt', ['59.94 mm', '59.95 mm']);
    const op = judge(b);
    b.do({ type: 'judge', op, part: 'piston', finding: 'reuse' });
    expect(b.state.findingNotes['piston']).toMatchObject({ advised: 'reuse', reason: expect.stringMatching(/59.94/) });
    expect(b.refused({ type: 'judge', op, part: 'piston', finding: 'renew' }).says).toMatch(/say reuse/);
    b.do({ type: 'judge', op, part: 'piston', finding: 'renew', reason: 'A crack at the pin' });
    expect(b.state.findingNotes['piston']).toMatchObject({ advised: 'reuse', finding: 'renew' });
  });

  test('undecided readings advise nothing, and say which they are', () => {
    const b = bench();
    read(b, 'skirt', ['59.91 mm', '59.95 mm'], facts('c', '0.03 mm'));
    expect(adviseFinding(b.sheet, b.state, 'piston')).toMatchObject({ undecided: ['skirt'] });
    expect(adviseFinding(b.sheet, b.state, 'piston').finding).toBeUndefined();
    expect(b.refused({ type: 'judge', op: judge(b), part: 'piston', finding: 'reuse' }).code).toBe('not-complete');
  });

  test('one of a set renewed renews the set', () => {
    const b = bench();
    b.do({ type: 'judge', op: judge(b), part: 'spring', finding: 'renew', reason: 'Tired' });
    expect(adviseFinding(b.sheet, b.state, 'clip')).toMatchObject({
      finding: 'renew',
      says: ['Springs and clip: renewed as a set, with the spring'],
    });
  });

  test('watched, it is deferred until it is found otherwise; a scrapped body asks for an exchange unit', () => {
    const b = bench();
    const op = judge(b);
    b.do({ type: 'judge', op, part: 'body', finding: 'watch', reason: 'A low dent' });
    expect(b.state.deferrals['body']).toMatchObject({ words: 'A low dent', again: 'at 500 h' });
    b.do({ type: 'judge', op, part: 'body', finding: 'scrap', reason: 'Cracked through' });
    expect(b.state.deferrals).toEqual({});
    expect(b.state.holds.map((h) => [h.why, h.note])).toEqual([['decision', 'Body is scrap. Exchange pump, B-99?']]);
  });
});

describe('the cause', () => {
  const causeOp = (b: TestBench): string => b.sheet.steps[0]!.ops.find((o) => o.kind === 'cause')!.id;
  test('each answer is shown with what speaks for it and against it; the one chosen keeps what spoke for it', () => {
    const b = bench();
    const look = b.sheet.steps[0]!.ops.find((o) => o.kind === 'look')!.id;
    b.do({ type: 'look', op: look, choice: 'smooth' });
    read(b, 'bore', ['60.12 mm', '60.12 mm', '60.12 mm', '60.12 mm']);
    const evidence = causeEvidence(b.sheet, b.state, b.sheet.causes['leak']!);
    expect(evidence['worn']!.map((e) => e.speaks)).toEqual(['for', 'against']);
    expect(evidence['dry']!.map((e) => e.speaks)).toEqual(['against']);
    const op = causeOp(b);
    expect(b.refused({ type: 'complete', op }).says).toBe('Why did it leak?');
    expect(b.refused({ type: 'find-cause', op, choice: 'moon' }).code).toBe('not-a-choice');
    b.do({ type: 'find-cause', op, choice: 'worn' });
    expect(b.state.causes['leak']).toMatchObject({ title: 'The bore is worn', then: 'Renew the body' });
    expect(b.state.causes['leak']!.evidence).toHaveLength(1);
  });
  test('not knowing is an answer, and stands on record', () => {
    const b = bench();
    b.do({ type: 'find-cause', op: causeOp(b), choice: null, note: 'Nothing to be seen' });
    expect(b.state.causes['leak']).toMatchObject({ choice: null, title: 'Not known', note: 'Nothing to be seen' });
  });
});
