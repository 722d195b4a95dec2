import type { LadderStep, Sheet } from '../../sheet/index.ts';
import { goesBackNew } from '../fitting/renewal.ts';
import type { BenchState } from '../log/state.ts';
import { coverFor, stillMissing } from './cover.ts';

/** A kit that a step of the strip hangs on, and what is not sure about it. */
export interface KitAwaited {
  readonly line: string;
  readonly title: string;
  /** Parts of the kit that come off in this step and go back new. */
  readonly parts: readonly string[];
  /** Ordered and not here, so nobody has looked into it; or here, and these were not in it. */
  readonly lacks: 'not-here' | readonly string[];
}

/**
 * Kits whose contents a step of the strip depends on and nobody can vouch for: once the old seal is out, a kit without
 * the new one leaves the unit open. Empty on any other side, and for a kit that was opened and found whole.
 */
export function kitsAwaited(step: LadderStep, state: BenchState): readonly KitAwaited[] {
  if (step.side !== 'strip') return [];
  const off = new Set(step.ops.flatMap((o) => (o.kind === 'off' ? o.parts.map((p) => p.part) : [])));
  const stillOut = new Set(stillMissing(state));
  return Object.values(state.partLines).flatMap((l): KitAwaited[] => {
    const parts = l.kit ? l.parts.filter((p) => off.has(p)) : [];
    if (l.status === 'cancelled' || parts.length === 0) return [];
    const missing = parts.filter((p) => l.missing.includes(p) && stillOut.has(p));
    if (l.status === 'ordered') return [{ line: l.line, title: l.title, parts, lacks: 'not-here' }];
    return missing.length > 0 ? [{ line: l.line, title: l.title, parts, lacks: missing }] : [];
  });
}

/** Why a part cannot be fitted yet: a new one goes in, and the one that was ordered has not come, or not all of them. */
export function notHere(sheet: Sheet, state: BenchState, part: string): string | undefined {
  if (!goesBackNew(sheet, state, part)) return undefined;
  const title = sheet.parts[part]?.title ?? part;
  const { lines, share, whole } = coverFor(state, part);
  if (lines.length > 0 && lines.every((l) => l.status === 'arrived'))
    return whole ? undefined : `${title}: ${share!.count} of ${share!.needed} are here, the rest is not ordered`;
  const waited = Object.values(state.partLines).find((l) => l.parts.includes(part) && l.status === 'ordered');
  return waited && `${title} has not come yet: ${waited.number}`;
}

/** What a step of the way up wants before it is begun, and has not. */
export interface Wanting {
  readonly code: 'part' | 'oven' | 'tool' | 'stack' | 'mark' | 'aid';
  readonly says: string;
}

/** Parts that have not come, marks that were never made, aids that are in the way, packs out of order, what is not ready. */
export function wantingFor(sheet: Sheet, step: LadderStep, state: BenchState): readonly Wanting[] {
  if (step.side !== 'build') return [];
  const out: Wanting[] = [];
  for (const op of step.ops) {
    if (state.done[op.id]) continue;
    if (op.kind === 'place' || op.kind === 'press' || op.kind === 'seal') {
      const missing = notHere(sheet, state, op.part ?? op.what);
      if (missing) out.push({ code: 'part', says: missing });
    }
    if (op.kind === 'align' && !state.marks[op.mark])
      out.push({
        code: 'mark',
        says: `The mark ${sheet.marks[op.mark]?.title ?? op.mark} was never made: line up by what is there`,
      });
    if (op.kind === 'restack' && !state.stacks[op.stack]?.found)
      out.push({
        code: 'stack',
        says: `Nobody recorded how the ${(sheet.stacks[op.stack]?.title ?? op.stack).toLowerCase()} lay`,
      });
  }
  for (const a of step.ahead)
    if (!state.prepared[a.id])
      out.push({ code: a.kind === 'oven' ? 'oven' : 'tool', says: `${a.what}: not made ready` });
  return out;
}
