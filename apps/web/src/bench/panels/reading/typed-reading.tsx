import type { Dimension, Quantity } from '@jubb/core/quantities';
import Button from 'react-bootstrap/Button';
import { useForm } from 'react-hook-form';
import { errorOf, QuantityField, readTyped } from '../../../fields/quantity-field.tsx';

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
  const { register, handleSubmit, watch, setValue, reset, formState } = useForm({ defaultValues: { text: '' } });
  const own = unit.replace(/^[−-]?[\d.,\s\u202f]+/, '') || unit;
  register('text', { validate: (text) => errorOf(readTyped(text, dimension, own)) });
  const submit = handleSubmit(({ text }) => {
    const typed = readTyped(text, dimension, own);
    if ('value' in typed && take(typed.value) !== false) reset();
  });
  return (
    <form noValidate onSubmit={(e) => void submit(e)} className="typedreading mt-2">
      <div>
        <QuantityField
          id="typed"
          label={label}
          unit={own}
          value={watch('text')}
          set={(text) => setValue('text', text)}
          error={formState.errors.text?.message}
        />
      </div>
      <Button type="submit" variant="line">
        Take
      </Button>
    </form>
  );
}
