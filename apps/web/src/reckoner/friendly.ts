import { convert, type Quantity } from '@jubb/core/quantities';

/** Units in which people read small and large figures: canonical unit → from which size on which other unit. */
const kinder: Readonly<Record<string, (size: number) => string | undefined>> = {
  kg: (v) => (v < 0.5 ? 'g' : undefined),
  N: (v) => (v >= 5000 ? 'kN' : undefined),
  Ω: (v) => (v >= 1e5 ? 'MΩ' : v < 0.1 ? 'mΩ' : undefined),
  s: (v) => (v >= 120 ? 'min' : undefined),
  ml: (v) => (v >= 1000 ? 'l' : undefined),
  bar: (v) => (v < 0.1 ? 'mbar' : undefined),
  '1/K': () => 'µm/(m·K)',
};

/** The unit in which a figure reads best; its own where nothing is better. */
export function friendlyUnit(q: Quantity): string {
  return (q.value === 0 ? undefined : kinder[q.unit]?.(Math.abs(q.value))) ?? q.unit;
}

/** A quantity in the unit in which it reads best. */
export function friendly(q: Quantity): Quantity {
  const unit = friendlyUnit(q);
  return unit === q.unit ? q : convert(q, unit);
}
