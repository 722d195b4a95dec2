import { deliveryDates, type PlanJob, type PlanProblem, type DeliveryDates, type Unknowns } from '@jubb/core/planning';

/** Planning that takes a while: what a queued job carries. */
export interface PlanWork {
  readonly problem: PlanProblem;
  readonly job: PlanJob;
  readonly spreads: Readonly<Record<string, number>>;
  readonly unknowns: Unknowns | undefined;
}

/** Does it, in whichever thread. */
export const doWork = (w: PlanWork): DeliveryDates => deliveryDates(w.problem, w.job, w.spreads, w.unknowns);
