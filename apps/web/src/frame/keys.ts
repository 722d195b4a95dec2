import { useLayoutEffect, useRef } from 'react';
import { dialogOpen } from './dialog-open.ts';
import { charactersAct, isCharacter, KEY_TABLE, type KeyAct } from './key-table.ts';

const TEXT = 'input:not([type=checkbox]):not([type=radio]), textarea, select';
/** What belongs together on a screen: a key pressed in it may be meant for its text field. */
const TOGETHER = 'form, .reason, .extra, .op, [role=dialog]';

/** The one text field beside the button that has the focus: there a character is the beginning of words. */
export function fieldMeant(target: HTMLElement | undefined): HTMLElement | 'several' | undefined {
  if (!target || target === document.body) return undefined;
  const fields = [...(target.closest(TOGETHER)?.querySelectorAll<HTMLElement>(TEXT) ?? [])].filter(
    (f) => f.getClientRects().length > 0,
  );
  return fields.length > 1 ? 'several' : fields[0];
}

/**
 * Handles keys by what they do, while no text is meant. A key given to a field or a pressed button stays there; a character typed
 * right after a press beside a text field goes into that field. Keys are in force with the very paint that shows them: a quick
 * hand presses what it has just read.
 */
export function useKeys(acts: Readonly<Partial<Record<KeyAct, (() => void) | undefined>>>): void {
  const now = useRef(acts);
  useLayoutEffect(() => {
    now.current = acts;
  });
  useLayoutEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      // Somebody nearer to it has taken it: a lifted layer, an open dialog.
      if (e.defaultPrevented || dialogOpen()) return;
      if (e.ctrlKey || e.metaKey || e.altKey || e.repeat) return;
      const target = e.target instanceof HTMLElement ? e.target : undefined;
      if (target?.closest(TEXT) && e.key !== 'Escape') return;
      if ((e.key === 'Enter' || e.key === ' ') && target?.closest('button, a, summary')) return;
      if (isCharacter(e.key)) {
        const field = fieldMeant(target);
        if (field instanceof HTMLElement) field.focus();
        if (field !== undefined || !charactersAct()) return;
      }
      const act = (Object.keys(now.current) as KeyAct[]).find((a) => KEY_TABLE[a].key === e.key && now.current[a]);
      if (!act) return;
      e.preventDefault();
      now.current[act]!();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
