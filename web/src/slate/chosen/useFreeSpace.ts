import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { Box } from '../../geometry/boxes';
import { useSize } from '../../ui/useSize';
import type { Slate } from '../useSlate';
import { toScreen } from '../../geometry/view';
import { freeSpace } from '../../geometry/freeSpace';
import { takenBy } from './taken';

/** Keeps a panel in free space beside something on the slate: give `ref` to the panel, and `style`. */
export function useFreeSpace(slate: Slate, anchor: Box) {
  const ref = useRef<HTMLDivElement>(null);
  const panel = useSize(ref);
  const page = useSize(slate.surface);
  const [corners, setCorners] = useState<readonly Box[]>([]);
  const { surface, scene, view } = slate;
  // What stands in the corners of the slate is no part of the scene.
  useLayoutEffect(() => {
    const frame = surface.current!.getBoundingClientRect();
    const boxes = [...surface.current!.querySelectorAll('[data-corner]')].map((one) => {
      const { left, top, width, height } = one.getBoundingClientRect();
      return { x: left - frame.left, y: top - frame.top, width, height };
    });
    setCorners((before) => (JSON.stringify(before) === JSON.stringify(boxes) ? before : boxes));
  }, [surface, page, panel, slate.selection]);
  const { x, y, width, height } = anchor;
  const at = useMemo(() => {
    if (!panel || !page) return null;
    const beside = { ...toScreen(view, { x, y }), width: width * view.zoom, height: height * view.zoom };
    return freeSpace(panel, beside, takenBy(scene, view, corners), page);
  }, [panel, page, corners, scene, view, x, y, width, height]);
  const style = { left: at?.x ?? 0, top: at?.y ?? 0, visibility: at ? undefined : ('hidden' as const) };
  return { ref, style };
}
