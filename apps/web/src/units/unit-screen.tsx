import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Link, useParams } from 'react-router';
import { queries } from '../api/queries.ts';
import { Facts } from './facts.tsx';
import { daysSince, openDeferrals, trendsOf } from './history.ts';
import { Runs } from './runs.tsx';
import { ThenNow } from './then-now.tsx';
import { TrendChart } from './trend-chart.tsx';

/** Figures drawn at most: more are not looked at. */
const MOST_DRAWN = 6;

/** A unit and its visits: what was found, fitted and set each time, its figures over the visits, what was left for later. */
export default function UnitScreen(): React.JSX.Element {
  const { id = '' } = useParams();
  const unit = useQuery(queries.unit(id));
  const [putRight, setPutRight] = useState(false);
  const imported = useQuery({ ...queries.imported(unit.data?.serial ?? ''), enabled: unit.data !== undefined });
  if (!unit.data)
    return <main className="empty">{unit.isError ? 'There is no such unit.' : 'Fetching the unit …'}</main>;
  const { serial, model, worksAt, customer, visits } = unit.data;
  // Beside what is found now stands the last visit that is over.
  const then = visits.slice(1).find((v) => v.stage === 'handed-over');
  const deferred = openDeferrals(visits);
  const trends = trendsOf(visits).slice(0, MOST_DRAWN);
  return (
    <main className="page unitpage">
      <div className="d-flex flex-wrap justify-content-between align-items-end gap-2">
        <div>
          <h1>
            {serial}, {model}
          </h1>
          {worksAt !== '' && <p className="m-0">Works at: {worksAt}</p>}
          <p className="quiet m-0">
            <Link to={`/customers/${customer.id}`}>{customer.name}</Link> ·{' '}
            {visits.length === 1 ? 'one visit' : `${visits.length} visits`}
          </p>
        </div>
        <div className="d-flex flex-wrap gap-3 align-items-end">
          <Runs key={unit.data.hoursPerWeek} unit={unit.data} />
          <Button variant="line" aria-expanded={putRight} onClick={() => setPutRight(!putRight)}>
            Put right
          </Button>
          <Link to="/book" className="btn-line">
            Book in
          </Link>
        </div>
      </div>
      {putRight && <Facts unit={unit.data} done={() => setPutRight(false)} />}
      {visits.length === 0 && <p>It has not been here yet.</p>}
      {deferred.length > 0 && (
        <section className="deferred" aria-label="Left for next time">
          <h2>Left for next time</h2>
          {deferred.map((d) => (
            <p key={d.part} className="m-0">
              <b>{d.title}</b>: {d.words}
              {d.again && `, look again ${d.again}`} <span className="quiet">(job {d.job})</span>
            </p>
          ))}
        </section>
      )}
      {trends.length > 0 && (
        <section className="trends" aria-label="Figures over the visits">
          {trends.map((t) => (
            <TrendChart key={t.id} trend={t} />
          ))}
        </section>
      )}
      {then && <ThenNow now={visits[0]!} then={then} />}
      {(imported.data ?? []).map((r) => (
        <p key={r.head} className="m-0">
          <b>Elsewhere:</b> {r.workshop}, job {r.number}
          {r.signed ? `, signed ${format(new Date(r.signed), 'd MMM yyyy')}` : ''}. Fitted{' '}
          {r.renewed.join(', ') || 'nothing new'}.
        </p>
      ))}
      {visits.map((v, i) => {
        const before = visits[i + 1];
        return (
          <section key={v.jobId} className="visit">
            <div>
              <Link to={v.stage === 'handed-over' ? `/job/${v.jobId}/record` : `/job/${v.jobId}`}>
                <b>Job {v.number}</b>
              </Link>
              <small className="d-block">{format(new Date(v.booked), 'd MMM yyyy')}</small>
              {before && (
                <small className="d-block back">
                  back {v.cameFrom === null ? '' : `from ${v.cameFrom}, `}after {daysSince(before, v)} days
                </small>
              )}
            </div>
            <div>
              <b>{v.complaint}</b>
              {before && before.fitted.length > 0 && (
                <small className="d-block">
                  Last time fitted: {before.fitted.join(', ')}
                  {before.methods.length > 0 && `. By: ${before.methods.join(', ')}`}
                </small>
              )}
              {v.causes.length > 0 && <small className="d-block">Cause: {v.causes.join(', ')}</small>}
              {v.outcome.map((o) => (
                <small key={o} className="d-block">
                  {o}
                </small>
              ))}
            </div>
            <div>
              {v.fitted.length > 0 && (
                <small className="d-block">
                  <b>Fitted</b> {v.fitted.join(', ')}
                </small>
              )}
            </div>
          </section>
        );
      })}
    </main>
  );
}
