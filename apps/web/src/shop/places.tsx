import type { ShopPlacesView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
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

function PlacesForm({ view }: { readonly view: ShopPlacesView }): React.JSX.Element {
  const [benches, setBenches] = useState(view.places.join(', '));
  const [shelves, setShelves] = useState(view.shelves.join(', '));
  const [zone, setZone] = useState(view.zone);
  const { write, wrong, answer, busy } = useWrite(
    () => api('shop/places', { places: asList(benches), shelves: asList(shelves), zone }, 'PUT').then(() => 'Kept.'),
    { stale: [['shop'], ['floor'], ['week']] },
  );
  const field = (id: string, label: string, value: string, set: (v: string) => void): React.JSX.Element => (
    <div>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control as="textarea" rows={2} id={id} value={value} onChange={(e) => set(e.target.value)} />
    </div>
  );
  return (
    <form
      className="placesform"
      noValidate
      aria-label="Places"
      onSubmit={(e) => {
        e.preventDefault();
        write();
      }}
    >
      {field('benches', 'Benches, in their order', benches, setBenches)}
      {field('shelves', 'Places on the shelf, in their order', shelves, setShelves)}
      <div>
        <Form.Label htmlFor="zone">Time zone</Form.Label>
        <Form.Control id="zone" list="zones" value={zone} onChange={(e) => setZone(e.target.value)} />
        <datalist id="zones">
          {Intl.supportedValuesOf('timeZone').map((z) => (
            <option key={z} value={z} />
          ))}
        </datalist>
      </div>
      {view.taken.length > 0 && <small>Units are at {view.taken.join(', ')}.</small>}
      <div className="answers">
        <button type="submit" className="btn-ink" disabled={busy}>
          Keep
        </button>
        <Wrong says={wrong} />
        {answer !== undefined && wrong === undefined && <span role="status">{answer}</span>}
      </div>
    </form>
  );
}
