import type { BackupsView, BackupView } from '@jubb/contract';
import { NIGHTS_KEPT } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { format, formatDistanceStrict } from 'date-fns';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { Wrong } from '../fields/wrong.tsx';

const STALE = [['shop']];
/** When nobody says another time. */
const USUAL_NIGHT = '02:00';
/** Older than this it is said to be old. */
const OLD_MS = 8 * 86_400_000;

/** The whole shop as a file: when the last was taken, one now, one every night, and everything as open files. */
export function Backups(): React.JSX.Element {
  const backups = useQuery(queries.backups());
  const take = useWrite(() => api('shop/backups', {}), { stale: STALE });
  if (!backups.data)
    return <p className="empty">{backups.isError ? backups.error.message : 'Looking for backups …'}</p>;
  const { all, folder } = backups.data;
  const running = all.some((b) => b.state === 'running');
  return (
    <>
      <LastOne view={backups.data} />
      <Button variant="go" disabled={running || take.busy} onClick={() => take.write()}>
        {running ? 'Being taken …' : 'Take one now'}
      </Button>
      <Wrong says={take.wrong} />
      <Nightly at={backups.data.nightly} key={backups.data.nightly} />
      {all.length > 0 && (
        <ul className="shoplist" aria-label="Backups">
          {all.map((b) => (
            <li key={b.id}>
              <Line backup={b} />
            </li>
          ))}
        </ul>
      )}
      <p className="quiet mt-3">
        They lie in <code>{folder}</code> on the machine that the workshop runs on. Each holds everybody’s work and the
        key that signs records: copy it to another disk, and keep it where nobody else reads it. To put one back:{' '}
        <code>./jubb restore FILE --data FOLDER</code>
      </p>
      <h2>Everything as open files</h2>
      <p className="m-0">
        Jobs with their logs, readings, parts, customers, units, sheets, pictures: JSON, CSV, YAML and JPEG in one zip,
        for other software or another shop. A README in it says what each is.
      </p>
      <a className="btn-line mt-2 d-inline-flex align-items-center" href="/api/shop/export.zip" download>
        Take everything with you (.zip)
      </a>
    </>
  );
}

function LastOne({ view }: { readonly view: BackupsView }): React.JSX.Element {
  if (view.last === null)
    return (
      <p className="backup-last old" role="status">
        <b>No backup is there.</b> Whatever happens to this disk happens to every record on it.
      </p>
    );
  const at = new Date(view.last);
  const old = Date.now() - at.getTime() > OLD_MS;
  return (
    <p className={`backup-last ${old ? 'old' : ''}`} role="status">
      The last is <b>{formatDistanceStrict(at, Date.now())} old</b>, of {format(at, 'EEEE d MMM yyyy, HH:mm')}.
      {old && ' Take another.'}
    </p>
  );
}

function Nightly({ at }: { readonly at: string | null }): React.JSX.Element {
  const { register, handleSubmit, watch } = useForm({ defaultValues: { time: at ?? USUAL_NIGHT } });
  const { write, busy, wrong } = useWrite((to: string | null) => api('shop/backups/nightly', { at: to }, 'PUT'), {
    stale: STALE,
  });
  return (
    <form className="nightly" noValidate onSubmit={(e) => void handleSubmit(({ time }) => write(time))(e)}>
      <Form.Label htmlFor="nightly-at" className="m-0">
        {at === null ? 'None is taken at night. Every night at' : 'Taken every night at'}
      </Form.Label>
      <Form.Control id="nightly-at" type="time" {...register('time')} />
      <Button type="submit" variant="line" disabled={busy || watch('time') === at}>
        {at === null ? `Take it, keep ${NIGHTS_KEPT}` : 'Keep this time'}
      </Button>
      {at !== null && (
        <Button variant="line" disabled={busy} onClick={() => write(null)}>
          Not at night any more
        </Button>
      )}
      <Wrong says={wrong} />
    </form>
  );
}

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;

function Line({ backup: b }: { readonly backup: BackupView }): React.JSX.Element {
  return (
    <div className="shopline">
      <span>
        <b>{format(new Date(b.asked), 'EEE d MMM yyyy, HH:mm')}</b>
        <small className="d-block">
          {b.by ?? 'every night'}
          {b.state === 'running' && '; being taken …'}
          {b.state === 'failed' && `; none: ${b.problem ?? 'it is not known why'}`}
          {b.state === 'done' && `; ${b.jobs ?? 0} jobs, ${megabytes(b.bytes ?? 0)}`}
          {b.state === 'done' && !b.there && '; not in its folder any more'}
        </small>
        {b.sha256 !== null && <small className="d-block sum">SHA-256 {b.sha256}</small>}
      </span>
      {b.state === 'done' && b.there && (
        <a
          className="btn-line ms-auto d-inline-flex align-items-center"
          href={`/api/shop/backups/${b.id}/file`}
          download
        >
          Copy to here
        </a>
      )}
    </div>
  );
}
