import { formatQuantity, isQuantity } from '@jubb/core/quantities';
import { type ResultValue } from '@jubb/core/reckoners';
import { Bars } from '../../drawing/kit.tsx';
import { friendly } from '../friendly.ts';
import type { DrawProps } from './draw-props.ts';
import { rowsOf } from './rows.ts';

/** Rows of a table by one of their figures. */
export function TableBars({
  results,
  table,
  name,
  value,
  says,
}: DrawProps & {
  readonly table: string;
  readonly name: string;
  readonly value: string;
  readonly says: string;
}): React.JSX.Element {
  const rows = rowsOf(results[table]);
  return (
    <Bars
      says={says}
      bars={rows.map((r) => {
        const v = r[value] as ResultValue;
        return {
          name: String(r[name]),
          value: isQuantity(v) ? v.value : Number(v),
          shown: isQuantity(v) ? formatQuantity(friendly(v)) : String(Math.round(Number(v))),
        };
      })}
    />
  );
}
