import type { MeView } from '@jubb/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { PinField } from './pin-field.tsx';

const LEAST = 4;
const FIGURES = 'A PIN has four figures at least';

interface Fields {
  readonly name: string;
  readonly pin: string;
}

/** Press a name, type a PIN or a pass phrase. Whoever was signed in on this device before is so until it is right. */
export function NamesAndPin({ done }: { readonly done?: () => void }): React.JSX.Element {
  const people = useQuery(queries.people());
  const client = useQueryClient();
  const { register, handleSubmit, watch, setValue, setError, setFocus, resetField, clearErrors, formState } =
    useForm<Fields>({ defaultValues: { name: '', pin: '' }, shouldFocusError: false });
  register('name', { required: 'Press your name first' });
  const name = watch('name');
  const signIn = useMutation({
    mutationFn: (who: Fields) => api<MeView>('session', who),
    onSuccess: (me) => {
      client.setQueryData(['me'], me);
      done?.();
    },
    onError: (e) => {
      setError('root', { message: e.name === 'TypeError' ? 'The server does not answer' : e.message });
      resetField('pin');
    },
  });
  const { errors } = formState;
  return (
    <>
      {people.isPending && <p>Asking the server …</p>}
      {people.isError && <p className="field-error">The server does not answer. Is it running?</p>}
      <form noValidate onSubmit={(e) => void handleSubmit((who) => signIn.mutate(who))(e)}>
        <div className="names">
          {people.data?.map((p) => (
            <Button
              key={p.name}
              variant="line"
              aria-pressed={name === p.name}
              onClick={() => {
                setValue('name', p.name);
                clearErrors();
                setFocus('pin');
              }}
            >
              <span className="ini">{p.initials}</span>
              <span className="text-start">{p.name}</span>
            </Button>
          ))}
        </div>
        <Form.Label htmlFor="pin">PIN</Form.Label>
        <div className="d-flex gap-3">
          <PinField
            id="pin"
            input={register('pin', { required: FIGURES, minLength: { value: LEAST, message: FIGURES } })}
          />
          <Button type="submit" variant="ink" className="flex-shrink-0">
            Sign in
          </Button>
        </div>
        <p id="pin-error" className="field-error mt-2" role="alert">
          {(errors.name ?? errors.pin ?? errors.root)?.message}
        </p>
      </form>
    </>
  );
}
