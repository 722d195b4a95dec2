import type { UseFormReturn } from 'react-hook-form';
import type { Fields } from './use-booking.ts';

/** What is wrong with a field, where it stands. */
export function FieldError({
  form,
  name,
}: {
  readonly form: UseFormReturn<Fields>;
  readonly name: Exclude<keyof Fields, 'answers' | 'opened' | 'commandId'>;
}): React.JSX.Element | null {
  const says = form.formState.errors[name]?.message;
  return says ? (
    <p className="field-error" role="alert">
      {says}
    </p>
  ) : null;
}
