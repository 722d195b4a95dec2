import { paidHows, type InvoiceView, type MeView, type PaidHow } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Table from 'react-bootstrap/Table';
import { useForm } from 'react-hook-form';
import { Link, useParams } from 'react-router';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { typedNumber } from '../fields/typed-number.ts';
import { Wrong } from '../fields/wrong.tsx';
import { moneyExact } from '../money.ts';
import { newId } from '../api/ids.ts';
import { StateWord } from './state-word.tsx';
import './invoices.scss';

const STALE = [['invoices']];
const day = (text: string): string => format(parseISO(text), 'd MMM yyyy');

/** An invoice that was made out: what it says, what was paid, and how it is taken back. */
export default function InvoiceScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { id = '' } = useParams();
  const invoice = useQuery({ ...queries.invoice(id), enabled: me.person.role !== 'mechanic' });
  if (me.person.role === 'mechanic')
    return <main className="empty">The owner and the parts desk look at invoices.</main>;
  if (!invoice.data)
    return <main className="empty">{invoice.isError ? 'There is no such invoice.' : 'Fetching the invoice …'}</main>;
  const i = invoice.data;
  return (
    <main className="page invoicespage">
      <div className="d-flex flex-wrap justify-content-between align-items-end gap-2">
        <h1>
          {i.kind === 'credit' ? 'Credit note' : 'Invoice'} {i.number} <StateWord state={i.state} />
        </h1>
        <div className="d-flex flex-wrap gap-2">
          <Link to="/invoices" className="btn-line">
            All invoices
          </Link>
          <a className="btn-ink" href={`/api/invoices/${i.id}/page.pdf`} target="_blank" rel="noreferrer">
            Page to send (PDF)
          </a>
        </div>
      </div>
      <p className="m-0">
        <Link to={`/customers/${i.customerId}`}>{i.customer}</Link>, job{' '}
        <Link to={`/job/${i.jobId}/record`}>{i.job}</Link>: {i.title}, serial {i.serial}. Of {day(i.day)}
        {i.kind === 'invoice' && `, due ${day(i.due)}`}, by {i.by}.
        {i.of && (
          <>
            {' '}
            Takes back of <Link to={`/invoices/${i.of.id}`}>{i.of.number}</Link>.
          </>
        )}
      </p>
      {i.note !== '' && <p className="invoicesays">{i.note}</p>}
      <div className="invoicecols">
        <section aria-label="Lines">
          <Lines invoice={i} />
        </section>
        {i.kind === 'invoice' && (
          <section aria-label="Paid">
            <Paid invoice={i} />
            <TakeBack invoice={i} key={i.takenBack.length} />
          </section>
        )}
      </div>
    </main>
  );
}

function Lines({ invoice: i }: { readonly invoice: InvoiceView }): React.JSX.Element {
  return (
    <Table className="invoicetable">
      <thead>
        <tr>
          <th>What for</th>
          <th>How many</th>
          <th>Each</th>
          <th>Sum</th>
        </tr>
      </thead>
      <tbody>
        {i.lines.map((l, at) => (
          <tr key={at} className={i.takenBack.includes(at) ? 'gone' : ''}>
            <td>
              {l.title}
              {i.takenBack.includes(at) && <small className="d-block">taken back</small>}
            </td>
            <td>{l.kind === 'hours' ? `${l.count} h` : l.count}</td>
            <td>{moneyExact(l.eachMinor, i.currency)}</td>
            <td>{moneyExact(l.sumMinor, i.currency)}</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        {(
          [
            ['Net', i.netMinor],
            [`${i.taxName} ${i.taxPercent} %`, i.taxMinor],
            ['Total', i.totalMinor],
          ] as const
        ).map(([says, minor]) => (
          <tr key={says} className={says === 'Total' ? 'total' : ''}>
            <td colSpan={3}>{says}</td>
            <td>{moneyExact(minor, i.currency)}</td>
          </tr>
        ))}
      </tfoot>
    </Table>
  );
}

interface PaymentFields {
  readonly amount: string;
  readonly day: string;
  readonly how: PaidHow;
  readonly note: string;
}

function Paid({ invoice: i }: { readonly invoice: InvoiceView }): React.JSX.Element {
  const [commandId, setCommandId] = useState(newId);
  const values: PaymentFields = {
    amount: (i.openMinor / 100).toFixed(2),
    day: format(new Date(), 'yyyy-MM-dd'),
    how: 'bank',
    note: '',
  };
  const { register, handleSubmit } = useForm<PaymentFields>({ values });
  const { write, wrong, busy } = useWrite(
    ({ amount, ...more }: PaymentFields) =>
      api<InvoiceView>(`invoices/${i.id}/payments`, {
        commandId,
        amountMinor: Math.round(typedNumber(amount) * 100),
        ...more,
      }),
    { stale: STALE, after: () => setCommandId(newId()) },
  );
  return (
    <>
      <h2>{i.openMinor < 0 ? 'To be given back' : 'Paid'}</h2>
      <ul className="paidlist" aria-label="Payments">
        {i.payments.map((p, at) => (
          <li key={at}>
            <b>{moneyExact(p.amountMinor, i.currency)}</b> {day(p.day)}, {p.how}
            {p.note !== '' && `: ${p.note}`} <small>({p.by})</small>
          </li>
        ))}
        {i.credits.map((c) => (
          <li key={c.id}>
            <b>{moneyExact(c.totalMinor, i.currency)}</b> {day(c.day)}, credit{' '}
            <Link to={`/invoices/${c.id}`}>{c.number}</Link>
          </li>
        ))}
        {i.payments.length + i.credits.length === 0 && <li>Nothing yet.</li>}
      </ul>
      {i.openMinor === 0 ? (
        <p className="m-0">It is settled.</p>
      ) : (
        <form className="payform" noValidate aria-label="What was paid" onSubmit={(e) => void handleSubmit(write)(e)}>
          <div>
            <Form.Label htmlFor="pay-amount">Amount, {i.currency}</Form.Label>
            <Form.Control id="pay-amount" inputMode="decimal" {...register('amount')} />
          </div>
          <div>
            <Form.Label htmlFor="pay-day">Day</Form.Label>
            <Form.Control id="pay-day" type="date" {...register('day')} />
          </div>
          <div>
            <Form.Label htmlFor="pay-how">How</Form.Label>
            <Form.Select id="pay-how" {...register('how')}>
              {paidHows.map((h) => (
                <option key={h}>{h}</option>
              ))}
            </Form.Select>
          </div>
          <div>
            <Form.Label htmlFor="pay-note">Note</Form.Label>
            <Form.Control id="pay-note" maxLength={200} {...register('note')} />
          </div>
          <Button type="submit" variant="ink" disabled={busy}>
            Write it down
          </Button>
          <Wrong says={wrong} />
        </form>
      )}
    </>
  );
}

/** A credit of some of the lines, or of all that are left, with why. */
function TakeBack({ invoice: i }: { readonly invoice: InvoiceView }): React.JSX.Element | null {
  const [open, setOpen] = useState(false);
  const [commandId] = useState(newId);
  const left = i.lines.map((_, at) => at).filter((at) => !i.takenBack.includes(at));
  const { register, handleSubmit } = useForm<{ lines: string[]; reason: string }>({
    defaultValues: { lines: left.map(String), reason: '' },
  });
  const { write, wrong, busy } = useWrite(
    ({ lines, reason }: { readonly lines: readonly string[]; readonly reason: string }) =>
      api<InvoiceView>(`invoices/${i.id}/credit`, { commandId, reason, lines: lines.map(Number) }),
    { stale: STALE },
  );
  if (left.length === 0) return null;
  if (!open)
    return (
      <Button variant="line" className="mt-3" onClick={() => setOpen(true)}>
        Something on it is wrong …
      </Button>
    );
  return (
    <form className="mt-3" noValidate aria-label="Take back" onSubmit={(e) => void handleSubmit(write)(e)}>
      <h2>Take back</h2>
      {left.map((at) => (
        <Form.Check
          key={at}
          id={`back-${at}`}
          value={String(at)}
          label={`${i.lines[at]!.title}, ${moneyExact(i.lines[at]!.sumMinor, i.currency)}`}
          {...register('lines')}
        />
      ))}
      <Form.Label htmlFor="back-reason">Why</Form.Label>
      <Form.Control id="back-reason" maxLength={300} {...register('reason')} />
      <div className="d-flex flex-wrap gap-2 mt-2">
        <Button type="submit" variant="ink" disabled={busy}>
          Make out a credit
        </Button>
        <Button variant="line" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </div>
      <Wrong says={wrong} />
    </form>
  );
}
