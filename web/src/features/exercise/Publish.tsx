import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import type { AnySession } from '../../keeping/session';
import { NotSent, sendAll } from '../../keeping/sending';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { TermsFields } from './Terms';
import { usualTerms } from './termsWords';
import { Times } from './Times';

interface PublishProps {
  exercise: Schemas['ExerciseReply'];
  /** The model answers of all parts. */
  sessions: readonly AnySession[];
  /** What somebody has changed here and not saved. */
  unsaved: () => readonly string[];
  /** Which part has no scheme yet, from 0; -1 when none lacks one. */
  lacks: number;
  /** How much the preflight of the part that is shown has open, and the way there. */
  openItems: number;
  onLookOver: () => void;
  onPublished: () => void;
}

/** Publishing: says what is frozen and to whom it goes. */
export function Publish({ exercise, sessions, unsaved, lacks, openItems, onLookOver, onPublished }: PublishProps) {
  const [open, setOpen] = useState(false);
  const [terms, setTerms] = useState(usualTerms);
  const queries = useQueryClient();
  const publish = useMutation({
    mutationFn: async () => {
      const open = unsaved();
      if (open.length > 0) throw new NotSent(`not saved yet are ${open.join(' and ')}`, 'Nothing was published.');
      await sendAll(sessions, 'Nothing was published.');
      await must(
        api.POST('/api/exercises/{id}/publish', {
          params: { path: { id: exercise.id } },
          body: terms,
        }),
      );
    },
    onSuccess: async () => {
      setOpen(false);
      sessions.forEach((session) => session.close());
      await queries.invalidateQueries({ queryKey: ['home'] });
      onPublished();
    },
  });
  if (exercise.publishedAt) {
    return (
      <p className="mt-8 flex flex-wrap gap-x-6 gap-y-1">
        <Link className="word-button main" to={`/exercises/${exercise.id}/answers`}>
          all answers
        </Link>
        <Times exercise={exercise.id} />
      </p>
    );
  }
  return (
    <div className="mt-8 pt-4 border-t border-hairline">
      <button className="word-button main" onClick={() => setOpen(true)}>
        publish to {exercise.cohort} …
      </button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={`Publish “${exercise.title}”?`}
        actions={
          <button className="press-button" disabled={publish.isPending} onClick={() => publish.mutate()}>
            {publish.isPending ? 'publishing …' : 'Publish'}
          </button>
        }
      >
        <p>
          It goes to the students of {exercise.cohort}. Frozen from then on: the scenario, what is asked, and the model
          answer. What is accepted and the scheme can still change until the marks are released; all answers are then
          checked again.
        </p>
        {lacks >= 0 && (
          <p className="refusal mt-2">
            {exercise.parts.length === 1
              ? 'There is no marking scheme yet. Derive it first.'
              : `Part ${lacks + 1} has no marking scheme yet. Derive it first.`}
          </p>
        )}
        {openItems > 0 && (
          <p className="mt-2">
            The preflight has {openItems === 1 ? 'one thing' : `${openItems} things`} open.{' '}
            <button className="word-button" onClick={() => (setOpen(false), onLookOver())}>
              look at {openItems === 1 ? 'it' : 'them'} first
            </button>
          </p>
        )}
        <div className="mt-4">
          <TermsFields terms={terms} onChange={setTerms} minutes={minutesOf(exercise)} />
        </div>
        {publish.isError && (
          <p className="refusal mt-3" role="alert">
            {messageOf(publish.error)}
          </p>
        )}
      </Sheet>
    </div>
  );
}

/** The time that all parts allow together; null where one of them has no limit. */
const minutesOf = ({ parts }: Schemas['ExerciseReply']): number | null =>
  parts.reduce<number | null>(
    (sum, { part }) => (sum === null || part.value.minutes == null ? null : sum + part.value.minutes),
    0,
  );
