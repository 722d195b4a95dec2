import type { Verification } from '@jubb/core/bench/verify';
import { useState } from 'react';
import { api } from '../api/client.ts';

/** Is an exported record whole, and whose is it? */
export default function VerifyScreen(): React.JSX.Element {
  const [result, setResult] = useState<Verification>();
  const [error, setError] = useState<string>();
  const read = async (file: File | undefined): Promise<void> => {
    setResult(undefined);
    setError(undefined);
    if (!file) return;
    try {
      setResult(await api<Verification>('records/verify', { file: JSON.parse(await file.text()) as object }));
    } catch (e) {
      setError(
        e instanceof SyntaxError ? 'This file is not JSON' : e instanceof Error ? e.message : 'It could not be read',
      );
    }
  };
  return (
    <main className="page">
      <h1>Verify a record</h1>
      <p className="mt-2">Choose a record that was downloaded as JSON. Nothing of it is kept.</p>
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
        </section>
      )}
    </main>
  );
}
