import type { MeView, PlanInForce, TakePlanDto } from '@jubb/contract';
import type { Pin, Slots, Suggestion } from '@jubb/core/planning';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, ApiError } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useKeys } from '../frame/keys.ts';
import { usePhone } from '../frame/narrow.ts';
import { LANE_LEFT, Lanes, LANES_WIDTH } from './lanes.tsx';
import { PlanList } from './plan-list.tsx';
import { Agree } from './agree.tsx';
import { PlanSide } from './plan-side.tsx';
import { sayIn } from './say.ts';
import { usePlanner, type Tried } from './use-planner.ts';
import { Weigh } from './weigh.tsx';
import { weekAxis } from './week-axis.ts';
import './plan.scss';

const TRY_AFTER_MS = 60;
const NO_PINS: readonly Pin[] = [];

/** The week: what to put hands on next, which promises hold, and what to do about those that do not. */
export default function PlanScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const client = useQueryClient();
  const week = useQuery(queries.week());
  const [pins, setPins] = useState<readonly (readonly Pin[])[]>([]);
  const [days, setDays] = useState(4);
  // A week in lanes has no room on a phone: it is read there as a list, by hands.
  const phone = usePhone();
  const [asList, setList] = useState(false);
  const list = asList || phone;
  const [chosen, setChosen] = useState<string>();
  const [moved, setMoved] = useState<Pin>();
  const [tried, setTried] = useState<Tried>();
  const [changed, setChanged] = useState<Suggestion & { readonly for: string }>();
  const [said, setSaid] = useState<string>();
  const view = week.data;
  const held = pins.at(-1) ?? view?.problem.pins ?? NO_PINS;
  const problem = useMemo(() => changed?.problem ?? (view && { ...view.problem, pins: held }), [changed, view, held]);
  const zone = view?.zone ?? 'Europe/London';
  const planner = usePlanner(problem, zone);
  const { plan, late, suggestions, busy, wrong, tryPin } = planner;
  const say = useMemo(() => sayIn(zone), [zone]);
  const lateIds = useMemo(() => new Set(late.map((l) => l.job)), [late]);
  // While something is moved the plan is tried, a moment after the hand rests.
  const asked = useRef(0);
  useEffect(() => {
    if (!moved) return undefined;
    const mine = (asked.current += 1);
    const timer = setTimeout(() => {
      void tryPin(moved).then((t) => {
        if (mine === asked.current) setTried(t);
      });
    }, TRY_AFTER_MS);
    return () => clearTimeout(timer);
  }, [moved, tryPin]);
  const move = useCallback((pin: Pin | undefined): void => {
    asked.current += 1;
    setMoved(pin);
    if (!pin) setTried(undefined);
  }, []);
  const drop = async (): Promise<void> => {
    if (!moved) return;
    const result = await tryPin(moved);
    setMoved(undefined);
    asked.current += 1;
    if (result.wrong !== undefined) {
      setTried(result);
      return;
    }
    setTried(undefined);
    setPins([...pins, [...held.filter((p) => p.activity !== moved.activity), moved]]);
  };
  const latest = useRef(drop);
  useEffect(() => {
    latest.current = drop;
  });
  const dropNow = useCallback(() => void latest.current(), []);
  const undo = (): void => {
    setTried(undefined);
    setMoved(undefined);
    if (changed) setChanged(undefined);
    else setPins(pins.slice(0, -1));
  };
  const pinChosen = (): void => {
    if (!chosen || !plan) return;
    const there = held.some((p) => p.activity === chosen);
    const slot = plan.slots[chosen];
    if (there) setPins([...pins, held.filter((p) => p.activity !== chosen)]);
    else if (slot) setPins([...pins, [...held, { activity: chosen, start: slot.start, on: slot.on }]]);
  };
  const take = async (): Promise<void> => {
    if (!plan || !view) return;
    try {
      const body: TakePlanDto = {
        version: view.inForce?.version ?? 0,
        now: view.problem.now,
        slots: Object.entries(plan.slots).map(([activity, s]) => ({ activity, ...s, on: [...s.on] })),
        pins: held.map((p) => ({ activity: p.activity, start: p.start, ...(p.on ? { on: [...p.on] } : {}) })),
        ...(changed?.agree.kind === 'hours'
          ? { agreed: { from: changed.agree.from, to: changed.agree.to, helper: changed.agree.helper } }
          : {}),
      };
      await api<PlanInForce>('plan', body);
      setPins([]);
      setChanged(undefined);
      setSaid('This plan is in force.');
    } catch (e) {
      setSaid(e instanceof ApiError ? e.message : 'No line to the server');
    }
    await client.invalidateQueries({ queryKey: ['week'] });
    await client.invalidateQueries({ queryKey: ['plan-moves'] });
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
    undo: pins.length > 0 || changed ? undo : undefined,
    go: mayTake && !moved ? () => void take() : undefined,
  });
  const hours = view?.problem.calendars.find((c) => c.id === 'shop')?.open;
  const axis = useMemo(
    () => weekAxis(hours ?? [], problem?.now ?? 0, days, zone, LANE_LEFT, LANES_WIDTH - LANE_LEFT - 2),
    [hours, problem?.now, days, zone],
  );
  if (!view || !problem)
    return <main className="empty">{week.isError ? week.error.message : 'Looking over the jobs …'}</main>;
  if (!plan)
    return (
      <main className="empty">
        {wrong ? (
          <>
            <h2>The week cannot be planned</h2>
            <p>{wrong}</p>
            {pins.length > 0 && (
              <button type="button" className="btn-line" onClick={undo}>
                Undo the last move
              </button>
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
              move={move}
              drop={dropNow}
            />
          </div>
        )}
        <div className="planfoot">
          {!phone && (
            <>
              <button
                type="button"
                className="btn-line"
                aria-pressed={days === 1}
                onClick={() => setDays(days === 4 ? 1 : 4)}
              >
                {days === 4 ? 'One day' : 'The week'} <kbd>d</kbd>
              </button>
              <button type="button" className="btn-line" aria-pressed={list} onClick={() => setList(!asList)}>
                {list ? 'Lanes' : 'List'} <kbd>l</kbd>
              </button>
            </>
          )}
          <button type="button" className="btn-line" disabled={!chosen} onClick={pinChosen}>
            {held.some((p) => p.activity === chosen) ? 'Unpin' : 'Pin'} <kbd>p</kbd>
          </button>
          <button type="button" className="btn-line" disabled={pins.length === 0 && !changed} onClick={undo}>
            Undo <kbd>u</kbd>
          </button>
          <button type="button" className="btn-line" onClick={() => window.print()}>
            Print
          </button>
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
        {said && (
          <p className="past" role="status">
            {said}
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
            done={() => setChanged(undefined)}
            say={say}
          />
        )}
        <PlanSide
          problem={problem}
          plan={plan}
          late={late}
          suggestions={suggestions}
          labels={view.jobs}
          say={say}
          tried={moved || tried?.wrong ? tried : undefined}
          title={titleOf(moved?.activity ?? chosen)}
          busy={busy}
          use={setChanged}
        />
        {!changed && !moved && chosenJob && <Weigh job={chosenJob} may={me.person.role !== 'parts'} />}
        {agreed && (
          <button type="button" className="btn-go mt-auto" onClick={() => void take()} disabled={!mayTake}>
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
          </button>
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
