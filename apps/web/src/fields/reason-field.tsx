import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';

const LONGEST = 400;

/** A reason in free words, with usual ones to press beside it. */
export function ReasonField({
  id,
  label,
  value,
  set,
  ready,
}: {
  readonly id: string;
  readonly label: string;
  readonly value: string;
  readonly set: (text: string) => void;
  readonly ready: readonly string[];
}): React.JSX.Element {
  return (
    <div className="reason">
      <Form.Label htmlFor={id} className="mb-0">
        {label}
      </Form.Label>
      <Form.Control id={id} value={value} maxLength={LONGEST} onChange={(e) => set(e.target.value)} />
      {ready.length > 0 && (
        <div className="d-flex gap-2 flex-wrap mt-2" role="group" aria-label="Usual reasons">
          {ready.map((r) => (
            <Button key={r} variant="line" aria-pressed={value === r} onClick={() => set(r)}>
              {r}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}

/** Why something bad is taken so. */
export const TAKEN_SO: readonly string[] = [
  'The customer wants it so',
  'Looked at twice: it is safe so',
  'No part to be had',
];
/** Why what was said was wrong. */
export const SAID_WRONG: readonly string[] = ['Typed wrong', 'Read wrong', 'Pressed the wrong one'];
/** What is seen of a part that no reading speaks of. */
export const SEEN: readonly string[] = ['No wear to see or feel', 'Worn', 'Pitted', 'Scored', 'Cracked'];
