import { CustomerDto, type CustomerPage, type MeView } from '@jubb/contract';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { Field } from '../fields/form-field.tsx';
import { Wrong } from '../fields/wrong.tsx';
import './customers.scss';

/** A customer: how they are reached, their units and their jobs. */
export default function CustomerScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { id = '' } = useParams();
  const customer = useQuery(queries.customer(id));
  if (!customer.data)
    return <main className="empty">{customer.isError ? 'There is no such customer.' : 'Fetching the customer …'}</main>;
  const { name, units, jobs } = customer.data;
  return (
    <main className="page customerspage">
      <div className="d-flex flex-wrap justify-content-between align-items-end gap-2">
        <h1>{name}</h1>
        <Link to="/customers" className="btn-line">
          All customers
        </Link>
      </div>
      <Facts customer={customer.data} />
      <div className="customercols">
        <section aria-label="Units">
          <h2>Units</h2>
          {units.length === 0 && <p>None.</p>}
          <ul className="customerlist">
            {units.map((u) => (
              <li key={u.id}>
                <Link to={`/unit/${u.id}`}>
                  <b>{u.serial}</b> <span>{u.model}</span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
        <section aria-label="Jobs">
          <h2>Jobs</h2>
          {jobs.length === 0 && <p>None.</p>}
          <ul className="customerlist">
            {jobs.map((j) => (
              <li key={j.id}>
                <Link to={j.stage === 'handed-over' ? `/job/${j.id}/record` : `/job/${j.id}`}>
                  <b>{j.number}</b> <span>{j.title}</span>
                  <small>{j.stage.replaceAll('-', ' ')}</small>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      </div>
      {me.person.role !== 'mechanic' && <Merge customer={customer.data} />}
    </main>
  );
}

type Fields = InstanceType<typeof CustomerDto>;

function Facts({ customer }: { readonly customer: CustomerPage }): React.JSX.Element {
  const { name, phone, email, address, notes } = customer;
  const { register, handleSubmit, formState } = useForm<Fields>({
    resolver: classValidatorResolver(CustomerDto),
    values: { name, phone, email, address, notes },
  });
  const { write, wrong, answer, busy } = useWrite(
    (facts: Fields) => api(`customers/${customer.id}`, facts, 'PUT').then(() => 'Kept.'),
    { stale: [['customers']] },
  );
  const { errors, isDirty } = formState;
  return (
    <form
      className="customerform"
      noValidate
      aria-label="How they are reached"
      onSubmit={(e) => void handleSubmit(write)(e)}
    >
      <Field label="Name" input={register('name')} wrong={errors.name?.message} />
      <Field label="Telephone" input={register('phone')} wrong={errors.phone?.message} />
      <Field label="Mail" input={register('email')} wrong={errors.email?.message} />
      <div className="wide">
        <Form.Label htmlFor="field-address">Address</Form.Label>
        <Form.Control as="textarea" rows={2} id="field-address" {...register('address')} />
        <Wrong says={errors.address?.message} />
      </div>
      <div className="wide">
        <Form.Label htmlFor="field-notes">Notes</Form.Label>
        <Form.Control as="textarea" rows={2} id="field-notes" {...register('notes')} />
        <Wrong says={errors.notes?.message} />
      </div>
      <div className="answers wide">
        <Button type="submit" variant="ink" disabled={busy || !isDirty}>
          Keep
        </Button>
        <Wrong says={wrong} />
        {answer !== undefined && wrong === undefined && !isDirty && <span role="status">{answer}</span>}
      </div>
    </form>
  );
}

/** Two that are one: this one's units and jobs go to another. */
function Merge({ customer }: { readonly customer: CustomerPage }): React.JSX.Element {
  const all = useQuery(queries.allCustomers());
  const navigate = useNavigate();
  const [into, setInto] = useState('');
  const { write, wrong, busy } = useWrite((other: string) => api(`customers/${customer.id}/merge`, { into: other }), {
    stale: [['customers'], ['floor'], ['job']],
    after: (_, other) => void navigate(`/customers/${other}`),
  });
  const other = all.data?.find((c) => c.id === into);
  return (
    <section aria-label="The same customer twice">
      <h2>The same customer twice</h2>
      <div className="d-flex flex-wrap gap-2 align-items-end">
        <div>
          <Form.Label htmlFor="merge-into">It is the same as</Form.Label>
          <Form.Select id="merge-into" value={into} onChange={(e) => setInto(e.target.value)}>
            <option value="">nobody</option>
            {all.data
              ?.filter((c) => c.id !== customer.id)
              .map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name}
                </option>
              ))}
          </Form.Select>
        </div>
        {other && (
          <Button variant="line" disabled={busy} onClick={() => write(into)}>
            Move {customer.jobs.length === 1 ? 'one job' : `${customer.jobs.length} jobs`} to {other.name}
          </Button>
        )}
      </div>
      <small>Records keep the name that they were written with.</small>
      <Wrong says={wrong} />
    </section>
  );
}
