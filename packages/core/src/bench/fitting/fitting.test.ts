import { describe, expect, test } from '@jest/globals';
import { canonical, inCanonical, parseQuantity, type Quantity } from '../../quantities/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import { booked, librarySheet, type TestBench } from '../bench.fixtures.ts';
import {
  dropsUntil,
  heatOf,
  heatWindow,
  ladderOf,
  lipOf,
  nextMove,
  pressOf,
  ringOf,
  wantingFor,
  type Command,
} from '../index.ts';

/** A bench at the first operation of a kind in the library's sheet. */
function at(
  name: string,
  kind: string,
  part?: string,
  change: (s: Sheet) => Sheet = (s) => s,
): { bench: TestBench; op: string } {
  const sheet = change(librarySheet(name));
  const bench = booked(sheet, sheet.variants[0]!.id);
  const there = (): string | undefined => {
    const move = nextMove(bench.sheet, bench.state);
    if (move.kind !== 'op' || move.op.kind !== kind) return undefined;
    return part === undefined || ('part' in move.op && move.op.part === part) ? move.op.id : undefined;
  };
  bench.run(() => there() !== undefined, { finding: () => ({ finding: 'renew', reason: 'worn' }) });
  const op = there();
  if (op === undefined) throw new Error(`no ${kind} in ${name}`);
  return { bench, op };
}
const celsius = (n: number): Quantity => canonical(n, 'temperature');
const read = (op: string, value: Quantity): Command => ({ type: 'take-reading', op, value, how: 'hand' });

describe('what is reckoned of a fit', () => {
  const cone = librarySheet('differential-side').parts['bearing@left']!.fit!;
  test('how hot, and for how long it drops', () => {
    const { results } = heatOf(cone).reckoned;
    // By hand: (0.030 + 0.005) / (11.5e-6 × 35) = 87 K over 20 °C.
    expect(results.temperatureNeeded.value).toBeCloseTo(107, 0);
    // By hand: τ = 0.35 × 460 / (15 × 0.013) = 826 s; × ln(87 / 74.5) = 127 s.
    expect(Math.abs(inCanonical(results.droppableFor!, 'time') - 127)).toBeLessThan(12);
    expect(inCanonical(heatWindow(cone).high, 'temperature')).toBe(120);
  });
  test('a fit by its letters is ISO 286: 15 K6 on k5', () => {
    const { interference } = librarySheet('alternator-brushpin').parts['rear-bearing']!.fit!;
    // 15 K6 +2/−9 and k5 +9/+1 µm: from −1 (loose) to 18 µm (ISO 286-2).
    expect(inCanonical(interference.high, 'length')).toBeCloseTo(0.018, 6);
    expect(inCanonical(interference.low, 'length')).toBeCloseTo(0, 6);
  });
  test('the force to press grows with the interference; none where the seat is not described', () => {
    const gear = librarySheet('gearbox-four').parts['main-bearing']!.fit!;
    const force = pressOf(gear)!.reckoned.results.pressForce.value;
    const tighter = pressOf({
      ...gear,
      interference: { low: canonical(0, 'length'), high: canonical(0.046, 'length') },
    })!;
    expect(tighter.reckoned.results.pressForce.value / force).toBeCloseTo(2, 3);
    const { outside: _gone, ...bare } = gear;
    expect(pressOf(bare)).toBeUndefined();
  });
  test('a small piston: squeeze in its window, and the spring brings it back', () => {
    const ring = ringOf(librarySheet('lever-piston').parts['front-ring']!)!;
    expect(ring.gland.reckoned.results.squeeze.value).toBeGreaterThan(8);
    expect(ring.gland.reckoned.results.squeeze.value).toBeLessThan(20);
    expect(ring.back!.reckoned.results.verdict).toBe('returns');
    expect(ringOf(librarySheet('lever-piston').parts['rear-lip']!)).toBeUndefined();
  });
  test('a groove asks for a deeper seal, and only where one was felt', () => {
    const { lip } = librarySheet('hub-dolly').parts['seal']!;
    // By hand: groove at 5 mm, lip at 5 mm, 1 mm clear.
    expect(
      inCanonical((lipOf(lip!, true)!.reckoned.results as { fitAt: { value: number; unit: string } }).fitAt, 'length'),
    ).toBeCloseTo(1, 6);
    expect(lipOf(lip!, false)!.reckoned.results.verdict).not.toBe('fit-deeper');
  });
});

describe('a bearing that is heated', () => {
  const heat = (): { bench: TestBench; op: string } => at('differential-side', 'heat');
  test('is read hot enough before it is taken out; too cold waits, too hot is not used', () => {
    const { bench, op } = heat();
    expect(bench.refused({ type: 'complete', op }).says).toMatch(/How hot/);
    bench.do(read(op, celsius(64)));
    expect(bench.refused({ type: 'complete', op }).says).toMatch(/drops on from 107/);
    bench.do(read(op, celsius(131)));
    expect(bench.refused({ type: 'complete', op }).says).toMatch(/past the 120/);
    bench.do(read(op, celsius(112)));
    bench.do({ type: 'complete', op });
    expect(bench.state.done[op]).toBeDefined();
  });
  test('from then on the clock runs while it still drops', () => {
    const { bench, op } = heat();
    const part = op.includes('left') ? 'bearing@left' : 'bearing@right';
    expect(dropsUntil(bench.sheet, bench.state, part)).toBeUndefined();
    bench.do(read(op, celsius(112)));
    bench.do({ type: 'complete', op });
    const drop = dropsUntil(bench.sheet, bench.state, part)!;
    expect((Date.parse(drop.until) - Date.parse(drop.since)) / 1000).toBeGreaterThan(60);
  });
  test('another reading than a temperature is refused, and with a reason it goes on unread', () => {
    const { bench, op } = heat();
    expect(bench.refused(read(op, canonical(12, 'length'))).code).toBe('wrong-value');
    bench.do({ type: 'complete', op, reason: 'Induction heater, stopped by its own sensor' });
    expect(bench.state.done[op]).toBeDefined();
  });
});

describe('the wrong instrument', () => {
  test('reads nothing: a thermometer gives no force, a pull scale no temperature', () => {
    const { bench, op } = at('differential-side', 'heat');
    const instrument = { id: 'i', name: 'Pull scale 1', simulated: true, kind: 'pull-scale' };
    expect(bench.refused({ ...read(op, celsius(112)), how: 'instrument', instrument } as Command).code).toBe(
      'wrong-instrument',
    );
    bench.do({
      ...read(op, celsius(112)),
      how: 'instrument',
      instrument: { ...instrument, kind: 'thermometer' },
    } as Command);
  });
});

describe('pressed', () => {
  test('a force past the tightest fit wants a reason', () => {
    const { bench, op } = at('gearbox-four', 'press', 'main-bearing');
    bench.do(read(op, parseQuantity('60 kN', 'force')));
    bench.do({ type: 'say-source', parts: ['main-bearing'], from: 'stock', words: '' });
    expect(bench.refused({ type: 'complete', op }).says).toMatch(/askew/);
    bench.do({ type: 'complete', op, reason: 'Gauge of the press reads in another unit' });
  });
  test('what tells that it is home is ticked, and kept', () => {
    const { bench, op } = at('hub-dolly', 'press', 'cups');
    bench.do({ type: 'say-source', parts: ['cups'], from: 'stock', words: '' });
    expect(bench.refused({ type: 'complete', op }).says).toMatch(/hammer note/);
    bench.do({ type: 'complete', op, ticks: ['check'] });
    const fitted = bench.events.findLast((e) => e.type === 'part-fitted');
    expect(fitted?.type === 'part-fitted' && fitted.payload.told).toMatch(/hammer note/);
  });
});

describe('looked at before it goes in', () => {
  test('a new ring with a mark goes into the bin, and the list asks for another', () => {
    const { bench, op } = at('hub-dolly', 'inspect', 'cap-ring');
    const line = { number: 'BD6-117', title: 'Cap ring', count: 1, priceMinor: 340, supplier: 'S', parts: ['cap-ring'], kit: false, from: 'supplier' } as const; // prettier-ignore
    bench.do({ type: 'order-parts', lines: [line] });
    bench.do({ type: 'arrive-part', line: Object.keys(bench.state.partLines)[0]!, missing: [] });
    bench.do({ type: 'complete', op, answer: 'yes' });
    expect([bench.state.binned['cap-ring'], bench.state.done[op]]).toEqual([1, undefined]);
    bench.do({ type: 'order-parts', lines: [line] });
    bench.do({ type: 'arrive-part', line: Object.keys(bench.state.partLines)[1]!, missing: [] });
    bench.do({ type: 'complete', op, answer: 'no' });
    expect(bench.refold()).toEqual(bench.state);
  });
  test('a part that is used again is not binned by a look', () => {
    const { bench } = at('hub-dolly', 'inspect', 'cap-ring');
    const hub = booked(librarySheet('hub-dolly'), 'six-stud');
    hub.run(() => {
      const move = nextMove(hub.sheet, hub.state);
      return move.kind === 'op' && move.op.kind === 'inspect' && move.op.part === 'cups';
    });
    const move = nextMove(hub.sheet, hub.state);
    if (move.kind !== 'op') throw new Error('never came to it');
    expect(hub.refused({ type: 'complete', op: move.op.id, answer: 'yes' }).code).toBe('not-complete');
    expect(bench.state.binned).toEqual({});
  });
});

describe('a bleed', () => {
  test('is done after so many clean strokes in a row, and says how many', () => {
    const { bench, op } = at('lever-piston', 'bleed');
    expect(bench.refused({ type: 'complete', op }).says).toMatch(/0 clean strokes in a row; 5/);
    expect(bench.refused({ type: 'complete', op, strokes: 4 }).code).toBe('not-complete');
    bench.do({ type: 'complete', op, strokes: 6 });
    const done = bench.events.findLast((e) => e.type === 'op-done');
    expect(done?.type === 'op-done' && done.payload.strokes).toBe(6);
  });
});

describe('before a step of the way up', () => {
  test('a part that is on its way is named, and cannot be fitted; once it is here it can', () => {
    const { bench, op } = at('axle-clip', 'press', 'seal@left');
    const line = { number: 'OR9-220', title: 'Left shaft seal', count: 1, priceMinor: 1, supplier: 'S', parts: ['seal@left'], kit: false, from: 'supplier' } as const; // prettier-ignore
    bench.do({ type: 'order-parts', lines: [line] });
    const step = ladderOf(bench.sheet, bench.state).build.find((s) => s.ops.some((o) => o.id === op))!;
    expect(wantingFor(bench.sheet, step, bench.state).map((w) => w.says)).toContain(
      'Left shaft seal has not come yet: OR9-220',
    );
    expect(bench.refused({ type: 'complete', op }).code).toBe('not-here');
    bench.do({ type: 'arrive-part', line: Object.keys(bench.state.partLines)[0]!, missing: [] });
    expect(wantingFor(bench.sheet, step, bench.state).filter((w) => w.code === 'part')).toEqual([]);
    bench.do({ type: 'complete', op });
  });
  test('an oven that is not on and a mark that was never made are named; on the strip nothing is', () => {
    const bench = booked(librarySheet('differential-side'), 'open');
    const { strip, build } = ladderOf(bench.sheet, bench.state);
    const all = build.flatMap((s) => wantingFor(bench.sheet, s, bench.state));
    expect(all.some((w) => w.code === 'oven')).toBe(true);
    expect(all.some((w) => w.code === 'mark' && /Ring gear to differential/.test(w.says))).toBe(true);
    expect(strip.flatMap((s) => wantingFor(bench.sheet, s, bench.state))).toEqual([]);
  });
});
