import { goesBackNew, jobSheet, ladderOf, type BenchState } from '../bench/index.ts';
import { partsOfVariant, partsOutOfReach, type Sheet } from '../sheet/index.ts';

/** Why a part is needed. */
export const needReasons = ['always-new', 'finding', 'one-time'] as const;
export type NeedReason = (typeof needReasons)[number];

/** A part that must be bought, or taken from the drawer, before the unit can be built up. */
export interface PartNeed {
  readonly part: string;
  readonly title: string;
  /** The number that stands for it now on this unit; undefined when the sheet gives none. */
  readonly number?: string;
  /** 0 while nobody has counted how many there are. */
  readonly count: number;
  /** As many are ordered or here already, and `count` is the rest. */
  readonly ordered?: number;
  readonly why: NeedReason;
  readonly says: string;
  /** By the sheet, each. */
  readonly priceMinor?: number;
}

const FITTING = new Set(['place', 'press', 'seal']);

/**
 * What this job needs, by its sheet and its findings, in the order of the sheet: parts that are always new, parts found
 * worn, one-time fasteners. A part whose fitting does not stand (another method, another variant) is not needed.
 */
export function neededParts(pinned: Sheet, state: BenchState): readonly PartNeed[] {
  const sheet = jobSheet(pinned, state);
  const ofVariant = partsOfVariant(sheet, state.variant);
  const fitted = new Set<string>();
  for (const step of sheet.steps)
    for (const op of step.ops) if (FITTING.has(op.kind) && partOf(op)) fitted.add(partOf(op)!);
  const stands = new Set<string>();
  for (const step of ladderOf(sheet, state).all)
    for (const op of [...step.ops, ...step.open]) if (FITTING.has(op.kind) && partOf(op)) stands.add(partOf(op)!);
  // What the job does not lay bare stays as it is, its one-time bolts too.
  const beyond = partsOutOfReach(sheet, state.scope);
  const oneTime = new Map(
    Object.values(sheet.joints).flatMap((j) => (j.fasteners === 'new' ? [[j.fastener, j] as const] : [])),
  );
  return Object.values(sheet.parts).flatMap((p): PartNeed[] => {
    if (!ofVariant.has(p.id) || p.savedFrom !== undefined) return [];
    if ((fitted.has(p.id) && !stands.has(p.id)) || beyond.has(p.id)) return [];
    const finding = state.findingNotes[p.id];
    const isNew = goesBackNew(sheet, state, p.id);
    const once = oneTime.get(p.id);
    if (!isNew && !once) return [];
    const number = state.orders[p.id] ?? p.order;
    const why: NeedReason = p.renew === 'always' ? 'always-new' : isNew ? 'finding' : 'one-time';
    return [
      {
        part: p.id,
        title: p.title,
        ...(number === undefined ? {} : { number }),
        count: p.countKnown ? p.count : (state.counts[p.id] ?? 0),
        why,
        says:
          why === 'finding' ? (finding?.reason ?? 'Found worn') : why === 'one-time' ? 'One time only' : 'Always new',
        ...(p.priceMinor === undefined ? {} : { priceMinor: p.priceMinor }),
      },
    ];
  });
}

/** The part that an operation fits. */
function partOf(op: { readonly kind: string }): string | undefined {
  const { part, what } = op as { part?: string; what?: string };
  return part ?? what;
}
