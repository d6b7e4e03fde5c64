import { useSyncExternalStore } from 'react';

/** Narrower than this the screens take the shape of the pocket; the same width as Tailwind's `md`. */
const query = '(max-width: 767.98px)';

/** True on a phone's width. */
export function usePocket(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
  );
}
