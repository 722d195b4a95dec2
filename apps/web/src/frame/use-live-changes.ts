import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { openStream } from '../api/stream.ts';
import { outbox } from '../outbox/use-outbox.ts';

/** The week is asked for so long after the last of several changes to it, or of a job. */
const WEEK_MS = 150;
const JOB_MS = 5000;

/** Whatever is shown and has changed on the server is asked for anew; what waits is sent when there is a line again. */
export function useLiveChanges(): void {
  const client = useQueryClient();
  useEffect(() => {
    // The week is planned anew when what it is planned from is another; while a job goes on, not at every step of it.
    let later: ReturnType<typeof setTimeout> | undefined;
    let due = Infinity;
    const week = (after: number): void => {
      if (Date.now() + after >= due) return;
      clearTimeout(later);
      due = Date.now() + after;
      later = setTimeout(() => {
        due = Infinity;
        for (const queryKey of [['week'], ['plan-moves']]) void client.invalidateQueries({ queryKey });
      }, after);
    };
    const close = openStream<{ readonly job: string; readonly week?: boolean; readonly again?: boolean }>(
      '/api/live',
      (said) => {
        week(said.week ? WEEK_MS : JOB_MS);
        // The server had lost the database for a while: whatever is shown may be old.
        if (said.again)
          for (const queryKey of [['job'], ['floor'], ['parts'], ['offer'], ['plan']])
            void client.invalidateQueries({ queryKey });
        if (said.week) return;
        const { job } = said;
        for (const queryKey of [['job', job], ['offer', job], ['plan', job], ['parts'], ['floor']])
          void client.invalidateQueries({ queryKey });
      },
      {
        back: () => {
          void client.invalidateQueries({ queryKey: ['job'] });
          void client.invalidateQueries({ queryKey: ['floor'] });
          week(0);
        },
      },
    );
    const wake = (): void => void outbox.drain();
    window.addEventListener('online', wake);
    return () => {
      close();
      clearTimeout(later);
      window.removeEventListener('online', wake);
    };
  }, [client]);
}
