import type { FloorView } from '@jubb/contract';
import { holdReasons, holdWords, type HoldReason } from '@jubb/core/bench';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Bench } from '../use-bench.ts';
import { Radios } from './radios.tsx';

const WHYS = holdReasons.map((w) => [w, holdWords(w).replace(/^./, (c) => c.toUpperCase())] as const);

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
  const [note, setNote] = useState('');
  const [why, setWhy] = useState<HoldReason>('parts');
  const [to, setTo] = useState('');
  const place = to || free[0] || '';
  return (
    <div>
      <Radios label="What does it wait for" choices={WHYS} chosen={why} choose={setWhy} />
      <Form.Label htmlFor="hold-note">For whoever picks it up again</Form.Label>
      <Form.Control id="hold-note" value={note} maxLength={400} onChange={(e) => setNote(e.target.value)} />
      <div className="d-flex gap-2 mt-2 align-items-center flex-wrap">
        {!parked && (
          <>
            <Form.Select
              aria-label="Place on the shelf"
              value={place}
              style={{ width: 150 }}
              onChange={(e) => setTo(e.target.value)}
            >
              {free.map((s) => (
                <option key={s}>{s}</option>
              ))}
            </Form.Select>
            <button
              type="button"
              className="btn-ink"
              disabled={!place}
              onClick={() => {
                if (bench.give({ type: 'park', why, note, to: place })) close();
              }}
            >
              Park it there
            </button>
          </>
        )}
        <button
          type="button"
          className="btn-line"
          onClick={() => {
            if (bench.give({ type: 'hold', why, note })) close();
          }}
        >
          {parked ? 'It waits for this too' : 'Hold it here'}
        </button>
        <button type="button" className="btn-line" onClick={end}>
          It ends otherwise <kbd>e</kbd>
        </button>
        <button type="button" className="btn-line ms-auto" onClick={close}>
          Close
        </button>
      </div>
    </div>
  );
}
