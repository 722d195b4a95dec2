import { isQuantity, type Dimension, type Quantity } from '../../quantities/index.ts';
import { check } from './check.ts';
import { ReckonError } from './error.ts';
import type { Checked, Fields } from './fields.ts';
import { Work, type WorkingLine } from './working.ts';

export type ResultValue =
  Quantity | string | number | readonly ResultValue[] | { readonly [name: string]: ResultValue | undefined };
export interface Results {
  readonly [name: string]: ResultValue | undefined;
}

/** What each result is, for documents and the screen. */
export interface OutputSpec {
  readonly label: string;
  /** Dimension of a quantity; `word` for a verdict or kind, `list` for an array, `table` for rows. */
  readonly is: Dimension | 'word' | 'list' | 'table' | 'own unit';
  readonly optional?: true;
  /** The unit in which the trade reads it, where that is not the canonical one: µm for limits of fits. */
  readonly shownIn?: string;
}

export interface Reckoning<R extends Results = Results> {
  readonly results: R;
  readonly working: readonly WorkingLine[];
  readonly warnings: readonly string[];
  readonly sources: readonly string[];
}

export type Subject =
  | 'fasteners'
  | 'bearings'
  | 'fits'
  | 'gears'
  | 'seals'
  | 'packs'
  | 'electrical'
  | 'rotors'
  | 'leaks'
  | 'metrology'
  | 'money';

/**
 * A worked example with the values that it must give, and where they come from. It is a test, a line of the catalogue and
 * what the screen opens with (the first one).
 */
export interface CheckValue {
  readonly inputs: { readonly [field: string]: unknown };
  /** Result path → what it must be: "24.6 N·m" (right to the last digit shown), or a word. */
  readonly gives: { readonly [path: string]: string };
  readonly source: string;
}

/**
 * What could hurt someone, or spoil a unit, if an answer were believed wrongly: the reason for a warning.
 * `fires` and `silent` are laid over the first check's inputs (null takes a field out), and are the warning's test.
 */
export interface Danger {
  /** What would happen, to whom or to what. */
  readonly harm: string;
  /** The warning is given with these, at its threshold. */
  readonly fires: { readonly [field: string]: unknown };
  /** It is not given with these, just short of it. Without them the warning stands with every answer. */
  readonly silent?: { readonly [field: string]: unknown };
}
export interface Dangers {
  readonly [id: string]: Danger;
}

/** A pure function from quantities to quantities that also returns its working. */
export interface Reckoner<I extends Fields = Fields, R extends Results = Results> {
  readonly id: string;
  readonly title: string;
  readonly subject: Subject;
  /** What somebody would type who wants this: "how tight", "crowfoot". */
  readonly asks: readonly string[];
  readonly inputs: I;
  readonly outputs: { readonly [name: string]: OutputSpec };
  /** The formula or rule in one line, for the catalogue. */
  readonly formula: string;
  /** At least one; the first opens the screen. */
  readonly checks: readonly [CheckValue, ...CheckValue[]];
  /** Where the method and its figures come from. */
  readonly sources: readonly string[];
  readonly dangers: Dangers;
  /**
   * Of which dangers an answer warns.
   * @throws ReckonError as `reckon` does
   */
  warnsOf(inputs: unknown): readonly string[];
  /**
   * Reckons from inputs as people give them.
   * @throws ReckonError `{code, field, given, accepted}`; never returns NaN or Infinity
   */
  reckon(inputs: unknown): Reckoning<R>;
}

interface Definition<I extends Fields, R extends Results, D extends Dangers> extends Omit<
  Reckoner<I, R>,
  'reckon' | 'warnsOf' | 'dangers'
> {
  readonly dangers: D;
  /** `given` are the inputs as they came, for what a unit or a spelling gives away; they have passed the check. */
  readonly compute: (input: Checked<I>, work: Work<keyof D & string>, given: Readonly<Record<string, unknown>>) => R;
}

/** Makes a reckoner of its definition: check at the edge, defaults into the working, results finite. */
export function defineReckoner<const I extends Fields, R extends Results, const D extends Dangers>(
  definition: Definition<I, R, D>,
): Reckoner<I, R> {
  const { compute, ...facts } = definition;
  const worked = (inputs: unknown): { results: R; work: Work<keyof D & string> } => {
    const { checked, defaults } = check(definition.inputs, inputs);
    const work = new Work<keyof D & string>();
    for (const s of facts.sources) work.source(s);
    for (const d of defaults) work.assume(d.label, shownDefault(d.value), 'default, not given');
    const results = dropUndefined(compute(checked, work, inputs as Readonly<Record<string, unknown>>));
    assertFinite(results, '', inputs);
    return { results, work };
  };
  return {
    ...facts,
    warnsOf: (inputs) => [...worked(inputs).work.warnedOf],
    reckon(inputs) {
      const { results, work } = worked(inputs);
      return { results, working: work.lines, warnings: work.warnings, sources: work.sources };
    },
  };
}

const shownDefault = (value: string | number | boolean): string =>
  typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value);

/**
 * A field that the chosen way of reckoning needs.
 * @throws ReckonError `missing-field`
 */
export function needed<T>(value: T | undefined, field: string, why: string): T {
  if (value === undefined)
    throw new ReckonError('missing-field', field, null, `${field}, ${why}`, `${field} is needed ${why}`);
  return value;
}

function dropUndefined<R extends Results>(results: R): R {
  return Object.fromEntries(Object.entries(results).filter(([, v]) => v !== undefined)) as R;
}

/** The last guard: figures so extreme that the arithmetic overflowed are refused, not shown. */
function assertFinite(value: ResultValue | Results | undefined, at: string, inputs: unknown): void {
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) {
      throw new ReckonError(
        'no-finite-result',
        '',
        inputs,
        'figures of a size met in a workshop',
        `these figures give no finite ${at || 'result'}`,
      );
    }
  } else if (Array.isArray(value)) {
    value.forEach((v: ResultValue) => assertFinite(v, at, inputs));
  } else if (isQuantity(value)) {
    assertFinite(value.value, at, inputs);
  } else if (typeof value === 'object' && value !== null) {
    for (const [k, v] of Object.entries(value)) assertFinite(v, k, inputs);
  }
}
