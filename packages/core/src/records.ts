/** A record with the same keys and a value made of each; of no record, an empty one. */
export function mapValues<A, B>(
  from: Readonly<Record<string, A>> | undefined,
  make: (value: A, key: string) => B,
): Record<string, B> {
  return Object.fromEntries(Object.entries(from ?? {}).map(([key, value]) => [key, make(value, key)]));
}

/**
 * The default of a switch that knows every kind: a kind that it forgets does not compile.
 * @throws Error with what it is of and the value, should one come from outside the types
 */
export function unreachable(what: string, value: never): never {
  throw new Error(`${what}: ${JSON.stringify(value)}`);
}

type Together<U> = (U extends unknown ? (one: U) => void : never) extends (all: infer I) => void ? I : never;

/**
 * Tables put together to one.
 * @throws Error with the key and both names, where two tables claim the same key
 */
export function merged<F extends Readonly<Record<string, object>>>(tables: F): Together<F[keyof F]> {
  const from = new Map<string, string>();
  for (const [name, table] of Object.entries(tables))
    for (const key of Object.keys(table)) {
      if (from.has(key)) throw new Error(`"${key}" stands in ${from.get(key)} and in ${name}`);
      from.set(key, name);
    }
  return Object.assign({}, ...Object.values(tables)) as Together<F[keyof F]>;
}
