import type { JobLine } from '@jubb/contract';
import { clockLeft } from '../frame/use-now.ts';

/** What must not be forgotten of a job, in a few words. */
export function Marks({ job, now }: { readonly job: JobLine; readonly now: Date }): React.JSX.Element | null {
  const { leadsOff, between, uncounted, timers, parts } = job.notices;
  const words = [
    job.aidsIn > 0 ? `${job.aidsIn} ${job.aidsIn === 1 ? 'aid' : 'aids'} fitted` : '',
    leadsOff > 0 ? `${leadsOff} to restore` : '',
    between > 0 ? `${between} in between` : '',
    uncounted > 0 ? 'uncounted' : '',
    (parts?.coming ?? 0) > 0
      ? `${parts!.coming} on the way`
      : (parts?.toOrder ?? 0) > 0
        ? `${parts!.toOrder} to order`
        : '',
    timers[0] ? `${timers[0].kind} ${clockLeft(timers[0].due, now).replace(/:\d\d$/, ' min')}` : '',
  ].filter((w) => w !== '');
  return words.length > 0 ? <small className="aids">{words.slice(0, 2).join(', ')}</small> : null;
}
