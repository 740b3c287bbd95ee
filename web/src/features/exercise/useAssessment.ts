import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { rememberPart } from './opened';
import { useSaved } from './useSaved';

export type AssessmentValue = Schemas['AssessmentDocument'];
export type Tolerance = Schemas['ToleranceDocument'];

/** Tolerances and scheme of a part while they are edited: shown at once, saved in order, each save on the revision of the one before. */
export function useAssessment(exercise: Schemas['ExerciseReply'], part: Schemas['ExercisePartReply']) {
  const queries = useQueryClient();
  const saved = useSaved<AssessmentValue>({
    scope: `assessment-${part.id}`,
    opened: part.assessment,
    put: async (revision, next) =>
      (
        await must(
          api.PUT('/api/parts/{id}/assessment', {
            params: { path: { id: part.id } },
            body: { revision, value: next },
          }),
        )
      ).revision,
    onSaved: (revision, next) => {
      rememberPart(queries, exercise.id, part.id, { assessment: { revision, value: next } });
      void queries.invalidateQueries({ queryKey: ['home'] });
    },
  });
  const { value } = saved;
  const commit = (next: AssessmentValue) => {
    setProposed(null);
    saved.set(next);
  };
  // Once answers are marked by it, a change is first shown with what it does to their marks.
  const [proposed, setProposed] = useState<AssessmentValue | null>(null);
  const latest = useRef<AssessmentValue | null>(null);
  const preview = useMutation({
    mutationFn: (next: AssessmentValue) =>
      must(
        api.POST('/api/parts/{id}/assessment/preview', {
          params: { path: { id: part.id } },
          body: { value: next },
        }),
      ),
    onSuccess: (reply, next) => {
      if (reply.changes.length === 0 && latest.current === next) commit(next);
    },
  });
  const change = (next: AssessmentValue) => {
    if (!exercise.publishedAt || !next.scheme) return commit(next);
    latest.current = next;
    setProposed(next);
    preview.mutate(next);
  };
  const tolerate = (fact: string, change_: Partial<Tolerance>) => {
    const tolerances = value.tolerances ?? [];
    const before = tolerances.find((tolerance) => tolerance.fact === fact) ?? {
      fact,
      accepted: [],
      optional: false,
      notAssessed: false,
    };
    const after = { ...before, ...change_ };
    const empty = (after.accepted ?? []).length === 0 && !after.optional && !after.notAssessed;
    change({
      ...value,
      tolerances: [...tolerances.filter((tolerance) => tolerance.fact !== fact), ...(empty ? [] : [after])],
    });
  };
  return {
    value: proposed ?? value,
    change,
    /** A change that waits for its author to have seen whose marks it changes. */
    proposed: proposed && {
      changes: preview.data ?? null,
      error: preview.error,
      take: () => commit(proposed),
      leave: () => setProposed(null),
    },
    tolerate,
    error: saved.error,
    saving: saved.saving,
    theirs: saved.theirs,
    /** Goes on with one of two after somebody else saved: shown first, like every change, with whose marks it changes. */
    settle: (next: AssessmentValue) => {
      saved.goOn();
      change(next);
    },
  };
}

/** Tolerances and scheme as lines of text, for two of them to be compared. */
export function linesOf(value: AssessmentValue): string {
  const scheme = value.scheme?.lines?.map((line) => `${line.marks} marks: ${line.title}`) ?? ['no scheme yet'];
  const tolerances = (value.tolerances ?? []).map(({ fact, accepted, optional, notAssessed }) =>
    [`at ${fact}:`, ...(accepted ?? []), optional && 'optional', notAssessed && 'not assessed']
      .filter(Boolean)
      .join(' '),
  );
  const ways = Object.entries(value.restatements ?? {}).map(([code, standing]) => `${code}: ${standing}`);
  const same = (value.sameWords ?? []).map((group) => `the same: ${group.join(', ')}`);
  const apart = (value.wordsApart ?? []).map((group) => `never the same: ${group.join(', ')}`);
  const variants = (value.variants ?? []).map((variant) => `also right: ${variant.title}`);
  return [...scheme, ...tolerances, ...variants, ...ways, ...same, ...apart].join('\n');
}

export type Assessment = ReturnType<typeof useAssessment>;
