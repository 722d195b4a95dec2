import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Bench } from '../use-bench.ts';
import { Radios } from './radios.tsx';

const KINDS = [
  ['mark', 'A mark'],
  ['aid', 'An aid put in'],
  ['lead', 'Something parted'],
] as const;

/** A mark, an aid or something parted that the sheet does not name: it too is counted until it is put right. */
export function AddForm({ bench, close }: { readonly bench: Bench; readonly close: () => void }): React.JSX.Element {
  const [kind, setKind] = useState<(typeof KINDS)[number][0]>('mark');
  const [title, setTitle] = useState('');
  const [where, setWhere] = useState('');
  const [between, setBetween] = useState<readonly [string, string]>(['', '']);
  const [tool, setTool] = useState('paint');
  const give = (): void => {
    const done =
      kind === 'mark'
        ? bench.give({ type: 'add-mark', between, where, with: tool })
        : bench.give({ type: kind === 'aid' ? 'add-aid' : 'add-lead', title, where });
    if (done) close();
  };
  const parts = Object.values(bench.sheet.parts);
  const choose = (i: 0 | 1): React.JSX.Element => (
    <Form.Select
      aria-label={i === 0 ? 'One part' : 'The other part'}
      value={between[i]}
      onChange={(e) => setBetween(i === 0 ? [e.target.value, between[1]] : [between[0], e.target.value])}
    >
      <option value="">{i === 0 ? 'One part' : 'The other part'}</option>
      {parts.map((p) => (
        <option key={p.id} value={p.id}>
          {p.title}
        </option>
      ))}
    </Form.Select>
  );
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        give();
      }}
    >
      <Radios label="What is put on record" choices={KINDS} chosen={kind} choose={setKind} />
      {kind === 'mark' ? (
        <div className="d-flex gap-2 mt-2">
          {choose(0)}
          {choose(1)}
          <Form.Control aria-label="With what" value={tool} maxLength={60} onChange={(e) => setTool(e.target.value)} />
        </div>
      ) : (
        <>
          <Form.Label htmlFor="thing-title">{kind === 'aid' ? 'What was put in' : 'What was parted'}</Form.Label>
          <Form.Control id="thing-title" value={title} maxLength={80} onChange={(e) => setTitle(e.target.value)} />
        </>
      )}
      <Form.Label htmlFor="thing-where">Where</Form.Label>
      <Form.Control id="thing-where" value={where} maxLength={120} onChange={(e) => setWhere(e.target.value)} />
      <div className="d-flex gap-2 mt-2">
        <button
          type="submit"
          className="btn-ink"
          disabled={!where.trim() || (kind === 'mark' ? !between[0] || !between[1] : !title.trim())}
        >
          {kind === 'mark' ? 'The mark is made' : kind === 'aid' ? 'It is in' : 'It is parted'}
        </button>
        <button type="button" className="btn-line" onClick={close}>
          Close
        </button>
      </div>
    </form>
  );
}
