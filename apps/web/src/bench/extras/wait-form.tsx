import type { FloorView } from '@jubb/contract';
import { holdReasons, holdWords, type HoldReason } from '@jubb/core/bench';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import type { Bench } from '../use-bench.ts';
import { Radios } from './radios.tsx';

const WHYS = holdReasons.map((w) => [w, holdWords(w).replace(/^./, (c) => c.toUpperCase())] as const);

interface Fields {
  readonly why: HoldReason;
  readonly note: string;
  readonly to: string;
}

/** What the job waits for: held where it stands, or parked on the shelf with a note for the next hands. */
export function WaitForm({
  bench,
  floor,
  end,
  close,
}: {
  readonly bench: Bench;
  readonly floor: FloorView | undefined;
  /** It waits for nothing any more: it ends otherwise than repaired. */
  readonly end: () => void;
  readonly close: () => void;
}): React.JSX.Element {
  const parked = bench.state.parked !== undefined;
  const free = (floor?.shelves ?? []).filter((s) => !floor?.jobs.some((j) => j.place === s));
  const { register, handleSubmit, watch, setValue } = useForm<Fields>({
    defaultValues: { why: 'parts', note: '', to: '' },
  });
  const place = watch('to') || free[0] || '';
  const park = handleSubmit(({ why, note }) => {
    if (bench.give({ type: 'park', why, note, to: place })) close();
  });
  const hold = handleSubmit(({ why, note }) => {
    if (bench.give({ type: 'hold', why, note })) close();
  });
  return (
    <form noValidate onSubmit={(e) => e.preventDefault()}>
      <Radios label="What does it wait for" choices={WHYS} chosen={watch('why')} choose={(w) => setValue('why', w)} />
      <Form.Label htmlFor="hold-note">For whoever picks it up again</Form.Label>
      <Form.Control id="hold-note" maxLength={400} {...register('note')} />
      <div className="d-flex gap-2 mt-2 align-items-center flex-wrap">
        {!parked && (
          <>
            <Form.Select
              aria-label="Place on the shelf"
              value={place}
              style={{ width: 150 }}
              onChange={(e) => setValue('to', e.target.value)}
            >
              {free.map((s) => (
                <option key={s}>{s}</option>
              ))}
            </Form.Select>
            <Button variant="ink" disabled={!place} onClick={() => void park()}>
              Park it there
            </Button>
          </>
        )}
        <Button variant="line" onClick={() => void hold()}>
          {parked ? 'It waits for this too' : 'Hold it here'}
        </Button>
        <Button variant="line" onClick={end}>
          It ends otherwise <kbd>e</kbd>
        </Button>
        <Button variant="line" className="ms-auto" onClick={close}>
          Close
        </Button>
      </div>
    </form>
  );
}
