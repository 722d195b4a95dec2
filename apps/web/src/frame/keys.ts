import { useLayoutEffect, useRef } from 'react';

/**
 * Handles single keys while nothing is being typed. A key given to a field or a pressed button stays there. Keys are in force with
 * the very paint that shows them: a quick hand presses what it has just read.
 */
export function useKeys(keys: Readonly<Record<string, (() => void) | undefined>>): void {
  const now = useRef(keys);
  useLayoutEffect(() => {
    now.current = keys;
  });
  useLayoutEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      // Somebody nearer to it has taken it: a lifted layer, an open dialog.
      if (e.defaultPrevented || document.querySelector('dialog[open]')) return;
      if (e.ctrlKey || e.metaKey || e.altKey || e.repeat) return;
      const target = e.target instanceof HTMLElement ? e.target : undefined;
      if (target?.closest('input, textarea, select')) return;
      if ((e.key === 'Enter' || e.key === ' ') && target?.closest('button, a')) return;
      const act = now.current[e.key];
      if (!act) return;
      e.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
