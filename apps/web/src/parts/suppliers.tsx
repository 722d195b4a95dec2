import { SupplierDto, type MeView, type SupplierView } from '@jubb/contract';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { Field } from '../fields/form-field.tsx';
import { Wrong } from '../fields/wrong.tsx';

/** From whom parts come: how each is reached, and what our number is with them. */
export function Suppliers({ me }: { readonly me: MeView }): React.JSX.Element {
  const suppliers = useQuery(queries.suppliers());
  const [open, setOpen] = useState<string>();
  if (!suppliers.data)
    return <p className="empty">{suppliers.isError ? suppliers.error.message : 'Asking from whom parts come …'}</p>;
  const may = me.person.role !== 'mechanic';
  return (
    <>
      {may &&
        (open === '' ? (
          <SupplierForm done={() => setOpen(undefined)} />
        ) : (
          <Button variant="line" className="mt-3" onClick={() => setOpen('')}>
            Add a supplier
          </Button>
        ))}
      {suppliers.data.length === 0 && <p className="mt-3">Nobody yet. Whoever’s price list is read stands here.</p>}
      <ul className="supplierlist" aria-label="Suppliers">
        {suppliers.data.map((s) => (
          <li key={s.name}>
            <div className="supplierline">
              <span>
                <b>{s.name}</b>
                <small className="d-block">
                  {s.numbers === 0 ? 'no price list' : `${s.numbers} numbers on their price list`}
                  {s.account !== '' && `; our number ${s.account}`}
                </small>
              </span>
              <span>
                {[s.phone, s.email].filter((w) => w !== '').join(', ')}
                {s.notes !== '' && <small className="d-block">{s.notes}</small>}
              </span>
              {may && (
                <Button
                  variant="line"
                  aria-expanded={open === s.name}
                  aria-label={`${open === s.name ? 'Close' : 'Change'} ${s.name}`}
                  onClick={() => setOpen(open === s.name ? undefined : s.name)}
                >
                  {open === s.name ? 'Close' : 'Change'}
                </Button>
              )}
            </div>
            {open === s.name && <SupplierForm supplier={s} done={() => setOpen(undefined)} />}
          </li>
        ))}
      </ul>
    </>
  );
}

type Fields = InstanceType<typeof SupplierDto>;

function SupplierForm({
  supplier,
  done,
}: {
  readonly supplier?: SupplierView;
  readonly done: () => void;
}): React.JSX.Element {
  const { name = '', phone = '', email = '', account = '', notes = '' } = supplier ?? {};
  const { register, handleSubmit, formState } = useForm<Fields>({
    resolver: classValidatorResolver(SupplierDto),
    defaultValues: { name, phone, email, account, notes },
  });
  const { written, wrong, busy } = useWrite((facts: Fields) => api('stores/suppliers', facts, 'PUT'), {
    stale: [['parts', 'suppliers'], ['shop']],
  });
  const { errors } = formState;
  const save = handleSubmit(async (facts) => {
    if (await written(facts)) done();
  });
  return (
    <form
      className="supplierform"
      noValidate
      aria-label={supplier ? supplier.name : 'A new supplier'}
      onSubmit={(e) => void save(e)}
    >
      {!supplier && <Field label="Name" input={register('name')} wrong={errors.name?.message} />}
      <Field label="Telephone" input={register('phone')} wrong={errors.phone?.message} />
      <Field label="Mail" input={register('email')} wrong={errors.email?.message} />
      <Field label="Our number with them" input={register('account')} wrong={errors.account?.message} />
      <Field label="Notes" input={register('notes')} wrong={errors.notes?.message} />
      <Button type="submit" variant="ink" disabled={busy}>
        Keep
      </Button>
      <Wrong says={wrong} />
    </form>
  );
}
