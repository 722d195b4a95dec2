import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../api/queries.ts';
import { STEPS, stepAt } from './steps.ts';

/** While a shop is new, over each screen of its first start: which step it is, what it is for, and the next one. */
export function StepBar({ path }: { readonly path: string }): React.JSX.Element | null {
  const steps = useQuery(queries.firstSteps());
  const list = steps.data ?? [];
  if (list.length === 0 || list.find((s) => s.id === 'job')?.done) return null;
  const at = stepAt(list, path);
  if (at === undefined) return null;
  const step = list[at]!;
  const next = list[at + 1];
  return (
    <nav className="stepbar" aria-label="First start">
      <span>
        <b>
          Step {at + 1} of {list.length}: {STEPS[step.id].title}
        </b>
        <small className="d-block">
          {step.done ? 'Done. ' : ''}
          {STEPS[step.id].says}.
        </small>
      </span>
      {next && (
        <Link to={STEPS[next.id].to} className={step.done ? 'btn-ink' : 'btn-line'}>
          {step.done ? 'Next' : 'Later; next'}: {STEPS[next.id].title}
        </Link>
      )}
    </nav>
  );
}
