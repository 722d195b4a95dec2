export { changeWords } from './change.ts';
export {
  anotherRun,
  nextCorrection,
  permissibleGmm,
  shakesNow,
  STAND_REPEATS_MM_S,
  unbalanceLeft,
} from './balancing.ts';
export { earlyOf, withoutCooling } from './curves/waits.ts';
export { earlyVerdict, type Early } from './early.ts';
export { judgeRun } from './judge-run.ts';
export { comesUndone, type ComesUndone } from './return-to-step/steps.ts';
export { resultOfRun } from './result.ts';
export {
  curveKinds,
  MOST_POINTS,
  MOST_RIPPLE,
  RunError,
  type AlternatorRun,
  type BalancingRun,
  type BothBearings,
  type Check,
  type CurveKind,
  type CurveRun,
  type Proof,
  type Run,
  type RunOutcome,
  type SweepPoint,
  type Vibration,
  type Weight,
} from './run.ts';
export { figuresFor, keptWave, runFrom, thinned } from './setup.ts';
export { trialRuns } from './trials.ts';
export { returnToStepOf, type ReturnToStep } from './return-to-step/return-to-step.ts';
export { stepOfSuspect, suspectsOf, type Failed, type PastCauses, type Suspect } from './return-to-step/suspects.ts';
