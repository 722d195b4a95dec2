import { dimensionsOfUnit, formatQuantity, inCanonical, type Quantity } from '../../quantities/index.ts';
import type { Fluid, Op, Sheet } from '../../sheet/index.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import { ladderOf } from '../ladder/moves.ts';
import { opTitle } from '../ladder/wording.ts';
import type { BenchState, Stamp } from '../log/state.ts';

/** One line of the ledger: a fluid or compound going out, going in, or being used. */
export interface LedgerEntry extends Stamp {
  readonly way: 'out' | 'in' | 'used';
  readonly what: string;
  /** What was measured; without it the sheet's amount is meant. */
  readonly amount?: Quantity;
}
/** A fluid or compound of a job: how much belongs in, what went out and in, and how it stands. */
export interface LedgerLine {
  readonly fluid: string;
  readonly title: string;
  readonly grade: string;
  readonly amount: Quantity;
  readonly entries: readonly LedgerEntry[];
  /** How it stands, in words. */
  readonly says: string;
  /** Out and not in again. */
  readonly out: boolean;
}

/** Less than this share of what belongs in came out: it was lost before (common practice). */
const LOST = 0.85;
/** A fill further off the sheet's amount than this share is said. */
const OFF_FIGURE = 0.1;

const fluidOf = (sheet: Sheet, op: Op): { readonly fluid: string; readonly way: LedgerEntry['way'] } | undefined => {
  const named = (name: string | undefined): string | undefined =>
    name !== undefined && sheet.fluids[name] ? name : undefined;
  switch (op.kind) {
    case 'drain': {
      const fluid = named(sheet.spaces[op.what]?.holds) ?? named(op.what);
      return fluid === undefined ? undefined : { fluid, way: 'out' };
    }
    case 'fill': {
      const fluid = named(op.what);
      return fluid === undefined ? undefined : { fluid, way: 'in' };
    }
    case 'lubricate':
    case 'seal':
    case 'threadlock':
    case 'clean':
    case 'press':
    case 'bleed':
    case 'cure': {
      const fluid = named(op.with) ?? named(op.what);
      return fluid === undefined || op.kind === 'cure' ? undefined : { fluid, way: 'used' };
    }
    default:
      return undefined;
  }
};

/** The ledger of fluids and compounds of a job, in the order of its sheet; those that nothing has happened to are left out. */
export function fluidLedger(pinned: Sheet, state: BenchState): readonly LedgerLine[] {
  const sheet = jobSheet(pinned, state);
  const entries = new Map<string, LedgerEntry[]>();
  for (const op of ladderOf(sheet, state).all.flatMap((s) => s.ops)) {
    const done = state.done[op.id];
    const of = done && fluidOf(sheet, op);
    if (!of) continue;
    const { seq, at, by, amount } = done;
    const entry = { way: of.way, what: opTitle(sheet, op), ...(amount ? { amount } : {}), seq, at, by };
    entries.set(of.fluid, [...(entries.get(of.fluid) ?? []), entry]);
  }
  return Object.values(sheet.fluids).flatMap((f): LedgerLine[] => {
    const own = entries.get(f.id)?.sort((a, b) => a.seq - b.seq);
    if (!own) return [];
    const out = own.findLast((e) => e.way !== 'used')?.way === 'out';
    const { title, grade, amount } = f;
    return [{ fluid: f.id, title, grade, amount, entries: own, out, says: wordsOf(f, own, out) }];
  });
}

/** "2.6 l of 2.8 l came out, 2.8 l went in": how a fluid stands. */
function wordsOf(fluid: Fluid, entries: readonly LedgerEntry[], out: boolean): string {
  const dimension = dimensionsOfUnit(fluid.amount.unit)[0]!;
  const whole = inCanonical(fluid.amount, dimension);
  const share = (q: Quantity): number => (whole === 0 ? 1 : inCanonical(q, dimension) / whole);
  const drained = entries.findLast((e) => e.way === 'out');
  const filled = entries.findLast((e) => e.way === 'in');
  const words = [
    ...(drained
      ? [
          drained.amount
            ? `${formatQuantity(drained.amount)} of ${formatQuantity(fluid.amount)} came out${share(drained.amount) < LOST ? ': some was lost before' : ''}`
            : 'drained',
        ]
      : []),
    ...(filled
      ? [
          filled.amount
            ? `${formatQuantity(filled.amount)} went in${Math.abs(share(filled.amount) - 1) > OFF_FIGURE ? `, where the sheet gives ${formatQuantity(fluid.amount)}` : ''}`
            : `filled, ${formatQuantity(fluid.amount)} by the sheet`,
        ]
      : []),
  ];
  if (words.length === 0) return `used ${entries.length === 1 ? 'once' : `${entries.length} times`}`;
  return `${words.join('; ')}${out ? '; not filled yet' : ''}`;
}
