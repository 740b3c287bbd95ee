import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { openedKey } from '../exercise/opened';
import { ChangeList } from './ChangeList';

/** Takes the drawing of an answer as a further model answer, once it was seen whose marks that changes. */
export function AlsoRight({ answer }: { answer: Schemas['MarkingReply'] }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <p className="mt-1 text-[14px]">
        <button className="word-button" onClick={() => setOpen(true)}>
          this drawing is as right …
        </button>
      </p>
      {open && <Take answer={answer} onClose={() => setOpen(false)} />}
    </>
  );
}

function Take({ answer, onClose }: { answer: Schemas['MarkingReply']; onClose: () => void }) {
  const [title, setTitle] = useState('');
  const queries = useQueryClient();
  const path = { params: { path: { id: answer.partId } } };
  const preview = useQuery({
    queryKey: ['also-right', answer.id],
    queryFn: async () => {
      const { parts } = await must(api.GET('/api/exercises/{id}', { params: { path: { id: answer.exerciseId } } }));
      const { assessment } = parts.find((part) => part.id === answer.partId)!;
      const value = {
        ...assessment.value,
        variants: [...(assessment.value.variants ?? []), { title: answer.code, drawing: answer.drawing }],
      };
      const reply = await must(api.POST('/api/parts/{id}/assessment/preview', { ...path, body: { value } }));
      return { assessment, ...reply };
    },
    gcTime: 0,
    staleTime: Infinity,
  });
  const take = useMutation({
    mutationFn: ({ revision, value }: Schemas['AssessmentReply']) =>
      must(
        api.PUT('/api/parts/{id}/assessment', {
          ...path,
          body: {
            revision,
            value: {
              ...value,
              variants: [...(value.variants ?? []), { title: title.trim(), drawing: answer.drawing }],
            },
          },
        }),
      ),
    onSuccess: async () => {
      queries.removeQueries({ queryKey: openedKey(answer.exerciseId) });
      await queries.invalidateQueries();
      onClose();
    },
  });
  const failure = preview.error ?? take.error;
  return (
    <Sheet
      open
      onClose={onClose}
      title="Another right answer?"
      actions={
        <button
          className="press-button"
          disabled={!preview.data || title.trim() === '' || take.isPending}
          onClick={() => preview.data && take.mutate(preview.data.assessment)}
        >
          {take.isPending ? 'marking again …' : 'Accept it for all'}
        </button>
      }
    >
      <p>
        This drawing becomes a further model answer: whoever drew so loses nothing but by wrong symbols. Every answer is
        then held against the one that gives it most.
      </p>
      {preview.isPending && <p className="mt-3">Marking the class by it …</p>}
      {preview.data && (
        <>
          <p className="mt-3">
            {preview.data.changes.length === 0
              ? 'No mark changes.'
              : `${preview.data.changes.length} ${preview.data.changes.length === 1 ? 'mark changes' : 'marks change'}:`}
          </p>
          {preview.data.changes.length > 0 && <ChangeList changes={preview.data.changes} />}
        </>
      )}
      <label className="field mt-4">
        <span>What it does otherwise, in a few words</span>
        <input value={title} maxLength={60} onChange={(event) => setTitle(event.target.value)} />
      </label>
      {failure && (
        <p className="refusal" role="alert">
          {messageOf(failure)}
        </p>
      )}
    </Sheet>
  );
}
