import { comesUndone, ladderOf } from '@jubb/core/bench';
import Button from 'react-bootstrap/Button';
import { useForm } from 'react-hook-form';
import { ReasonField } from '../../../fields/reason-field.tsx';
import { undoneWords } from '../proving/way-on.tsx';
import type { Bench } from '../../use-bench.ts';

const READY: readonly string[] = ['A reading was wrong', 'Seen better by now', 'It cannot be set with it'];

/** Judges a part once more; says how much comes undone for it. */
export function JudgeAgain({
  bench,
  part,
}: {
  readonly bench: Bench;
  readonly part: string;
}): React.JSX.Element | null {
  const { handleSubmit, watch, setValue } = useForm({ defaultValues: { why: '' } });
  const why = watch('why');
  const { sheet, state } = bench;
  const judges = ladderOf(sheet, state)
    .bottom.flatMap((s) => s.ops)
    .find((o) => o.kind === 'judge' && o.parts.includes(part));
  if (!judges) return null;
  const undone = comesUndone(sheet, state, part, judges.id)?.steps.length ?? 1;
  return (
    <form
      className="takeso"
      noValidate
      onSubmit={(e) =>
        void handleSubmit(({ why: reason }) => void bench.give({ type: 'judge-again', part, reason }))(e)
      }
    >
      <ReasonField
        id={`again-${part}`}
        label={`Judge the ${(sheet.parts[part]?.title ?? part).toLowerCase()} again (${undoneWords(undone)}), because`}
        value={why}
        set={(text) => setValue('why', text)}
        ready={READY}
      />
      <Button type="submit" variant="line" disabled={!why.trim()}>
        Judge it again
      </Button>
    </form>
  );
}
