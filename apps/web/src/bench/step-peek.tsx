import { ladderOf, nextMove, opTitle, sideWords, stepDone } from '@jubb/core/bench';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { SaidHere } from './corrections/said-here.tsx';
import type { Bench } from './use-bench.ts';

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
          {sideWords(step.side)}: {step.title.toLowerCase()}
          {stepDone(step, state)
            ? ', done'
            : here > now && move.kind === 'op'
              ? `, its turn comes after ${move.step.title.toLowerCase()}`
              : ''}
        </b>
        <Button variant="line" onClick={close}>
          Close
        </Button>
      </div>
      <SaidHere bench={bench} step={step} />
      <ul className="m-0 ps-3">
        {step.ops.map((o) => (
          <li key={o.id}>
            {o.kind === 'caution' ? o.say : opTitle(sheet, o)}
            {state.done[o.id] && <span className="quiet"> done, {state.done[o.id]!.by.initials}</span>}
            {o.kind === 'tighten' && state.joints[o.joint]?.pulls.some((p) => !p.void) && !state.signed && (
              <Loosen bench={bench} joint={o.joint} />
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** A joint that was pulled is loosened again: its ticks go, and one-time fasteners are used up. */
function Loosen({ bench, joint }: { readonly bench: Bench; readonly joint: string }): React.JSX.Element {
  const [open, setOpen] = useState(false);
  const { register, handleSubmit, watch } = useForm({ defaultValues: { why: '' } });
  if (!open)
    return (
      <Button variant="line" className="ms-2" onClick={() => setOpen(true)}>
        Loosen it again
      </Button>
    );
  return (
    <form
      className="d-flex gap-2 align-items-center"
      noValidate
      onSubmit={(e) =>
        void handleSubmit(({ why }) => {
          if (bench.give({ type: 'loosen', joint, why })) setOpen(false);
        })(e)
      }
    >
      <Form.Control
        aria-label="Why is it loosened?"
        placeholder="Why is it loosened?"
        maxLength={400}
        autoFocus
        {...register('why')}
      />
      <Button type="submit" variant="ink" disabled={!watch('why').trim()}>
        Loosen
      </Button>
    </form>
  );
}
