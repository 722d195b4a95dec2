import { parseQuantity, QuantityError, type Dimension, type Quantity } from '@jubb/core/quantities';
import { useState, type FormEvent } from 'react';
import Form from 'react-bootstrap/Form';

/** A reading typed by hand, with its unit; a bare number is asked for its unit. */
export function TypedReading({
  dimension,
  label,
  unit,
  take,
}: {
  readonly dimension: Dimension;
  readonly label: string;
  readonly unit: string;
  /** False when it was not taken: what was typed stays. */
  readonly take: (q: Quantity) => boolean | void;
}): React.JSX.Element {
  const [text, setText] = useState('');
  const [error, setError] = useState<string>();
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    try {
      if (take(parseQuantity(text, dimension)) !== false) setText('');
      setError(undefined);
    } catch (e2) {
      if (!(e2 instanceof QuantityError)) throw e2;
      setError(e2.message);
    }
  };
  return (
    <form onSubmit={submit} className="mt-2">
      <Form.Label htmlFor="typed">{label}</Form.Label>
      <div className="d-flex gap-2">
        <Form.Control
          id="typed"
          value={text}
          autoComplete="off"
          placeholder={`with its unit, such as ${unit}`}
          onChange={(e) => setText(e.target.value)}
          aria-describedby="typed-error"
          style={{ fontSize: 20 }}
        />
        <button type="submit" className="btn-line">
          Take
        </button>
      </div>
      <p id="typed-error" className="field-error" role="alert">
        {error}
      </p>
    </form>
  );
}
