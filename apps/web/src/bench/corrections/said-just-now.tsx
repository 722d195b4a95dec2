import type { LadderStep } from '@jubb/core/sheet';
import type { Bench } from '../use-bench.ts';
import { SaidHere } from './said-here.tsx';

/** What was said on the step at hand, folded away: a slip is put right at once, without looking back for it. */
export function SaidJustNow({
  bench,
  step,
}: {
  readonly bench: Bench;
  readonly step: LadderStep;
}): React.JSX.Element | null {
  const ops = new Set(step.ops.map((o) => o.id));
  const any =
    bench.state.readings.some((r) => ops.has(r.op)) ||
    bench.state.looks.some((l) => ops.has(l.op)) ||
    Object.values(bench.state.findingNotes).some((f) => ops.has(f.op)) ||
    Object.keys(bench.state.answers).some((op) => ops.has(op)) ||
    bench.state.notes.some((n) => n.step === step.id);
  if (!any) return null;
  return (
    <details className="saidnow">
      <summary>Said on this step</summary>
      <SaidHere bench={bench} step={step} />
    </details>
  );
}
