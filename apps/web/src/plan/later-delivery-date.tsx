import type { CommandAnswer, JobView, PlanJobLabel } from '@jubb/contract';
import type { Minute, Say } from '@jubb/core/planning';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { newId } from '../api/ids.ts';
import { useWrite } from '../api/use-write.ts';
import { Wrong } from '../fields/wrong.tsx';

/** Promises another day, once somebody has agreed to it: who, and how, goes into the job's log. */
export function LaterDeliveryDate({
  at,
  job,
  done,
  say,
}: {
  readonly at: Minute;
  readonly job: PlanJobLabel;
  readonly done: () => void;
  readonly say: Say;
}): React.JSX.Element {
  const { register, handleSubmit, watch } = useForm({ defaultValues: { says: '' } });
  const { written, wrong, busy } = useWrite(
    async (says: string) => {
      const { events } = await api<JobView>(`jobs/${job.id}`);
      return api<CommandAnswer>(`jobs/${job.id}/commands`, {
        id: newId(),
        seen: events.length,
        at: new Date().toISOString(),
        device: 'plan',
        command: { type: 'move-delivery-date', deliveryDate: new Date(at * 60_000).toISOString(), says },
      });
    },
    { stale: [['week']] },
  );
  const agree = handleSubmit(async ({ says }) => {
    if (await written(says)) done();
  });
  return (
    <form noValidate onSubmit={(e) => void agree(e)}>
      <Form.Label htmlFor="agreed-by">{job.customer} is asked first. Who agreed, and how?</Form.Label>
      <Form.Control id="agreed-by" maxLength={400} {...register('says')} />
      <Wrong says={wrong} />
      <Button type="submit" variant="line" className="mt-2" disabled={watch('says').trim() === '' || busy}>
        Promise {say(at)}
      </Button>
    </form>
  );
}
