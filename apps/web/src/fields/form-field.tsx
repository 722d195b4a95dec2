import Form from 'react-bootstrap/Form';
import type { UseFormRegisterReturn } from 'react-hook-form';
import { Wrong } from './wrong.tsx';

/** A field of a form of the shop: its label, its input, and what is wrong with it. */
export function Field({
  label,
  input,
  wrong,
  ...more
}: {
  readonly label: string;
  readonly input: UseFormRegisterReturn;
  readonly wrong: string | undefined;
  readonly type?: string;
  readonly inputMode?: 'decimal' | 'numeric';
  readonly placeholder?: string;
}): React.JSX.Element {
  const id = `field-${input.name.replaceAll('.', '-')}`;
  return (
    <div>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control
        id={id}
        autoComplete="off"
        isInvalid={wrong !== undefined}
        aria-describedby={wrong === undefined ? undefined : `${id}-wrong`}
        {...more}
        {...input}
      />
      <Wrong id={`${id}-wrong`} says={wrong} />
    </div>
  );
}

/** A choice of a form of the shop. */
export function Choice({
  label,
  input,
  options,
}: {
  readonly label: string;
  readonly input: UseFormRegisterReturn;
  readonly options: readonly (readonly [value: string, title: string])[];
}): React.JSX.Element {
  const id = `field-${input.name.replaceAll('.', '-')}`;
  return (
    <div>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Select id={id} {...input}>
        {options.map(([value, title]) => (
          <option key={value} value={value}>
            {title}
          </option>
        ))}
      </Form.Select>
    </div>
  );
}
