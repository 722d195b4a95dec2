import { describe, expect, test } from '@jest/globals';
import { booked, context, librarySheet, now, type TestBench } from '../bench.fixtures.ts';
import { buildRecord, decide, plainRecord, sourceOf, unsourced } from '../index.ts';

/** The dolly hub with its cups to be renewed, up to where the first new part would go in. */
function atNewPart(): { bench: TestBench; op: string; part: string } {
  const bench = booked(librarySheet('hub-dolly'), 'six-stud');
  bench.run((c) => c.type === 'say-source', { finding: () => ({ finding: 'renew', reason: 'worn' }) });
  const { op } = now(bench);
  return { bench, op: op.id, part: (op as { part: string }).part };
}

describe('a new part', () => {
  test('goes in only once somebody has said where it comes from', () => {
    const { bench, op, part } = atNewPart();
    const ticks = { ticks: ['check'] };
    expect(bench.refused({ type: 'complete', op, ...ticks })).toMatchObject({
      code: 'no-source',
      clears: 'Order it, take it out of stock, or say whose it is',
    });
    expect(unsourced(bench.sheet, bench.state)).toContain(part);
    bench.do({ type: 'say-source', parts: [part], from: 'customer', words: 'in a blue box' });
    bench.do({ type: 'complete', op, ...ticks });
    expect(sourceOf(bench.state, part)).toBe('the customer’s own: in a blue box');
    expect(bench.state.renewed[part]!.count).toBeGreaterThan(0);
  });

  test('from an order that has come needs no word; one that is on its way does not go in', () => {
    const { bench, op, part } = atNewPart();
    const line = {
      number: 'ZN-1',
      title: 'Cups',
      count: 1,
      priceMinor: 900,
      supplier: 'Tarbert Bearings',
      parts: [part],
      kit: false,
      from: 'supplier' as const,
    };
    bench.do({ type: 'order-parts', lines: [line] });
    expect(unsourced(bench.sheet, bench.state)).not.toContain(part);
    expect(bench.refused({ type: 'complete', op, ticks: ['check'] }).code).toBe('not-here');
    expect(bench.state.holds.at(-1)).toMatchObject({ why: 'parts' });
    bench.do({ type: 'arrive-part', line: Object.keys(bench.state.partLines)[0]!, missing: [] });
    bench.do({ type: 'complete', op, ticks: ['check'] });
    expect(sourceOf(bench.state, part)).toBe('ZN-1, Tarbert Bearings');
  });

  test('fasteners that are used once are asked for before their first pull, and the record names them', () => {
    const sheet = librarySheet('prop-centre');
    const bench = booked(sheet, sheet.variants[0]!.id);
    bench.run((c) => c.type === 'pull');
    const { op } = now(bench);
    const joint = bench.sheet.joints[(op as { joint: string }).joint]!;
    expect(joint.fasteners).toBe('new');
    // Said with the parts that went in before; without it, nothing is pulled.
    const { [joint.fastener]: said, ...others } = bench.state.sources;
    expect(said!.from).toBe('stock');
    const unsaid = { ...bench.state, sources: others };
    expect(unsourced(bench.sheet, unsaid)).toContain(joint.fastener);
    const pull = bench.envelope({ type: 'pull', op: op.id, bolt: 1, reading: { value: 30, unit: 'N·m' }, rig: { extensionMm: 0, extensionAngleDeg: 0 }, how: 'hand' }); // prettier-ignore
    expect(decide(unsaid, bench.sheet, pull, context)).toMatchObject({ ok: false, refusal: { code: 'no-source' } });
    bench.run((c) => c.type === 'hand-over');
    const { truth } = buildRecord(bench.sheet, bench.state);
    expect(truth.sources.find((s) => s.part === joint.fastener)?.from).toBe('the shop’s own stock');
  });

  test('several come from one place with one word; what is no part, no place or no words is refused', () => {
    const { bench } = atNewPart();
    const parts = unsourced(bench.sheet, bench.state);
    expect(parts.length).toBeGreaterThan(1);
    const cases = [
      { parts: ['moon'], from: 'stock', words: '' },
      { parts: [], from: 'stock', words: '' },
      { parts, from: 'thin-air', words: '' },
      { parts, from: 'said', words: ' ' },
    ] as const;
    for (const c of cases) expect(() => bench.do({ type: 'say-source', ...c } as never)).toThrow();
    bench.do({ type: 'say-source', parts, from: 'said', words: 'from the parts van' });
    expect(unsourced(bench.sheet, bench.state)).toEqual([]);
    expect(sourceOf(bench.state, parts[0]!)).toBe('as said: from the parts van, Una Reith');
  });

  test('stands in the full record with its source, and the customer’s own as such in theirs', () => {
    const { bench, part } = atNewPart();
    bench.do({ type: 'say-source', parts: [part], from: 'customer', words: '' });
    bench.run(undefined, { finding: () => ({ finding: 'renew', reason: 'worn' }), stock: 'drawer 4' });
    const record = buildRecord(bench.sheet, bench.state);
    const from = Object.fromEntries(record.truth.sources.map((s) => [s.part, s.from]));
    expect(from[part]).toBe('the customer’s own');
    expect(Object.values(from)).toContain('the shop’s own stock: drawer 4');
    expect(Object.values(from)).not.toContain('nobody said where from');
    expect(plainRecord(record).renewed.join()).toMatch(/, your own/);
  });

  test('that was binned before it went in needs another', () => {
    const bench = booked(librarySheet('hub-cartridge'), librarySheet('hub-cartridge').variants[0]!.id);
    const looked = bench.sheet.steps
      .flatMap((s) => s.ops)
      .find((o) => o.kind === 'inspect' && o.ask !== undefined && bench.sheet.parts[o.part ?? '']?.renew === 'always');
    if (looked?.kind !== 'inspect') throw new Error('this sheet looks at no new part');
    bench.run((c) => c.type === 'complete' && c.op === looked.id);
    bench.do({ type: 'say-source', parts: [looked.part!], from: 'stock', words: '' });
    bench.do({ type: 'complete', op: looked.id, answer: 'yes' });
    expect(sourceOf(bench.state, looked.part!)).toBeUndefined();
  });
});
