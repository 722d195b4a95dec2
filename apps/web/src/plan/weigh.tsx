import { jobWeights, type PlanJobLabel } from '@jubb/contract';
import { useMutation } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import { api } from '../api/client.ts';

const WORDS = { 1: 'once', 2: 'twice', 4: 'four times' } as const;

/** How much it counts when this job is late: the plan is made anew by it. */
export function Weigh({ job, may }: { readonly job: PlanJobLabel; readonly may: boolean }): React.JSX.Element {
  const weigh = useMutation({
    mutationFn: (weight: (typeof jobWeights)[number]) => api(`plan/jobs/${job.id}/weight`, { weight }),
  });
  return (
    <div className="weigh" role="group" aria-label={`How much it counts when ${job.number} is late`}>
      <b>
        {job.number}, {job.title.split(',')[0]}
      </b>
      <small className="d-block">When it is late, that counts</small>
      <div className="d-flex gap-2">
        {jobWeights.map((w) => (
          <Button
            key={w}
            variant="line"
            aria-pressed={job.weight === w}
            disabled={!may || weigh.isPending}
            onClick={() => weigh.mutate(w)}
          >
            {WORDS[w]}
          </Button>
        ))}
      </div>
      {weigh.error && (
        <p className="field-error" role="alert">
          {weigh.error.message}
        </p>
      )}
    </div>
  );
}
