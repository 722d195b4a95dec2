import {
  formatQuantity,
  inCanonical,
  limitsOf,
  type Band,
  type Dimension,
  type Quantity,
} from '../../quantities/index.ts';

/** As found against now, in words a customer reads: by how much, and which way of its band. */
export function changeWords(dimension: Dimension, accept: Band, asFound: Quantity, now: Quantity): string {
  const canonicalOf = (q: Quantity): number => inCanonical(q, dimension);
  const [a, b, low, high] = [canonicalOf(asFound), canonicalOf(now), canonicalOf(accept.low), canonicalOf(accept.high)];
  const { lower, upper } = limitsOf(accept);
  const inBand = (x: number): boolean => (!lower || x >= low) && (!upper || x <= high);
  const from = `${formatQuantity(asFound)} as found, ${formatQuantity(now)} now`;
  if (Math.abs(b - a) <= 0.02 * Math.max(Math.abs(a), high - low))
    return `${from}: as it was${inBand(b) ? ', and good' : ''}`;
  const ratio = a !== 0 && b !== 0 && Math.sign(a) === Math.sign(b) ? b / a : undefined;
  const by =
    ratio !== undefined && ratio >= 1.5
      ? `${ratio.toFixed(1)} times as much`
      : ratio !== undefined && ratio <= 1 / 1.5
        ? `${(1 / ratio).toFixed(1)} times less`
        : b > a
          ? 'more'
          : 'less';
  const cured = !inBand(a) && inBand(b) ? ', back in its band' : inBand(b) ? ', within its band' : ', outside its band';
  return `${from}: ${by}${cured}`;
}
