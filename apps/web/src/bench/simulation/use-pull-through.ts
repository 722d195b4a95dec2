import { useEffect, useRef, useState } from 'react';
import { BETWEEN_PULLS_MS } from './pull-hand.ts';

/**
 * A simulated hand that has made a good pull goes on through the stage by itself: nobody presses anything between the pulls
 * of a real wrench either.
 * @param stage the stage at hand
 * @param mayGoOn asked with every drawing: nothing wants a word, and the last pull was good
 * @returns to be told after each pull of a simulated wrench
 */
export function usePullThrough(stage: number, mayGoOn: boolean, pull: () => void): () => void {
  const [round, setRound] = useState<number>();
  const next = useRef(pull);
  useEffect(() => {
    next.current = pull;
  });
  const goesOn = round === stage && mayGoOn;
  useEffect(() => {
    if (!goesOn) return undefined;
    const timer = setTimeout(() => {
      setRound(undefined);
      next.current();
    }, BETWEEN_PULLS_MS);
    return () => clearTimeout(timer);
  }, [goesOn]);
  return () => setRound(stage);
}
