import { useCallback, useSyncExternalStore } from 'react';

/** Whether a media query holds now. */
export function useMedia(query: string): boolean {
  const subscribe = useCallback(
    (observer: () => void) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', observer);
      return () => media.removeEventListener('change', observer);
    },
    [query],
  );
  return useSyncExternalStore(subscribe, () => window.matchMedia(query).matches);
}
