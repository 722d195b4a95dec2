import { formatQuantity } from '@jubb/core/quantities';
import type { WorkingLine } from '@jubb/core/reckoners';
import { Link } from 'react-router';
import { addressOf, type Inputs } from '../reckoner/inputs.ts';

/** Where a panel that has a working of its own puts it, in the column of what is true. */
export const WORKING_SLOT = 'working';

/** Leads from a figure to its calculation, with the same inputs. */
export function ReckonerLink({ id, inputs }: { readonly id: string; readonly inputs: Inputs }): React.JSX.Element {
  return (
    <Link to={addressOf(id, inputs)} className="btn-line reckoner-link">
      Open in the Reckoner
    </Link>
  );
}

/** The working of a figure, line by line, and the way to its calculation. */
export function WorkingBlock({
  lines,
  asked,
}: {
  readonly lines: readonly WorkingLine[];
  readonly asked?: { readonly id: string; readonly inputs: Inputs };
}): React.JSX.Element | null {
  if (lines.length === 0) return null;
  return (
    <div className="blk">
      <h2>
        Working<kbd>w</kbd>
      </h2>
      {lines.map((l, i) => (
        <div key={`${i}-${l.name}`} className="row1">
          <span>
            {l.name}
            {l.figures && <small className="d-block">{l.figures}</small>}
          </span>
          <i>{typeof l.value === 'string' ? l.value : formatQuantity(l.value)}</i>
        </div>
      ))}
      {asked && <ReckonerLink {...asked} />}
    </div>
  );
}
