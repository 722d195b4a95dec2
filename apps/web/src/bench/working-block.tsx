import { formatQuantity } from '@jubb/core/quantities';
import type { WorkingLine } from '@jubb/core/reckoners';

/** Where a panel that has a working of its own puts it, in the column of what is true. */
export const WORKING_SLOT = 'working';

/** The working of a figure, line by line. */
export function WorkingBlock({ lines }: { readonly lines: readonly WorkingLine[] }): React.JSX.Element | null {
  if (lines.length === 0) return null;
  return (
    <div className="blk">
      <h3>
        Working<kbd>w</kbd>
      </h3>
      {lines.map((l, i) => (
        <div key={`${i}-${l.name}`} className="row1">
          <span>
            {l.name}
            {l.figures && <small className="d-block">{l.figures}</small>}
          </span>
          <i>{typeof l.value === 'string' ? l.value : formatQuantity(l.value)}</i>
        </div>
      ))}
    </div>
  );
}
