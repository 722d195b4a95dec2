import type { SheetProblem } from '@jubb/core/sheet';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, ApiError } from '../api/client.ts';

interface Read {
  readonly name: string;
  readonly source: string;
  readonly usable: boolean;
  readonly problems: readonly SheetProblem[];
}

/** A build sheet of another workshop: read, what is wrong with it by line, then taken in. */
export function TakeIn(): React.JSX.Element {
  const client = useQueryClient();
  const [read, setRead] = useState<Read>();
  const [taken, setTaken] = useState<{ readonly id: string; readonly revision: number }>();
  const [wrong, setWrong] = useState<string>();
  const look = async (file: File | undefined): Promise<void> => {
    setRead(undefined);
    setTaken(undefined);
    setWrong(undefined);
    if (!file) return;
    try {
      const source = await file.text();
      const answer = await api<Pick<Read, 'usable' | 'problems'>>('sheets/lint', { source });
      setRead({ name: file.name, source, ...answer });
    } catch (e) {
      setWrong(e instanceof ApiError ? e.message : 'It could not be read');
    }
  };
  const take = async (source: string): Promise<void> => {
    try {
      setTaken(await api<{ id: string; revision: number }>('sheets/import', { source }));
      setRead(undefined);
      await client.invalidateQueries({ queryKey: ['sheets'] });
    } catch (e) {
      setWrong(e instanceof ApiError ? e.message : 'It could not be taken in');
    }
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
        onChange={(e) => void look(e.target.files?.[0])}
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
            <button type="button" className="btn-ink mt-2" onClick={() => void take(read.source)}>
              Take it in
            </button>
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
