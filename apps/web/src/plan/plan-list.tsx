import type { Plan, PlanProblem, Say } from '@jubb/core/planning';
import type { PlanJobLabel } from '@jubb/contract';
import { Link } from 'react-router';
import { spanWords } from './say.ts';

const NEXT = 5;

/** The same as a list: the next five for one pair of hands, and for everybody. */
export function PlanList({
  problem,
  plan,
  labels,
  who,
  say,
}: {
  readonly problem: PlanProblem;
  readonly plan: Plan;
  readonly labels: readonly PlanJobLabel[];
  readonly who: string;
  readonly say: Say;
}): React.JSX.Element {
  const hands = problem.resources.filter((r) => r.kind === 'hands');
  const mine = hands.filter((h) => h.title === who);
  const shown = mine.length > 0 ? mine : hands;
  return (
    <div className="planlist">
      {shown.map((h) => {
        const moves = problem.jobs
          .flatMap((job) => job.activities.map((a) => ({ job, a, slot: plan.slots[a.id]! })))
          .filter((m) => m.slot.on.includes(h.id))
          .sort((a, b) => a.slot.start - b.slot.start)
          .slice(0, NEXT);
        return (
          <section key={h.id} aria-label={`Next for ${h.title}`}>
            <h2>Next five for {h.title}</h2>
            {moves.length === 0 && <p>Nothing is planned.</p>}
            <ol className="list-unstyled m-0">
              {moves.map(({ job, a, slot }, i) => {
                const label = labels.find((l) => l.id === job.id);
                return (
                  <li key={a.id}>
                    <Link to={`/job/${job.id}`} className={`nm ${i === 0 ? 'now' : ''}`}>
                      <span className="t">{slot.start <= problem.now ? 'Now' : say(slot.start)}</span>
                      <span>
                        <b>{a.title}</b>
                        <small>
                          {job.name} · {label?.title.split(',')[0]} · {spanWords(a.minutes)}
                          {slot.on.length > 1
                            ? ` · ${slot.on
                                .filter((r) => r !== h.id)
                                .map((r) => problem.resources.find((x) => x.id === r)?.title)
                                .join(', ')}`
                            : ''}
                        </small>
                      </span>
                    </Link>
                  </li>
                );
              })}
            </ol>
          </section>
        );
      })}
    </div>
  );
}
