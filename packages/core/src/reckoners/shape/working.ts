import type { Quantity } from '../../quantities/index.ts';

/** One line that a person with a pocket calculator can follow. */
export interface WorkingLine {
  /** What it is, in words. */
  readonly name: string;
  /** The formula in the field's symbols; absent for a figure that was given. */
  readonly formula?: string;
  /** The same formula with the figures put in. */
  readonly figures?: string;
  readonly value: Quantity | string;
}

/**
 * Collects the working, warnings and sources of one reckoning.
 * `D` are the dangers of the reckoner: a warning is given for one of them, never for none.
 */
export class Work<D extends string = string> {
  readonly lines: WorkingLine[] = [];
  readonly warnings: string[] = [];
  /** The dangers for which a warning was given. */
  readonly warnedOf = new Set<D>();
  readonly sources: string[] = [];

  /** A figure that was given, or looked up, and goes into what follows. */
  given(name: string, value: Quantity | string): void {
    this.lines.push({ name, value });
  }

  /** A figure worked out here. */
  step(name: string, formula: string, figures: string, value: Quantity | string): void {
    this.lines.push({ name, formula, figures, value });
  }

  /** An assumption that stands in for something not given. */
  assume(name: string, value: Quantity | string, why: string): void {
    this.lines.push({ name, formula: why, value });
  }

  /** Somebody could be hurt, or a unit spoilt, by believing the answer as it stands. */
  warn(danger: D, text: string): void {
    this.warnedOf.add(danger);
    if (!this.warnings.includes(text)) this.warnings.push(text);
  }

  source(text: string): void {
    if (!this.sources.includes(text)) this.sources.push(text);
  }
}
