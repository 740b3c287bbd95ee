import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
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
  /** Which part is shown, from 0, how much its preflight has open, and the way to the preflight of any part. */
  at: number;
  openItems: number;
  onLookOver: (part: number) => void;
  onPublished: () => void;
}

/** Publishing: says what is frozen and to whom it goes. */
export function Publish({ exercise, sessions, unsaved, lacks, at, openItems, onLookOver, onPublished }: PublishProps) {
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
        {exercise.isTrial ? (
          <span className="text-quiet-ink">Another marking is tried on this copy; no student sees it.</span>
        ) : (
          <Times exercise={exercise.id} />
        )}
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
        {exercise.parts.map((part, index) => (
          <OpenItems
            key={part.id}
            part={part}
            name={exercise.parts.length === 1 ? 'The preflight' : `The preflight of part ${index + 1}`}
            known={index === at ? openItems : null}
            session={sessions[index]!}
            onLookOver={() => (setOpen(false), onLookOver(index))}
          />
        ))}
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

interface OpenItemsProps {
  part: Schemas['ExercisePartReply'];
  name: string;
  /** How much is open where that is known already; null where it has to be asked for. */
  known: number | null;
  session: AnySession;
  onLookOver: () => void;
}

/** How much of a part nobody has looked at, or mended. */
function OpenItems({ part, name, known, session, onLookOver }: OpenItemsProps) {
  const asked = useQuery({
    queryKey: ['preflight', part.id, 'open'],
    queryFn: async () => {
      const { items } = await must(
        api.POST('/api/parts/{id}/preflight', { params: { path: { id: part.id } }, body: { drawing: session.text() } }),
      );
      const meant = new Set(part.assessment.value.meantSo ?? []);
      return items.filter(({ key }) => !meant.has(key)).length;
    },
    enabled: known === null,
    staleTime: 0,
    gcTime: 0,
  });
  const open = known ?? asked.data ?? 0;
  if (open === 0) return null;
  return (
    <p className="mt-2">
      {name} has {open === 1 ? 'one thing' : `${open} things`} open.{' '}
      <button className="word-button" onClick={onLookOver}>
        look at {open === 1 ? 'it' : 'them'} first
      </button>
    </p>
  );
}
