import { useEffect } from 'react';
import { dialogOpen } from './dialog-open.ts';
import { charactersAct } from './key-table.ts';
import { fieldMeant } from './keys.ts';

/** A foot pedal is a keyboard that sends one key. Each of these presses the wide button, whatever key stands on it. */
const PEDAL = new Set(['PageDown', 'F13', 'MediaPlayPause']);

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select') !== null;

/**
 * The bench for hands that are busy: a pedal presses the wide button, and a digit the choice of that number, counted as
 * they stand on the screen.
 */
export function useBusyHands(): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (e.defaultPrevented || e.repeat || e.ctrlKey || e.metaKey || e.altKey) return;
      if (dialogOpen()) return;
      if (PEDAL.has(e.key)) {
        const go = document.querySelector<HTMLButtonElement>('.mid .btn-go:not(:disabled)');
        if (!go) return;
        e.preventDefault();
        go.click();
        return;
      }
      const digit = Number(e.key);
      if (!Number.isInteger(digit) || digit < 1 || typing(e.target) || !charactersAct()) return;
      // Right after a press beside a text field a figure is the beginning of words.
      if (e.target instanceof HTMLElement && fieldMeant(e.target) !== undefined) return;
      const choices = document.querySelectorAll<HTMLButtonElement>(
        '.op .choice:not(:disabled), .op .answers button:not(:disabled)',
      );
      const chosen = choices[digit - 1];
      if (!chosen) return;
      e.preventDefault();
      chosen.click();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/** Keeps the screen on while a bench is open, where the browser can; again when the page comes back into view. */
export function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const take = async (): Promise<void> => {
      if (!('wakeLock' in navigator) || document.visibilityState !== 'visible') return;
      try {
        const taken = await navigator.wakeLock.request('screen');
        if (over) await taken.release();
        else lock = taken;
      } catch (e) {
        // Refused by the device, for its battery's sake: the screen then goes dark as it always does.
        if (!(e instanceof DOMException)) throw e;
      }
    };
    const again = (): void => void take();
    void take();
    document.addEventListener('visibilitychange', again);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
}
