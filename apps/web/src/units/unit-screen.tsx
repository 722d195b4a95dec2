import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { Link, useParams } from 'react-router';
import { queries } from '../api/queries.ts';

/** A unit and its visits, newest first: what was found and set each time. */
export default function UnitScreen(): React.JSX.Element {
  const { id = '' } = useParams();
  const unit = useQuery(queries.unit(id));
  if (!unit.data)
    return <main className="empty">{unit.isError ? 'There is no such unit.' : 'Fetching the unit …'}</main>;
  const { serial, model, customer, visits } = unit.data;
  return (
    <main className="page">
      <h1>
        {serial}, {model}
      </h1>
      <p className="quiet">{customer.name}</p>
      {visits.length === 0 && <p>It has not been here yet.</p>}
      {visits.map((v) => (
        <div key={v.jobId} className="visit">
          <Link to={v.stage === 'handed-over' ? `/job/${v.jobId}/record` : `/job/${v.jobId}`}>
            <b>Job {v.number}</b>
          </Link>
          <span>{format(new Date(v.booked), 'd MMM yyyy')}</span>
          <span>
            {v.complaint}
            <small className="d-block">{v.outcome.join(' · ')}</small>
          </span>
        </div>
      ))}
    </main>
  );
}
