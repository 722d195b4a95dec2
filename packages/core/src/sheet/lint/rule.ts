import type { Path } from '../compile/reader.ts';
import type { Op, OpKind, OpOf } from '../ops.ts';
import type { Sheet, Step } from '../types.ts';

export interface LintProblem {
  readonly severity: 'error' | 'warning';
  readonly code: string;
  readonly at: Path;
  readonly message: string;
}
export type Report = (at: Path, code: string, message: string, severity?: 'error' | 'warning') => void;
export type Rule = (sheet: Sheet, report: Report) => void;

/** The operations of some kinds, each with the step that it stands on. */
export const opsOf = <K extends OpKind>(sheet: Sheet, ...kinds: readonly K[]): { op: OpOf<K>; step: Step }[] =>
  sheet.steps.flatMap((step) =>
    step.ops
      .filter((op): op is OpOf<K> & Op => (kinds as readonly string[]).includes(op.kind))
      .map((op) => ({ op, step })),
  );
