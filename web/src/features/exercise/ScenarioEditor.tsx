import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, isProblem, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';
import { TwoTexts } from '../../ui/TwoTexts';

/** The scenario as Markdown, where it is read later. */
export function ScenarioEditor({ exercise, onDone }: { exercise: Schemas['ExerciseReply']; onDone: () => void }) {
  const queries = useQueryClient();
  const [text, setText] = useState(exercise.scenario.text);
  const [revision, setRevision] = useState(exercise.scenario.revision);
  const save = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/exercises/{id}/scenario', { params: { path: { id: exercise.id } }, body: { revision, text } }),
      ),
    onSuccess: onDone,
    onError: () => queries.invalidateQueries({ queryKey: ['set-aside', exercise.id] }),
  });
  const theirs =
    isProblem(save.error) && save.error.code === 'conflict'
      ? (save.error.current as { revision: number; text: string })
      : null;
  return (
    <aside className="scenario-sheet flex flex-col gap-3" aria-label="Scenario">
      <h1>{exercise.title}</h1>
      <label className="field filling">
        <span>The scenario, in Markdown</span>
        <textarea
          className="font-read text-[15px]! leading-[23px] resize-none"
          value={text}
          maxLength={20_000}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      {save.isError && !theirs && (
        <p className="refusal" role="alert">
          {messageOf(save.error)}
        </p>
      )}
      {theirs && (
        <TwoTexts
          title="Somebody else saved this scenario in the meantime"
          mine={text}
          theirs={theirs.text}
          onKeep={() => (setRevision(theirs.revision), save.reset())}
          onTake={() => (setText(theirs.text), setRevision(theirs.revision), save.reset())}
        />
      )}
      <p className="flex flex-wrap gap-x-5 gap-y-1 items-center">
        <button className="press-button" disabled={save.isPending} onClick={() => save.mutate()}>
          {save.isPending ? 'saving …' : 'Save the scenario'}
        </button>
        <button className="word-button" onClick={onDone}>
          leave as it was
        </button>
      </p>
    </aside>
  );
}
