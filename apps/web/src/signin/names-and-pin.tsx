import type { MeView } from '@jubb/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { PinField } from './pin-field.tsx';

const LEAST = 4;

/** Press a name, type a PIN or a pass phrase. Whoever was signed in on this device before is so until it is right. */
export function NamesAndPin({ done }: { readonly done?: () => void }): React.JSX.Element {
  const people = useQuery(queries.people());
  const client = useQueryClient();
  const [name, setName] = useState<string>();
  const [pin, setPin] = useState('');
  const [error, setError] = useState<string>();

  const submit = async (e: FormEvent): Promise<void> => {
    e.preventDefault();
    if (name === undefined) return setError('Press your name first');
    if (pin.length < LEAST) return setError('A PIN has four figures at least');
    try {
      client.setQueryData(['me'], await api<MeView>('session', { name, pin }));
      done?.();
    } catch (e2) {
      setError(e2 instanceof Error && e2.name !== 'TypeError' ? e2.message : 'The server does not answer');
      setPin('');
    }
  };
  return (
    <>
      {people.isPending && <p>Asking the server …</p>}
      {people.isError && <p className="field-error">The server does not answer. Is it running?</p>}
      <form onSubmit={(e) => void submit(e)}>
        <div className="names">
          {people.data?.map((p) => (
            <button
              key={p.name}
              type="button"
              className="btn-line"
              aria-pressed={name === p.name}
              onClick={() => {
                setName(p.name);
                setError(undefined);
                document.getElementById('pin')?.focus();
              }}
            >
              <span className="ini">{p.initials}</span>
              <span className="text-start">{p.name}</span>
            </button>
          ))}
        </div>
        <Form.Label htmlFor="pin">PIN</Form.Label>
        <div className="d-flex gap-3">
          <PinField id="pin" value={pin} set={setPin} />
          <button type="submit" className="btn-ink">
            Sign in
          </button>
        </div>
        <p id="pin-error" className="field-error mt-2" role="alert">
          {error}
        </p>
      </form>
    </>
  );
}
