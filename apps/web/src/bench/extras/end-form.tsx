import { END_TITLES, endKinds, type EndKind } from '@jubb/core/bench';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { ReasonField } from '../../fields/reason-field.tsx';
import type { Bench } from '../use-bench.ts';
import { Radios } from './radios.tsx';

const READY: readonly string[] = [
  'The customer does not want it done',
  'It costs more than it is worth',
  'No part to be had',
];
const KINDS = endKinds.map((k) => [k, END_TITLES[k]] as const);

/** The job ends otherwise than repaired: how, why, and who of the customer's side said yes. */
export function EndForm({ bench, close }: { readonly bench: Bench; readonly close: () => void }): React.JSX.Element {
  const [how, setHow] = useState<EndKind>(bench.state.end?.how ?? 'returned-built');
  const [why, setWhy] = useState('');
  const [who, setWho] = useState('');
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        if (bench.give({ type: 'end-otherwise', how, reason: why, agreedBy: who })) close();
      }}
    >
      <Radios label="How does it end" choices={KINDS} chosen={how} choose={setHow} />
      <ReasonField id="end-why" label="Why: the customer reads it" value={why} set={setWhy} ready={READY} />
      <Form.Label htmlFor="end-who" className="mt-2 mb-0">
        Who of the customer’s said yes
      </Form.Label>
      <Form.Control id="end-who" value={who} maxLength={120} onChange={(e) => setWho(e.target.value)} />
      <div className="d-flex gap-2 mt-2">
        <button type="submit" className="btn-ink" disabled={!why.trim() || (how === 'scrapped' && !who.trim())}>
          End it so
        </button>
        <button type="button" className="btn-line ms-auto" onClick={close}>
          Close
        </button>
      </div>
    </form>
  );
}
