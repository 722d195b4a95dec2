import type { Notices } from '@jubb/contract';
import {
  aheadNow,
  END_TITLES,
  aidsIn,
  betweenNow,
  jobSheet,
  leadsOff,
  minutesLeft,
  nextMove,
  opTitle,
  progress,
  stageOf,
  standingNow,
  timersRunning,
  type BenchState,
} from '@jubb/core/bench';
import { openNeeds } from '@jubb/core/parts';
import type { Sheet } from '@jubb/core/sheet';

/** The columns that the lists need, from a state. */
export function project(pinned: Sheet, state: BenchState): Record<string, unknown> {
  const sheet = jobSheet(pinned, state);
  const move = nextMove(sheet, state);
  const hold = state.holds.findLast((h) => !h.cleared);
  const words =
    move.kind === 'op'
      ? move.op.kind === 'caution'
        ? move.step.title
        : opTitle(sheet, move.op)
      : move.kind === 'which'
        ? 'Say which one it is'
        : move.kind === 'sign-off'
          ? state.end
            ? 'Sign off: not repaired'
            : 'Sign off'
          : move.kind === 'hand-over'
            ? 'Hand over'
            : 'Handed over';
  return {
    stage: stageOf(sheet, state),
    progress: progress(sheet, state),
    next_move: words,
    minutes_left: Math.round(minutesLeft(sheet, state)),
    aids_in: aidsIn(sheet, state).length,
    parts_off: Object.keys(state.off).length,
    hold: hold ? { why: hold.why, note: hold.note, since: hold.at } : null,
    place: state.place ?? null,
    delivery_date: state.booked?.deliveryDate ?? null,
    notices: notices(sheet, state),
  };
}

function partsNotice(sheet: Sheet, state: BenchState): Notices['parts'] {
  const lines = Object.values(state.partLines);
  // Before anything is judged only what is always new is known: the list waits for the findings.
  const judged = Object.keys(state.findings).length > 0;
  return {
    toOrder: judged ? openNeeds(sheet, state).length : 0,
    coming: lines.filter((l) => l.status === 'ordered').length,
    here: lines.filter((l) => l.status === 'arrived').length,
  };
}

function notices(sheet: Sheet, state: BenchState): Notices {
  return {
    parked: state.parked !== undefined,
    ...(state.end ? { ended: END_TITLES[state.end.how] } : {}),
    leadsOff: leadsOff(sheet, state).length,
    between: betweenNow(sheet, state).length,
    uncounted: Object.keys(state.uncounted).length,
    standing: standingNow(sheet, state).map((s) => s.say),
    ahead: aheadNow(sheet, state).map(({ id, kind, what }) => ({ id, kind, what })),
    parts: partsNotice(sheet, state),
    timers: timersRunning(state).map(({ id, title, kind, minutes, due }) => ({ id, title, kind, minutes, due })),
  };
}
