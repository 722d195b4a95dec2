import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defaulted, defineReckoner, list, number, optional, record, ReckonError, text } from '../shape/index.ts';

/** What each way out costs when the risk of a comeback and the days of standing still are counted. Money in minor units. */
export const rebuildOrReplace = defineReckoner({
  id: 'rebuild-or-replace',
  title: 'Rebuild or replace',
  subject: 'money',
  asks: ['is it worth it', 'kit or exchange', 'repair or new', 'what does it really cost'],
  formula: 'cost = parts + hours · rate + lead days · downtime + risk · comeback;  a year: cost / life',
  sources: ['expected value'],
  checks: [
    {
      inputs: {
        options: [
          { name: 'repair', parts: 12000, hours: 4, leadDays: 1, comebackRisk: 0.1, comebackCost: 30000, lifeYears: 4 },
          {
            name: 'exchange',
            parts: 42000,
            hours: 1,
            leadDays: 3,
            comebackRisk: 0.02,
            comebackCost: 30000,
            lifeYears: 8,
          },
        ],
        rate: 5000,
        downtimePerDay: 4000,
      },
      // 12000 + 20000 + 4000 + 3000 = 39000; 42000 + 5000 + 12000 + 600 = 59600
      gives: {
        'options.0.expectedCost': '39000',
        'options.1.expectedCost': '59600',
        cheapest: 'repair',
        breakEvenRisk: '0.787',
      },
      source: 'by hand: 0.1 + 20600/30000',
    },
  ],
  dangers: {
    'cheaper-by-the-year': {
      harm: 'The customer is sold the cheap way out, and pays for it every year.',
      fires: {
        options: [
          { name: 'repair', parts: 10000, hours: 1, leadDays: 0, comebackRisk: 0, comebackCost: 0, lifeYears: 1 },
          { name: 'new', parts: 20000, hours: 1, leadDays: 0, comebackRisk: 0, comebackCost: 0, lifeYears: 4 },
        ],
      },
      silent: {
        options: [
          { name: 'repair', parts: 10000, hours: 1, leadDays: 0, comebackRisk: 0, comebackCost: 0, lifeYears: 1 },
          { name: 'new', parts: 20000, hours: 1, leadDays: 0, comebackRisk: 0, comebackCost: 0, lifeYears: 1.2 },
        ],
      },
    },
  },
  inputs: {
    options: list(
      record(
        {
          name: text('Way out', { maxLength: 40 }),
          parts: number('Parts', { min: 0, max: 1e9 }),
          hours: number('Hours', { min: 0, max: 1000 }),
          leadDays: number('Days it stands', { min: 0, max: 1000 }),
          comebackRisk: number('Risk that it comes back', { min: 0, max: 1 }),
          comebackCost: number('Cost when it does', { min: 0, max: 1e9 }),
          lifeYears: optional(number('Years it should last', { above: 0, max: 100 })),
        },
        'Way out',
      ),
      'Ways out',
      { minLength: 2, maxLength: 10 },
    ),
    rate: number('Rate for an hour', { min: 0, max: 1e7 }),
    downtimePerDay: defaulted(number('A day of standing still', { min: 0, max: 1e8 }), 0),
  },
  outputs: {
    options: { label: 'Cost of each, minor units', is: 'table' },
    breakEvenRisk: { label: 'The cheapest is overtaken at a risk of', is: 'ratio', optional: true },
    cheapest: { label: 'Cheapest', is: 'word' },
    words: { label: 'In words', is: 'word' },
  },
  compute({ options, rate, downtimePerDay }, work) {
    if (new Set(options.map((o) => o.name)).size < options.length)
      throw new ReckonError(
        'inconsistent',
        'options',
        options.map((o) => o.name).join(', '),
        'a name of its own for each',
      );
    const costed = options.map((o) => {
      const cost = o.parts + o.hours * rate + o.leadDays * downtimePerDay + o.comebackRisk * o.comebackCost;
      work.step(
        o.name,
        'parts + hours · rate + days · downtime + risk · comeback',
        `${f(o.parts, 0)} + ${f(o.hours)} × ${f(rate, 0)} + ${f(o.leadDays)} × ${f(downtimePerDay, 0)} + ${f(o.comebackRisk)} × ${f(o.comebackCost, 0)}`,
        canonical(cost, 'ratio'),
      );
      return { option: o, cost };
    });
    const sorted = [...costed].sort((a, b) => a.cost - b.cost);
    const [best, second] = [sorted[0]!, sorted[1]!];
    let breakEven: number | undefined;
    if (best.option.comebackCost > 0) {
      const risk = best.option.comebackRisk + (second.cost - best.cost) / best.option.comebackCost;
      if (risk <= 1) {
        breakEven = risk;
        work.step(
          'Overtaken at',
          'risk + difference / comeback',
          `${f(best.option.comebackRisk)} + ${f(second.cost - best.cost, 0)}/${f(best.option.comebackCost, 0)}`,
          canonical(risk, 'ratio'),
        );
      }
    }
    const perYear = costed
      .filter((c) => c.option.lifeYears !== undefined)
      .map((c) => ({ name: c.option.name, each: c.cost / c.option.lifeYears! }));
    const longRun = perYear.length === options.length ? [...perYear].sort((a, b) => a.each - b.each)[0]! : undefined;
    if (longRun && longRun.name !== best.option.name)
      work.warn('cheaper-by-the-year', `Counted by the year, ${longRun.name} is cheaper: ask how long it must last.`);
    const words =
      `${best.option.name} is expected to cost ${f(best.cost / 100, 2)}, ${f((second.cost - best.cost) / 100, 2)} less than ${second.option.name}.` +
      (breakEven === undefined
        ? ' No risk of a comeback turns that round.'
        : ` A risk of ${f(breakEven * 100, 0)} % would turn that round.`) +
      (longRun ? ` By the year: ${longRun.name}.` : '');
    return {
      options: costed.map(({ option, cost }) => ({
        name: option.name,
        expectedCost: cost,
        costPerYear: option.lifeYears === undefined ? undefined : cost / option.lifeYears,
      })),
      breakEvenRisk: breakEven === undefined ? undefined : canonical(breakEven, 'ratio'),
      cheapest: best.option.name,
      words,
    };
  },
});
