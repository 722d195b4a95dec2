import type { InvoiceDraftView, InvoiceView, MeView } from '@jubb/contract';
import { invoiceSums, type InvoiceLine } from '@jubb/core/invoice';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { typedNumber } from '../fields/typed-number.ts';
import { Wrong } from '../fields/wrong.tsx';
import { moneyExact } from '../money.ts';
import { newId } from '../api/ids.ts';
import { StateWord } from './state-word.tsx';
import './invoices.scss';

/** The invoice of a job before it is made out: what was agreed and done, to look over and put right. */
export default function DraftScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { job = '' } = useParams();
  const draft = useQuery({ ...queries.invoiceDraft(job), enabled: me.person.role !== 'mechanic' });
  if (me.person.role === 'mechanic')
    return <main className="empty">The owner and the parts desk make out invoices.</main>;
  if (!draft.data)
    return <main className="empty">{draft.isError ? draft.error.message : 'Reckoning what was done …'}</main>;
  const d = draft.data;
  return (
    <main className="page invoicespage">
      <div className="d-flex flex-wrap justify-content-between align-items-end gap-2">
        <h1>
          Invoice for job {d.job} <small>{d.customer}</small>
        </h1>
        <Link to={`/job/${d.jobId}/record`} className="btn-line">
          Its record
        </Link>
      </div>
      <p className="m-0">
        {d.title}, serial {d.serial}
      </p>
      {d.sent.length > 0 && (
        <ul className="invoicelist" aria-label="Made out for this job">
          {d.sent.map((i) => (
            <li key={i.id}>
              <Link to={`/invoices/${i.id}`}>
                <b>{i.number}</b>
                <StateWord state={i.state} />
                <span className="amount">{moneyExact(i.totalMinor, i.currency)}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {d.notYet === null ? (
        <DraftForm draft={d} />
      ) : (
        <p className="invoicesays" role="status">
          {d.notYet}.
        </p>
      )}
    </main>
  );
}

interface Row {
  readonly title: string;
  readonly count: string;
  readonly each: string;
  /** The line that it was drafted as; undefined for one that was added by hand. */
  readonly drafted?: InvoiceLine;
}
interface Fields {
  rows: Row[];
  note: string;
}
const EMPTY: Row = { title: '', count: '1', each: '' };
const rowOf = (l: InvoiceLine): Row => ({
  title: l.title,
  count: String(l.count),
  each: (l.eachMinor / 100).toFixed(2),
  drafted: l,
});

/** A line as it is made out. What was drafted and not touched keeps its sum: its hours are of the minutes behind them. */
function lineOf({ title, count, each, drafted }: Row): InvoiceLine {
  const eachMinor = Math.round(typedNumber(each) * 100);
  const many = typedNumber(count);
  const same = drafted !== undefined && drafted.count === many && drafted.eachMinor === eachMinor;
  const { kind } = drafted ?? { kind: 'other' as const };
  return { title, kind, count: many, eachMinor, sumMinor: same ? drafted.sumMinor : Math.round(many * eachMinor) };
}

function DraftForm({ draft }: { readonly draft: InvoiceDraftView }): React.JSX.Element {
  const navigate = useNavigate();
  const [commandId] = useState(newId);
  const { register, control, handleSubmit } = useForm<Fields>({
    defaultValues: { rows: draft.lines.map(rowOf), note: '' },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'rows' });
  const rows = useWatch({ control, name: 'rows' });
  const lines = rows.map(lineOf);
  const sums = invoiceSums(
    lines.filter((l) => Number.isFinite(l.sumMinor)),
    draft.taxPercent,
  );
  const { write, wrong, busy } = useWrite(
    ({ rows: all, note }: Fields) =>
      api<InvoiceView>('invoices', { commandId, job: draft.jobId, lines: all.map(lineOf), note }),
    {
      stale: [['invoices']],
      noLine: 'No line to the server: nothing was made out. Try again.',
      after: ({ id }) => void navigate(`/invoices/${id}`),
    },
  );
  const over = draft.agreedMinor === undefined ? 0 : sums.totalMinor - draft.agreedMinor;
  return (
    <form noValidate onSubmit={(e) => void handleSubmit(write)(e)} aria-label="The invoice">
      <div className="invoicedraft">
        <div>
          <div className="invoicelines">
            <b>What for</b>
            <b>How many</b>
            <b>Each, {draft.currency}</b>
            <b>Sum</b>
            <span />
            {fields.map((f, i) => (
              <div key={f.id} className="d-contents">
                <Form.Control aria-label={`Line ${i + 1}: what for`} {...register(`rows.${i}.title`)} maxLength={200} />
                <Form.Control
                  aria-label={`Line ${i + 1}: how many`}
                  inputMode="decimal"
                  {...register(`rows.${i}.count`)}
                  title={f.drafted?.kind === 'hours' ? 'hours' : undefined}
                />
                <Form.Control aria-label={`Line ${i + 1}: each`} inputMode="decimal" {...register(`rows.${i}.each`)} />
                <span className="amount">
                  {Number.isFinite(lines[i]?.sumMinor) ? moneyExact(lines[i]!.sumMinor, draft.currency) : '–'}
                </span>
                <Button variant="line" aria-label={`Take line ${i + 1} off`} onClick={() => remove(i)}>
                  ×
                </Button>
              </div>
            ))}
          </div>
          <Button variant="line" className="mt-2" onClick={() => append(EMPTY)}>
            One more line
          </Button>
          <Form.Label htmlFor="invoice-note" className="mt-3">
            A word on it, if one is due
          </Form.Label>
          <Form.Control id="invoice-note" maxLength={500} {...register('note')} />
        </div>
        <div className="invoiceside" data-over>
          <dl className="invoicesums">
            <dt>Net</dt>
            <dd>{moneyExact(sums.netMinor, draft.currency)}</dd>
            <dt>
              {draft.taxName} {draft.taxPercent} %
            </dt>
            <dd>{moneyExact(sums.taxMinor, draft.currency)}</dd>
            <dt>Total</dt>
            <dd className="total">{moneyExact(sums.totalMinor, draft.currency)}</dd>
          </dl>
          {over > 0 && (
            <p className="invoicesays over" role="status">
              <b>{moneyExact(over, draft.currency)} over what was agreed</b> (
              {moneyExact(draft.agreedMinor!, draft.currency)}). Ask first, or take something off.
            </p>
          )}
          <p className="quiet mt-2">
            Made out, it has a number and is never changed: what was wrong is taken back by a credit, and another is
            made out.
          </p>
          <Wrong says={wrong} />
          <Button type="submit" variant="go" disabled={busy || rows.length === 0}>
            Make it out
          </Button>
        </div>
      </div>
    </form>
  );
}
