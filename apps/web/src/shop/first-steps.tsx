import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../api/queries.ts';
import { STEPS } from './steps.ts';
import './shop.scss';

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
