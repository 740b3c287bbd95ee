import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Drawing } from '../drawing/document';
import { sameNamed } from '../drawing/sameName';
import type { Phrase } from './phrases';

const delay = 120;

/**
 * What lights up together: hovering waits a moment, what is chosen stays. Where a drawing has stages, an attribute is lit wherever its name
 * stands.
 */
export function useLighting(drawing: Drawing, chosen: readonly string[], stages = false) {
  const [hovered, setHovered] = useState<readonly string[] | null>(null);
  const timer = useRef<number>(undefined);
  useEffect(() => () => window.clearTimeout(timer.current), []);

  const light = useCallback((elements: readonly string[] | null) => {
    window.clearTimeout(timer.current);
    timer.current = window.setTimeout(() => setHovered(elements), delay);
  }, []);

  const key = (hovered ?? chosen).join(' ');
  const lit = useMemo(() => {
    const own = key === '' ? [] : key.split(' ');
    return new Set(stages && own.length > 0 ? [...own, ...sameNamed(drawing, own)] : own);
  }, [key, stages, drawing]);
  const ties = drawing.ties;
  const tied = useMemo(() => [...ties.values()], [ties]);
  const litPhrases = useMemo(() => tied.filter((tie) => lit.has(tie.element)), [tied, lit]);
  const lightPhrase = useCallback(
    (phrase: Phrase | null) =>
      light(
        phrase
          ? tied.filter((tie) => tie.block === phrase.block && tie.start === phrase.start).map((tie) => tie.element)
          : null,
      ),
    [light, tied],
  );
  return { lit, light, tied, litPhrases, lightPhrase };
}
