import { ReckonError } from '../shape/index.ts';
import { boundaryDimensions, sharedOutlines, smallBearings, type BearingRow } from './tables/boundary-dimensions.ts';

const ACCEPTED = `a number such as 608, 6205, 6303-2RS, NU206, 30205: series ${[...Object.keys(boundaryDimensions), ...Object.keys(sharedOutlines)].join(', ')} and a bore code`;

/**
 * The outline of a bearing by its number, and what stands behind it.
 * @throws ReckonError `unknown-bearing` naming `field`
 */
export function outlineOf(
  designation: string,
  field = 'designation',
): { series: string; code: number | undefined; row: BearingRow; behind: string } {
  const small = /^\s*(6[0-3]\d)(?!\d)\s*([A-Z].*|[-/ ].*)?$/i.exec(designation);
  const smallRow = small && smallBearings[small[1]!];
  if (small && smallRow)
    return { series: small[1]!, code: undefined, row: smallRow, behind: (small[2] ?? '').toUpperCase() };
  const read = /^\s*(NU2|NU3|320|302|322|303|60|62|63|64|69|72|73)[\s-]?(\d\d)\s*([A-Z].*|[-/ ].*)?$/i.exec(
    designation,
  );
  const series = read?.[1]?.toUpperCase();
  const code = Number(read?.[2]);
  const row = series === undefined ? undefined : boundaryDimensions[sharedOutlines[series]?.as ?? series]?.get(code);
  if (!read || series === undefined || !row) throw new ReckonError('unknown-bearing', field, designation, ACCEPTED);
  return { series, code, row, behind: (read[3] ?? '').toUpperCase() };
}
