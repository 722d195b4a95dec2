import type { MeView } from '@jubb/contract';
import type { Slots } from '@jubb/core/planning';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Link } from 'react-router';
import { useKeys } from '../frame/keys.ts';
import { usePhone } from '../frame/narrow.ts';
import { LANE_LEFT, LANES_WIDTH } from './lane-geometry.ts';
import { Lanes } from './lanes.tsx';
import { PlanList } from './plan-list.tsx';
import { Agree } from './agree.tsx';
import { PlanSide } from './plan-side.tsx';
import { sayIn } from './say.ts';
import { useWeek } from './use-week.ts';
import { Weigh } from './weigh.tsx';
import { weekAxis } from './week-axis.ts';
import './plan.scss';

/** The week: what to put hands on next, which promises hold, and what to do about those that do not. */
export default function PlanScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const week = useWeek();
  const { view, problem, zone, plan, late, busy, wrong, held, changed, moved, tried, undo } = week;
  const [days, setDays] = useState(4);
  // A week in lanes has no room on a phone: it is read there as a list, by hands.
  const phone = usePhone();
  const [asList, setList] = useState(false);
  const list = asList || phone;
  const [chosen, setChosen] = useState<string>();
  const say = useMemo(() => sayIn(zone), [zone]);
  const lateIds = useMemo(() => new Set(late.map((l) => l.job)), [late]);
  const pinChosen = (): void => {
    if (chosen) week.pin(chosen);
  };
  const titleOf = (id: string | undefined): string | undefined => {
    for (const job of problem?.jobs ?? [])
      for (const a of job.activities) if (a.id === id) return `${job.name}: ${a.title}`;
    return undefined;
  };
  const chosenJob = view?.jobs.find((j) => chosen?.startsWith(`${j.id}:`));
  const inForce = plan && view?.inForce ? same(plan.slots, view.inForce.slots) : false;
  const agreed = changed === undefined || changed.agree.kind === 'order' || changed.agree.kind === 'hours';
  const mayTake = plan !== undefined && !busy && !inForce && agreed && me.person.role !== 'parts';
  useKeys({
    days: () => setDays(days === 4 ? 1 : 4),
    list: () => setList(!asList),
    pin: pinChosen,
    undo,
    go: mayTake && !moved ? () => void week.take() : undefined,
  });
  const hours = view?.problem.calendars.find((c) => c.id === 'shop')?.open;
  const axis = useMemo(
    () => weekAxis(hours ?? [], problem?.now ?? 0, days, zone, LANE_LEFT, LANES_WIDTH - LANE_LEFT - 2),
    [hours, problem?.now, days, zone],
  );
  if (!view || !problem) return <main className="empty">{week.trouble ?? 'Looking over the jobs …'}</main>;
  if (!plan)
    return (
      <main className="empty">
        {wrong ? (
          <>
            <h2>The week cannot be planned</h2>
            <p>{wrong}</p>
            {undo && !changed && (
              <Button variant="line" onClick={undo}>
                Undo the last move
              </Button>
            )}
          </>
        ) : (
          'Planning …'
        )}
      </main>
    );
  const hands = problem.resources.filter((r) => r.kind === 'hands').length;
  return (
    <main className="planpage">
      <section className="planmain">
        <div className="hd">
          <h1>This week</h1>
          <small>
            {say(problem.now)}, planned for {hands === 1 ? 'one pair' : `${hands} pairs`} of hands
          </small>
          <small className="ms-auto">
            {busy
              ? 'still planning'
              : plan.gap < 0.005
                ? 'no better plan is possible'
                : `could be better by ${Math.ceil(plan.gap * 100)} % at most`}
          </small>
        </div>
        {list ? (
          <PlanList problem={problem} plan={plan} labels={view.jobs} who={me.person.name} say={say} />
        ) : (
          <div className="lanesbox">
            <Lanes
              problem={problem}
              plan={plan}
              labels={view.jobs}
              axis={axis}
              now={problem.now}
              late={lateIds}
              chosen={chosen}
              moved={moved}
              choose={setChosen}
              move={week.move}
              drop={week.drop}
            />
          </div>
        )}
        <div className="planfoot">
          {!phone && (
            <>
              <Button variant="line" aria-pressed={days === 1} onClick={() => setDays(days === 4 ? 1 : 4)}>
                {days === 4 ? 'One day' : 'The week'} <kbd>d</kbd>
              </Button>
              <Button variant="line" aria-pressed={list} onClick={() => setList(!asList)}>
                {list ? 'Lanes' : 'List'} <kbd>l</kbd>
              </Button>
            </>
          )}
          <Button variant="line" disabled={!chosen} onClick={pinChosen}>
            {held.some((p) => p.activity === chosen) ? 'Unpin' : 'Pin'} <kbd>p</kbd>
          </Button>
          <Button variant="line" disabled={!undo} onClick={undo}>
            Undo <kbd>u</kbd>
          </Button>
          <Button variant="line" onClick={() => window.print()}>
            Print
          </Button>
          <a className="btn-line" href="/api/plan/week.ics">
            Calendar
          </a>
          <Link className="btn-line" to="/plan/hours">
            Hours
          </Link>
          <span className="legend" aria-hidden="true">
            <i className="on" /> hands on <i className="alone" /> runs alone <i className="waits" /> waits
          </span>
        </div>
      </section>
      <aside className="planside" aria-live="polite">
        {week.said && (
          <p className="past" role="status">
            {week.said}
          </p>
        )}
        {wrong && (
          <div className="refused" role="alert">
            {wrong}
          </div>
        )}
        {changed && (
          <Agree
            changed={changed}
            label={view.jobs.find((j) => j.id === changed.for)}
            hands={hands}
            workshop={me.workshop}
            done={() => week.change(undefined)}
            say={say}
          />
        )}
        <PlanSide
          problem={problem}
          plan={plan}
          late={late}
          suggestions={week.suggestions}
          labels={view.jobs}
          say={say}
          tried={moved || tried?.wrong ? tried : undefined}
          title={titleOf(moved?.activity ?? chosen)}
          busy={busy}
          use={week.change}
        />
        {!changed && !moved && chosenJob && <Weigh job={chosenJob} may={me.person.role !== 'parts'} />}
        {agreed && (
          <Button variant="go" className="mt-auto" onClick={() => void week.take()} disabled={!mayTake}>
            <span>
              {inForce
                ? 'This plan is in force'
                : busy
                  ? 'Planning …'
                  : changed?.agree.kind === 'hours'
                    ? 'Agree to this'
                    : 'Take this plan'}
            </span>
            <kbd>Enter</kbd>
          </Button>
        )}
      </aside>
    </main>
  );
}

function same(a: Slots, b: Slots): boolean {
  const ids = Object.keys(a);
  return (
    ids.length === Object.keys(b).length && ids.every((id) => b[id]?.start === a[id]!.start && b[id].end === a[id]!.end)
  );
}
