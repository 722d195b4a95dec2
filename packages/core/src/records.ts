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
