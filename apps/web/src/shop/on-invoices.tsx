import { InvoiceSettingsDto, type InvoiceSettingsView } from '@jubb/contract';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { Field } from '../fields/form-field.tsx';
import { Wrong } from '../fields/wrong.tsx';

/** What stands on every invoice of the shop. Those that were sent stay as they are. */
export function OnInvoices(): React.JSX.Element {
  const settings = useQuery(queries.invoiceSettings());
  if (!settings.data)
    return <p className="empty">{settings.isError ? settings.error.message : 'Fetching what stands on invoices …'}</p>;
  return <OnInvoicesForm settings={settings.data} />;
}

function OnInvoicesForm({ settings }: { readonly settings: InvoiceSettingsView }): React.JSX.Element {
  const { register, handleSubmit, formState } = useForm<InvoiceSettingsDto>({
    resolver: classValidatorResolver(InvoiceSettingsDto) as never,
    values: { ...settings },
  });
  const { write, wrong, answer, busy } = useWrite(
    (all: InvoiceSettingsDto) => api('invoices/settings', all, 'PUT').then(() => 'Kept.'),
    { stale: [['invoices'], ['shop']] },
  );
  const { errors } = formState;
  const number = { valueAsNumber: true } as const;
  return (
    <section>
      <h2>On every invoice</h2>
      <form className="shopform" noValidate aria-label="On every invoice" onSubmit={(e) => void handleSubmit(write)(e)}>
        <div className="span2">
          <Form.Label htmlFor="field-address">Address of the shop</Form.Label>
          <Form.Control as="textarea" rows={3} id="field-address" {...register('address')} />
        </div>
        <div className="span2">
          <Form.Label htmlFor="field-payWords">How it is to be paid: a bank account, say</Form.Label>
          <Form.Control as="textarea" rows={3} id="field-payWords" {...register('payWords')} />
        </div>
        <Field label="Tax number" input={register('taxNumber')} wrong={errors.taxNumber?.message} />
        <Field
          label="Days to pay"
          input={register('payDays', number)}
          wrong={errors.payDays?.message}
          inputMode="numeric"
        />
        <Field
          label="Number of the next invoice"
          input={register('next', number)}
          wrong={errors.next?.message}
          inputMode="numeric"
        />
        <Button type="submit" variant="ink" disabled={busy}>
          Keep
        </Button>
        <Wrong says={wrong ?? errors.address?.message ?? errors.payWords?.message} />
        {answer !== undefined && wrong === undefined && <span role="status">{answer}</span>}
      </form>
    </section>
  );
}
