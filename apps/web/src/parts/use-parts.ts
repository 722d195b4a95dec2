import type { OrderLineView } from '@jubb/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ApiError } from '../api/client.ts';
import { newId } from '../api/ids.ts';

export interface PartsActions {
  readonly wrong: string | undefined;
  /** What was just done, in words. */
  readonly said: string | undefined;
  readonly arrive: (line: OrderLineView, missing: readonly string[]) => Promise<void>;
  readonly sendBack: (line: OrderLineView, why: string) => Promise<void>;
  readonly cancel: (line: OrderLineView, why: string) => Promise<void>;
  readonly setStock: (number: string, stock: { count: number; title: string; bin: string }) => Promise<void>;
}

/** What the parts desk does, each once: a press that is repeated carries the same id. */
export function usePartsActions(): PartsActions {
  const client = useQueryClient();
  const [wrong, setWrong] = useState<string>();
  const [said, setSaid] = useState<string>();
  const ask = async (path: string, body: object, method: 'POST' | 'PUT', words: string): Promise<void> => {
    try {
      await api(path, body, method);
      setWrong(undefined);
      setSaid(words);
    } catch (e) {
      setSaid(undefined);
      setWrong(e instanceof ApiError ? e.message : 'No line to the server: nothing was changed. Try again.');
    }
    await Promise.all([
      client.invalidateQueries({ queryKey: ['parts'] }),
      client.invalidateQueries({ queryKey: ['floor'] }),
    ]);
  };
  const onLine = (line: OrderLineView, what: string, body: object, words: string): Promise<void> =>
    ask(`parts/lines/${encodeURIComponent(line.line)}/${what}`, { commandId: newId(), ...body }, 'POST', words);
  return {
    wrong,
    said,
    arrive: (l, missing) =>
      onLine(l, 'arrive', { missing }, `${l.title} is here, for job ${l.jobNumber}${l.place ? ` at ${l.place}` : ''}.`),
    sendBack: (l, why) => onLine(l, 'send-back', { why }, `${l.title} goes back; another is asked for.`),
    cancel: (l, why) => onLine(l, 'cancel', { why }, `${l.title} is cancelled.`),
    setStock: (number, stock) =>
      ask(`parts/stock/${encodeURIComponent(number)}`, stock, 'PUT', `${stock.title}: ${stock.count} in ${stock.bin}.`),
  };
}
