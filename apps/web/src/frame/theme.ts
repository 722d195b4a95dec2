import { useState } from 'react';

const KEY = 'theme';
export type Theme = 'day' | 'night';

/** The theme that this device was left in. */
export const keptTheme = (): Theme => (localStorage.getItem(KEY) === 'night' ? 'night' : 'day');

/** Puts a theme on the page, as a colour mode of Bootstrap, and keeps it for this device. */
export function putTheme(theme: Theme): void {
  document.documentElement.dataset['bsTheme'] = theme === 'night' ? 'dark' : 'light';
  localStorage.setItem(KEY, theme);
}

/** The theme and its switch. */
export function useTheme(): readonly [Theme, () => void] {
  const [theme, setTheme] = useState<Theme>(keptTheme);
  return [
    theme,
    () => {
      const next = theme === 'day' ? 'night' : 'day';
      putTheme(next);
      setTheme(next);
    },
  ];
}
