import type { ToOrderView } from '@jubb/contract';
import { Link } from 'react-router';

/** Jobs whose parts are not all ordered, each a press from its list and its quote. */
export function ToOrderList({ jobs }: { readonly jobs: readonly ToOrderView[] }): React.JSX.Element {
  return (
    <ul className="plain">
      {jobs.map((j) => (
        <li key={j.job} className="oline to-order">
          <span>
            <b>Job {j.jobNumber}</b>
            <small className="d-block">{j.customer}</small>
          </span>
          <span>{j.unit}</span>
          <span>
            {j.parts} {j.parts === 1 ? 'part' : 'parts'} not ordered
          </span>
          <Link to={`/job/${j.job}/findings`} className="btn-line">
            Its list
          </Link>
        </li>
      ))}
    </ul>
  );
}
