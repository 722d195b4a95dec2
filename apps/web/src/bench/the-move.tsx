import type { MeView } from '@jubb/contract';
import { opTitle, sideWords, together, withLead, type NextMove } from '@jubb/core/bench';
import { useState } from 'react';
import { AheadBar } from './ahead-bar.tsx';
import { Caution } from './caution.tsx';
import { InTheWay, saidSafe } from './in-the-way.tsx';
import { LeadLines } from './lead-lines.tsx';
import { MovePanel } from './move-panel.tsx';
import { OppositePictures } from './opposite-pictures.tsx';
import { ReadyToStart } from './ready-to-start.tsx';
import { useUnitView } from './unit/use-unit-view.tsx';
import type { Bench } from './use-bench.ts';
import { WhichBar } from './which-bar.tsx';

/** The move: what is made ready for it, where it stands, what leads up to it, its caution, and its panel. */
export function TheMove({
  bench,
  move,
  me,
}: {
  readonly bench: Bench;
  readonly move: Extract<NextMove, { kind: 'op' }>;
  readonly me: MeView;
}): React.JSX.Element {
  const { sheet, state } = bench;
  const [safe, setSafe] = useState({ op: '', words: '' });
  const { step } = move;
  const caution = step.ops.find((o) => o.kind === 'caution');
  const go = together(sheet, state, step, move.op);
  // What leads up to a move is done with its press.
  const unit = useUnitView(bench, go.op);
  const reason = safe.op === go.op.id ? safe.words : '';
  const withLeads: Bench = {
    ...bench,
    give: (command) => bench.giveAll(withLead(go, saidSafe(command, go.op.id, reason))),
  };
  return (
    <>
      <WhichBar bench={bench} />
      {Object.keys(state.done).length === 0 && <ReadyToStart bench={bench} />}
      <AheadBar bench={bench} step={step} />
      <div ref={unit.anchor}>
        <div className="quiet fw-bold d-flex justify-content-between align-items-baseline gap-2">
          <span>
            {sideWords(step.side)}, {move.place} of {move.of}: {step.title.toLowerCase()}
          </span>
          {step.at && <span className="side">{step.at}</span>}
          {unit.button}
        </div>
        <LeadLines bench={bench} lead={go.lead} />
        <h2>{opTitle(sheet, go.op)}</h2>
        {step.tools.length > 0 && (
          <small className="d-block">
            Tool: {step.tools.map((t) => (t.instead ? `${t.title}, or ${t.instead}` : t.title)).join('; ')}
          </small>
        )}
      </div>
      {caution && caution.id !== move.op.id && <Caution say={caution.say} />}
      <OppositePictures bench={bench} step={step} />
      {unit.figure}
      <InTheWay bench={bench} op={go.op} reason={reason} setReason={(words) => setSafe({ op: go.op.id, words })} />
      <MovePanel key={go.op.id} bench={withLeads} step={step} op={go.op} me={me} />
    </>
  );
}
