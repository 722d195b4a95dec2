import { useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { queries } from '../api/queries.ts';
import { FULL_SCOPE, scopeTitle, type Sheet } from '@jubb/core/sheet';
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
          <Button variant="line" onClick={() => pickUnit(undefined)}>
            Another unit
          </Button>
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
              <Button key={u.id} variant="line" onClick={() => pickUnit(u)}>
                {u.serial}, {u.customer.name}
                {u.visits.length ? ', here before' : ''}
              </Button>
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
          <Button variant="line" onClick={() => pickCustomer(undefined)}>
            Another
          </Button>
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
              <Button key={c.id} variant="line" onClick={() => pickCustomer(c)}>
                {c.name}
              </Button>
            ))}
          </div>
          <FieldError form={form} name="customerName" />
        </>
      )}
    </div>
  );
}

/** What the customer says is wrong, and by which sheet it is worked. */
export function ComplaintAndSheet({
  booking,
  sheet,
}: {
  readonly booking: Booking;
  readonly sheet: Sheet | undefined;
}): React.JSX.Element {
  const { form, forgetAnswers } = booking;
  const another = (): void => {
    forgetAnswers();
    form.setValue('scope', undefined);
  };
  const { errors } = form.formState;
  const sheets = useQuery(queries.sheets());
  // What the shop does not take in is not offered; a unit that is known keeps its own.
  const offered = (sheets.data ?? []).filter((s) => s.notDone !== true || s.id === sheet?.id);
  const kinds = [...new Set(offered.map((s) => s.kind))].sort();
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
        <Form.Select id="sheet" {...form.register('sheet', { onChange: another })} isInvalid={!!errors.sheet}>
          <option value="">Choose</option>
          {kinds.map((kind) => (
            <optgroup key={kind} label={kind}>
              {offered
                .filter((s) => s.kind === kind)
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
      {sheet && <ScopeField booking={booking} sheet={sheet} />}
    </>
  );
}

/** How much of the unit it is about, for a sheet that knows of less than all of it. */
function ScopeField({
  booking,
  sheet,
}: {
  readonly booking: Booking;
  readonly sheet: Sheet;
}): React.JSX.Element | null {
  const { form } = booking;
  const less = Object.values(sheet.scopes).filter((s) => s.id !== FULL_SCOPE);
  const chosen = sheet.scopes[form.watch('scope') ?? FULL_SCOPE];
  if (less.length === 0) return null;
  return (
    <div>
      <Form.Label htmlFor="scope">How much of it</Form.Label>
      <Form.Select
        id="scope"
        aria-describedby="scope-when"
        {...form.register('scope', { setValueAs: (v: string | undefined) => v || undefined })}
      >
        <option value="">{scopeTitle(sheet, FULL_SCOPE)}</option>
        {less.map((s) => (
          <option key={s.id} value={s.id}>
            {s.title}
          </option>
        ))}
      </Form.Select>
      <small id="scope-when" className="quiet">
        {chosen?.asks === undefined ? 'More can be taken in later, with a yes.' : `When: ${chosen.asks}.`}
      </small>
      <FieldError form={form} name="scope" />
    </div>
  );
}
