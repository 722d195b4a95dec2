import { ladderOf, aidsIn, betweenNow, leadsOff, nextMove, standingNow, stepDone } from '../ladder/moves.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import type { BenchState, Hold, Timer } from '../log/state.ts';
import { timersRunning } from '../waiting/timers.ts';
import { opTitle } from '../ladder/wording.ts';
import { sideWords } from '../ladder/words.ts';
import type { Sheet } from '../../sheet/index.ts';

/** All that the next hands must know before they touch a unit that stood on the shelf. */
export interface ReturnSheet {
  /** "Strip, 7 of 12: bearing holder". */
  readonly at: string;
  readonly next: string;
  readonly doneSteps: number;
  readonly allSteps: number;
  readonly standing: readonly string[];
  readonly aids: readonly { readonly title: string; readonly where: string }[];
  readonly leads: readonly { readonly title: string; readonly where: string }[];
  readonly between: readonly { readonly title: string; readonly state: string }[];
  readonly marks: readonly {
    readonly title: string;
    readonly where: string;
    readonly with: string;
    readonly aligned: boolean;
  }[];
  /** Tray by tray, in the order of their names. */
  readonly trays: readonly {
    readonly tray: string;
    readonly parts: readonly {
      readonly id: string;
      readonly title: string;
      readonly count: number;
      readonly uncounted: boolean;
      readonly where?: string;
      readonly note?: string;
    }[];
  }[];
  readonly waits: readonly Hold[];
  readonly timers: readonly Timer[];
  readonly notes: readonly { readonly text: string; readonly at: string; readonly by: string }[];
  readonly photos: BenchState['photos'];
  readonly parked?: BenchState['parked'];
}

/** Builds the return sheet of a job as it stands. */
export function returnSheet(pinned: Sheet, state: BenchState): ReturnSheet {
  const sheet = jobSheet(pinned, state);
  const move = nextMove(sheet, state);
  const { all } = ladderOf(sheet, state);
  return {
    at:
      move.kind === 'op'
        ? `${sideWords(move.step.side)}, ${move.place} of ${move.of}: ${move.step.title}`
        : move.kind === 'which'
          ? 'It waits for which one it is'
          : 'Every step is done',
    next:
      move.kind === 'op'
        ? move.op.kind === 'caution'
          ? move.step.title
          : opTitle(sheet, move.op)
        : move.kind === 'which'
          ? 'Say which one it is'
          : 'Sign off',
    doneSteps: all.filter((s) => stepDone(s, state)).length,
    allSteps: all.length,
    standing: standingNow(sheet, state).map((s) => s.say),
    aids: aidsIn(sheet, state).map(({ title, where }) => ({ title, where })),
    leads: leadsOff(sheet, state).map(({ title, where }) => ({ title, where })),
    between: betweenNow(sheet, state).map((b) => ({ title: b.title, state: b.state })),
    marks: Object.entries(state.marks).map(([id, m]) => ({
      title: sheet.marks[id]?.title ?? id,
      where: sheet.marks[id]?.where ?? '',
      with: sheet.marks[id]?.with ?? '',
      aligned: m.aligned !== undefined,
    })),
    trays: trays(sheet, state),
    waits: state.holds.filter((h) => !h.cleared),
    timers: timersRunning(state),
    notes: state.notes.map((n) => ({ text: n.text, at: n.at, by: n.by.name })),
    photos: state.photos,
    ...(state.parked ? { parked: state.parked } : {}),
  };
}

/** What is off, tray by tray. */
export function trays(sheet: Sheet, state: BenchState): ReturnSheet['trays'] {
  const names = [...new Set(Object.values(state.off).map((o) => o.tray))].sort((a, b) =>
    a.localeCompare(b, 'en', { numeric: true }),
  );
  return names.map((tray) => ({
    tray,
    parts: Object.entries(state.off)
      .filter(([, o]) => o.tray === tray)
      .map(([id, o]) => ({
        id,
        title: sheet.parts[id]?.title ?? id,
        count: o.count,
        uncounted: state.uncounted[id] !== undefined,
        ...(sheet.parts[id]?.where === undefined ? {} : { where: sheet.parts[id].where }),
        ...(o.note === undefined ? {} : { note: o.note }),
      })),
  }));
}
