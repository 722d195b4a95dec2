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

/** Collects the working, warnings and sources of one reckoning. */
export class Work {
  readonly lines: WorkingLine[] = [];
  readonly warnings: string[] = [];
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

  /** The method stops being valid, or a person should look again. */
  warn(text: string): void {
    if (!this.warnings.includes(text)) this.warnings.push(text);
  }

  source(text: string): void {
    if (!this.sources.includes(text)) this.sources.push(text);
  }
}
