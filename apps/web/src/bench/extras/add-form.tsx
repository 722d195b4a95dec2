import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import type { Bench } from '../use-bench.ts';
import { Radios } from './radios.tsx';

const KINDS = [
  ['mark', 'A mark'],
  ['aid', 'An aid put in'],
  ['lead', 'Something parted'],
] as const;

interface Fields {
  readonly kind: (typeof KINDS)[number][0];
  readonly title: string;
  readonly where: string;
  readonly one: string;
  readonly other: string;
  readonly tool: string;
}

/** A mark, an aid or something parted that the sheet does not name: it too is counted until it is put right. */
export function AddForm({ bench, close }: { readonly bench: Bench; readonly close: () => void }): React.JSX.Element {
  const { register, handleSubmit, watch, setValue } = useForm<Fields>({
    defaultValues: { kind: 'mark', title: '', where: '', one: '', other: '', tool: 'paint' },
  });
  const { kind, title, where, one, other } = watch();
  const give = handleSubmit((f) => {
    const done =
      f.kind === 'mark'
        ? bench.give({ type: 'add-mark', between: [f.one, f.other], where: f.where, with: f.tool })
        : bench.give({ type: f.kind === 'aid' ? 'add-aid' : 'add-lead', title: f.title, where: f.where });
    if (done) close();
  });
  const parts = Object.values(bench.sheet.parts);
  const choose = (which: 'one' | 'other', label: string): React.JSX.Element => (
    <Form.Select aria-label={label} {...register(which)}>
      <option value="">{label}</option>
      {parts.map((p) => (
        <option key={p.id} value={p.id}>
          {p.title}
        </option>
      ))}
    </Form.Select>
  );
  return (
    <form noValidate onSubmit={(e) => void give(e)}>
      <Radios label="What is put on record" choices={KINDS} chosen={kind} choose={(k) => setValue('kind', k)} />
      {kind === 'mark' ? (
        <div className="d-flex gap-2 mt-2">
          {choose('one', 'One part')}
          {choose('other', 'The other part')}
          <Form.Control aria-label="With what" maxLength={60} {...register('tool')} />
        </div>
      ) : (
        <>
          <Form.Label htmlFor="thing-title">{kind === 'aid' ? 'What was put in' : 'What was parted'}</Form.Label>
          <Form.Control id="thing-title" maxLength={80} {...register('title')} />
        </>
      )}
      <Form.Label htmlFor="thing-where">Where</Form.Label>
      <Form.Control id="thing-where" maxLength={120} {...register('where')} />
      <div className="d-flex gap-2 mt-2">
        <Button
          type="submit"
          variant="ink"
          disabled={!where.trim() || (kind === 'mark' ? !one || !other : !title.trim())}
        >
          {kind === 'mark' ? 'The mark is made' : kind === 'aid' ? 'It is in' : 'It is parted'}
        </Button>
        <Button variant="line" onClick={close}>
          Close
        </Button>
      </div>
    </form>
  );
}
