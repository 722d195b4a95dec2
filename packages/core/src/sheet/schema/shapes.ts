/**
 * The small shapes that a sheet's schema is made of. Each carries the type of what it takes, so that a sheet as written
 * has its types from its schema and from nowhere else.
 */
declare const takes: unique symbol;
export interface Schema<T = unknown> extends Readonly<Record<string, unknown>> {
  readonly [takes]?: T;
}
/** What is written where a schema stands. */
export type Written<S> = S extends Schema<infer T> ? T : never;

type Properties = Readonly<Record<string, Schema>>;
type Merged<T> = { readonly [K in keyof T]: T[K] };
/** An object with these keys, of which some must be there. */
type ObjectOf<P extends Properties, R extends keyof P> = Merged<
  { readonly [K in R]: Written<P[K]> } & { readonly [K in Exclude<keyof P, R>]?: Written<P[K]> }
>;

export const words: Schema<string> = { type: 'string', minLength: 1, maxLength: 400 };
export const id: Schema<string> = { type: 'string', pattern: '^[a-z][a-z0-9-]*$' };
/** A name that is meant; `caliper@left` where the thing stands once on each side. */
export const ref: Schema<string> = { type: 'string', pattern: '^[a-z][a-z0-9-]*(@[a-z][a-z0-9-]*)?$' };
export const quantity: Schema<string> = {
  type: 'string',
  minLength: 1,
  maxLength: 80,
  description: 'a number with its unit',
};
export const figure: Schema<string | number> = {
  anyOf: [quantity, { type: 'number' }],
  description: 'a number with its unit',
};
export const flag: Schema<boolean> = { type: 'boolean' };
export const integer = (limits: { readonly minimum: number; readonly maximum?: number }): Schema<number> => ({
  type: 'integer',
  ...limits,
});
export const number = (
  limits: { readonly minimum?: number; readonly maximum?: number; readonly exclusiveMinimum?: number } = {},
): Schema<number> => ({ type: 'number', ...limits });

export function object<const P extends Properties, const R extends keyof P & string = never>(
  properties: P,
  required: readonly R[] = [],
): Schema<ObjectOf<P, R>> {
  return { type: 'object', properties, required, additionalProperties: false };
}
export function map<S extends Schema>(of: S): Schema<Readonly<Record<string, Written<S>>>> {
  return { type: 'object', propertyNames: id, additionalProperties: of };
}
export function listOf<S extends Schema>(items: S): Schema<readonly Written<S>[]> {
  return { type: 'array', items };
}
/** A list of so many, from and to. */
export function some<S extends Schema>(
  items: S,
  limits: { readonly minItems?: number; readonly maxItems?: number },
): Schema<readonly Written<S>[]> {
  return { type: 'array', items, ...limits };
}
export function pair<S extends Schema>(items: S): Schema<readonly [Written<S>, Written<S>]> {
  return { type: 'array', items, minItems: 2, maxItems: 2 };
}
export function oneOrMore<S extends Schema>(items: S): Schema<Written<S> | readonly Written<S>[]> {
  return { anyOf: [items, listOf(items)] };
}
export function either<const S extends readonly Schema[]>(...of: S): Schema<Written<S[number]>> {
  return { anyOf: of };
}
/** What stands under `$defs` by this name. */
export function defined<S extends Schema>(name: string, _what?: S): Schema<Written<S>> {
  return { $ref: `#/$defs/${name}` };
}
export const text = <const T extends string>(value: T): Schema<T> => ({ const: value });
export const choice = <const T extends string>(...values: readonly T[]): Schema<T> => ({ enum: values });

/** A chance, said as people say it. */
export const odds: Schema<string> = {
  type: 'string',
  pattern: '^1 in [1-9][0-9]{0,3}$',
  description: 'a chance, such as "1 in 6"',
};
/** left and right, or the places on the unit where the same thing stands. */
export const each: Schema<readonly string[]> = {
  type: 'array',
  items: id,
  minItems: 2,
  maxItems: 8,
  uniqueItems: true,
};
export const when = object({ variant: words, method: words, finding: words, scope: words });
export const from = {
  ...either(choice('table', 'shop', 'hearsay', 'computed', 'guess'), object({ maker: words, page: words }, ['maker'])),
  description: 'whose figure it is',
};
export const way = either(words, object({ way: words, destroys: flag, saves: id }, ['way']));
export const ahead = object({ oven: words, soak: words, tool: words, order: words, takes: quantity });
export const caution = either(id, object({ class: id, say: words, acknowledge: flag }));

/** An entry whose figures may differ by variant: under `by`, what is other for each. */
export function varied<S extends Schema>(
  of: S,
): Schema<Written<S> & { readonly by?: Readonly<Record<string, Partial<Written<S>>>> }> {
  const { required: _required, properties, ...rest } = of as unknown as { required?: unknown; properties: Properties };
  const by = map({ ...rest, properties });
  return { ...of, properties: { ...properties, by } } as never;
}
