import type { PlanInForce, TakePlanDto, WeekView } from '@jubb/contract';
import type { Pin, Plan, PlanProblem, Suggestion } from '@jubb/core/planning';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { api, ApiError } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { usePlanner, type Planner, type Tried } from './use-planner.ts';

/** The plan is tried so long after the hand rests. */
const TRY_AFTER_MS = 60;
const NO_PINS: readonly Pin[] = [];
const ZONE = 'Europe/London';
/** A change that was suggested, and the job that it is for. */
export type Change = Suggestion & { readonly for: string };

export interface Week extends Planner {
  readonly view: WeekView | undefined;
  /** Why the week cannot be looked at, in words. */
  readonly trouble: string | undefined;
  readonly zone: string;
  /** What is planned: the shop as it is, with what is pinned or suggested on this screen. */
  readonly problem: PlanProblem | undefined;
  readonly held: readonly Pin[];
  readonly changed: Change | undefined;
  readonly change: (to: Change | undefined) => void;
  /** Where something is about to be put, and what the plan would be. */
  readonly moved: Pin | undefined;
  readonly tried: Tried | undefined;
  readonly move: (pin: Pin | undefined) => void;
  readonly drop: () => void;
  /** Pins an activity where it stands, or lets it go. */
  readonly pin: (activity: string) => void;
  /** Takes the last move back; absent when there is none. */
  readonly undo: (() => void) | undefined;
  /** Puts the plan in force. */
  readonly take: () => Promise<void>;
  /** What came of it, in words. */
  readonly said: string | undefined;
}

/** The week as it is planned on this screen: what is pinned, moved and tried, until it is put in force. */
export function useWeek(): Week {
  const client = useQueryClient();
  const week = useQuery(queries.week());
  const [pins, setPins] = useState<readonly (readonly Pin[])[]>([]);
  const [moved, setMoved] = useState<Pin>();
  const [tried, setTried] = useState<Tried>();
  const [changed, setChanged] = useState<Change>();
  const [said, setSaid] = useState<string>();
  const view = week.data;
  const held = pins.at(-1) ?? view?.problem.pins ?? NO_PINS;
  const problem = useMemo(() => changed?.problem ?? (view && { ...view.problem, pins: held }), [changed, view, held]);
  const zone = view?.zone ?? ZONE;
  const planner = usePlanner(problem, zone);
  const { plan, tryPin } = planner;
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
  const dropIt = async (): Promise<void> => {
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
  const latest = useRef(dropIt);
  useEffect(() => {
    latest.current = dropIt;
  });
  const drop = useCallback(() => void latest.current(), []);
  const undo = (): void => {
    setTried(undefined);
    setMoved(undefined);
    if (changed) setChanged(undefined);
    else setPins(pins.slice(0, -1));
  };
  const pin = (activity: string): void => {
    const others = held.filter((p) => p.activity !== activity);
    const slot = plan?.slots[activity];
    if (others.length < held.length) setPins([...pins, others]);
    else if (slot) setPins([...pins, [...held, { activity, start: slot.start, on: slot.on }]]);
  };
  const take = async (): Promise<void> => {
    if (!plan || !view) return;
    try {
      await api<PlanInForce>('plan', bodyOf(plan, view, held, changed));
      setPins([]);
      setChanged(undefined);
      setSaid('This plan is in force.');
    } catch (e) {
      setSaid(e instanceof ApiError ? e.message : 'No line to the server');
    }
    await client.invalidateQueries({ queryKey: ['week'] });
    await client.invalidateQueries({ queryKey: ['plan-moves'] });
  };
  return {
    ...planner,
    view,
    trouble: week.error?.message,
    zone,
    problem,
    held,
    changed,
    change: setChanged,
    moved,
    tried,
    move,
    drop,
    pin,
    undo: pins.length > 0 || changed ? undo : undefined,
    take,
    said,
  };
}

/** A plan as the server takes it: with the version that it was made from, and the hours that are agreed on with it. */
function bodyOf(plan: Plan, view: WeekView, held: readonly Pin[], changed: Change | undefined): TakePlanDto {
  const agree = changed?.agree;
  return {
    version: view.inForce?.version ?? 0,
    now: view.problem.now,
    slots: Object.entries(plan.slots).map(([activity, s]) => ({ activity, ...s, on: [...s.on] })),
    pins: held.map((p) => ({ activity: p.activity, start: p.start, ...(p.on ? { on: [...p.on] } : {}) })),
    ...(agree?.kind === 'hours' ? { agreed: { from: agree.from, to: agree.to, helper: agree.helper } } : {}),
  };
}
