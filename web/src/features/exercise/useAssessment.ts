import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, isProblem, must, type Schemas } from '../../api/client';
import { rememberPart } from './opened';

export type AssessmentValue = Schemas['AssessmentDocument'];
export type Tolerance = Schemas['ToleranceDocument'];

/** Tolerances and scheme of a part while they are edited: shown at once, saved in order, each save on the revision of the one before. */
export function useAssessment(exercise: Schemas['ExerciseReply'], part: Schemas['ExercisePartReply']) {
  const [value, setValue] = useState<AssessmentValue>(part.assessment.value);
  const revision = useRef(part.assessment.revision);
  const queries = useQueryClient();
  const save = useMutation({
    scope: { id: `assessment-${part.id}` },
    mutationFn: async (next: AssessmentValue) => {
      const reply = await must(
        api.PUT('/api/parts/{id}/assessment', {
          params: { path: { id: part.id } },
          body: { revision: revision.current, value: next },
        }),
      );
      revision.current = reply.revision;
      rememberPart(queries, exercise.id, part.id, { assessment: { revision: reply.revision, value: next } });
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ['home'] }),
  });
  const commit = (next: AssessmentValue) => {
    setProposed(null);
    setValue(next);
    save.mutate(next);
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
  const current = isProblem(save.error) && save.error.code === 'conflict' ? save.error.current : null;
  const theirs = current ? (current as { revision: number; text: string }) : null;
  const settle = (next: AssessmentValue) => {
    if (theirs) revision.current = theirs.revision;
    change(next);
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
    error: save.error,
    saving: save.isPending,
    /** What somebody else saved in the meantime, while it has not been decided what to go on with. */
    theirs: theirs ? (JSON.parse(theirs.text) as AssessmentValue) : null,
    settle,
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
