import { pullTorque } from '@jubb/core/bench';
import { formatReading, type Quantity } from '@jubb/core/quantities';
import Button from 'react-bootstrap/Button';
import { useForm } from 'react-hook-form';
import { errorOf, QuantityField, readTyped } from '../../../fields/quantity-field.tsx';

/**
 * A torque read with a pull scale: what the scale shows, and how far from the axis it pulls, square to the arm. The torque is
 * their product; both stand in the fields until it is taken.
 */
export function PullReading({ take }: { readonly take: (torque: Quantity) => boolean | void }): React.JSX.Element {
  const { register, handleSubmit, watch, setValue, formState } = useForm({ defaultValues: { pull: '', radius: '' } });
  register('pull', { validate: (pull) => errorOf(readTyped(pull, 'force', 'N')) });
  register('radius', { validate: (radius) => errorOf(readTyped(radius, 'length', 'mm')) });
  const [pull, radius] = watch(['pull', 'radius']);
  const torque = torqueOf(pull, radius);
  const submit = handleSubmit((f) => {
    const read = torqueOf(f.pull, f.radius);
    if (read && take(read) !== false) setValue('pull', '');
  });
  return (
    <details className="mt-2">
      <summary>Read in newtons, at a radius</summary>
      <form noValidate onSubmit={(e) => void submit(e)} className="typedreading mt-1">
        <div className="d-flex gap-2 flex-wrap">
          <QuantityField
            id="pull-force"
            label="The scale shows"
            unit="N"
            value={pull}
            set={(text) => setValue('pull', text)}
            error={formState.errors.pull?.message}
          />
          <QuantityField
            id="pull-radius"
            label="From the axis to where it pulls"
            unit="mm"
            value={radius}
            set={(text) => setValue('radius', text)}
            error={formState.errors.radius?.message}
          />
        </div>
        <Button type="submit" variant="line">
          {torque ? `Take ${formatReading(torque)}` : 'Take'}
        </Button>
      </form>
    </details>
  );
}

/**
 * Force times radius, for a pull square to the arm.
 * @returns the torque to four figures; undefined while one of the two is no figure
 */
export function torqueOf(pull: string, radius: string): Quantity | undefined {
  const [f, r] = [readTyped(pull, 'force', 'N'), readTyped(radius, 'length', 'mm')];
  return 'error' in f || 'error' in r ? undefined : pullTorque(f.value, r.value);
}
