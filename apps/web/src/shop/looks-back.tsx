import type { QualityLine } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import Button from 'react-bootstrap/Button';
import Table from 'react-bootstrap/Table';
import { Link } from 'react-router';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';

/** What jobs that are over say: comebacks and hours by sheet and method, lessons that wait; and the calendar's address. */
export function LooksBack(): React.JSX.Element {
  const quality = useQuery(queries.quality());
  if (!quality.data)
    return (
      <p className="empty">
        {quality.isError ? 'Only the owner looks at this.' : 'Reading the logs of the jobs that are over …'}
      </p>
    );
  const { sheets, lessons } = quality.data;
  return (
    <>
      <p className="quiet m-0">
        Jobs that are over. A bar is the range that the figure may really have, 19 times in 20: few jobs, a wide bar.
      </p>
      {sheets.length === 0 && <p className="mt-3">No job is over yet.</p>}
      <Table className="quality">
        <thead>
          <tr>
            <th>Sheet and way</th>
            <th>Jobs</th>
            <th>Came back within half a year</th>
            <th>Hours, and the sheet’s</th>
          </tr>
        </thead>
        <tbody>
          {sheets.map((s) => [
            <Line key={s.sheet} line={s} to={`/sheets/${s.sheet}`} />,
            ...s.methods.map((m) => <Line key={`${s.sheet} ${m.title}`} line={m} />),
          ])}
        </tbody>
      </Table>
      <h2>Lessons that wait for a revision of their sheet</h2>
      {lessons.length === 0 && <p>None.</p>}
      {lessons.map((l) => (
        <p key={`${l.number} ${l.words}`} className="m-0">
          <Link to={`/sheets/${l.sheet}`}>{l.sheet}</Link>, {l.rung}: {l.words}{' '}
          <span className="quiet">
            ({l.by}, job {l.number}, {format(new Date(l.at), 'd MMM yyyy')})
          </span>
        </p>
      ))}
      <Calendar />
    </>
  );
}

function Line({ line, to }: { readonly line: QualityLine; readonly to?: string }): React.JSX.Element {
  const c = line.comebacks;
  const h = line.hours;
  const most = Math.max(line.sheetHours, h?.value ?? 0, Math.min(h?.high ?? 0, 3 * (h?.value ?? 0))) * 1.1 || 1;
  return (
    <tr className={to ? 'whole' : ''}>
      <td>{to ? <Link to={to}>{line.title}</Link> : line.title}</td>
      <td>{line.jobs}</td>
      <td>
        {c && (
          <Range
            value={c.value}
            low={c.low}
            high={c.high}
            most={1}
            says={`${Math.round(c.value * 100)} of 100, may be ${Math.round(c.low * 100)} to ${Math.round(c.high * 100)}`}
          />
        )}
      </td>
      <td>
        {h && (
          <Range
            value={h.value}
            low={h.low}
            high={h.high ?? most}
            most={most}
            mark={line.sheetHours}
            says={`${h.value.toFixed(1)} h${h.high === null ? ', one job says no range' : `, may be ${h.low.toFixed(1)} to ${h.high.toFixed(1)}`}; sheet ${line.sheetHours.toFixed(1)} h`}
          />
        )}
      </td>
    </tr>
  );
}

/** A figure with its range as a bar, and its words. */
function Range({
  value,
  low,
  high,
  most,
  mark,
  says,
}: {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly most: number;
  readonly mark?: number;
  readonly says: string;
}): React.JSX.Element {
  const x = (v: number): number => (200 * Math.min(Math.max(v, 0), most)) / most;
  return (
    <>
      <svg viewBox="0 0 200 16" width="200" height="16" aria-hidden="true">
        <path d="M0 8H200" stroke="var(--line)" />
        <rect x={x(low)} y="4" width={Math.max(2, x(high) - x(low))} height="8" fill="var(--slate)" opacity="0.45" />
        <rect x={Math.max(0, x(value) - 2)} y="1" width="4" height="14" fill="var(--ink)" />
        {mark !== undefined && (
          <path d={`M${x(mark)} 0V16`} stroke="var(--brass)" strokeWidth="2" strokeDasharray="3 2" />
        )}
      </svg>
      <small className="d-block">{says}</small>
    </>
  );
}

/** The private address of the calendar: made, made anew, revoked. */
function Calendar(): React.JSX.Element {
  const address = useQuery(queries.calendar());
  const { write: change, wrong } = useWrite(
    (method: 'POST' | 'DELETE') => api('calendar', method === 'POST' ? {} : undefined, method),
    { stale: [['calendar']] },
  );
  const url = address.data?.url;
  return (
    <section aria-label="Calendar">
      <h2>Calendar</h2>
      <p className="m-0">
        Promises, cures that run, and what is to be looked at again, for any calendar program. Whoever has the address
        can read it.
      </p>
      {url && (
        <p className="m-0">
          <code className="calendar-url">{url}</code>
        </p>
      )}
      {wrong && (
        <p className="field-error" role="alert">
          {wrong}
        </p>
      )}
      <div className="answers mt-2">
        <Button variant="line" onClick={() => change('POST')}>
          {url ? 'Make a new address' : 'Make an address'}
        </Button>
        {url && (
          <Button variant="line" onClick={() => change('DELETE')}>
            Revoke it
          </Button>
        )}
      </div>
    </section>
  );
}
