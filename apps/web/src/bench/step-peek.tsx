import { ladderOf, nextMove, opTitle, stepDone } from '@jubb/core/bench';
import type { Bench } from './use-bench.ts';

const SIDES = { strip: 'Strip', bottom: 'Along the bottom', build: 'Build' } as const;

/** Another step of the ladder, looked at before or after its turn: what belongs to it and what is done. */
export function StepPeek({
  bench,
  step: id,
  close,
}: {
  readonly bench: Bench;
  readonly step: string;
  readonly close: () => void;
}): React.JSX.Element | null {
  const { sheet, state } = bench;
  const { all } = ladderOf(sheet, state);
  const step = all.find((s) => s.id === id);
  if (!step) return null;
  const move = nextMove(sheet, state);
  const here = all.findIndex((s) => s.id === id);
  const now = move.kind === 'op' ? all.findIndex((s) => s.id === move.step.id) : all.length;
  return (
    <div className="past" data-looked-at={id}>
      <div className="d-flex justify-content-between align-items-center gap-2">
        <b>
          {SIDES[step.side]}: {step.title.toLowerCase()}
          {stepDone(step, state)
            ? ', done'
            : here > now && move.kind === 'op'
              ? `, its turn comes after ${move.step.title.toLowerCase()}`
              : ''}
        </b>
        <button type="button" className="btn-line" onClick={close}>
          Close
        </button>
      </div>
      <ul className="m-0 ps-3">
        {step.ops.map((o) => (
          <li key={o.id}>
            {o.kind === 'caution' ? o.say : opTitle(sheet, o)}
            {state.done[o.id] && <span className="quiet"> done, {state.done[o.id]!.by.initials}</span>}
          </li>
        ))}
      </ul>
    </div>
  );
}
