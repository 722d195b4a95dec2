import type { HandDto, InstrumentMessage, InstrumentView } from '@jubb/contract';
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

/** The instrument of a kind, with its live value; `onPull` hears each finished pull. */
export function useInstrument(
  kind: InstrumentView['kind'] | undefined,
  onPull: (m: Extract<InstrumentMessage, { type: 'pull' }>) => void,
): LiveInstrument | undefined {
  const list = useQuery(queries.instruments());
  const view = list.data?.find((i) => i.kind === kind);
  const [value, setValue] = useState<number>();
  const heard = useRef(onPull);
  useEffect(() => {
    heard.current = onPull;
  });
  const id = view?.id;
  useEffect(() => {
    if (!id) return undefined;
    const close = openStream<InstrumentMessage>(`/api/instruments/${id}/live`, (message) => {
      if (message.type === 'live') setValue(message.value);
      if (message.type === 'pull') heard.current(message);
      if (message.type === 'gone') setValue(undefined);
    });
    return () => {
      close();
      setValue(undefined);
    };
  }, [id]);
  const hand = useCallback((move: HandDto) => api<void>(`instruments/${id}/hand`, move), [id]);
  if (!view) return undefined;
  return { view, value, hand };
}
