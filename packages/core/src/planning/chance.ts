/** A source of chance from 0 to 1 that repeats for its seed: xorshift, 32 bit (Marsaglia 2003). */
export function seeded(seed: number): () => number {
  let x = (seed ^ 0x9e3779b9) | 0 || 1;
  return () => {
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    return (x >>> 0) / 4294967296;
  };
}

/** Normally spread, mean 0, deviation 1 (Box and Muller 1958). */
export function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
