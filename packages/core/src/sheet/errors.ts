import { JubbError } from '../error.ts';

/** One thing wrong with a sheet, where it stands. */
export interface SheetProblem {
  readonly severity: 'error' | 'warning';
  /** kebab-case: `unknown-key`, `aid-left-in`, `insane-torque` … */
  readonly code: string;
  /** Where in the sheet: `rungs[2].strip.undo`. */
  readonly path: string;
  readonly message: string;
  /** 1-based; absent when a sheet did not come as text. */
  readonly line?: number;
  readonly column?: number;
}

/** A sheet that cannot be used; `problems` has each reason with its line and column. */
export class SheetError extends JubbError {
  readonly problems: readonly SheetProblem[];
  constructor(name: string, problems: readonly SheetProblem[]) {
    const first = problems[0];
    const place = first?.line === undefined ? (first?.path ?? '') : `line ${first.line}, column ${first.column}`;
    super(`${name} cannot be used: ${place}: ${first?.message ?? 'no reason given'}`, {
      code: 'sheet-not-usable',
      field: first?.path ?? '',
      given: name,
      accepted: 'a build sheet that passes the lint',
    });
    this.problems = problems;
  }
}
