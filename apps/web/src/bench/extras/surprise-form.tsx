import { MOST_OF_A_PART } from '@jubb/core/bench';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useFieldArray, useForm } from 'react-hook-form';
import type { Bench } from '../use-bench.ts';
import { Radios } from './radios.tsx';

const KINDS = [
  ['comes-off-first', 'Something else must come off first'],
  ['not-as-sheet', 'Not as the sheet says'],
  ['broken', 'Broken already'],
] as const;

const NO_PART = { title: '', count: '1' };
interface Fields {
  readonly kind: (typeof KINDS)[number][0];
  readonly title: string;
  readonly note: string;
  readonly part: string;
  readonly parts: { readonly title: string; readonly count: string }[];
}

/** The unit is not as the sheet says: a rung or a note goes into this job's ladder, and a lesson to the sheet. */
export function SurpriseForm({
  bench,
  close,
}: {
  readonly bench: Bench;
  readonly close: () => void;
}): React.JSX.Element {
  const { control, register, handleSubmit, watch, setValue } = useForm<Fields>({
    defaultValues: { kind: 'comes-off-first', title: '', note: '', part: '', parts: [NO_PART] },
  });
  const rows = useFieldArray({ control, name: 'parts' });
  const [kind, title, part] = watch(['kind', 'title', 'part']);
  const give = handleSubmit((f) => {
    const off = f.parts
      .filter((p) => p.title.trim() !== '')
      .map((p) => ({ title: p.title.trim(), count: Number(p.count) }));
    const done = bench.give({
      type: 'surprise',
      kind: f.kind,
      title: f.title,
      note: f.note,
      ...(f.kind === 'comes-off-first' && off.length > 0 ? { parts: off } : {}),
      ...(f.kind === 'broken' ? { part: f.part } : {}),
    });
    if (done) close();
  });
  return (
    <form noValidate onSubmit={(e) => void give(e)}>
      <Radios label="What kind of surprise" choices={KINDS} chosen={kind} choose={(k) => setValue('kind', k)} />
      {kind === 'broken' && (
        <>
          <Form.Label htmlFor="broken-part">Which part</Form.Label>
          <Form.Select id="broken-part" {...register('part')}>
            <option value="">Choose</option>
            {Object.values(bench.sheet.parts).map((p) => (
              <option key={p.id} value={p.id}>
                {p.title}
              </option>
            ))}
          </Form.Select>
        </>
      )}
      <Form.Label htmlFor="surprise-title">
        {kind === 'comes-off-first' ? 'What must come off' : 'What is it, in a few words'}
      </Form.Label>
      <Form.Control id="surprise-title" maxLength={120} {...register('title')} />
      {kind === 'comes-off-first' &&
        rows.fields.map((row, i) => (
          <div key={row.id} className="d-flex gap-2 mt-2">
            <Form.Control
              aria-label={`Part ${i + 1} that comes off`}
              placeholder="part that comes off, such as guard"
              maxLength={80}
              {...register(`parts.${i}.title`)}
            />
            <Form.Control
              aria-label={`How many of part ${i + 1}`}
              type="number"
              min={1}
              max={MOST_OF_A_PART}
              style={{ width: 100 }}
              {...register(`parts.${i}.count`)}
            />
            {i === rows.fields.length - 1 && (
              <Button variant="line" className="flex-shrink-0" onClick={() => rows.append(NO_PART)}>
                Another
              </Button>
            )}
          </div>
        ))}
      <Form.Label htmlFor="surprise-note">How, for the next one who meets it</Form.Label>
      <Form.Control id="surprise-note" maxLength={400} {...register('note')} />
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" variant="ink" disabled={!title.trim() || (kind === 'broken' && !part)}>
          {kind === 'comes-off-first' ? 'Put it into the ladder' : 'Put it on record'}
        </Button>
        <Button variant="line" onClick={close}>
          Close
        </Button>
        <small className="align-self-center">The sheet gets it as a lesson.</small>
      </div>
    </form>
  );
}
