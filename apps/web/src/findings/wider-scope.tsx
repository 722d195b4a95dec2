import { ladderOf } from '@jubb/core/bench';
import { scopeTitle, widerScopes } from '@jubb/core/sheet';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Bench } from '../bench/use-bench.ts';

/** Takes more of the unit into the job than was booked, once whoever pays has said yes. Nothing where all of it is in. */
export function WiderScope({ bench }: { readonly bench: Bench }): React.JSX.Element | null {
  const { sheet, state } = bench;
  const wider = widerScopes(sheet, state.scope);
  const [scope, setScope] = useState(wider[0]?.id ?? '');
  const [says, setSays] = useState('');
  const begun = ladderOf(sheet, state).build.some((s) => s.ops.some((o) => state.done[o.id]));
  if (wider.length === 0 || state.signed || state.end) return null;
  return (
    <section>
      <h3>Booked: {scopeTitle(sheet, state.scope)}</h3>
      {begun ? (
        <p className="m-0">It is being put together: to take more in, go back to the bottom first.</p>
      ) : (
        <form
          className="wider"
          onSubmit={(e) => {
            e.preventDefault();
            bench.give({ type: 'widen-scope', scope, says });
          }}
        >
          <div>
            <Form.Label htmlFor="wider-scope">Take in more</Form.Label>
            <Form.Select id="wider-scope" value={scope} onChange={(e) => setScope(e.target.value)}>
              {wider.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.title}
                </option>
              ))}
            </Form.Select>
          </div>
          <div>
            <Form.Label htmlFor="wider-says">Who agreed, and how?</Form.Label>
            <Form.Control id="wider-says" value={says} maxLength={400} onChange={(e) => setSays(e.target.value)} />
          </div>
          <button type="submit" className="btn-line" disabled={says.trim() === ''}>
            Take it in
          </button>
        </form>
      )}
    </section>
  );
}
