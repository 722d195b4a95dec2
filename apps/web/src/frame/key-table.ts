/** Where a key acts, as the card groups them. */
export type KeyPlace = 'everywhere' | 'bench' | 'floor' | 'plan';

/**
 * Every key that acts, by what it does: the screens name the act, the card shows the row, so that neither says what the
 * other does not. `Enter`, space and the arrows work like a button; the others are single characters, and can be switched off.
 */
export const KEY_TABLE = {
  go: { key: 'Enter', does: 'complete what the wide button says', at: 'everywhere' },
  take: { key: ' ', does: 'take the reading, pull', at: 'bench' },
  pedal: { key: 'PageDown', does: 'what a foot pedal sends: the wide button', at: 'bench' },
  close: { key: 'Escape', does: 'close what lies open', at: 'everywhere' },
  wait: { key: 'h', does: 'park or hold: what does it wait for', at: 'bench' },
  surprise: { key: 's', does: 'a surprise: not as the sheet says', at: 'bench' },
  note: { key: 'n', does: 'a note, or a timer', at: 'bench' },
  mark: { key: 'm', does: 'a mark, an aid or a lead of your own', at: 'bench' },
  photo: { key: 'c', does: 'a picture from the camera', at: 'bench' },
  correct: { key: 'a', does: 'put right what was said here, or at booking', at: 'bench' },
  end: { key: 'e', does: 'the job ends otherwise than repaired', at: 'bench' },
  down: { key: 'ArrowDown', does: 'on along the ladder', at: 'bench' },
  up: { key: 'ArrowUp', does: 'back along the ladder', at: 'bench' },
  more: { key: '+', does: 'one more', at: 'bench' },
  less: { key: '-', does: 'one less', at: 'bench' },
  bubble: { key: '0', does: 'a bubble came: count anew', at: 'bench' },
  takeBack: { key: 'u', does: 'take back the last entry', at: 'bench' },
  working: { key: 'w', does: 'show or fold the working', at: 'bench' },
  drawing: { key: 'x', does: 'the unit in section, or its parts in a row', at: 'bench' },
  voice: { key: 'v', does: 'the bench speaks, or is silent', at: 'bench' },
  book: { key: 'b', does: 'book in a unit', at: 'floor' },
  filter: { key: 'f', does: 'find among the jobs', at: 'floor' },
  days: { key: 'd', does: 'one day, or four', at: 'plan' },
  list: { key: 'l', does: 'the plan as a list', at: 'plan' },
  pin: { key: 'p', does: 'pin the piece, or let it go', at: 'plan' },
  undo: { key: 'u', does: 'undo what was pinned or moved', at: 'plan' },
  reckoner: { key: 'r', does: 'the Reckoner', at: 'everywhere' },
  theme: { key: 't', does: 'the night bench, or the day’s', at: 'everywhere' },
  find: { key: '/', does: 'find anything', at: 'everywhere' },
  keys: { key: '?', does: 'these keys', at: 'everywhere' },
} as const satisfies Readonly<Record<string, { readonly key: string; readonly does: string; readonly at: KeyPlace }>>;
export type KeyAct = keyof typeof KEY_TABLE;

const NAMES: Readonly<Record<string, string>> = {
  ' ': 'space',
  ArrowDown: '↓',
  ArrowUp: '↑',
  PageDown: 'Page Down',
  '-': '−',
};
/** A key as it stands on its cap. */
export const keyName = (key: string): string => NAMES[key] ?? key;

/** Keys of one character, which a voice or a slip could give by mistake: WCAG 2.2, 2.1.4. The space bar is a button's own. */
export const isCharacter = (key: string): boolean => key.length === 1 && key !== ' ';

const KEPT = 'jubb-single-keys';
/** Do single characters act on this device? */
export const charactersAct = (): boolean => localStorage.getItem(KEPT) !== 'off';
/** Switches them off, or on again; the device remembers. */
export const setCharactersAct = (on: boolean): void => localStorage.setItem(KEPT, on ? 'on' : 'off');
