import { parseInUnit, QuantityError, type Dimension, type Quantity } from '@jubb/core/quantities';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import InputGroup from 'react-bootstrap/InputGroup';
import { NumberPad, usePad } from './number-pad.tsx';

/** A figure with its unit standing in the field: a bare number is in that unit, another unit may be typed after it. */
export function QuantityField({
  id,
  label,
  unit,
  value,
  set,
  error,
}: {
  readonly id: string;
  readonly label: string;
  readonly unit: string;
  readonly value: string;
  readonly set: (text: string) => void;
  readonly error: string | undefined;
}): React.JSX.Element {
  const [pad, turnPad] = usePad();
  return (
    <>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <InputGroup>
        <Form.Control
          id={id}
          value={value}
          autoComplete="off"
          inputMode="decimal"
          onChange={(e) => set(e.target.value)}
          aria-describedby={`${id}-unit ${id}-error`}
          style={{ fontSize: 20 }}
        />
        <InputGroup.Text id={`${id}-unit`}>{unit}</InputGroup.Text>
        <Button variant="line" className="padturn" aria-expanded={pad} aria-label="123: number pad" onClick={turnPad}>
          123
        </Button>
      </InputGroup>
      {pad && <NumberPad value={value} set={set} label={label.toLowerCase()} />}
      <p id={`${id}-error`} className="field-error" role="alert">
        {error}
      </p>
    </>
  );
}

/** What was typed, or why it is no figure. */
export function readTyped(
  text: string,
  dimension: Dimension,
  unit: string,
): { readonly value: Quantity } | { readonly error: string } {
  try {
    return { value: parseInUnit(text, dimension, unit) };
  } catch (e) {
    if (e instanceof QuantityError) return { error: `${e.message}; taken is ${e.accepted}` };
    throw e;
  }
}

/** What is wrong with what was typed, as a form asks for it. */
export const errorOf = (typed: ReturnType<typeof readTyped>): string | undefined =>
  'error' in typed ? typed.error : undefined;
