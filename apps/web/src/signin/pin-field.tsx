import Form from 'react-bootstrap/Form';
import type { UseFormRegisterReturn } from 'react-hook-form';

/** A PIN or a pass phrase as it is typed: never shown, never filled in by the browser. */
export function PinField({
  id,
  input,
  wide = false,
}: {
  readonly id: string;
  readonly input: UseFormRegisterReturn;
  readonly wide?: boolean;
}): React.JSX.Element {
  return (
    <Form.Control
      id={id}
      type="password"
      autoComplete="off"
      maxLength={64}
      aria-describedby={`${id}-error`}
      style={wide ? { fontSize: 22 } : { maxWidth: 260, fontSize: 22 }}
      {...input}
    />
  );
}
