import { useCallback } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { useReading } from '../../script/useReading';
import type { Scene } from '../../geometry/scene';
import type { Assessment } from './useAssessment';

export type PreflightItem = Schemas['PreflightItemReply'];
export type Cover = Schemas['CoverReply'];

// Nobody waits for it while drawing; it is there when the hand rests.
const delay = 900;

/** What may be amiss with a part, of the drawing as it is now: what is open, and what its author meant so. */
export function usePreflight(
  part: string,
  scene: Scene,
  away: boolean,
  assessment: Assessment,
  /** What else it depends on: the scenario and what is asked, as saved. */
  besides: string,
) {
  const read = useCallback(
    (drawing: string) =>
      must(api.POST('/api/parts/{id}/preflight', { params: { path: { id: part } }, body: { drawing } })),
    [part],
  );
  const { tolerances, scheme, sameWords, wordsApart } = assessment.value;
  const saved = assessment.saving ? 'saving' : JSON.stringify([tolerances, scheme, sameWords, wordsApart]);
  const { reply, waiting } = useReading(scene, read, away, saved + besides, delay);
  const meant = new Set(assessment.value.meantSo ?? []);
  const items = reply?.items ?? [];
  return {
    waiting: waiting && reply === null,
    cover: reply?.cover ?? null,
    open: items.filter(({ key }) => !meant.has(key)),
    meantSo: items.filter(({ key }) => meant.has(key)),
  };
}

export type Preflight = ReturnType<typeof usePreflight>;
