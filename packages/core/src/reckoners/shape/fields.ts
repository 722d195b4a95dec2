import type { Dimension, Quantity } from '../../quantities/index.ts';

/** What every field says of itself, for checking, for documents and for the screen. */
interface Common {
  /** Words for people, sentence case. */
  readonly label: string;
  readonly help?: string;
  /** What a hand at the bench seldom has: it stands under "more" on the screen, never among the first questions. */
  readonly more?: true;
}

export interface QuantityField<D extends Dimension = Dimension> extends Common {
  readonly kind: 'quantity';
  readonly dimension: D;
  /** Bounds in the canonical unit of the dimension. */
  readonly min?: number;
  readonly max?: number;
  /** Exclusive lower bound. */
  readonly above?: number;
  /** The unit that a bare number is in, where the field's own convention leaves no doubt (hole angles: deg). */
  readonly bareUnit?: string;
}
/** A quantity of whatever dimension comes; handed on as it was given. A bare number counts as a ratio. */
export interface AnyQuantityField extends Common {
  readonly kind: 'any-quantity';
}
/** A figure on an instrument's own scale: a bare number, or a torque. Handed on as `number | Quantity`. */
export interface ScaleField extends Common {
  readonly kind: 'scale';
}
export interface NumberField extends Common {
  readonly kind: 'number';
  readonly integer?: boolean;
  readonly min?: number;
  readonly max?: number;
  readonly above?: number;
}
export interface ChoiceField<O extends string = string> extends Common {
  readonly kind: 'choice';
  readonly options: readonly O[];
}
/** A yes or no: `true`, `false`, "yes" or "no". */
export interface FlagField extends Common {
  readonly kind: 'flag';
}
export interface TextField extends Common {
  readonly kind: 'text';
  readonly maxLength: number;
  /** The reckoner whose `best` answers this field, for a hand that has the thing and not its name. */
  readonly find?: 'thread-find' | 'bearing-find';
}
export interface ListField<F extends Field = Field> extends Common {
  readonly kind: 'list';
  readonly of: F;
  readonly minLength: number;
  readonly maxLength: number;
}
export interface RecordField<R extends Fields = Fields> extends Common {
  readonly kind: 'record';
  readonly fields: R;
}
/** One of several kinds of value, told apart by what came: a list, a text, a number or an object. */
export interface EitherField<O extends readonly Field[] = readonly Field[]> extends Common {
  readonly kind: 'either';
  readonly options: O;
}
interface Presence {
  readonly optional?: true;
  /** What stands in when the field is left out, written as a person would; it becomes a line of the working. */
  readonly default?: string | number | boolean;
}
export type Field = (
  | QuantityField
  | AnyQuantityField
  | ScaleField
  | NumberField
  | ChoiceField
  | FlagField
  | TextField
  | ListField<Field>
  | RecordField<Fields>
  | EitherField<readonly Field[]>
) &
  Presence;
export interface Fields {
  readonly [name: string]: Field;
}

type Bounds = { readonly min?: number; readonly max?: number; readonly above?: number };
type Words = { readonly help?: string };

export const quantity = <D extends Dimension>(
  dimension: D,
  label: string,
  more: Bounds & Words & { readonly bareUnit?: string } = {},
): QuantityField<D> => ({
  kind: 'quantity',
  dimension,
  label,
  ...more,
});
export const anyQuantity = (label: string, more: Words = {}): AnyQuantityField => ({
  kind: 'any-quantity',
  label,
  ...more,
});
export const scale = (label: string, more: Words = {}): ScaleField => ({ kind: 'scale', label, ...more });
export const number = (label: string, more: Bounds & Words & { readonly integer?: boolean } = {}): NumberField => ({
  kind: 'number',
  label,
  ...more,
});
export const choice = <const O extends string>(
  options: readonly O[],
  label: string,
  more: Words = {},
): ChoiceField<O> => ({
  kind: 'choice',
  options,
  label,
  ...more,
});
export const flag = (label: string, more: Words = {}): FlagField => ({ kind: 'flag', label, ...more });
export const text = (
  label: string,
  more: Words & Pick<TextField, 'find'> & { readonly maxLength?: number } = {},
): TextField => ({
  kind: 'text',
  label,
  ...more,
  maxLength: more.maxLength ?? 80,
});
export const list = <F extends Field>(
  of: F,
  label: string,
  more: Words & { readonly minLength?: number; readonly maxLength?: number } = {},
): ListField<F> => ({
  kind: 'list',
  of,
  label,
  ...more,
  minLength: more.minLength ?? 1,
  maxLength: more.maxLength ?? 200,
});
export const record = <R extends Fields>(fields: R, label: string, more: Words = {}): RecordField<R> => ({
  kind: 'record',
  fields,
  label,
  ...more,
});
export const either = <const O extends readonly Field[]>(
  options: O,
  label: string,
  more: Words = {},
): EitherField<O> => ({
  kind: 'either',
  options,
  label,
  ...more,
});
export const optional = <F extends Field>(field: F): F & { readonly optional: true } => ({ ...field, optional: true });
export const defaulted = <F extends Field>(
  field: F,
  value: string | number | boolean,
): F & { readonly default: string | number | boolean } => ({
  ...field,
  default: value,
});
/** A field that stands under "more" on the screen. */
export const more = <F extends Field>(field: F): F & { readonly more: true } => ({ ...field, more: true });

/** Ending of a checked field's name: numbers that have left their Quantity say their unit. */
export const suffixOf = {
  torque: 'Nm',
  length: 'Mm',
  area: 'Mm2',
  force: 'N',
  stiffness: 'GPa',
  stress: 'MPa',
  pressure: 'Bar',
  temperature: 'C',
  temperatureDifference: 'K',
  angle: 'Deg',
  mass: 'Kg',
  massPerLength: 'GPerM',
  volume: 'Ml',
  flow: 'LPerMin',
  leak: 'Cm3PerMin',
  resistance: 'Ohm',
  voltage: 'V',
  current: 'A',
  frequency: 'Hz',
  speed: 'Rpm',
  velocity: 'MPerS',
  time: 'S',
  unbalance: 'GMm',
  expansion: 'PerK',
  springRate: 'NPerMm',
  filmCoefficient: 'WPerM2K',
  ratio: '',
  percent: 'Percent',
} as const satisfies Record<Dimension, string>;

type ValueOf<F> = F extends QuantityField
  ? number
  : F extends AnyQuantityField
    ? Quantity
    : F extends ScaleField
      ? number | Quantity
      : F extends NumberField
        ? number
        : F extends ChoiceField<infer O>
          ? O
          : F extends FlagField
            ? boolean
            : F extends TextField
              ? string
              : F extends EitherField<infer O>
                ? ValueOf<O[number]>
                : F extends ListField<infer G>
                  ? readonly ValueOf<G>[]
                  : F extends RecordField<infer R>
                    ? Checked<R>
                    : never;

type NameOf<K extends string, F> =
  F extends QuantityField<infer D>
    ? `${K}${(typeof suffixOf)[D]}`
    : F extends ListField<infer G>
      ? G extends QuantityField<infer D>
        ? `${K}${(typeof suffixOf)[D]}`
        : K
      : K;

/**
 * Inputs after the check: complete, in canonical units, every number's name ending in its unit
 * (`torque` → `torqueNm`), so that the mathematics behind the edge can trust them.
 */
export type Checked<R> = {
  readonly [K in keyof R & string as NameOf<K, R[K]>]: R[K] extends { readonly optional: true }
    ? ValueOf<R[K]> | undefined
    : ValueOf<R[K]>;
};
