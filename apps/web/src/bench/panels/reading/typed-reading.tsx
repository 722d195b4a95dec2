import type { Dimension, Quantity } from '@jubb/core/quantities';
import { useState, type FormEvent } from 'react';
import { QuantityField, readTyped } from '../../../fields/quantity-field.tsx';

/** A reading typed by hand: a bare number is in the unit that stands in the field. */
export function TypedReading({
  dimension,
  label,
  unit,
  take,
}: {
  readonly dimension: Dimension;
  readonly label: string;
  /** The unit that the field shows, or a figure in it. */
  readonly unit: string;
  /** False when it was not taken: what was typed stays. */
  readonly take: (q: Quantity) => boolean | void;
}): React.JSX.Element {
  const [text, setText] = useState('');
  const [error, setError] = useState<string>();
  const own = unit.replace(/^[−-]?[\d.,\s\u202f]+/, '') || unit;
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    const typed = readTyped(text, dimension, own);
    setError('error' in typed ? typed.error : undefined);
    if ('value' in typed && take(typed.value) !== false) setText('');
  };
  return (
    <form onSubmit={submit} className="typedreading mt-2">
      <div>
        <QuantityField id="typed" label={label} unit={own} value={text} set={setText} error={error} />
      </div>
      <button type="submit" className="btn-line">
        Take
      </button>
    </form>
  );
}
