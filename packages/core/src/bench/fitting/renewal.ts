import { renewing, type Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';

/** Does a new one go in? By the sheet's rule, or by what was found. */
export function goesBackNew(sheet: Sheet, state: BenchState, part: string): boolean {
  const finding = state.findings[part];
  return sheet.parts[part]?.renew === 'always' || (finding !== undefined && renewing.has(finding));
}
