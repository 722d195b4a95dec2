import { convert, formatQuantity, inCanonical, type Quantity } from '../../quantities/index.ts';
import type { Measure } from '../../sheet/index.ts';

/** A reading so far from every limit and from new, as a factor, is a slip of the finger or of the unit. */
const FACTOR = 3;
/** Slips that are common: a decimal place, mm for inch, thou for mm. */
const SLIPS = [10, 100, 1000, 25.4, 0.1, 0.01, 0.001, 1 / 25.4] as const;

/**
 * Why a reading cannot well be right, in words, with what was perhaps meant; undefined when it is believable. It is asked
 * again and not dropped: whoever is sure says so.
 */
export function absurd(measure: Measure, value: Quantity): string | undefined {
  if (measure.dimension === 'temperature') return undefined;
  const canonicalOf = (q: Quantity): number => inCanonical(q, measure.dimension);
  const sizes = [measure.newSize, measure.min, measure.max].filter((q) => q !== undefined);
  const given = canonicalOf(value);
  if (given < 0) return `${formatQuantity(value)} is less than nothing`;
  const reference = sizes.map(canonicalOf).filter((s) => s > 0);
  // Insulation and the like may be any amount better than their limit.
  if (reference.length === 0 || measure.newSize === undefined) return undefined;
  const [least, most] = [Math.min(...reference), Math.max(...reference)];
  if (given >= least / FACTOR && given <= most * FACTOR) return undefined;
  const shown = (x: number): string => formatQuantity(convert({ value: x, unit: measure.newSize!.unit }, value.unit));
  const slip = SLIPS.find((by) => given * by >= least * 0.8 && given * by <= most * 1.2);
  const meant =
    slip === undefined
      ? ''
      : `; ${shown((given * slip) / canonicalOf({ value: 1, unit: measure.newSize.unit }))} was perhaps meant`;
  return `${formatQuantity(value)} where a new one is ${formatQuantity(measure.newSize)}${meant}`;
}
