import { pullTorque } from '@jubb/core/bench';
import { formatReading, type Quantity } from '@jubb/core/quantities';
import { useState, type FormEvent } from 'react';
import { QuantityField, readTyped } from '../../../fields/quantity-field.tsx';

/**
 * A torque read with a pull scale: what the scale shows, and how far from the axis it pulls, square to the arm. The torque is
 * their product; both stand in the fields until it is taken.
 */
export function PullReading({ take }: { readonly take: (torque: Quantity) => boolean | void }): React.JSX.Element {
  const [pull, setPull] = useState('');
  const [radius, setRadius] = useState('');
  const [errors, setErrors] = useState<{ readonly pull?: string; readonly radius?: string }>({});
  const torque = torqueOf(pull, radius);
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    if ('errors' in torque) return setErrors(torque.errors);
    setErrors({});
    if (take(torque.value) !== false) setPull('');
  };
  return (
    <details className="mt-2">
      <summary>Read in newtons, at a radius</summary>
      <form onSubmit={submit} className="typedreading mt-1">
        <div className="d-flex gap-2 flex-wrap">
          <QuantityField
            id="pull-force"
            label="The scale shows"
            unit="N"
            value={pull}
            set={setPull}
            error={errors.pull}
          />
          <QuantityField
            id="pull-radius"
            label="From the axis to where it pulls"
            unit="mm"
            value={radius}
            set={setRadius}
            error={errors.radius}
          />
        </div>
        <button type="submit" className="btn-line">
          {'value' in torque ? `Take ${formatReading(torque.value)}` : 'Take'}
        </button>
      </form>
    </details>
  );
}

/**
 * Force times radius, for a pull square to the arm.
 * @returns the torque to four figures, or what is wrong with which field
 */
export function torqueOf(
  pull: string,
  radius: string,
): { readonly value: Quantity } | { readonly errors: { readonly pull?: string; readonly radius?: string } } {
  const [f, r] = [readTyped(pull, 'force', 'N'), readTyped(radius, 'length', 'mm')];
  if ('error' in f || 'error' in r)
    return { errors: { ...('error' in f ? { pull: f.error } : {}), ...('error' in r ? { radius: r.error } : {}) } };
  return { value: pullTorque(f.value, r.value) };
}
