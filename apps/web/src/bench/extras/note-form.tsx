import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Bench } from '../use-bench.ts';

/** A note at this step, for whoever comes next; and a timer for anything that has none. */
export function NoteForm({ bench, close }: { readonly bench: Bench; readonly close: () => void }): React.JSX.Element {
  const [text, setText] = useState('');
  const [minutes, setMinutes] = useState('30');
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        if (bench.give({ type: 'note', text })) close();
      }}
    >
      <Form.Label htmlFor="note-text">Note, for whoever comes next</Form.Label>
      <Form.Control id="note-text" value={text} maxLength={400} onChange={(e) => setText(e.target.value)} />
      <div className="d-flex gap-2 mt-2 align-items-center flex-wrap">
        <button type="submit" className="btn-ink" disabled={!text.trim()}>
          Keep it
        </button>
        <button
          type="button"
          className="btn-line"
          disabled={!text.trim() || !(Number(minutes) > 0)}
          onClick={() => {
            if (bench.give({ type: 'start-timer', title: text.trim(), minutes: Number(minutes), kind: 'other' }))
              close();
          }}
        >
          Start it as a timer
        </button>
        <Form.Control
          type="number"
          min={1}
          max={10080}
          aria-label="Minutes of the timer"
          value={minutes}
          style={{ width: 110 }}
          onChange={(e) => setMinutes(e.target.value)}
        />
        <span>min</span>
        <button type="button" className="btn-line ms-auto" onClick={close}>
          Close
        </button>
      </div>
    </form>
  );
}
