import type { OrderLineView } from '@jubb/contract';
import { useState } from 'react';
import { api } from '../api/client.ts';
import { newId } from '../api/ids.ts';
import { useWrite } from '../api/use-write.ts';

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
  const [said, setSaid] = useState<string>();
  const { written, wrong } = useWrite(
    ({ path, body, method }: { readonly path: string; readonly body: object; readonly method: 'POST' | 'PUT' }) =>
      api(path, body, method),
    { stale: [['parts'], ['floor']] },
  );
  const ask = async (path: string, body: object, method: 'POST' | 'PUT', words: string): Promise<void> =>
    setSaid((await written({ path, body, method })) ? words : undefined);
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
