import { describe, expect, test } from '@jest/globals';
import { decide, emptyBench, rehearse, type BenchState, type Command } from '@jubb/core/bench';
import { neededParts } from '@jubb/core/parts';
import { quoteOptions } from '@jubb/core/quote';
import { librarySheet } from '@jubb/core/sheet/fixtures';
import { renderToStaticMarkup } from 'react-dom/server';
import { moneyWords, oddsWords } from '../money.ts';
import { FindingRows, judgedParts } from './finding-rows.tsx';
import { Offers } from './offers.tsx';
import { WearRule } from './wear-rule.tsx';

const sheet = librarySheet('cylinder-lift');
const who = { id: 'p', name: 'Una Reith', initials: 'UR' };
const money = { rateMinor: 5200, taxPercent: 20 };

/** A cylinder measured and judged: the rod scratched, the gland undecided, the bush worn. */
function judged(): BenchState {
  let state = emptyBench('j');
  const give = (command: Command): void => {
    const outcome = decide(
      state,
      sheet,
      { id: `c${state.seq}`, job: 'j', who, at: '2026-11-24T08:00:00.000Z', device: 't', command },
      { drawers: {} },
    );
    if (!outcome.ok) throw new Error(outcome.refusal.says);
    state = outcome.state;
  };
  give({
    type: 'book', number: 318, customer: { id: 'c', name: 'Council Depot' }, unit: { id: 'u', serial: 'OL-1', model: 'OL-32' },
    sheet: { id: sheet.id, revision: 1, title: sheet.title, hash: '' }, complaint: 'sinks', deliveryDate: null, spendLimitMinor: null,
    variant: 'double', identified: [], earlierVisits: 0,
  }); // prettier-ignore
  const mm = (value: number): { value: number; unit: string } => ({ value, unit: 'mm' });
  const instrument = { id: 'g', name: 'G', simulated: true, uncertainty: mm(0.005) };
  for (let i = 0; i < 200 && !state.steps['bottom decide']; i += 1)
    give(
      rehearse(sheet, state, { drawers: {} }, {
        gauge: () => instrument,
        reading: (what) =>
          ({ 'rod-depth worst place': mm(0.03), 'gland-seat along': mm(34.038), 'eye-play along': mm(0.4) })[what],
        finding: (part) =>
          part === 'rod' ? { finding: 'dress', reason: 'It catches' } : { finding: 'reuse', reason: 'Looks good' },
      })!,
    ); // prettier-ignore
  return state;
}
const state = judged();
const drawn = (element: React.JSX.Element): string =>
  renderToStaticMarkup(element).replace(/\u202f/g, ' ').replace(/<!-- -->/g, ''); // prettier-ignore

describe('findings', () => {
  const html = drawn(<FindingRows sheet={sheet} state={state} needs={neededParts(sheet, state)} />);
  test('each judged part is a row with its finding; what was advised otherwise is said', () => {
    expect((html.match(/class="frow"/g) ?? []).length).toBe(judgedParts(sheet, state).length + 1);
    expect(html).toMatch(/Looks good; renew was advised/);
    expect(html).toContain('Always new');
    expect(html).toContain('Rod seal');
  });
  test('of several measures of a part the one that is outside is drawn', () => {
    expect(html).toMatch(/Depth of the scratch: 0.03 mm, outside/);
    expect(html).toMatch(/Play of the pin in the eye bush: 0.4 mm, outside/);
  });
});

describe('the rule from new to worn out', () => {
  const rule = (id: string): string => drawn(<WearRule measure={sheet.measures[id]!} state={state} />);
  test('says the worst reading and its verdict, and shows the limit', () => {
    expect(rule('gland-seat')).toMatch(/aria-label="[^"]*34.038 mm, undecided"/);
    expect(rule('gland-seat')).toContain('limit 34.04 mm');
    // Two limits, two guards.
    expect((rule('bore').match(/limit /g) ?? []).length).toBe(2);
  });
  test('the guard is as wide as the gauge is unsure, on both sides of the limit', () => {
    const [, x, width] = /<rect x="([\d.]+)" y="24" width="([\d.]+)" height="12" fill="#c3ccd3"/.exec(
      rule('gland-seat'),
    )!;
    const [, limit] = /M([\d.]+) 20v20/.exec(rule('gland-seat'))!;
    expect(Number(x) + Number(width) / 2).toBeCloseTo(Number(limit), 6);
    expect(Number(width)).toBeGreaterThan(10);
  });
  test('nothing read, nothing drawn', () => {
    expect(drawn(<WearRule measure={sheet.measures['bore']!} state={emptyBench('j')} />)).toBe('');
  });
});

describe('what to offer', () => {
  const shelf = { catalogue: new Map(), stock: new Map() };
  const { options, advised } = quoteOptions(sheet, state, shelf, money);
  const html = drawn(<Offers options={options} advised={advised} currency="£" agreedMinor={20_000} />);
  test('each way out has its price, and likely price; the advised one stands out', () => {
    for (const o of options) {
      expect(html).toContain(o.title);
      expect(html).toContain(moneyWords(o.totalMinor, '£'));
      if (o.id !== 'leave') expect(html).toContain(`likely ${moneyWords(o.expectedMinor, '£')}`);
    }
    expect((html.match(/way-out advised/g) ?? []).length).toBe(1);
  });
  test('what goes past the agreed sum is named', () => {
    expect(html).toMatch(/past the agreed £ 200: a new yes is needed/);
    const free = drawn(<Offers options={options} advised={advised} currency="£" agreedMinor={null} />);
    expect(free).not.toContain('a new yes is needed');
  });
});

describe('money and odds as people say them', () => {
  test.each([
    [21400, '£ 214'],
    [6450, '£ 64.50'],
    [5, '£ 0.05'],
    [0, '£ 0'],
  ])('%p', (minor, words) => {
    expect(moneyWords(minor, '£')).toBe(words);
  });
  test.each([
    [1 / 40, '1 in 40'],
    [0.34, '1 in 3'],
    [0, 'none'],
    [1, '1 in 1'],
  ])('%p', (chance, words) => {
    expect(oddsWords(chance)).toBe(words);
  });
});
