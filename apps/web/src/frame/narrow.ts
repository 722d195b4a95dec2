import { useSyncExternalStore } from 'react';

/** As wide as a phone held upright, or less; `theme.scss` and its like say the same. */
const PHONE = '(max-width: 640px)';

/** Whether the screen is a phone's, as it is turned and resized. */
export function usePhone(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const query = matchMedia(PHONE);
      query.addEventListener('change', changed);
      return () => query.removeEventListener('change', changed);
    },
    () => matchMedia(PHONE).matches,
  );
}
