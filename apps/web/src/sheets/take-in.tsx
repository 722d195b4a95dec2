import type { SheetProblem } from '@jubb/core/sheet';
import Button from 'react-bootstrap/Button';
import { Link } from 'react-router';
import { api } from '../api/client.ts';
import { useWrite } from '../api/use-write.ts';

interface Read {
  readonly name: string;
  readonly source: string;
  readonly usable: boolean;
  readonly problems: readonly SheetProblem[];
}

/** A build sheet of another workshop: read, what is wrong with it by line, then taken in. */
export function TakeIn(): React.JSX.Element {
  const looked = useWrite(
    async (file: File): Promise<Read> => {
      const source = await file.text();
      const answer = await api<Pick<Read, 'usable' | 'problems'>>('sheets/lint', { source });
      return { name: file.name, source, ...answer };
    },
    { noLine: 'It could not be read' },
  );
  const took = useWrite(
    (source: string) => api<{ readonly id: string; readonly revision: number }>('sheets/import', { source }),
    { stale: [['sheets']], noLine: 'It could not be taken in' },
  );
  const { answer: taken, write: take } = took;
  const read = taken ? undefined : looked.answer;
  const wrong = looked.wrong ?? took.wrong;
  const look = (file: File | undefined): void => {
    looked.reset();
    took.reset();
    if (file) looked.write(file);
  };
  return (
    <section className="mt-4" aria-label="Take in a sheet">
      <h2>Take in a sheet of another workshop</h2>
      <input
        type="file"
        accept=".yaml,.yml"
        aria-label="Build sheet file"
        className="form-control mt-2"
        style={{ maxWidth: 480 }}
        onChange={(e) => look(e.target.files?.[0])}
      />
      {wrong && (
        <p className="field-error" role="alert">
          {wrong}
        </p>
      )}
      {read && (
        <div role="status">
          <p className="mt-2 mb-0">
            <b>{read.name}</b>: {read.usable ? 'it can be used' : 'it cannot be used'}
            {read.problems.length > 0 ? `, ${read.problems.length} remarks` : ', nothing to remark'}.
          </p>
          {read.problems.slice(0, 12).map((p) => (
            <small key={`${p.path} ${p.code} ${p.message}`} className="d-block">
              {p.line === undefined ? '' : `Line ${p.line}: `}
              {p.message}
            </small>
          ))}
          {read.usable && (
            <Button variant="ink" className="mt-2" onClick={() => take(read.source)}>
              Take it in
            </Button>
          )}
        </div>
      )}
      {taken && (
        <p role="status" className="mt-2">
          Taken in: <Link to={`/sheets/${taken.id}`}>{taken.id}</Link>, revision {taken.revision}.
        </p>
      )}
    </section>
  );
}
