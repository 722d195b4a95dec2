import type { FirstStepView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../api/queries.ts';
import './shop.scss';

const STEPS: Readonly<
  Record<FirstStepView['id'], { readonly title: string; readonly says: string; readonly to: string }>
> = {
  yourself: {
    title: 'Say who you are',
    says: 'Your name instead of “Owner”, and a PIN of your own: press your initials',
    to: '/shop/people',
  },
  money: { title: 'Name, hour’s rate and tax', says: 'What quotes are reckoned with', to: '/shop/money' },
  places: { title: 'Benches, shelf, hours', says: 'Where units stand, and when you work', to: '/shop/places' },
  people: {
    title: 'Who works with you',
    says: 'Each with a role and a PIN; nobody, if you work alone',
    to: '/shop/people',
  },
  instruments: {
    title: 'Your own wrenches and gauges',
    says: 'Range, uncertainty, calibration; take the simulated ones off the list',
    to: '/shop/instruments',
  },
  drawers: { title: 'Shims that you have', says: 'Counted once, then kept by the jobs', to: '/shop/drawers' },
  job: { title: 'Book the first unit in', says: 'The bench leads on from there', to: '/book' },
};

/** What a new shop has still to do, in its order: each a press away, left and taken up again at will. */
export default function FirstSteps(): React.JSX.Element | null {
  const steps = useQuery({ ...queries.firstSteps(), refetchOnMount: 'always' });
  const list = steps.data ?? [];
  // Once a unit is booked the shop is open: what is left can be found under Shop.
  if (list.length === 0 || list.find((s) => s.id === 'job')?.done) return null;
  const next = list.find((s) => !s.done);
  return (
    <section className="firststeps" aria-label="What to do first">
      <h2>What to do first</h2>
      <ol>
        {list.map((s) => (
          <li key={s.id} className={s.done ? 'done' : s === next ? 'next' : undefined}>
            <Link to={STEPS[s.id].to}>
              <span className="tickbox" aria-hidden="true">
                {s.done ? '✓' : ''}
              </span>
              <span>
                <b>{STEPS[s.id].title}</b>
                {s.done && <span className="visually-hidden">, done</span>}
                <small className="d-block">{STEPS[s.id].says}</small>
              </span>
            </Link>
          </li>
        ))}
      </ol>
    </section>
  );
}
