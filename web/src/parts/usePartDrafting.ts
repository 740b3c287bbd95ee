import { useMemo } from 'react';
import { api, must } from '../api/client';
import { placeInQueue } from '../api/drafting';
import { partTools } from '../api/drawingTools';

/**
 * What the server does to a drawing of a part for whoever sets it: the tools of the slate, and tidying up with its place in the queue.
 */
export function usePartDrafting(part: string, title: string, settled?: () => Promise<unknown>) {
  const tools = useMemo(() => partTools(part, title, settled), [part, title, settled]);
  const tidying = useMemo(
    () => ({
      ask: (drawing: string, only: string[]) =>
        must(api.POST('/api/parts/{id}/tidy', { params: { path: { id: part } }, body: { drawing, only } })),
      before: placeInQueue,
    }),
    [part],
  );
  return { tools, tidying };
}
