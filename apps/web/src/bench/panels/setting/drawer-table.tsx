import type { DrawerStock } from '@jubb/core/bench';
import { inCanonical, type Quantity } from '@jubb/core/quantities';
import Table from 'react-bootstrap/Table';

const mm = (q: Quantity): number => inCanonical(q, 'length');

/** The sizes in the drawer, those of the chosen pack marked. */
export function DrawerTable({
  drawer,
  chosen,
}: {
  readonly drawer: readonly DrawerStock[];
  readonly chosen: readonly Quantity[];
}): React.JSX.Element {
  const uses = (q: Quantity): boolean => chosen.some((p) => Math.abs(mm(p) - mm(q)) < 1e-6);
  return (
    <>
      <h3 className="mt-2 quiet drawer-head">In the drawer</h3>
      <Table className="drawer">
        <tbody>
          {drawer.map((d) => (
            <tr key={mm(d.thickness)} className={uses(d.thickness) ? 'u' : ''}>
              <td>{mm(d.thickness).toFixed(2)}</td>
              <td>{d.count}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </>
  );
}
