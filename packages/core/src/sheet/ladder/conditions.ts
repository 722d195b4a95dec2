import type { Condition, Finding } from '../types.ts';
import { FULL_SCOPE } from './scope.ts';

/** What the ladder of one job depends on, beside its sheet. */
export interface LadderChoices {
  readonly variant?: string;
  /** Method id → choice id. */
  readonly methods: Readonly<Record<string, string>>;
  /** Part id → finding. */
  readonly findings: Readonly<Record<string, Finding>>;
  /** How much of the unit the job is about; all of it where nothing is said. */
  readonly scope?: string;
}

/** yes, no, or open: what it hangs on is not known yet. */
export type Standing = 'yes' | 'no' | 'open';

/** Does a rung or operation stand? All its conditions must hold. */
export function stands(conditions: readonly Condition[], choices: LadderChoices): Standing {
  let result: Standing = 'yes';
  for (const c of conditions) {
    const now =
      c.on === 'variant'
        ? choices.variant
        : c.on === 'method'
          ? choices.methods[c.subject]
          : c.on === 'scope'
            ? (choices.scope ?? FULL_SCOPE)
            : choices.findings[c.subject];
    if (now === undefined) result = result === 'no' ? 'no' : 'open';
    else if ((now === c.is) === c.negate) result = 'no';
  }
  return result;
}
