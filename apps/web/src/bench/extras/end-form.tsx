import { END_TITLES, endKinds, type EndKind } from '@jubb/core/bench';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { ReasonField } from '../../fields/reason-field.tsx';
import type { Bench } from '../use-bench.ts';
import { Radios } from './radios.tsx';

const READY: readonly string[] = [
  'The customer does not want it done',
  'It costs more than it is worth',
  'No part to be had',
];
const KINDS = endKinds.map((k) => [k, END_TITLES[k]] as const);

interface Fields {
  readonly how: EndKind;
  readonly reason: string;
  readonly agreedBy: string;
}

/** The job ends otherwise than repaired: how, why, and who of the customer's side said yes. */
export function EndForm({ bench, close }: { readonly bench: Bench; readonly close: () => void }): React.JSX.Element {
  const { register, handleSubmit, watch, setValue } = useForm<Fields>({
    defaultValues: { how: bench.state.end?.how ?? 'returned-built', reason: '', agreedBy: '' },
  });
  const { how, reason, agreedBy } = watch();
  const end = handleSubmit((fields) => {
    if (bench.give({ type: 'end-otherwise', ...fields })) close();
  });
  return (
    <form noValidate onSubmit={(e) => void end(e)}>
      <Radios label="How does it end" choices={KINDS} chosen={how} choose={(k) => setValue('how', k)} />
      <ReasonField
        id="end-why"
        label="Why: the customer reads it"
        value={reason}
        set={(words) => setValue('reason', words)}
        ready={READY}
      />
      <Form.Label htmlFor="end-who" className="mt-2 mb-0">
        Who of the customer’s said yes
      </Form.Label>
      <Form.Control id="end-who" maxLength={120} {...register('agreedBy')} />
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" variant="ink" disabled={!reason.trim() || (how === 'scrapped' && !agreedBy.trim())}>
          End it so
        </Button>
        <Button variant="line" className="ms-auto" onClick={close}>
          Close
        </Button>
      </div>
    </form>
  );
}
