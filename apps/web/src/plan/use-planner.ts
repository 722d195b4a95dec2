import type { LateJob, Pin, Plan, PlanProblem, Suggestion } from '@jubb/core/planning';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { AskPlan, PlanAnswer } from './plan.worker.ts';

export interface Planned {
  readonly plan?: Plan;
  readonly late: readonly LateJob[];
  readonly suggestions: readonly (Suggestion & { readonly for: string })[];
  readonly wrong?: string;
  readonly busy: boolean;
}
/** A move that is tried before it is dropped. */
export interface Tried {
  readonly plan?: Plan;
  readonly late?: readonly LateJob[];
  readonly wrong?: string;
}
export interface Planner extends Planned {
  readonly tryPin: (pin: Pin) => Promise<Tried>;
  readonly stop: () => void;
}
/** How long a week is planned; a try only has to be felt as at once. */
const SECONDS = 3;
const TRY_SECONDS = 0.08;

/**
 * Plans a week off the page's own thread: a first plan at once, better ones as they come. A new problem stops the old.
 * @param problem undefined while there is none
 */
export function usePlanner(problem: PlanProblem | undefined, zone: string): Planner {
  const [planned, setPlanned] = useState<Planned>({ late: [], suggestions: [], busy: true });
  const worker = useRef<Worker>(undefined);
  const asked = useRef(0);
  // What is shown now: the next plan keeps to it where it can.
  const shown = useRef<Plan>(undefined);
  useEffect(() => {
    shown.current = planned.plan;
  }, [planned.plan]);
  useEffect(() => {
    if (!problem) return undefined;
    asked.current += 1;
    const id = asked.current;
    const made = start();
    worker.current = made;
    made.onmessage = (m: MessageEvent<PlanAnswer>) => {
      const { plan, late, suggestions, wrong, done } = m.data;
      setPlanned((p) => ({
        ...p,
        ...(plan ? { plan } : {}),
        ...(late ? { late } : {}),
        ...(suggestions ? { suggestions } : {}),
        ...(wrong === undefined ? {} : { wrong }),
        busy: !done,
      }));
    };
    setPlanned((p) => ({ ...(p.plan ? { plan: p.plan } : {}), late: p.late, suggestions: [], busy: true }));
    made.postMessage({
      id,
      problem: keepingTo(problem, shown.current),
      zone,
      seconds: SECONDS,
      suggest: true,
    } satisfies AskPlan);
    return () => made.terminate();
  }, [problem, zone]);
  const tryPin = useCallback(
    (pin: Pin): Promise<Tried> =>
      new Promise((resolve) => {
        if (!problem) return resolve({ wrong: 'there is no plan yet' });
        const once = start();
        once.onmessage = (m: MessageEvent<PlanAnswer>) => {
          once.terminate();
          const { plan, late, wrong } = m.data;
          resolve({ ...(plan ? { plan } : {}), ...(late ? { late } : {}), ...(wrong === undefined ? {} : { wrong }) });
        };
        const pins = [...problem.pins.filter((p) => p.activity !== pin.activity), pin];
        once.postMessage({
          id: 0,
          problem: keepingTo({ ...problem, pins }, shown.current),
          zone,
          seconds: TRY_SECONDS,
          suggest: false,
        } satisfies AskPlan);
      }),
    [problem, zone],
  );
  const stop = useCallback(() => {
    worker.current?.terminate();
    setPlanned((p) => ({ ...p, busy: false }));
  }, []);
  // What was planned for other work is not drawn: a step that is done, a unit that came in.
  const { plan, ...rest } = planned;
  const fits = plan !== undefined && problem?.jobs.every((j) => j.activities.every((a) => plan.slots[a.id]));
  return { ...rest, ...(fits ? { plan } : {}), tryPin, stop };
}

/** A problem whose plan should not jump about against the one that is shown. */
const keepingTo = (problem: PlanProblem, shown: Plan | undefined): PlanProblem =>
  shown ? { ...problem, inForce: shown.slots } : problem;

const start = (): Worker => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
