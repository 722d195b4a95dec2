import { lowerFirst } from '../bench/ladder/words.ts';
import {
  adviseFinding,
  badThings,
  hoursMinor,
  jobSheet,
  ladderOf,
  taxMinor,
  type BadThing,
  type BenchState,
  type MoneySettings,
  type QuoteLine,
  type QuoteOption,
  type QuotePayloads,
} from '../bench/index.ts';
import { orderPlan, type OrderPlan, type PartsShelf } from '../parts/index.ts';
import { rebuildOrReplace, type WorkingLine } from '../reckoners/index.ts';
import type { TimeLearned } from './time.ts';
import { renewing, type Finding, type Sheet } from '../sheet/index.ts';

export interface Offer {
  readonly options: readonly QuoteOption[];
  readonly advised: QuoteOption['id'];
  /** "Repair is expected to cost …", with what would turn it round. */
  readonly words: string;
  readonly working: readonly WorkingLine[];
}
/** Days until parts that are not in the drawer are here, where nobody has said otherwise. */
const USUAL_LEAD_DAYS = 2;

/**
 * Ways out, priced side by side: repair with these parts, with the dressed parts new, with every kit, an exchange unit,
 * leave it. What each is likely to cost counts its chance of coming back (`rebuild-or-replace`). Money in minor units.
 */
export function quoteOptions(
  pinned: Sheet,
  state: BenchState,
  shelf: PartsShelf,
  money: MoneySettings,
  time: TimeLearned = { jobs: 0, factor: 1 },
  byHand: HandPrices = {},
): Offer {
  const sheet = jobSheet(pinned, state);
  // What is on order already is part of the price, so the plan is made as if nothing were.
  const bare: BenchState = { ...state, partLines: {}, renewed: {} };
  const dressed = Object.entries(state.findings).filter(([, f]) => f === 'dress');
  const minutesOf = (s: BenchState): number =>
    Math.round(ladderOf(sheet, s).all.reduce((sum, step) => sum + step.minutes, 0) * time.factor);
  const drafts: Draft[] = [];
  const repair = orderPlan(sheet, bare, shelf, 'cheapest');
  drafts.push({
    id: 'repair',
    title: dressed.length > 0 ? `Dress the ${names(sheet, dressed)}, other parts new` : 'Repair with new parts',
    lines: partLines(repair, byHand),
    minutes: minutesOf(bare),
    leadDays: leadOf(repair),
    risk: dressed.length > 0 ? sheet.risks.dressed : sheet.risks.repair,
  });
  if (dressed.length > 0) {
    const findings = { ...state.findings, ...Object.fromEntries(dressed.map(([p]) => [p, 'renew' as const])) };
    const renewed = { ...bare, findings };
    const plan = orderPlan(sheet, renewed, shelf, 'cheapest');
    drafts.push({
      id: 'renewed',
      title: `New ${names(sheet, dressed)}`,
      lines: partLines(plan, byHand),
      minutes: minutesOf(renewed),
      leadDays: leadOf(plan),
      risk: sheet.risks.repair,
    });
  }
  const full = orderPlan(sheet, bare, shelf, 'kits');
  if (full.lines.some((l) => l.kit) && full.totalMinor !== repair.totalMinor)
    drafts.push({
      id: 'kits',
      title: `With the ${full.lines
        .filter((l) => l.kit)
        .map((l) => lowerFirst(l.title))
        .join(' and the ')}`,
      lines: partLines(full, byHand),
      minutes: minutesOf(bare),
      leadDays: leadOf(full),
      risk: dressed.length > 0 ? sheet.risks.dressed : sheet.risks.repair,
    });
  if (sheet.exchange) {
    const { title, priceMinor, minutes, leadDays } = sheet.exchange;
    const line: QuoteLine = { title, kind: 'exchange', count: 1, eachMinor: priceMinor, sumMinor: priceMinor };
    drafts.push({ id: 'exchange', title, lines: [line], minutes, leadDays, risk: sheet.risks.exchange });
  }
  const done = ladderOf(sheet, state)
    .all.filter((s) => s.ops.some((o) => state.done[o.id]))
    .reduce((t, s) => t + s.minutes, 0);
  const options = drafts.map((d) => priced(d, money));
  // Doing it again costs the hours and the parts of a repair once more.
  const again = options[0]!.netMinor;
  const reckoned =
    options.length > 1
      ? rebuildOrReplace.reckon({
          rate: 0,
          options: options.map((o) => ({
            name: o.title.slice(0, 40),
            parts: o.netMinor,
            hours: 0,
            leadDays: o.leadDays,
            comebackRisk: o.comebackRisk,
            comebackCost: again,
          })),
        })
      : undefined;
  const net = (o: QuoteOption): number => Math.round(o.netMinor + o.comebackRisk * again);
  const counted = options.map((o) => ({ ...o, expectedMinor: net(o) + taxMinor(net(o), money.taxPercent) }));
  const best = [...counted].sort((a, b) => a.expectedMinor - b.expectedMinor)[0]!;
  const leave = priced(
    { id: 'leave', title: 'Leave it as it is', lines: [], minutes: Math.round(done), leadDays: 0, risk: 0 },
    money,
  );
  return {
    options: [...counted, { ...leave, expectedMinor: leave.totalMinor }],
    advised: best.id,
    words: reckoned?.results.words ?? '',
    working: reckoned?.working ?? [],
  };
}

/** What a part costs for which the sheet has no number, minor units without tax: somebody asked for it. */
export type HandPrices = Readonly<Record<string, number>>;

interface Draft extends Pick<QuoteOption, 'id' | 'title' | 'minutes' | 'leadDays'> {
  readonly lines: readonly QuoteLine[];
  readonly risk: number;
}

function priced(d: Draft, money: MoneySettings): QuoteOption {
  const hours: QuoteLine = {
    title: 'Work',
    kind: 'hours',
    count: Math.round((d.minutes / 60) * 100) / 100,
    eachMinor: money.rateMinor,
    sumMinor: hoursMinor(d.minutes, money.rateMinor),
  };
  const lines = [...d.lines, hours];
  const netMinor = lines.reduce((sum, l) => sum + l.sumMinor, 0);
  const tax = taxMinor(netMinor, money.taxPercent);
  return {
    id: d.id,
    title: d.title,
    lines,
    netMinor,
    taxMinor: tax,
    totalMinor: netMinor + tax,
    minutes: d.minutes,
    leadDays: d.leadDays,
    comebackRisk: d.risk,
    expectedMinor: netMinor + tax,
  };
}

const partLines = (plan: OrderPlan, byHand: HandPrices): QuoteLine[] => [
  ...plan.lines.map((l): QuoteLine => ({
    title: l.title,
    kind: l.kit ? 'kit' : 'part',
    count: l.count,
    eachMinor: l.priceMinor ?? 0,
    sumMinor: (l.priceMinor ?? 0) * l.count,
  })),
  ...plan.nameless.flatMap(({ part, title, count }): QuoteLine[] => {
    const eachMinor = byHand[part];
    if (eachMinor === undefined) return [];
    return [{ title: `${title}, priced by hand`, kind: 'part', count, eachMinor, sumMinor: eachMinor * count }];
  }),
];
const leadOf = (plan: OrderPlan): number => (plan.lines.some((l) => l.from === 'supplier') ? USUAL_LEAD_DAYS : 0);
const names = (sheet: Sheet, parts: readonly (readonly [string, Finding])[]): string =>
  parts.map(([p]) => lowerFirst(sheet.parts[p]?.title ?? p)).join(' and the ');

const PLAIN: Readonly<Record<Finding, string>> = {
  reuse: 'is good and stays',
  dress: 'is marked; it can be dressed smooth and used again, or renewed',
  renew: 'is worn out and must be renewed',
  watch: 'is still within its limit; it stays, and should be looked at next time',
  scrap: 'cannot be used again',
};

/** What was found, in words that a customer understands, worst first; the readings behind it stand beside it. */
export function findingsForCustomer(pinned: Sheet, state: BenchState): QuotePayloads['quote-made']['findings'] {
  const sheet = jobSheet(pinned, state);
  const bad = new Map(
    badThings(sheet, state).flatMap((b) => (b.part === undefined || b.doubt ? [] : [[b.part, b] as const])),
  );
  const order: readonly Finding[] = ['scrap', 'renew', 'dress', 'watch', 'reuse'];
  return Object.entries(state.findings)
    .sort(([, a], [, b]) => order.indexOf(a) - order.indexOf(b))
    .map(([part, finding]) => ({
      part: sheet.parts[part]?.title ?? part,
      words: `The ${lowerFirst(sheet.parts[part]?.title ?? part)} ${wordsFor(finding, bad.get(part))}.`,
      readings: adviseFinding(sheet, state, part).says,
    }));
}

/** A part that was read outside, and is used again all the same, is not called good: what was read and why it stays is said. */
function wordsFor(finding: Finding, bad: BadThing | undefined): string {
  if (!bad || renewing.has(finding) || finding === 'dress') return PLAIN[finding];
  const read = `was found outside its limit (${lowerFirst(bad.title)}: ${bad.says})`;
  return bad.settled?.how === 'accepted'
    ? `${read}, and is ${bad.settled.words}`
    : `${read}; it is not settled what becomes of it`;
}
