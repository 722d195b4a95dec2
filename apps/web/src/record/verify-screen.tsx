import type { ImportedView } from '@jubb/contract';
import type { Verification } from '@jubb/core/bench/verify';
import { useState } from 'react';
import { api } from '../api/client.ts';

/** Is an exported record whole, and whose is it? */
export default function VerifyScreen(): React.JSX.Element {
  const [result, setResult] = useState<Verification>();
  const [error, setError] = useState<string>();
  const [file, setFile] = useState<object>();
  const [taken, setTaken] = useState<ImportedView>();
  const take = async (): Promise<void> => {
    try {
      setTaken(await api<ImportedView>('records/import', { file }));
      setError(undefined);
    } catch (e) {
      setError(e instanceof Error ? e.message : 'It could not be taken in');
    }
  };
  const read = async (chosen: File | undefined): Promise<void> => {
    setResult(undefined);
    setError(undefined);
    setTaken(undefined);
    setFile(undefined);
    if (!chosen) return;
    try {
      const read = JSON.parse(await chosen.text()) as object;
      setFile(read);
      setResult(await api<Verification>('records/verify', { file: read }));
    } catch (e) {
      setError(
        e instanceof SyntaxError ? 'This file is not JSON' : e instanceof Error ? e.message : 'It could not be read',
      );
    }
  };
  return (
    <main className="page">
      <h1>Verify a record</h1>
      <p className="mt-2">Choose a record that was downloaded as JSON. Nothing of it is kept until you take it in.</p>
      <input
        type="file"
        accept="application/json,.json"
        aria-label="Record file"
        className="form-control"
        style={{ maxWidth: 480 }}
        onChange={(e) => void read(e.target.files?.[0])}
      />
      {error && (
        <p className="field-error mt-3" role="alert">
          {error}
        </p>
      )}
      {result && (
        <section className="mt-4" aria-live="polite">
          <h2>
            {result.good
              ? result.known
                ? 'Whole, and signed by this workshop'
                : 'Whole, signed with a key you have not met'
              : 'Not to be trusted'}
          </h2>
          <ul className="mt-2">
            {result.checks.map((c) => (
              <li key={c.what}>
                <b>{c.good ? 'Good' : c.what === 'key' ? 'Note' : 'Bad'}</b>: {c.says}
              </li>
            ))}
          </ul>
          {result.fingerprint && <p>Fingerprint {result.fingerprint}</p>}
          {result.good && !result.known && !taken && (
            <button type="button" className="btn-ink" onClick={() => void take()}>
              Take it in
            </button>
          )}
          {taken && (
            <p role="status">
              Taken in: {taken.title}, serial {taken.serial}, job {taken.number} of {taken.workshop}. It stands with the
              unit of that serial.
            </p>
          )}
        </section>
      )}
    </main>
  );
}
