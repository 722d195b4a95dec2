import type { InstrumentMessage, InstrumentView, StandRunDto } from '@jubb/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, ApiError } from '../api/client.ts';
import { openStream } from '../api/stream.ts';

/** What the stand said at the end of a run. */
export type Said = Readonly<Record<string, unknown>>;

export interface StandRunState {
  readonly points: readonly (readonly number[])[];
  readonly wave: readonly number[];
  readonly said?: Said;
  readonly phase: 'idle' | 'running' | 'done';
  readonly wrong?: string;
}
export interface StandLine extends StandRunState {
  /** The line is open: nothing of a run that is started now is missed. */
  readonly ready: boolean;
  readonly start: (setup: StandRunDto) => Promise<void>;
  /** Ends the run where it is; what came so far stays. */
  readonly stop: () => Promise<void>;
  readonly clear: () => void;
}
const IDLE: StandRunState = { points: [], wave: [], phase: 'idle' };

/**
 * One stand and its run: started, heard point by point, stopped.
 * @param ended is told once, when a run of this line came to its own end
 */
export function useStandRun(stand: InstrumentView | undefined, ended?: (said: Said) => void): StandLine {
  const [state, setState] = useState<StandRunState>(IDLE);
  const [ready, setReady] = useState(false);
  /** The newest run that was heard of on this line, and the one that is wanted. */
  const heard = useRef(0);
  const wanted = useRef(0);
  const tell = useRef(ended);
  useEffect(() => {
    tell.current = ended;
  });
  const id = stand?.id;
  useEffect(() => {
    if (!id) return undefined;
    const mine = (run: number): boolean => {
      heard.current = Math.max(heard.current, run);
      return run >= wanted.current && wanted.current > 0;
    };
    const dropped = (wrong: string): void =>
      setState((s) => (s.phase === 'running' ? { ...s, phase: 'idle', wrong } : s));
    const close = openStream<InstrumentMessage>(
      `/api/instruments/${id}/live`,
      (m) => {
        if (m.type === 'joined') setReady(true);
        if (m.type === 'point' && mine(m.run)) setState((s) => ({ ...s, points: [...s.points, m.at] }));
        if (m.type === 'wave' && mine(m.run))
          setState((s) => ({ ...s, wave: m.from === 0 ? m.values : [...s.wave, ...m.values] }));
        if (m.type === 'done' && mine(m.run)) {
          setState((s) => ({ ...s, said: m.said, phase: 'done' }));
          tell.current?.(m.said);
        }
        if (m.type === 'error') setState((s) => ({ ...s, phase: 'idle', wrong: m.says }));
        if (m.type === 'gone') {
          heard.current = 0;
          wanted.current = 0;
          dropped('The line to the stand dropped');
        }
      },
      {
        dropped: () => {
          setReady(false);
          // What was said meanwhile is not said again: half a run is no run.
          dropped('The line to the server dropped in the run: run it again');
        },
      },
    );
    return () => {
      close();
      setReady(false);
    };
  }, [id]);
  const start = useCallback(
    async (setup: StandRunDto): Promise<void> => {
      if (!id) return;
      // Points may come before the answer does: what follows the newest run that was heard is this one.
      wanted.current = heard.current + 1;
      setState({ ...IDLE, phase: 'running' });
      try {
        const { run } = await api<{ run: number }>(`instruments/${id}/run`, setup);
        wanted.current = run;
        heard.current = Math.max(heard.current, run);
      } catch (e) {
        setState({ ...IDLE, wrong: e instanceof ApiError ? e.message : 'No line to the server' });
      }
    },
    [id],
  );
  const stop = useCallback(async (): Promise<void> => {
    if (!id) return;
    await api(`instruments/${id}/stop`, {});
    setState((s) => ({ ...s, phase: 'done', said: s.said ?? {} }));
  }, [id]);
  const clear = useCallback(() => setState(IDLE), []);
  return { ...state, ready, start, stop, clear };
}
