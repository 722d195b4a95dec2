import type { MeView } from '@jubb/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';

/** Press a name, type a PIN. */
export default function SignInScreen(): React.JSX.Element {
  const people = useQuery(queries.people());
  const client = useQueryClient();
  const [person, setPerson] = useState<string>();
  const [pin, setPin] = useState('');
  const [error, setError] = useState<string>();

  const submit = async (e: FormEvent): Promise<void> => {
    e.preventDefault();
    if (!person) return setError('Press your name first');
    if (!/^\d{4,8}$/.test(pin)) return setError('A PIN is four to eight figures');
    try {
      client.setQueryData(['me'], await api<MeView>('session', { person, pin }));
    } catch (e2) {
      setError(e2 instanceof Error ? e2.message : 'The server does not answer');
      setPin('');
    }
  };
  return (
    <main className="signin">
      <h1>Whose hands?</h1>
      {people.isPending && <p>Asking the server …</p>}
      {people.isError && <p className="field-error">The server does not answer. Is it running?</p>}
      <form onSubmit={(e) => void submit(e)}>
        <div className="names">
          {people.data?.map((p) => (
            <button
              key={p.id}
              type="button"
              className="btn-line"
              aria-pressed={person === p.id}
              onClick={() => {
                setPerson(p.id);
                setError(undefined);
                document.getElementById('pin')?.focus();
              }}
            >
              <span className="ini">{p.initials}</span>
              <span className="text-start">
                {p.name}
                <small>{p.role === 'parts' ? 'parts desk' : p.role}</small>
              </span>
            </button>
          ))}
        </div>
        <Form.Label htmlFor="pin">PIN</Form.Label>
        <div className="d-flex gap-3">
          <Form.Control
            id="pin"
            type="password"
            inputMode="numeric"
            autoComplete="off"
            value={pin}
            onChange={(e) => setPin(e.target.value)}
            aria-describedby="pin-error"
            style={{ maxWidth: 220, fontSize: 22 }}
          />
          <button type="submit" className="btn-ink">
            Sign in
          </button>
        </div>
        <p id="pin-error" className="field-error mt-2" role="alert">
          {error}
        </p>
      </form>
    </main>
  );
}
