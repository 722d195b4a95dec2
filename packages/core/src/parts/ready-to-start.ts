import {
  gaugesFor,
  gaugeKinds,
  jobSheet,
  kindOfGauge,
  ladderOf,
  stepDone,
  wrenchesFor,
  type BenchState,
  type Gauge,
  type Wrench,
} from '../bench/index.ts';
import { formatQuantity } from '../quantities/index.ts';
import {
  standOf,
  type FigureSource,
  type LadderStep,
  type Op,
  type OpKind,
  type OpOf,
  type Sheet,
} from '../sheet/index.ts';
import type { OrderPlan } from './order-plan.ts';

/** An instrument of the shop, as far as a job hangs on it. */
export type ShopInstrument = Gauge & Wrench;
/** What the shop has for a job. */
export interface ShopHas {
  readonly instruments: readonly ShopInstrument[];
  /** What of the parts is not here and not ordered; undefined while nobody has reckoned it. */
  readonly plan?: Pick<OrderPlan, 'lines' | 'nameless'>;
  /** Names of the makers' papers that are attached. */
  readonly documents: readonly string[];
  /** ISO date. */
  readonly today: string;
}

export const lackKinds = ['wrench', 'gauge', 'stand', 'part', 'document'] as const;
/** Something that is missing, what it will stop, and after how much work. */
export interface Lack {
  readonly what: (typeof lackKinds)[number];
  readonly says: string;
  /** The step that it stops; none for a paper. */
  readonly stops?: { readonly step: string; readonly title: string; readonly side: LadderStep['side'] };
  /** Minutes of hands until then. */
  readonly afterMinutes: number;
}
/** Something that is fetched before the first spanner, with what serves instead. */
export interface Fetch {
  readonly what: 'tool' | 'aid' | 'helper';
  readonly says: string;
  readonly instead?: string;
}
export interface Readiness {
  /** What is missing, the first to stop the work first. */
  readonly lacks: readonly Lack[];
  readonly fetch: readonly Fetch[];
}

/** Minutes of hands before each step of what is left. */
function whenReached(left: readonly LadderStep[]): ReadonlyMap<string, number> {
  let sum = 0;
  return new Map(
    left.map((s) => {
      const before = sum;
      sum += s.minutes;
      return [s.id, before];
    }),
  );
}

type Where = { readonly op: Op; readonly step: LadderStep };
const of = <K extends OpKind>(all: readonly Where[], kind: K): { op: OpOf<K>; step: LadderStep }[] =>
  all.filter((w) => w.op.kind === kind) as unknown as { op: OpOf<K>; step: LadderStep }[];

/**
 * What a job wants before it is begun, held against what the shop has: wrenches in range and in date, gauges fine enough,
 * stands, parts that are always new, the makers' papers; and what is fetched. What is missing says what it will stop.
 */
export function readyToStart(pinned: Sheet, state: BenchState, shop: ShopHas): Readiness {
  const sheet = jobSheet(pinned, state);
  const left = ladderOf(sheet, state).all.filter((s) => !stepDone(s, state));
  const when = whenReached(left);
  const all: Where[] = left.flatMap((step) => [...step.ops, ...step.open].map((op) => ({ op, step })));
  const lack = (what: Lack['what'], says: string, step: LadderStep): Lack => ({
    what,
    says,
    stops: { step: step.id, title: step.title, side: step.side },
    afterMinutes: when.get(step.id) ?? 0,
  });
  const lacks = [
    ...of(all, 'tighten').flatMap(({ op, step }) => {
      const says = wrenchLacks(sheet, op, shop);
      return says === undefined ? [] : [lack('wrench', says, step)];
    }),
    ...of(all, 'measure').flatMap(({ op, step }) => {
      const says = gaugeLacks(sheet, op.measure, shop);
      return says === undefined ? [] : [lack('gauge', says, step)];
    }),
    ...of(all, 'test').flatMap(({ op, step }) => {
      const stand = sheet.tests[op.test]?.stand;
      if (!stand || shop.instruments.some((i) => i.kind === standOf(stand.kind))) return [];
      return [lack('stand', `No ${standOf(stand.kind).replace(/-/g, ' ')} for "${sheet.tests[op.test]!.title}"`, step)];
    }),
    ...partLacks(all, shop, lack),
    ...papers(sheet)
      .filter((p) => !shop.documents.some((d) => d.toLowerCase() === p.toLowerCase()))
      .map((p): Lack => ({ what: 'document', says: `Not attached: ${p}`, afterMinutes: 0 })),
  ];
  const told = new Map(lacks.map((l) => [`${l.what} ${l.says}`, l]).reverse() as [string, Lack][]);
  return {
    lacks: [...told.values()].sort((a, b) => a.afterMinutes - b.afterMinutes),
    fetch: fetched(sheet, left, all),
  };
}

/** Why no wrench of the shop pulls a joint, in words: the best of them, and what is wrong with it. */
function wrenchLacks(sheet: Sheet, op: OpOf<'tighten'>, shop: ShopHas): string | undefined {
  const joint = sheet.joints[op.joint];
  if (!joint || joint.stages.some((s) => s.unitAsked)) return undefined;
  const stage = op.through ?? joint.stages.length - 1;
  const rig = { extensionMm: 0, extensionAngleDeg: 0 };
  const [best] = wrenchesFor(joint, stage, 0, rig, shop.instruments, shop.today);
  if (best?.verdict === 'good' || best?.verdict === 'usable') return undefined;
  const figure = formatQuantity(joint.stages[stage]!.to);
  if (!best || best.verdict === 'out of range') return `No wrench for the ${joint.title.toLowerCase()}, ${figure}`;
  return `${best.wrench.name} for the ${joint.title.toLowerCase()}, ${figure}: ${best.says}`;
}

/** Why no gauge of the shop reads a measure well enough; nothing is said of what Jubb knows no gauge for. */
function gaugeLacks(sheet: Sheet, id: string, shop: ShopHas): string | undefined {
  const measure = sheet.measures[id];
  if (!measure || !Object.hasOwn(gaugeKinds, kindOfGauge(measure.gauge))) return undefined;
  const [best] = gaugesFor(measure, shop.instruments);
  if (!best) return `No ${measure.gauge} for "${measure.title}"`;
  return best.verdict === 'too coarse' ? `${best.gauge.name} is too coarse for "${measure.title}"` : undefined;
}

/** Parts that must be bought, each with the step that fits it. */
function partLacks(
  all: readonly Where[],
  shop: ShopHas,
  lack: (what: Lack['what'], says: string, step: LadderStep) => Lack,
): readonly Lack[] {
  const last = all.at(-1)?.step;
  const fits = (part: string): LadderStep | undefined =>
    all.find(({ op }) => 'part' in op && op.part === part && ['place', 'press', 'seal'].includes(op.kind))?.step ??
    last;
  const { lines = [], nameless = [] } = shop.plan ?? {};
  return [
    ...lines
      .filter((l) => l.from === 'supplier')
      .flatMap((l) => {
        const step = l.parts.map(fits).find((s) => s !== undefined);
        return step ? [lack('part', `${l.title} is not in the drawer and not ordered`, step)] : [];
      }),
    ...nameless.flatMap((n) => {
      const step = fits(n.part);
      return step ? [lack('part', `${n.title} has no number to order`, step)] : [];
    }),
  ];
}

/** The makers' papers that figures of a sheet come from. */
function papers(sheet: Sheet): readonly string[] {
  const from: readonly (FigureSource | undefined)[] = [
    sheet.from,
    ...[sheet.joints, sheet.measures, sheet.settings, sheet.tests, sheet.fluids].flatMap((m) =>
      Object.values<{ readonly from?: FigureSource }>(m).map((e) => e.from),
    ),
  ];
  return [...new Set(from.flatMap((f) => (f?.kind === 'maker' ? [f.document] : [])))];
}

function fetched(sheet: Sheet, left: readonly LadderStep[], all: readonly Where[]): readonly Fetch[] {
  const out = [
    ...left.flatMap((s) =>
      s.tools.map((t): Fetch => ({ what: 'tool', says: t.title, ...(t.instead ? { instead: t.instead } : {}) })),
    ),
    ...of(all, 'fit-aid').flatMap(({ op }): Fetch[] => {
      const aid = sheet.aids[op.aid];
      return aid ? [{ what: 'aid', says: `${aid.title}, ${aid.where}` }] : [];
    }),
    ...of(all, 'helper').map(({ op, step }): Fetch => ({ what: 'helper', says: `${step.title}: a helper ${op.say}` })),
    ...left.flatMap((s): Fetch[] => (s.helper ? [{ what: 'helper', says: `${s.title}: a helper ${s.helper}` }] : [])),
  ];
  return [...new Map(out.map((f) => [`${f.what} ${f.says}`, f])).values()];
}
