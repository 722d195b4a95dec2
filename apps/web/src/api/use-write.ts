import { useMutation, useQueryClient, type QueryKey } from '@tanstack/react-query';
import { ApiError } from './client.ts';

export interface Write<In, Out> {
  /** Writes; whatever comes of it stands in the fields below, and nothing is thrown. */
  readonly write: (what: In) => void;
  /** As `write`, for who goes on only once it is written: whether it was. */
  readonly written: (what: In) => Promise<boolean>;
  readonly busy: boolean;
  /** What the server answered last. */
  readonly answer: Out | undefined;
  /** Why it was not written, in words. */
  readonly wrong: string | undefined;
  /** Forgets what came of it. */
  readonly reset: () => void;
}

/**
 * A write outside the log of a job (that goes through the outbox).
 * @param stale what is shown and may be another now: asked for anew; `all` for everything
 * @param noLine what is said where no server answers
 */
export function useWrite<In = void, Out = unknown>(
  send: (what: In) => Promise<Out>,
  {
    stale = [],
    after,
    noLine = 'No line to the server: nothing was changed. Try again.',
  }: {
    readonly stale?: readonly QueryKey[] | 'all';
    readonly after?: (answer: Out, what: In) => void;
    readonly noLine?: string;
  } = {},
): Write<In, Out> {
  const client = useQueryClient();
  const mutation = useMutation({
    mutationFn: send,
    // Without a line it fails at once and says so, and does not wait for one in silence.
    networkMode: 'always',
    onSuccess: (answer, what) => after?.(answer, what),
    // Also when it failed: somebody may have been quicker.
    onSettled: () =>
      stale === 'all'
        ? client.invalidateQueries()
        : Promise.all(stale.map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
  const { error } = mutation;
  return {
    write: (what) => mutation.mutate(what),
    written: (what) =>
      mutation.mutateAsync(what).then(
        () => true,
        () => false,
      ),
    busy: mutation.isPending,
    answer: mutation.data,
    wrong: error === null ? undefined : error instanceof ApiError ? error.message : noLine,
    reset: mutation.reset,
  };
}
