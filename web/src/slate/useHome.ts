import { useEffect } from 'react';
import { isWriting } from '../ui/isWriting';
import type { Slate } from './useSlate';

/** Whether a slate is its page's own: the focus is there on arrival, or only comes back to it. */
export type Home = 'arrive' | 'return';

/**
 * Makes a slate the page's own. The focus comes back to it after whatever lies on it was pressed, and undoing reaches it from everywhere
 * on the page but where something is typed.
 */
export function useHome(slate: Slate, home: Home | undefined) {
  const { session, surface, editable } = slate;
  useEffect(() => {
    if (home === 'arrive' && document.activeElement === document.body) surface.current?.focus({ preventScroll: true });
  }, [home, surface]);
  useEffect(() => {
    if (home === undefined || !editable) return;
    const onKeyDown = (event: KeyboardEvent) => {
      const { key, target } = event;
      if (!(event.ctrlKey || event.metaKey) || target === surface.current || isWriting(target)) return;
      if (document.querySelector('[role=dialog]')) return;
      const again = key.toLowerCase() === 'y' || (key.toLowerCase() === 'z' && event.shiftKey);
      if (!again && key.toLowerCase() !== 'z') return;
      event.preventDefault();
      if (again) session.redo();
      else session.undo();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [home, editable, session, surface]);
  const onClick = (event: React.MouseEvent) => {
    const button = (event.target as Element).closest('button');
    if (home === undefined || !button || button.hasAttribute('aria-expanded') || !surface.current?.contains(button))
      return;
    // After what it did: a field or a sheet that it opened keeps the focus.
    requestAnimationFrame(() => {
      const now = document.activeElement;
      if ((now === button || now === document.body) && !document.querySelector('[role=dialog]'))
        surface.current?.focus();
    });
  };
  return { onClick, 'data-home': home };
}
