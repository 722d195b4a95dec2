import { JubbError } from '../../error.ts';
import {
  dimensionNames,
  inCanonical,
  looksLikeBand,
  parseBand,
  parseQuantity,
  type Band,
  type Dimension,
  type Quantity,
} from '../../quantities/index.ts';
import type { SheetProblem } from '../errors.ts';

export type Path = readonly (string | number)[];

/** `rungs[2].strip.undo` */
export function pathText(path: Path): string {
  return path.reduce<string>(
    (text, step) => (typeof step === 'number' ? `${text}[${step}]` : text ? `${text}.${step}` : step),
    '',
  );
}

/** Gathers what is wrong while the compiler goes on, so that a writer sees all of it at once. */
export class Reader {
  readonly problems: (SheetProblem & { readonly at: Path })[] = [];
  /** Where each operation stands in the text, by its id. */
  readonly opAt = new Map<string, Path>();

  problem(at: Path, code: string, message: string, severity: 'error' | 'warning' = 'error'): void {
    this.problems.push({ severity, code, path: pathText(at), message, at });
  }

  /** A quantity of a dimension; a stand-in of zero (with the problem noted) when it cannot be read. */
  quantity(at: Path, given: unknown, dimension: Dimension): Quantity {
    return this.attempt(at, () => parseQuantity(given, dimension)) ?? { value: 0, unit: 'unreadable' };
  }

  /** A band; one value alone is a band of no width. */
  band(at: Path, given: unknown, dimension: Dimension): Band {
    const read = (): Band => {
      if (typeof given === 'string' && looksLikeBand(given)) return parseBand(given, dimension);
      const single = parseQuantity(given, dimension);
      return { low: single, high: single, nominal: single };
    };
    return this.attempt(at, read) ?? { low: { value: 0, unit: 'unreadable' }, high: { value: 0, unit: 'unreadable' } };
  }

  dimension(at: Path, given: string): Dimension {
    const name = given.replace(/[ -]([a-z])/g, (_, c: string) => c.toUpperCase());
    const found = dimensionNames.find((d) => d === name);
    if (!found)
      this.problem(
        at,
        'unknown-quantity',
        `"${given}" is not a kind of quantity; one of: ${dimensionNames.join(', ')}`,
      );
    return found ?? 'ratio';
  }

  /** A time in minutes. */
  minutes(at: Path, given: string): number {
    const q = this.attempt(at, () => parseQuantity(given, 'time'));
    return q ? inCanonical(q, 'time') / 60 : 0;
  }

  /** A name that must be a key of `known`. */
  name(at: Path, given: string, known: Readonly<Record<string, unknown>> | undefined, kind: string): string {
    if (!known || !Object.hasOwn(known, given)) {
      const names = Object.keys(known ?? {});
      this.problem(
        at,
        'unknown-name',
        `there is no ${kind} "${given}"${names.length > 0 ? `; there is: ${names.join(', ')}` : ''}`,
      );
    }
    return given;
  }

  private attempt<T>(at: Path, read: () => T): T | undefined {
    try {
      return read();
    } catch (e) {
      if (!(e instanceof JubbError)) throw e;
      this.problem(at, e.code, e.message);
      return undefined;
    }
  }
}

export function asList<T>(value: T | readonly T[] | undefined): readonly T[] {
  if (value === undefined) return [];
  return Array.isArray(value) ? (value as readonly T[]) : [value as T];
}
