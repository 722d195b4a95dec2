import { comesUndone, suspectsOf, type BadThing, type Failed, type PastCauses } from '@jubb/core/bench';
import { useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import { useForm } from 'react-hook-form';
import { queries } from '../../../api/queries.ts';
import { ReasonField, TAKEN_SO } from '../../../fields/reason-field.tsx';
import type { Bench } from '../../use-bench.ts';

const NONE: PastCauses = {};

/** Something that is bad and open: what could be behind it, most likely first, the way back to it, or taken so by name. */
export function WayOn({
  bench,
  failed,
  bad,
}: {
  readonly bench: Bench;
  readonly failed: Failed;
  readonly bad: BadThing;
}): React.JSX.Element {
  const past = useQuery(queries.pastCauses(bench.sheet.id)).data?.[failed.id] ?? NONE;
  const suspects = suspectsOf(bench.sheet, bench.state, failed, past);
  return (
    <section className="suspects" aria-label="What could be behind it">
      <h3>What could be behind it</h3>
      {suspects.map((s) => {
        const undone = comesUndone(bench.sheet, bench.state, s.id, bad.op);
        return (
          <div key={s.id} className="suspect">
            <span className="share" style={{ width: `${Math.round(s.share * 100)}%` }} aria-hidden="true" />
            <div>
              <b>{s.title}</b> <span className="quiet">{Math.round(s.share * 100)} of 100</span>
              <small className="d-block">
                {s.why.join('. ')}
                {undone ? `. ${undoneWords(undone.steps.length)}` : ''}
              </small>
            </div>
            <Button
              variant="line"
              disabled={!undone}
              onClick={() => bench.give({ type: 'return-to-step', op: bad.op, suspect: s.id })}
            >
              {undone ? `Back to ${(s.step?.title ?? s.title).toLowerCase()}` : 'No step puts it in'}
            </Button>
          </div>
        );
      })}
      <TakeSo bench={bench} bad={bad} />
    </section>
  );
}

/** "1 step comes undone". */
export const undoneWords = (steps: number): string =>
  steps === 1 ? '1 step comes undone' : `${steps} steps come undone`;

/** Takes something bad as it is, with the reason that stands in both records. */
export function TakeSo({ bench, bad }: { readonly bench: Bench; readonly bad: BadThing }): React.JSX.Element {
  const { handleSubmit, watch, setValue } = useForm({ defaultValues: { why: '' } });
  const why = watch('why');
  const id = `so-${bad.key.replaceAll(/[^\w-]/g, '-')}`;
  return (
    <form
      className="takeso"
      noValidate
      onSubmit={(e) =>
        void handleSubmit(({ why: reason }) => void bench.give({ type: 'accept-so', key: bad.key, reason }))(e)
      }
    >
      <ReasonField
        id={id}
        label="Or taken so, because"
        value={why}
        set={(text) => setValue('why', text)}
        ready={TAKEN_SO}
      />
      <Button type="submit" variant="line" disabled={!why.trim()}>
        Keep it so
      </Button>
    </form>
  );
}
