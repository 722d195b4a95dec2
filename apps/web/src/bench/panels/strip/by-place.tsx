import { takesWords } from '@jubb/core/bench';
import type { Joint } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Go } from '../panel.tsx';

/** Fasteners that are not all alike: as each comes out it is looked at, and said whether the sheet has it right. */
export function ByPlace({
  joint,
  say,
}: {
  readonly joint: Joint;
  readonly say: (answer: 'yes' | 'no', note?: string) => void;
}): React.JSX.Element {
  const [other, setOther] = useState(false);
  const [note, setNote] = useState('');
  return (
    <>
      <ul className="lines">
        {takesWords(joint).map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
      {other ? (
        <>
          <Form.Label htmlFor="by-place">Which came out where?</Form.Label>
          <Form.Control id="by-place" value={note} maxLength={400} onChange={(e) => setNote(e.target.value)} />
          <Go label="All loose, and written down" act={() => say('no', note)} disabled={note.trim() === ''} />
        </>
      ) : (
        <>
          <Button variant="line" onClick={() => setOther(true)}>
            They are not so
          </Button>
          <Go label="All loose, each as it says" act={() => say('yes')} />
        </>
      )}
    </>
  );
}
