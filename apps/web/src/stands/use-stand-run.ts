import type { InstrumentMessage, InstrumentView, StandRunDto } from '@jubb/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, ApiError } from '../api/client.ts';
import { openStream } from '../api/stream.ts';

export interface StandRunState {
  readonly points: readonly (readonly number[])[];
  readonly wave: readonly number[];
  /** What the stand said at the end of the run. */
  readonly said?: Readonly<Record<string, unknown>>;
  readonly phase: 'idle' | 'running' | 'done';
  readonly wrong?: string;
}
export interface StandLine extends StandRunState {
  readonly start: (setup: StandRunDto) => Promise<void>;
  /** Ends the run where it is; what came so far stays. */
  readonly stop: () => Promise<void>;
  readonly clear: () => void;
}
const IDLE: StandRunState = { points: [], wave: [], phase: 'idle' };

/** One stand and its run: started, heard point by point, stopped. */
export function useStandRun(stand: InstrumentView | undefined): StandLine {
  const [state, setState] = useState<StandRunState>(IDLE);
  /** The newest run that was heard of on this line, and the one that is wanted. */
  const heard = useRef(0);
  const wanted = useRef(0);
  const id = stand?.id;
  useEffect(() => {
    if (!id) return undefined;
    const mine = (run: number): boolean => {
      heard.current = Math.max(heard.current, run);
      return run >= wanted.current && wanted.current > 0;
    };
    return openStream<InstrumentMessage>(`/api/instruments/${id}/live`, (m) => {
      if (m.type === 'point' && mine(m.run)) setState((s) => ({ ...s, points: [...s.points, m.at] }));
      if (m.type === 'wave' && mine(m.run))
        setState((s) => ({ ...s, wave: m.from === 0 ? m.values : [...s.wave, ...m.values] }));
      if (m.type === 'done' && mine(m.run)) setState((s) => ({ ...s, said: m.said, phase: 'done' }));
      if (m.type === 'error') setState((s) => ({ ...s, phase: 'idle', wrong: m.says }));
      if (m.type === 'gone') {
        heard.current = 0;
        wanted.current = 0;
        setState((s) => (s.phase === 'running' ? { ...s, phase: 'idle', wrong: 'The line to the stand dropped' } : s));
      }
    });
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
  return { ...state, start, stop, clear };
}
