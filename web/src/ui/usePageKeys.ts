import { useLayoutEffect } from 'react';
import { isWriting } from './isWriting';

/**
 * What keys do on a page while nobody writes, nothing lies over it, and no slate has the focus, whose letters are its own. They are
 * there as soon as what they act on is seen: a key that is pressed then must not be lost.
 */
export function usePageKeys(deeds: Readonly<Record<string, () => unknown>>) {
  useLayoutEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      const elsewhere =
        isWriting(event.target) ||
        (event.target instanceof Element && event.target.closest('.slate')) ||
        document.querySelector('[role=dialog]');
      if (elsewhere || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      deeds[event.key]?.();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  });
}
