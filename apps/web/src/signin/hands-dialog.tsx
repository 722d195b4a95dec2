import type { MeView } from '@jubb/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';
import { useNavigate } from 'react-router';
import { api } from '../api/client.ts';
import { outbox } from '../outbox/use-outbox.ts';
import { NamesAndPin } from './names-and-pin.tsx';
import { PinField } from './pin-field.tsx';

/** Other hands take over: the names at once, and the old hands stay until a PIN is right. Escape closes it. */
export function HandsDialog({ me, close }: { readonly me: MeView; readonly close: () => void }): React.JSX.Element {
  const dialog = useRef<HTMLDialogElement>(null);
  const client = useQueryClient();
  const navigate = useNavigate();
  const [changing, setChanging] = useState(false);
  useEffect(() => {
    dialog.current?.showModal();
    // What can still be sent goes out under the name that gave it.
    void outbox.drain();
  }, []);
  const out = useMutation({
    mutationFn: async () => {
      await outbox.drain();
      await api('session', undefined, 'DELETE');
    },
    onSuccess: async () => {
      close();
      await client.resetQueries({ queryKey: ['me'] });
      void navigate('/');
    },
  });
  return (
    <dialog ref={dialog} className="signin hands" aria-labelledby="hands-title" onClose={close}>
      <h2 id="hands-title">{changing ? 'Another PIN' : 'Whose hands?'}</h2>
      {changing ? (
        <ChangePin close={close} />
      ) : (
        <>
          <p className="quiet m-0">{me.person.name} is signed in until another PIN is right.</p>
          <NamesAndPin
            done={() => {
              close();
              void client.invalidateQueries();
              void navigate('/');
            }}
          />
          {out.isError && (
            <p className="field-error" role="alert">
              Not signed out: {out.error.message}
            </p>
          )}
        </>
      )}
      <div className="d-flex gap-2 flex-wrap">
        <button type="button" className="btn-line" onClick={close}>
          Back
        </button>
        {!changing && (
          <>
            <button type="button" className="btn-line" onClick={() => setChanging(true)}>
              Change my PIN
            </button>
            <button type="button" className="btn-line" onClick={() => out.mutate()} disabled={out.isPending}>
              Sign out
            </button>
          </>
        )}
      </div>
    </dialog>
  );
}

function ChangePin({ close }: { readonly close: () => void }): React.JSX.Element {
  const [old, setOld] = useState('');
  const [pin, setPin] = useState('');
  const change = useMutation({ mutationFn: () => api('me/pin', { old, pin }, 'PUT'), onSuccess: close });
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    change.mutate();
  };
  return (
    <form onSubmit={submit} className="mb-3">
      <Form.Label htmlFor="old-pin">The PIN that you have now</Form.Label>
      <PinField id="old-pin" value={old} set={setOld} wide />
      <Form.Label htmlFor="new-pin" className="mt-3">
        The new one: figures, or a pass phrase of eight letters and more
      </Form.Label>
      <PinField id="new-pin" value={pin} set={setPin} wide />
      <p id="new-pin-error" className="field-error mt-2" role="alert">
        {change.error?.message}
      </p>
      <button type="submit" className="btn-ink" disabled={old === '' || pin === '' || change.isPending}>
        Take the new PIN
      </button>
    </form>
  );
}
