import type { HandAnswer, HandDto, InstrumentMessage, InstrumentView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { openStream } from '../api/stream.ts';

export interface LiveInstrument {
  readonly view: InstrumentView;
  readonly value: number | undefined;
  readonly hand: (move: HandDto) => Promise<void>;
}

/** What is heard of an instrument beside its live value. */
export interface Heard {
  /** A finished pull. */
  readonly pull?: (m: Extract<InstrumentMessage, { type: 'pull' }>) => void;
  /** One sample of a pull that is under way: turn in degrees, torque at the wrench in N·m. */
  readonly sample?: (at: readonly [number, number]) => void;
  /** The line dropped. */
  readonly gone?: () => void;
}

/** The first instrument of a kind, with its live value. */
export function useInstrument(kind: InstrumentView['kind'] | undefined): LiveInstrument | undefined {
  const list = useQuery(queries.instruments());
  return useLive(list.data?.find((i) => i.kind === kind));
}

const NOTHING: Heard = {};

/** An instrument with its live value. What it showed before the hand's last move is never shown. */
export function useLive(view: InstrumentView | undefined, hears: Heard = NOTHING): LiveInstrument | undefined {
  const [value, setValue] = useState<number>();
  const heard = useRef(hears);
  /** Moves that are on their way, and how many the instrument must have made for a value to count. */
  const moving = useRef(0);
  const moved = useRef(0);
  useEffect(() => {
    heard.current = hears;
  });
  // One that somebody reads, or that types as a keyboard does, has no line of its own.
  const id = view?.readBy === 'port' ? view.id : undefined;
  useEffect(() => {
    if (!id) return undefined;
    const close = openStream<InstrumentMessage>(`/api/instruments/${id}/live`, (message) => {
      if (message.type === 'live' && moving.current === 0 && (message.moves ?? 0) >= moved.current)
        setValue(message.value);
      if (message.type === 'live' && message.turnedDeg !== undefined)
        heard.current.sample?.([message.turnedDeg, message.value]);
      if (message.type === 'pull') heard.current.pull?.(message);
      if (message.type === 'gone') {
        // It counts from nothing when it comes back.
        moved.current = 0;
        setValue(undefined);
        heard.current.gone?.();
      }
    });
    return () => {
      close();
      moved.current = 0;
      setValue(undefined);
    };
  }, [id]);
  const hand = useCallback(
    async (move: HandDto): Promise<void> => {
      moving.current += 1;
      if (move.action !== 'pull') setValue(undefined);
      try {
        moved.current = (await api<HandAnswer>(`instruments/${id}/hand`, move)).moves;
      } finally {
        moving.current -= 1;
      }
    },
    [id],
  );
  if (!view) return undefined;
  return { view, value, hand };
}
