export { blockers, type Blocker, type BlockerCode } from './blockers.ts';
export { canonicalJson, chain, chainHash, checkChain, firstHash, sha256Hex, type ChainCheck } from './chain.ts';
export type { Command, CommandEnvelope, CommandType, DecideContext, DrawerStock } from './commands.ts';
export { decide, type Outcome } from './decide/decide.ts';
export {
  EVENT_VERSION,
  holdReasons,
  type EventPayloads,
  type EventType,
  type HoldReason,
  type InstrumentFacts,
  type JobEvent,
  type LoggedEvent,
  type Person,
  type PullVerdict,
  type ReadingResult,
  type TracePoint,
  type WrenchRig,
} from './events.ts';
export { evolve, fold } from './evolve.ts';
export {
  aidsIn,
  betweenNow,
  findOp,
  ladderOf,
  leadsOff,
  minutesLeft,
  nextMove,
  openOps,
  progress,
  stageOf,
  standingNow,
  stepDone,
  stepReachable,
  type JobStage,
  type NextMove,
} from './moves.ts';
export { advisePack, drawerWithPackOut, packIn, predict, type PackAdvice } from './packs.ts';
export { buildRecord, type Comparison, type JobRecord } from './record.ts';
export type { Refusal, RefusalCode } from './refusal.ts';
export { meanOfReadings } from './repeats.ts';
export {
  emptyBench,
  eventsOf,
  type BenchState,
  type Hold,
  type Pull,
  type Reading,
  type SettingRound,
  type SettingState,
  type Stamp,
  type Timer,
} from './state.ts';
export {
  orderOf,
  shareOfYield,
  tighteningState,
  torqueAtFastener,
  windowOf,
  type TighteningState,
} from './tightening.ts';
export { jobSheet } from './own.ts';
export { returnSheet, trays, type ReturnSheet } from './return-sheet.ts';
export { timerKinds, type OwnThing, type TimerKind } from './strip-events.ts';
export type { StripRecord } from './strip-record.ts';
export { aheadNow, minutesToRun, timerHasRun, timerOf, timersRunning, type AheadNow } from './timers.ts';
export { tell } from './decide/strip.ts';
export { holdWords, minutesWords, opTitle } from './wording.ts';
export { rehearse, type RehearsalFigures } from './rehearsal.ts';
