import { jobSheet } from '../ladder/job-sheet.ts';
import type { BenchState } from '../log/state.ts';
import type { Sheet } from '../../sheet/index.ts';

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
