import { useSyncExternalStore } from 'react';

/** Is the page at least so wide, px? Followed as it changes. */
export function useWide(width: number): boolean {
  const query = `(min-width: ${width}px)`;
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
  );
}
