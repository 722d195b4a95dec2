import { useQuery } from '@tanstack/react-query';
import Form from 'react-bootstrap/Form';
import { queries } from '../api/queries.ts';
import { FieldError } from './field-error.tsx';
import type { Booking } from './use-booking.ts';

/** By when, for how much, how it runs and where it goes: each may be left open. */
export function LastRow({
  booking: { form },
  currency,
}: {
  readonly booking: Booking;
  readonly currency: string;
}): React.JSX.Element {
  const { data: floor } = useQuery(queries.floor());
  const freePlaces = (floor?.places ?? []).filter((p) => !floor?.jobs.some((j) => j.place === p));
  return (
    <div className="wide lastrow">
      <div className="flex-fill">
        <Form.Label htmlFor="deliveryDate">Wanted by</Form.Label>
        <Form.Control
          id="deliveryDate"
          type="datetime-local"
          {...form.register('deliveryDate', { setValueAs: (v: string) => (v ? new Date(v).toISOString() : undefined) })}
        />
        <FieldError form={form} name="deliveryDate" />
      </div>
      <div className="flex-fill">
        <Form.Label htmlFor="limit">May be spent, {currency}</Form.Label>
        <Form.Control
          id="limit"
          type="number"
          min={0}
          {...form.register('spendLimitMinor', {
            setValueAs: (v: string) =>
              v === '' || v === undefined || v === null ? undefined : Math.round(Number(v) * 100),
          })}
        />
        <FieldError form={form} name="spendLimitMinor" />
      </div>
      <div className="flex-fill">
        <Form.Label htmlFor="runs">Runs, hours a week</Form.Label>
        <Form.Control
          id="runs"
          inputMode="decimal"
          placeholder="not known"
          isInvalid={!!form.formState.errors.hoursPerWeek}
          {...form.register('hoursPerWeek', {
            setValueAs: (v: string | number | undefined) => (v === '' || v === undefined ? undefined : Number(v)),
          })}
        />
        <FieldError form={form} name="hoursPerWeek" />
      </div>
      <div className="flex-fill">
        <Form.Label htmlFor="place">Bench</Form.Label>
        <Form.Select id="place" {...form.register('place', { setValueAs: (v: string) => v || undefined })}>
          <option value="">none yet</option>
          {freePlaces.map((p) => (
            <option key={p}>{p}</option>
          ))}
        </Form.Select>
      </div>
    </div>
  );
}
