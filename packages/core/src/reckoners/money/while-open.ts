import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, number, text } from '../shape/index.ts';

/** Is a part worth renewing now that the unit is open? Money in minor units, expected values. */
export const whileOpen = defineReckoner({
  id: 'while-open',
  title: 'While it is open',
  subject: 'money',
  asks: ['renew it now', 'while you are in there', 'worth doing now'],
  formula: 'now = price + extra · rate;  later = risk · (price + (reopen + extra) · rate)',
  sources: ['expected value'],
  checks: [
    {
      inputs: { part: 'shaft seal', price: 1800, extraMinutes: 6, rate: 5000, reopenMinutes: 120, riskOfNeed: 0.3 },
      // now 1800 + 500; later 0.3 × (1800 + 126/60 × 5000) = 0.3 × 12300
      gives: { renewNowCost: '2300', expectedLaterCost: '3690', advice: 'renew-now' },
      source: 'by hand',
    },
  ],
  dangers: {
    'cost-only': {
      harm: 'A part that a life hangs on is left in because it was the cheaper sum.',
      fires: {},
    },
  },
  inputs: {
    part: text('Part', { maxLength: 80 }),
    price: number('Price', { min: 0, max: 1e9 }),
    extraMinutes: number('Extra minutes now', { min: 0, max: 10000 }),
    rate: number('Rate for an hour', { min: 0, max: 1e7 }),
    reopenMinutes: number('Minutes to open it again', { min: 0, max: 100000 }),
    riskOfNeed: number('Chance that it will be needed before the next rebuild', { min: 0, max: 1 }),
  },
  outputs: {
    renewNowCost: { label: 'Renewing now costs', is: 'ratio' },
    expectedLaterCost: { label: 'Leaving it is expected to cost', is: 'ratio' },
    breakEvenRisk: { label: 'Worth it from a chance of', is: 'ratio', optional: true },
    advice: { label: 'Advice', is: 'word' },
  },
  compute(input, work) {
    const now = input.price + (input.extraMinutes / 60) * input.rate;
    const once = input.price + ((input.reopenMinutes + input.extraMinutes) / 60) * input.rate;
    const later = input.riskOfNeed * once;
    work.step(
      'Now',
      'price + extra · rate',
      `${f(input.price, 0)} + ${f(input.extraMinutes)}/60 × ${f(input.rate, 0)}`,
      canonical(now, 'ratio'),
    );
    work.step(
      'Later, if it comes to it',
      'price + (reopen + extra) · rate',
      `${f(input.price, 0)} + ${f(input.reopenMinutes + input.extraMinutes)}/60 × ${f(input.rate, 0)}`,
      canonical(once, 'ratio'),
    );
    work.step('Later, expected', 'chance × that', `${f(input.riskOfNeed)} × ${f(once, 0)}`, canonical(later, 'ratio'));
    const breakEven = once > 0 ? now / once : undefined;
    if (breakEven !== undefined)
      work.step(
        'Worth it from a chance of',
        'now / later',
        `${f(now, 0)} / ${f(once, 0)}`,
        canonical(breakEven, 'ratio'),
      );
    work.warn(
      'cost-only',
      'Cost only: what a failure would do to the rest of the unit, or to somebody, is not in this.',
    );
    return {
      renewNowCost: canonical(now, 'ratio'),
      expectedLaterCost: canonical(later, 'ratio'),
      breakEvenRisk: breakEven === undefined ? undefined : canonical(breakEven, 'ratio'),
      advice: now <= later ? 'renew-now' : 'leave-it',
    };
  },
});
