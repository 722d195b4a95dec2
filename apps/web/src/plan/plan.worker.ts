import {
  lateJobs,
  PlanError,
  Planner,
  suggestionsFor,
  type LateJob,
  type Plan,
  type PlanProblem,
  type Suggestion,
} from '@jubb/core/planning';
import { sayIn } from './say.ts';

/** What is asked of the planner: a week to plan for some seconds, or a move to try quickly. */
export interface AskPlan {
  readonly id: number;
  readonly problem: PlanProblem;
  readonly zone: string;
  readonly seconds: number;
  /** Also what would save what is late. */
  readonly suggest: boolean;
}
/** What it answers: more than once, better each time. */
export interface PlanAnswer {
  readonly id: number;
  readonly plan?: Plan;
  readonly late?: readonly LateJob[];
  readonly suggestions?: readonly (Suggestion & { readonly for: string })[];
  readonly wrong?: string;
  readonly done: boolean;
}

/** Late jobs that are told what would save them: the worst ones. */
const MOST_SAVED = 4;
/** Shares of the time after which the best so far is shown. */
const SHOWN = [0.15, 0.35, 0.5];

/** Plans, telling the best so far as it goes. */
export function work({ id, problem, zone, seconds, suggest }: AskPlan, tell: (a: PlanAnswer) => void): void {
  const say = sayIn(zone);
  try {
    const planner = new Planner(problem);
    const show = (done: boolean): { readonly plan: Plan; readonly late: readonly LateJob[] } => {
      const plan = planner.plan();
      const late = lateJobs(problem, plan, say);
      tell({ id, plan, late, done });
      return { plan, late };
    };
    if (seconds > 0.5) show(false);
    for (const share of seconds > 0.5 ? SHOWN : [1]) {
      planner.improve({ seconds: seconds * share });
      if (share !== SHOWN.at(-1) && seconds > 0.5) show(false);
    }
    const { plan, late } = show(!suggest);
    if (!suggest) return;
    const suggestions = late
      .slice(0, MOST_SAVED)
      .flatMap((l) => suggestionsFor(problem, plan, l, say).map((s) => ({ ...s, for: l.job })));
    // Hours are agreed on once, whomever they save; what keeps a promise comes first.
    const once = suggestions.filter(
      (s, i) => s.agree.kind !== 'hours' || suggestions.findIndex((o) => o.id === s.id && o.keeps >= s.keeps) === i,
    );
    const rank = (s: Suggestion): number => (s.agree.kind === 'delivery-date' ? 2 : s.keeps ? 0 : 1);
    tell({ id, suggestions: once.sort((a, b) => rank(a) - rank(b)), done: true });
  } catch (e) {
    tell({ id, wrong: e instanceof PlanError ? e.message : `It cannot be planned: ${String(e)}`, done: true });
  }
}

// In a page's tests there is no worker around it.
if (typeof self !== 'undefined' && typeof window === 'undefined')
  self.onmessage = (m: MessageEvent<AskPlan>) => work(m.data, (a) => self.postMessage(a));
