import type { MeView } from '@jubb/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { api } from '../api/client.ts';
import { Dialog } from '../frame/dialog.tsx';
import { outbox } from '../outbox/use-outbox.ts';
import { NamesAndPin } from './names-and-pin.tsx';
import { PinField } from './pin-field.tsx';

/** Other hands take over: the names at once, and the old hands stay until a PIN is right. Escape closes it. */
export function HandsDialog({ me, close }: { readonly me: MeView; readonly close: () => void }): React.JSX.Element {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [changing, setChanging] = useState(false);
  const title = changing ? 'Another PIN' : 'Whose hands?';
  useEffect(() => {
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
    <Dialog name="signin hands" label={title} width={760} typed close={close}>
      <h2>{title}</h2>
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
        <Button variant="line" onClick={close}>
          Back
        </Button>
        {!changing && (
          <>
            <Button variant="line" onClick={() => setChanging(true)}>
              Change my PIN
            </Button>
            <Button variant="line" onClick={() => out.mutate()} disabled={out.isPending}>
              Sign out
            </Button>
          </>
        )}
      </div>
    </Dialog>
  );
}

function ChangePin({ close }: { readonly close: () => void }): React.JSX.Element {
  const { register, handleSubmit, watch } = useForm({ defaultValues: { old: '', pin: '' } });
  const change = useMutation({
    mutationFn: (pins: { readonly old: string; readonly pin: string }) => api('me/pin', pins, 'PUT'),
    onSuccess: close,
  });
  const [old, pin] = watch(['old', 'pin']);
  return (
    <form noValidate onSubmit={(e) => void handleSubmit((pins) => change.mutate(pins))(e)} className="mb-3">
      <Form.Label htmlFor="old-pin">The PIN that you have now</Form.Label>
      <PinField id="old-pin" input={register('old')} wide />
      <Form.Label htmlFor="new-pin" className="mt-3">
        The new one: figures, or a pass phrase of eight letters and more
      </Form.Label>
      <PinField id="new-pin" input={register('pin')} wide />
      <p id="new-pin-error" className="field-error mt-2" role="alert">
        {change.error?.message}
      </p>
      <Button type="submit" variant="ink" disabled={old === '' || pin === '' || change.isPending}>
        Take the new PIN
      </Button>
    </form>
  );
}
