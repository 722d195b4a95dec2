import { ladderOf } from '@jubb/core/bench';
import { scopeTitle, widerScopes } from '@jubb/core/sheet';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import type { Bench } from '../bench/use-bench.ts';

/** Takes more of the unit into the job than was booked, once whoever pays has said yes. Nothing where all of it is in. */
export function WiderScope({ bench }: { readonly bench: Bench }): React.JSX.Element | null {
  const { sheet, state } = bench;
  const wider = widerScopes(sheet, state.scope);
  const { register, handleSubmit, watch } = useForm({ defaultValues: { scope: wider[0]?.id ?? '', says: '' } });
  const widen = handleSubmit(({ scope, says }) => void bench.give({ type: 'widen-scope', scope, says }));
  const begun = ladderOf(sheet, state).build.some((s) => s.ops.some((o) => state.done[o.id]));
  if (wider.length === 0 || state.signed || state.end) return null;
  return (
    <section>
      <h3>Booked: {scopeTitle(sheet, state.scope)}</h3>
      {begun ? (
        <p className="m-0">It is being put together: to take more in, go back to the bottom first.</p>
      ) : (
        <form className="wider" noValidate onSubmit={(e) => void widen(e)}>
          <div>
            <Form.Label htmlFor="wider-scope">Take in more</Form.Label>
            <Form.Select id="wider-scope" {...register('scope')}>
              {wider.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.title}
                </option>
              ))}
            </Form.Select>
          </div>
          <div>
            <Form.Label htmlFor="wider-says">Who agreed, and how?</Form.Label>
            <Form.Control id="wider-says" maxLength={400} {...register('says')} />
          </div>
          <Button type="submit" variant="line" disabled={watch('says').trim() === ''}>
            Take it in
          </Button>
        </form>
      )}
    </section>
  );
}
