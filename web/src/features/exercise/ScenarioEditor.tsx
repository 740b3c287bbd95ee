import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, isProblem, must, type Schemas } from '../../api/client';
import { draftOf, dropDraft, holdDraft } from '../../keeping/drafts';
import { messageOf } from '../../ui/states';
import { usePerson } from '../session/useSession';
import { artefacts, fromCells, fromFile, longestScenario, withLaidOut } from './artefacts';
import { TwoTexts } from '../../ui/TwoTexts';

interface ScenarioEditorProps {
  exercise: Schemas['ExerciseReply'];
  /** Where what was just put in stands, so that it is seen. */
  chosen?: { start: number; end: number };
  onDone: () => void;
}

/** The scenario as Markdown, where it is read later. */
export function ScenarioEditor({ exercise, chosen, onDone }: ScenarioEditorProps) {
  const queries = useQueryClient();
  const { id: account } = usePerson();
  const [draft] = useState(() => draftOf(account, exercise.id));
  const [text, setText] = useState(draft?.text ?? exercise.scenario.text);
  // What was begun on another state of the scenario meets that as a conflict, when it is saved.
  const [revision, setRevision] = useState(draft?.revision ?? exercise.scenario.revision);
  const write = (next: string, from = revision) => {
    setText(next);
    if (next === exercise.scenario.text) dropDraft(account, exercise.id);
    else holdDraft(account, exercise.id, { revision: from, text: next });
  };
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    if (chosen) choose(field.current, chosen.start, chosen.end);
  }, [chosen]);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [fresh, setFresh] = useState<{ start: number; end: number } | null>(null);
  useEffect(() => {
    if (fresh) choose(field.current, fresh.start, fresh.end);
  }, [fresh]);
  const layIn = (laidOut: string) => {
    const { text: next, ...place } = withLaidOut(text, field.current?.selectionEnd ?? text.length, laidOut);
    if (next.length > longestScenario)
      return setRefusal(
        `With it the scenario has ${next.length.toLocaleString('en')} characters; ${longestScenario.toLocaleString('en')} are kept.`,
      );
    setRefusal(null);
    write(next);
    setFresh(place);
  };
  const takeFile = (file: File) =>
    file
      .text()
      .then((content) => layIn(fromFile(file.name, content)))
      .catch((error: unknown) => setRefusal(messageOf(error)));
  const paste = (event: React.ClipboardEvent) => {
    const table = fromCells(event.clipboardData.getData('text/plain'));
    if (!table) return;
    event.preventDefault();
    layIn(table);
  };
  const leave = () => {
    dropDraft(account, exercise.id);
    onDone();
  };
  const save = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/exercises/{id}/scenario', { params: { path: { id: exercise.id } }, body: { revision, text } }),
      ),
    onSuccess: leave,
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
          ref={field}
          className="font-read text-[15px]! leading-[23px] resize-none"
          value={text}
          maxLength={longestScenario}
          onPaste={paste}
          onChange={(event) => write(event.target.value)}
        />
      </label>
      <p className="flex flex-wrap gap-x-4 gap-y-1 items-center text-[14px]">
        <span className="text-quiet-ink">put in</span>
        {artefacts.map(({ name, text: begins }) => (
          <button key={name} type="button" className="word-button" onClick={() => layIn(begins)}>
            {name}
          </button>
        ))}
        <label className="word-button file-word">
          a file
          <input
            type="file"
            accept=".csv,.tsv,.txt,.md,.sql,.java,.cs,.py,.json,.xml,text/*"
            onChange={({ target }) => {
              const file = target.files?.[0];
              target.value = '';
              if (file) void takeFile(file);
            }}
          />
        </label>
      </p>
      {refusal && (
        <p className="refusal" role="alert">
          {refusal}
        </p>
      )}
      {draft && text === draft.text && (
        <p className="text-quiet-ink text-[13px]" role="status">
          This was written in this browser and not saved yet.
        </p>
      )}
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
          onKeep={() => (setRevision(theirs.revision), write(text, theirs.revision), save.reset())}
          onTake={() => (setRevision(theirs.revision), write(theirs.text, theirs.revision), save.reset())}
        />
      )}
      <p className="flex flex-wrap gap-x-5 gap-y-1 items-center">
        <button className="press-button" disabled={save.isPending} onClick={() => save.mutate()}>
          {save.isPending ? 'saving …' : 'Save the scenario'}
        </button>
        <button className="word-button" onClick={leave}>
          leave as it was
        </button>
      </p>
    </aside>
  );
}

/** Chooses what was put in and brings it into sight. */
function choose(field: HTMLTextAreaElement | null, start: number, end: number) {
  if (!field) return;
  field.focus();
  field.setSelectionRange(start, end);
  const line = Number.parseFloat(getComputedStyle(field).lineHeight);
  const above = (start / Math.max(1, field.value.length)) * field.scrollHeight;
  field.scrollTop = Math.max(0, above - 4 * line);
}
