import { useQuery } from '@tanstack/react-query';
import Form from 'react-bootstrap/Form';
import { queries } from '../api/queries.ts';
import { FieldError } from './field-error.tsx';
import type { Booking } from './use-booking.ts';

/** The unit by its serial, found while it is typed. */
export function UnitField({ booking }: { readonly booking: Booking }): React.JSX.Element {
  const { form, unit, pickUnit } = booking;
  const units = useQuery(queries.units(unit ? '' : (form.watch('serial') ?? '')));
  return (
    <div>
      <Form.Label htmlFor="serial">Serial on the unit</Form.Label>
      {unit ? (
        <div className="d-flex gap-2 align-items-center">
          <b style={{ fontSize: 20 }}>{unit.serial}</b> {unit.model}
          <button type="button" className="btn-line" onClick={() => pickUnit(undefined)}>
            Another unit
          </button>
        </div>
      ) : (
        <>
          <Form.Control
            id="serial"
            autoComplete="off"
            {...form.register('serial')}
            isInvalid={!!form.formState.errors.serial}
          />
          <div className="picks">
            {units.data?.map((u) => (
              <button type="button" key={u.id} className="btn-line" onClick={() => pickUnit(u)}>
                {u.serial}, {u.customer.name}
                {u.visits.length ? ', here before' : ''}
              </button>
            ))}
          </div>
          <FieldError form={form} name="serial" />
        </>
      )}
    </div>
  );
}

/** The customer, found while the name is typed. */
export function CustomerField({ booking }: { readonly booking: Booking }): React.JSX.Element {
  const { form, customer, pickCustomer } = booking;
  const customers = useQuery(queries.customers(customer ? '' : (form.watch('customerName') ?? '')));
  return (
    <div>
      <Form.Label htmlFor="customer">Customer</Form.Label>
      {customer ? (
        <div className="d-flex gap-2 align-items-center">
          <b style={{ fontSize: 20 }}>{customer.name}</b>
          <button type="button" className="btn-line" onClick={() => pickCustomer(undefined)}>
            Another
          </button>
        </div>
      ) : (
        <>
          <Form.Control
            id="customer"
            autoComplete="off"
            {...form.register('customerName')}
            isInvalid={!!form.formState.errors.customerName}
          />
          <div className="picks">
            {customers.data?.map((c) => (
              <button type="button" key={c.id} className="btn-line" onClick={() => pickCustomer(c)}>
                {c.name}
              </button>
            ))}
          </div>
          <FieldError form={form} name="customerName" />
        </>
      )}
    </div>
  );
}

/** What the customer says is wrong, and by which sheet it is worked. */
export function ComplaintAndSheet({ booking }: { readonly booking: Booking }): React.JSX.Element {
  const { form, forgetAnswers } = booking;
  const { errors } = form.formState;
  const sheets = useQuery(queries.sheets());
  const kinds = [...new Set((sheets.data ?? []).map((s) => s.kind))].sort();
  return (
    <>
      <div>
        <Form.Label htmlFor="complaint">What is wrong with it</Form.Label>
        <Form.Control
          id="complaint"
          as="textarea"
          rows={2}
          {...form.register('complaint')}
          isInvalid={!!errors.complaint}
        />
        <FieldError form={form} name="complaint" />
      </div>
      <div>
        <Form.Label htmlFor="sheet">Build sheet</Form.Label>
        <Form.Select id="sheet" {...form.register('sheet', { onChange: forgetAnswers })} isInvalid={!!errors.sheet}>
          <option value="">Choose</option>
          {kinds.map((kind) => (
            <optgroup key={kind} label={kind}>
              {sheets.data
                ?.filter((s) => s.kind === kind)
                .map((s) => (
                  <option key={s.id} value={s.id}>
                    {s.title}
                  </option>
                ))}
            </optgroup>
          ))}
        </Form.Select>
        <FieldError form={form} name="sheet" />
      </div>
    </>
  );
}
