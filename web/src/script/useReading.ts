import { useEffect, useRef, useState } from 'react';
import { writeDrawing } from '../drawing/format';
import { placementOf, type Scene } from '../geometry/scene';

const usual = 150;

/**
 * Asks the core what a drawing says, a moment after the last change, and again once the server is back, or when something besides
 * changes how it is read; the newest drawing wins. `isOfNow` says whether the reply is about the drawing as it is now.
 */
export function useReading<T>(
  scene: Scene,
  read: (drawing: string) => Promise<T>,
  away: boolean,
  besides = '',
  delay = usual,
) {
  const [reply, setReply] = useState<T | null>(null);
  const [readOf, setReadOf] = useState<Scene | null>(null);
  const [waiting, setWaiting] = useState(true);
  const asked = useRef(0);
  useEffect(() => {
    const turn = ++asked.current;
    const timer = window.setTimeout(() => {
      setWaiting(true);
      read(writeDrawing(scene.drawing, placementOf(scene))).then(
        (answer) => {
          if (turn !== asked.current) return;
          setReply(answer);
          setReadOf(scene);
          setWaiting(false);
        },
        // While the server is away the last reading stays, marked as waiting; the next change asks again.
        () => turn === asked.current && setWaiting(true),
      );
    }, delay);
    return () => window.clearTimeout(timer);
  }, [scene, read, away, besides, delay]);
  return { reply, waiting, isOfNow: readOf === scene };
}
