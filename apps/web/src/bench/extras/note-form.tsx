import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import type { Bench } from '../use-bench.ts';

/** A note at this step, for whoever comes next; and a timer for anything that has none. */
export function NoteForm({ bench, close }: { readonly bench: Bench; readonly close: () => void }): React.JSX.Element {
  const { register, handleSubmit, watch } = useForm({ defaultValues: { text: '', minutes: '30' } });
  const [title, minutes] = [watch('text').trim(), Number(watch('minutes'))];
  const keep = handleSubmit(({ text }) => {
    if (bench.give({ type: 'note', text })) close();
  });
  const start = (): void => {
    if (bench.give({ type: 'start-timer', title, minutes, kind: 'other' })) close();
  };
  return (
    <form noValidate onSubmit={(e) => void keep(e)}>
      <Form.Label htmlFor="note-text">Note, for whoever comes next</Form.Label>
      <Form.Control id="note-text" maxLength={400} {...register('text')} />
      <div className="d-flex gap-2 mt-2 align-items-center flex-wrap">
        <Button type="submit" variant="ink" disabled={!title}>
          Keep it
        </Button>
        <Button variant="line" disabled={!title || !(minutes > 0)} onClick={start}>
          Start it as a timer
        </Button>
        <Form.Control
          type="number"
          min={1}
          max={10080}
          aria-label="Minutes of the timer"
          style={{ width: 110 }}
          {...register('minutes')}
        />
        <span>min</span>
        <Button variant="line" className="ms-auto" onClick={close}>
          Close
        </Button>
      </div>
    </form>
  );
}
