import type { ImportedView } from '@jubb/contract';
import type { Verification } from '@jubb/core/bench/verify';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api } from '../api/client.ts';
import { useWrite } from '../api/use-write.ts';

/** Is an exported record whole, and whose is it? */
export default function VerifyScreen(): React.JSX.Element {
  const [unread, setUnread] = useState<string>();
  const verified = useWrite((file: object) => api<Verification>('records/verify', { file }), {
    noLine: 'It could not be read: no line to the server',
  });
  const took = useWrite((file: object) => api<ImportedView>('records/import', { file }), {
    noLine: 'It could not be taken in: no line to the server',
  });
  const [file, setFile] = useState<object>();
  const { answer: result } = verified;
  const { answer: taken } = took;
  const error = unread ?? verified.wrong ?? took.wrong;
  const read = async (chosen: File | undefined): Promise<void> => {
    verified.reset();
    took.reset();
    setUnread(undefined);
    if (!chosen) return;
    try {
      const given = JSON.parse(await chosen.text()) as object;
      setFile(given);
      verified.write(given);
    } catch (e) {
      if (!(e instanceof SyntaxError)) throw e;
      setUnread('This file is not JSON');
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
            <Button variant="ink" onClick={() => file && took.write(file)}>
              Take it in
            </Button>
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
