import type { JobView, PlanJobLabel } from '@jubb/contract';
import type { Minute, Say } from '@jubb/core/planning';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { api } from '../api/client.ts';
import { newId } from '../api/ids.ts';

/** Promises another day, once somebody has agreed to it: who, and how, goes into the job's log. */
export function PromiseLater({
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
  const client = useQueryClient();
  const [says, setSays] = useState('');
  const promise = useMutation({
    mutationFn: async () => {
      const { events } = await api<JobView>(`jobs/${job.id}`);
      await api(`jobs/${job.id}/commands`, {
        id: newId(),
        seen: events.length,
        at: new Date().toISOString(),
        device: 'plan',
        command: { type: 'move-promise', promise: new Date(at * 60_000).toISOString(), says },
      });
    },
    onSuccess: async () => {
      done();
      await client.invalidateQueries({ queryKey: ['week'] });
    },
  });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        promise.mutate();
      }}
    >
      <Form.Label htmlFor="agreed-by">{job.customer} is asked first. Who agreed, and how?</Form.Label>
      <Form.Control id="agreed-by" value={says} maxLength={400} onChange={(e) => setSays(e.target.value)} />
      {promise.error && (
        <p className="field-error" role="alert">
          {promise.error.message}
        </p>
      )}
      <button type="submit" className="btn-line mt-2" disabled={says.trim() === '' || promise.isPending}>
        Promise {say(at)}
      </button>
    </form>
  );
}
