import Form from 'react-bootstrap/Form';

/** A PIN or a pass phrase as it is typed: never shown, never filled in by the browser. */
export function PinField({
  id,
  value,
  set,
  wide = false,
}: {
  readonly id: string;
  readonly value: string;
  readonly set: (value: string) => void;
  readonly wide?: boolean;
}): React.JSX.Element {
  return (
    <Form.Control
      id={id}
      type="password"
      autoComplete="off"
      maxLength={64}
      value={value}
      onChange={(e) => set(e.target.value)}
      aria-describedby={`${id}-error`}
      style={wide ? { fontSize: 22 } : { maxWidth: 260, fontSize: 22 }}
    />
  );
}
