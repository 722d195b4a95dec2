/** The small shapes that a sheet's schema is made of. */
export type Schema = Readonly<Record<string, unknown>>;

export const words: Schema = { type: 'string', minLength: 1, maxLength: 400 };
export const id: Schema = { type: 'string', pattern: '^[a-z][a-z0-9-]*$' };
/** A name that is meant; `caliper@left` where the thing stands once on each side. */
export const ref: Schema = { type: 'string', pattern: '^[a-z][a-z0-9-]*(@[a-z][a-z0-9-]*)?$' };
export const quantity: Schema = { type: 'string', minLength: 1, maxLength: 80, description: 'a number with its unit' };
export const figure: Schema = { anyOf: [quantity, { type: 'number' }], description: 'a number with its unit' };
export const object = (properties: Readonly<Record<string, Schema>>, required: readonly string[] = []): Schema => ({
  type: 'object',
  properties,
  required,
  additionalProperties: false,
});
export const map = (of: Schema): Schema => ({ type: 'object', propertyNames: id, additionalProperties: of });
export const listOf = (items: Schema): Schema => ({ type: 'array', items });
export const oneOrMore = (items: Schema): Schema => ({ anyOf: [items, listOf(items)] });
export const text = (value: string): Schema => ({ const: value });
export const choice = (...values: readonly string[]): Schema => ({ enum: values });

/** A chance, said as people say it. */
export const odds = { type: 'string', pattern: '^1 in [1-9][0-9]{0,3}$', description: 'a chance, such as "1 in 6"' };
/** left and right, or the places on the unit where the same thing stands. */
export const each = { type: 'array', items: id, minItems: 2, maxItems: 8, uniqueItems: true };
export const when = object({ variant: words, method: words, finding: words });
export const from = {
  anyOf: [choice('table', 'shop', 'hearsay', 'computed', 'guess'), object({ maker: words, page: words }, ['maker'])],
  description: 'whose figure it is',
};
export const way = {
  anyOf: [words, object({ way: words, destroys: { type: 'boolean' }, saves: id }, ['way'])],
};
export const ahead = object({ oven: words, soak: words, tool: words, order: words, takes: quantity });
export const caution = {
  anyOf: [id, object({ class: id, say: words, acknowledge: { type: 'boolean' } })],
};
