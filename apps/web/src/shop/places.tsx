import type { ShopPlacesView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { Wrong } from '../fields/wrong.tsx';

const asList = (text: string): string[] =>
  text
    .split(/[,\n]/)
    .map((p) => p.trim())
    .filter((p) => p !== '');

/** Benches, shelf and time zone; the hours have a page of their own. */
export function Places(): React.JSX.Element {
  const places = useQuery(queries.shopPlaces());
  return (
    <>
      <p className="mt-3">
        <Link to="/plan/hours" className="btn-line">
          Opening hours, days off and tools
        </Link>
      </p>
      {places.data ? (
        <PlacesForm view={places.data} />
      ) : (
        <p className="empty">{places.isError ? places.error.message : 'Looking round the shop …'}</p>
      )}
    </>
  );
}

interface Fields {
  readonly benches: string;
  readonly shelves: string;
  readonly zone: string;
}

function PlacesForm({ view }: { readonly view: ShopPlacesView }): React.JSX.Element {
  const { register, handleSubmit } = useForm<Fields>({
    defaultValues: { benches: view.places.join(', '), shelves: view.shelves.join(', '), zone: view.zone },
  });
  const { write, wrong, answer, busy } = useWrite(
    ({ benches, shelves, zone }: Fields) =>
      api('shop/places', { places: asList(benches), shelves: asList(shelves), zone }, 'PUT').then(() => 'Kept.'),
    { stale: [['shop'], ['floor'], ['week']] },
  );
  const keep = handleSubmit((fields) => write(fields));
  const field = (id: 'benches' | 'shelves', label: string): React.JSX.Element => (
    <div>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control as="textarea" rows={2} id={id} {...register(id)} />
    </div>
  );
  return (
    <form className="placesform" noValidate aria-label="Places" onSubmit={(e) => void keep(e)}>
      {field('benches', 'Benches, in their order')}
      {field('shelves', 'Places on the shelf, in their order')}
      <div>
        <Form.Label htmlFor="zone">Time zone</Form.Label>
        <Form.Control id="zone" list="zones" {...register('zone')} />
        <datalist id="zones">
          {Intl.supportedValuesOf('timeZone').map((z) => (
            <option key={z} value={z} />
          ))}
        </datalist>
      </div>
      {view.taken.length > 0 && <small>Units are at {view.taken.join(', ')}.</small>}
      <div className="answers">
        <Button type="submit" variant="ink" disabled={busy}>
          Keep
        </Button>
        <Wrong says={wrong} />
        {answer !== undefined && wrong === undefined && <span role="status">{answer}</span>}
      </div>
    </form>
  );
}
