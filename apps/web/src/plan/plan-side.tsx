import { slackOf, type LateJob, type Plan, type PlanProblem, type Say, type Suggestion } from '@jubb/core/planning';
import type { PlanJobLabel } from '@jubb/contract';
import Button from 'react-bootstrap/Button';
import { inHandWords } from '../floor/time-words.ts';
import { spanWords } from './say.ts';
import type { Tried } from './use-planner.ts';

const MOST_SHOWN = 4;
const MOST_LATER = 2;

/** What breaks a promise, in words, and what would save it; while something is moved, what that costs. */
export function PlanSide({
  problem,
  plan,
  late,
  suggestions,
  labels,
  say,
  tried,
  title,
  busy,
  use,
}: {
  readonly problem: PlanProblem;
  readonly plan: Plan;
  readonly late: readonly LateJob[];
  readonly suggestions: readonly (Suggestion & { readonly for: string })[];
  readonly labels: readonly PlanJobLabel[];
  readonly say: Say;
  /** The move that is about to be dropped, and what the plan is with it. */
  readonly tried: Tried | undefined;
  readonly title: string | undefined;
  readonly busy: boolean;
  readonly use: (s: Suggestion & { readonly for: string }) => void;
}): React.JSX.Element {
  const label = (id: string): PlanJobLabel | undefined => labels.find((l) => l.id === id);
  // A later promise is offered last, and always.
  const later = (s: Suggestion): boolean => s.agree.kind === 'delivery-date';
  const shown = [
    ...suggestions.filter((s) => !later(s)).slice(0, MOST_SHOWN),
    ...suggestions.filter(later).slice(0, MOST_LATER),
  ];
  if (tried)
    return (
      <>
        <h2>{tried.wrong ? 'It cannot be there' : 'If it goes there'}</h2>
        <div className={tried.wrong ? 'refused' : 'past'} role={tried.wrong ? 'alert' : 'status'}>
          <b className="d-block">{title}</b>
          {tried.wrong ?? costWords(plan, late, tried, label)}
        </div>
      </>
    );
  return (
    <>
      <h2>
        {late.length === 0
          ? busy
            ? 'Planning …'
            : 'Every promise is kept'
          : `${late.length === 1 ? 'One promise breaks' : `${late.length} promises break`}`}
      </h2>
      {late.slice(0, 3).map((l) => (
        <div key={l.job} className="refused latecard">
          <b className="d-block">
            {label(l.job)?.title.split(',')[0]}, {l.name}
          </b>
          Promised {say(l.due)}, ready {say(l.ready)}: {spanWords(l.ready - l.due)} late. {sentence(l)}
        </div>
      ))}
      {late.length > 3 && (
        <p className="quiet">
          And{' '}
          {late
            .slice(3)
            .map((l) => l.name)
            .join(', ')}
          .
        </p>
      )}
      {late.length > 0 && (
        <>
          <h3>What would save it</h3>
          {suggestions.length === 0 && (
            <p className="quiet">
              {busy ? 'Planning each of them through …' : 'Nothing that was tried. Promise a later day.'}
            </p>
          )}
          {shown.map((s) => (
            <Button
              key={`${s.for}/${s.id}`}
              variant="line"
              className={s.keeps ? 'save keeps' : 'save'}
              onClick={() => use(s)}
            >
              <b>{s.title}</b>
              {label(s.for)?.number} {s.keeps ? 'keeps its promise' : 'is ready'}, {say(s.ready)}
              {s.costs.length > 0 && <small className="d-block">Then {s.costs.join(', ')} late</small>}
            </Button>
          ))}
        </>
      )}
      {late.length === 0 && !busy && <p className="quiet">{slack(problem, plan, say)}</p>}
    </>
  );
}

const sentence = (l: LateJob): string => {
  const says = l.chain.map((c) => c.says);
  const all = says.filter((s, i) => says.indexOf(s) === i).join('; ');
  return `${all.charAt(0).toUpperCase()}${all.slice(1)}.`;
};

/** What another plan costs against the one that stands, in words. */
export function costWords(
  plan: Plan,
  late: readonly LateJob[],
  tried: Tried,
  label: (id: string) => PlanJobLabel | undefined,
): string {
  const before = new Map(late.map((l) => [l.job, l.ready - l.due]));
  const after = new Map((tried.late ?? []).map((l) => [l.job, l.ready - l.due]));
  const words: string[] = [];
  for (const [job, by] of after) {
    const was = before.get(job) ?? 0;
    const name = label(job)?.number ?? job;
    if (was === 0) words.push(`${name} breaks its promise by ${spanWords(by)}`);
    else if (by - was > 5) words.push(`${name} is ${spanWords(by - was)} later still`);
  }
  for (const [job] of before) if (!after.has(job)) words.push(`${label(job)?.number ?? job} keeps its promise`);
  const moved = Object.entries(tried.plan?.slots ?? {}).filter(
    ([id, s]) => plan.slots[id] && Math.abs(s.start - plan.slots[id].start) > 5,
  ).length;
  return `${words.length === 0 ? 'No promise breaks by it' : words.join('; ')}. ${moved === 0 ? 'Nothing else moves.' : `${moved} ${moved === 1 ? 'piece of work moves' : 'pieces of work move'}.`}`;
}

/** The promise that is nearest to breaking. */
function slack(problem: PlanProblem, plan: Plan, say: Say): string {
  const [least] = problem.jobs
    .flatMap((j) => {
      const left = slackOf(problem, plan.slots, j);
      return left && j.activities.length > 0 ? [{ j, left }] : [];
    })
    .sort((x, y) => x.left.minutes - y.left.minutes);
  return least
    ? `${least.j.name} has the least in hand: ${inHandWords(least.left).words}, promised ${say(least.j.due!)}.`
    : 'Nothing is promised.';
}
