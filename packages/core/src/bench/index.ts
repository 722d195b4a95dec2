export { sourceKinds, type SourceKind } from './sources/events.ts';
export { newAt, sourceOf, unsourced, SOURCE_WORDS } from './sources/source-of.ts';
export { endKinds, type EndKind } from './ends/events.ts';
export { END_STATEMENTS, END_TITLES } from './ends/words.ts';
export { variantMatters } from './identify/matters.ts';
export { scopeAt } from './booking/scope-at.ts';
export { fluidLedger, type LedgerEntry, type LedgerLine } from './doing/ledger.ts';
export { badThings, openBad, type BadThing } from './bad/bad-things.ts';
export { badLine } from './bad/words.ts';
export type { TruthRecord } from './record/truth-record.ts';
export type { Correctable, Righted } from './corrections/events.ts';
export { saidAt, saidBy } from './corrections/words.ts';
export { type Said } from './corrections/said.ts';
export { asItStands } from './corrections/as-it-stands.ts';
export { dangersOf, inTheWayOf, unitNow } from './ladder/unit-now.ts';
export { blockers, type Blocker, type BlockerCode } from './ladder/blockers.ts';
export { canonicalJson, chain, chainHash, checkChain, firstHash, sha256Hex, type ChainCheck } from './log/chain.ts';
export type { Command, CommandEnvelope, CommandType, DecideContext, DrawerStock } from './command/commands.ts';
export { decide, type Outcome } from './command/decide.ts';
export { commandToday } from './command/older-commands.ts';
export { EVENT_VERSION, type EventPayloads, type EventType, type JobEvent, type LoggedEvent } from './log/events.ts';
export { holdReasons, type HoldReason } from './shelf/events.ts';
export { type InstrumentFacts, type Person, type ReadingResult } from './log/facts.ts';
export { evolve, fold } from './log/evolve.ts';
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
} from './ladder/moves.ts';
export * from './proving/index.ts';
export { whereIs } from './shelf/where-is.ts';
export { absentParts, renewedParts, wornParts } from './record/marked-parts.ts';
export { lastReading, readingsOf } from './measuring/readings-of.ts';
export * from './setting/index.ts';
export { buildRecord, type Comparison, type JobRecord } from './record/record.ts';
export type { Refusal, RefusalCode } from './command/refusal.ts';
export { meanOfReadings } from './measuring/repeats.ts';
export {
  emptyBench,
  eventsOf,
  type BenchState,
  type Hold,
  type PartLineState,
  type QuoteState,
  type Pull,
  type Reading,
  type SettingRound,
  type SettingState,
  type Stamp,
  type Timer,
} from './log/state.ts';
export * from './tightening/index.ts';
export {
  pullAnswers,
  type PullAnswer,
  type PullVerdict,
  type TracePoint,
  type WrenchRig,
} from './tightening/events.ts';
export { jobSheet } from './ladder/job-sheet.ts';
export { returnSheet, trays, type ReturnSheet } from './strip/return-sheet.ts';
export { timerKinds, type TimerKind } from './waiting/events.ts';
export { type OwnThing } from './surprises/events.ts';
export type { StripRecord } from './record/strip-record.ts';
export { aheadNow, minutesToRun, timerHasRun, timerOf, timersRunning, type AheadNow } from './waiting/timers.ts';
export { MOST_OF_A_PART } from './counting/decide.ts';
export { failedAt } from './proving/decide.ts';
export { identifiedBy } from './identify/decide.ts';
export { goesBackNew } from './fitting/renewal.ts';
export { together, withLead, type Together } from './ladder/together.ts';
export { answersThatStand, variantsLeft } from './identify/variants-left.ts';
export { opTitle } from './ladder/wording.ts';
export { holdWords, lowerFirst, minutesWords, sideWords, upperFirst } from './ladder/words.ts';
export { rehearse } from './rehearsal/rehearse.ts';
export { type RehearsalFigures } from './rehearsal/figures.ts';
export { absurd } from './measuring/absurd.ts';
export { adviseFinding, readingWords, type FindingAdvice } from './judging/advice.ts';
export { causeEvidence, type Evidence } from './judging/evidence.ts';
export {
  ownInstrumentKinds,
  ownInstrumentProblem,
  ranOut,
  usualUnits,
  type OwnInstrument,
  type OwnInstrumentKind,
} from './measuring/own-instrument.ts';
export { measureOutcome, type MeasureFigure, type MeasureOutcome } from './measuring/figures.ts';
export {
  gaugeKinds,
  gaugesFor,
  kindOfGauge,
  settingGauge,
  wouldDecide,
  type Gauge,
  type GaugeAdvice,
  type GaugeKind,
  type WouldDecide,
} from './measuring/gauges.ts';
export { placesLeft, placesRead, standsAt, type PlaceRead } from './measuring/places.ts';
export type { OrderedLine } from './parts/events.ts';
export { answerHows, quoteAnswers, type QuoteLine, type QuoteOption, type QuotePayloads } from './quote/events.ts';
export {
  agreedMinor,
  hoursMinor,
  quoteInForce,
  roundMinor,
  taxMinor,
  withTax,
  type BillSettings,
  type MoneySettings,
  type Pricing,
} from './quote/money.ts';
export * from './fitting/windows.ts';
export { coverFor, coverOf, type Cover } from './parts/cover.ts';
export { kitsAwaited, wantingFor, type KitAwaited, type Wanting } from './parts/part-lines.ts';
export { quoteStands } from './quote/agreed-option.ts';
export { billOf, type Bill } from './quote/bill.ts';
export { billLines } from './quote/bill-lines.ts';
export { workedMinutes, type Worked } from './ladder/worked.ts';
export type { DeskRecord } from './record/desk-record.ts';
export { lookAgainDay } from './judging/look-again.ts';
export { plainRecord, type PlainRecord } from './record/plain-record.ts';
export { meanInterval, shareInterval, type Interval } from './record/intervals.ts';
export { recordColumns, recordCsv, recordRows } from './record/record-csv.ts';
export type { ProveRecord } from './record/prove-record.ts';
export { linesOf } from './ladder/instructions.ts';
export { visitOf, visitFigures, type PastVisit, type VisitFigure } from './record/visit.ts';
export {
  COMES_BACK_DAYS,
  cameBack,
  doneVisit,
  qualityOf,
  type DoneVisit,
  type QualityLine,
  type SheetQuality,
} from './record/quality.ts';
export { selfCheck } from './measuring/self-check.ts';
export { pullTorque } from './measuring/pull-torque.ts';
