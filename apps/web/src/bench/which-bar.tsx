import { nextMove, variantMatters, variantsLeft } from '@jubb/core/bench';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { AnswerForm } from './panels/identify/identify-panel.tsx';
import type { Bench } from './use-bench.ts';

/** While nobody knows which variant it is: what it could be, and the questions that need no dismantling. */
export function WhichBar({ bench }: { readonly bench: Bench }): React.JSX.Element | null {
  const { sheet, state } = bench;
  const [open, setOpen] = useState(nextMove(bench.sheet, bench.state).kind === 'which');
  if (state.variant !== undefined || !variantMatters(sheet, state)) return null;
  const left = variantsLeft(sheet, state);
  const answered = new Set(state.identified.map((i) => i.question));
  const questions = sheet.identify.filter(
    (q) => q.needs === 'nothing' && !answered.has(q.id) && q.choices.some((c) => c.variants.length > 0),
  );
  const later = sheet.identify.find((q) => q.needs !== 'nothing' && !answered.has(q.id));
  return (
    <div className="past">
      <div className="d-flex justify-content-between align-items-center gap-2">
        <span>
          <b>Which one is it?</b> {left.map((v) => sheet.variants.find((x) => x.id === v)?.title ?? v).join(' or ')}
          {later && <small className="d-block">Told later, on its rung: {later.ask.toLowerCase()}</small>}
        </span>
        {questions.length > 0 && (
          <Button variant="line" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'Leave it open' : 'Tell now'}
          </Button>
        )}
      </div>
      {open &&
        questions.map((q) => (
          <div key={q.id} className="mt-2">
            <b>{q.ask}</b>
            <AnswerForm bench={bench} question={q} />
          </div>
        ))}
    </div>
  );
}
