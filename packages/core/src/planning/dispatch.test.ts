import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Built } from './built.ts';
import { seeded } from './chance.ts';
import { compile } from './compiled.ts';
import { Dispatcher } from './dispatcher.ts';
import { randomShop } from './shop.fixtures.ts';

const draw = (
  seed: number,
): { readonly dispatcher: Dispatcher; readonly out: Built; readonly priority: Float64Array } => {
  const random = seeded(seed);
  const c = compile(randomShop(random, { jobs: 7, each: 6, hands: 1 + (seed % 2) }));
  const priority = Float64Array.from(c.activities, () => random());
  return { dispatcher: new Dispatcher(c), out: new Built(c), priority };
};
const seeds = fc.integer({ min: 1, max: 1e9 });

describe('a plan of priorities', () => {
  test('is the plan of the order in which its pieces went down', () => {
    let whole = 0;
    fc.assert(
      fc.property(seeds, (seed) => {
        const { dispatcher, out, priority } = draw(seed);
        const order = dispatcher.dispatch(priority, out);
        const made = out.copy(dispatcher.c);
        expect([...order].sort((a, b) => a - b)).toEqual(dispatcher.c.activities.map((_, a) => a));
        dispatcher.build(order, out);
        if (made.cost.total === Infinity) return;
        whole += 1;
        expect([out.cost, out.start, out.lane]).toEqual([made.cost, made.start, made.lane]);
      }),
      { numRuns: 60 },
    );
    // Windows make a few begin again; most are whole at once.
    expect(whole).toBeGreaterThan(30);
  });

  test('is given up in its middle only when it costs more than was allowed, and so is an order', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { dispatcher, out, priority } = draw(seed);
        const order = dispatcher.dispatch(priority, out);
        dispatcher.build(order, out);
        const { total, late } = out.cost;
        dispatcher.build(order, out, total);
        expect(out.cost.total).toBe(total);
        if (late > 1) {
          dispatcher.build(order, out, late / 2);
          expect(out.cost.total).toBe(Infinity);
        }
        dispatcher.dispatch(priority, out);
        const plain = out.cost.total;
        dispatcher.dispatch(priority, out, plain);
        expect(out.cost.total).toBe(plain);
      }),
      { numRuns: 40 },
    );
  });

  test('leaves no hands waiting for what was put off: nothing alone in the shop starts later than it could', () => {
    const c = compile({ ...randomShop(seeded(5), { jobs: 1, each: 8, hands: 1 }), places: [] });
    const dispatcher = new Dispatcher(c);
    const out = new Built(c);
    dispatcher.dispatch(new Float64Array(c.activities.length), out);
    // One job, in its own order: each piece starts as its one before ends, or when hands or tools open, or its part is here.
    const best = Math.min(
      ...Array.from({ length: 40 }, (_, k) => {
        const random = seeded(k + 1);
        const other = new Built(c);
        dispatcher.dispatch(
          Float64Array.from(c.activities, () => random()),
          other,
        );
        return other.cost.finish;
      }),
    );
    expect(out.cost.finish).toBe(best);
  });
});
