import type { MeView } from '@jubb/contract';
import Button from 'react-bootstrap/Button';
import { useForm } from 'react-hook-form';
import Form from 'react-bootstrap/Form';
import { api } from '../api/client.ts';
import { useWrite } from '../api/use-write.ts';

interface Fields {
  readonly name: string;
  readonly currency: string;
  readonly rate: string;
  readonly taxPercent: string;
  readonly taxName: string;
}
const number = (text: string): number => Number(text.replace(',', '.'));

/** What quotes are reckoned with from now on: the owner's to set. Quotes that are made stay as they are. */
export function SettingsForm({ workshop }: { readonly workshop: MeView['workshop'] }): React.JSX.Element {
  const { write, wrong, answer } = useWrite(
    ({ name, currency, rate, taxPercent, taxName }: Fields) =>
      api(
        'workshop',
        { name, currency, rateMinor: Math.round(number(rate) * 100), taxPercent: number(taxPercent), taxName },
        'PUT',
      ).then(() => 'Kept. Quotes that are made stay as they are.'),
    { stale: 'all', noLine: 'No line to the server: nothing was changed.' },
  );
  const said = wrong ?? answer;
  const { register, handleSubmit } = useForm<Fields>({
    defaultValues: {
      name: workshop.name,
      currency: workshop.currency,
      rate: (workshop.rateMinor / 100).toFixed(2),
      taxPercent: String(workshop.taxPercent),
      taxName: workshop.taxName,
    },
  });
  const save = handleSubmit(write);
  const field = (name: keyof Fields, label: string): React.JSX.Element => (
    <div>
      <Form.Label htmlFor={`set-${name}`}>{label}</Form.Label>
      <Form.Control id={`set-${name}`} {...register(name)} maxLength={80} />
    </div>
  );
  return (
    <section>
      <h2>Rate and tax</h2>
      <form onSubmit={(e) => void save(e)} className="shopform settings">
        {field('name', 'Workshop')}
        {field('currency', 'Currency')}
        {field('rate', 'For an hour')}
        {field('taxPercent', 'Tax, %')}
        {field('taxName', 'Name of the tax')}
        <Button type="submit" variant="ink">
          Keep
        </Button>
      </form>
      {said && (
        <p className="m-0" role="status">
          {said}
        </p>
      )}
    </section>
  );
}
