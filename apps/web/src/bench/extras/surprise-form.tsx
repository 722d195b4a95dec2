import { MOST_OF_A_PART } from '@jubb/core/bench';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Bench } from '../use-bench.ts';
import { Radios } from './radios.tsx';

const KINDS = [
  ['comes-off-first', 'Something else must come off first'],
  ['not-as-sheet', 'Not as the sheet says'],
  ['broken', 'Broken already'],
] as const;

/** The unit is not as the sheet says: a rung or a note goes into this job's ladder, and a lesson to the sheet. */
export function SurpriseForm({
  bench,
  close,
}: {
  readonly bench: Bench;
  readonly close: () => void;
}): React.JSX.Element {
  const [kind, setKind] = useState<(typeof KINDS)[number][0]>('comes-off-first');
  const [title, setTitle] = useState('');
  const [note, setNote] = useState('');
  const [parts, setParts] = useState([{ title: '', count: '1' }]);
  const [part, setPart] = useState('');
  const give = (): void => {
    const off = parts
      .filter((p) => p.title.trim() !== '')
      .map((p) => ({ title: p.title.trim(), count: Number(p.count) }));
    const done = bench.give({
      type: 'surprise',
      kind,
      title,
      note,
      ...(kind === 'comes-off-first' && off.length > 0 ? { parts: off } : {}),
      ...(kind === 'broken' ? { part } : {}),
    });
    if (done) close();
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        give();
      }}
    >
      <Radios label="What kind of surprise" choices={KINDS} chosen={kind} choose={setKind} />
      {kind === 'broken' && (
        <>
          <Form.Label htmlFor="broken-part">Which part</Form.Label>
          <Form.Select id="broken-part" value={part} onChange={(e) => setPart(e.target.value)}>
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
      <Form.Control id="surprise-title" value={title} maxLength={120} onChange={(e) => setTitle(e.target.value)} />
      {kind === 'comes-off-first' &&
        parts.map((p, i) => (
          <div key={i} className="d-flex gap-2 mt-2">
            <Form.Control
              aria-label={`Part ${i + 1} that comes off`}
              placeholder="part that comes off, such as guard"
              value={p.title}
              maxLength={80}
              onChange={(e) => setParts(parts.map((x, j) => (i === j ? { ...x, title: e.target.value } : x)))}
            />
            <Form.Control
              aria-label={`How many of part ${i + 1}`}
              type="number"
              min={1}
              max={MOST_OF_A_PART}
              value={p.count}
              style={{ width: 100 }}
              onChange={(e) => setParts(parts.map((x, j) => (i === j ? { ...x, count: e.target.value } : x)))}
            />
            {i === parts.length - 1 && (
              <button
                type="button"
                className="btn-line flex-shrink-0"
                onClick={() => setParts([...parts, { title: '', count: '1' }])}
              >
                Another
              </button>
            )}
          </div>
        ))}
      <Form.Label htmlFor="surprise-note">How, for the next one who meets it</Form.Label>
      <Form.Control id="surprise-note" value={note} maxLength={400} onChange={(e) => setNote(e.target.value)} />
      <div className="d-flex gap-2 mt-2">
        <button type="submit" className="btn-ink" disabled={!title.trim() || (kind === 'broken' && !part)}>
          {kind === 'comes-off-first' ? 'Put it into the ladder' : 'Put it on record'}
        </button>
        <button type="button" className="btn-line" onClick={close}>
          Close
        </button>
        <small className="align-self-center">The sheet gets it as a lesson.</small>
      </div>
    </form>
  );
}
