export { QuantityError, type QuantityErrorCode } from './errors.ts';
export { parseNumber } from './number.ts';
export {
  canonical,
  convert,
  dimensionOf,
  inCanonical,
  isQuantity,
  parseInUnit,
  parseQuantity,
  unitList,
  whyNotOf,
  words as dimensionInWords,
  type Quantity,
  type QuantityInput,
} from './quantity.ts';
export { bandInCanonical, limitsOf, looksLikeBand, parseBand, type Band } from './band.ts';
export {
  decimalsFor,
  decimalsOfAll,
  decimalsOfStep,
  formatBand,
  formatNumber,
  formatQuantity,
  formatReading,
  roundTo,
  THIN_SPACE,
} from './format.ts';
export {
  canonicalUnit,
  dimensionNames,
  dimensionsOfUnit,
  findUnit,
  unitsOf,
  type Dimension,
  type Unit,
} from './units.ts';
