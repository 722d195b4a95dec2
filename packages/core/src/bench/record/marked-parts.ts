import type { Sheet } from '../../sheet/index.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import { unitNow } from '../ladder/unit-now.ts';
import type { BenchState } from '../log/state.ts';

/** Parts that this job found worn: to be dressed, renewed or scrapped. */
export function wornParts(state: BenchState): ReadonlySet<string> {
  const worn = new Set(['dress', 'renew', 'scrap']);
  return new Set(Object.keys(state.findings).filter((p) => worn.has(state.findings[p]!)));
}

/** Parts that are new on the unit now; a fastener that was renewed by its joint is one of them. */
export function renewedParts(pinned: Sheet, state: BenchState): ReadonlySet<string> {
  const sheet = jobSheet(pinned, state);
  return new Set(
    Object.keys(state.renewed).flatMap((id) => {
      const [joint, bolt] = id.split('#');
      const part = bolt === undefined ? id : sheet.joints[joint!]?.fastener;
      return part !== undefined && sheet.parts[part] ? [part] : [];
    }),
  );
}

/**
 * Parts that a drawing of the unit must not show: what would go in another's place and has not, and what another went in
 * the place of.
 */
export function absentParts(pinned: Sheet, state: BenchState): ReadonlySet<string> {
  const sheet = jobSheet(pinned, state);
  const { parts } = unitNow(pinned, state);
  const later = Object.values(sheet.parts).filter((p) => p.replaces !== undefined || p.savedFrom !== undefined);
  return new Set(
    later.flatMap((p) => (parts.get(p.id) === 'off' ? [p.id] : p.replaces === undefined ? [] : [p.replaces])),
  );
}
