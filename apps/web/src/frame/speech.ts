import { useEffect, useState, useSyncExternalStore } from 'react';

const KEY = 'jubb-speech';
const listeners = new Set<() => void>();
const isOn = (): boolean => typeof localStorage !== 'undefined' && localStorage.getItem(KEY) === 'on';

/** Does the bench speak? Off until somebody turns it on, on this device. */
export function useSpeechOn(): readonly [on: boolean, set: (on: boolean) => void] {
  const on = useSyncExternalStore(
    (heard) => {
      listeners.add(heard);
      return () => listeners.delete(heard);
    },
    isOn,
    () => false,
  );
  return [
    on,
    (next) => {
      localStorage.setItem(KEY, next ? 'on' : 'off');
      if (!next) window.speechSynthesis?.cancel();
      for (const l of listeners) l();
    },
  ];
}

/** Says something aloud, by the browser's own voice, each time that the words change; not what stood there at first sight. */
export function useSpoken(words: string | undefined): void {
  const [on] = useSpeechOn();
  const [said, setSaid] = useState(words);
  useEffect(() => {
    if (!on || words === undefined || words === said) return;
    setSaid(words);
    if (!('speechSynthesis' in window)) return;
    window.speechSynthesis.cancel();
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
  }, [on, words, said]);
}
