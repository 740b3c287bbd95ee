import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';
import { Asked, Replied } from '../marking/Questions';

type Query = Schemas['NoteQueryReply'];

interface AskAboutNoteProps {
  work: string;
  finding: string;
  /** Until when one may ask; null for as long as one likes. */
  until: string | null;
  queries: readonly Query[];
  onAsked: (queries: readonly Query[]) => void;
}

/** What a student asked about a note with what was answered, and the way to ask. */
export function AskAboutNote({ work, finding, until, queries, onAsked }: AskAboutNoteProps) {
  const [asking, setAsking] = useState(false);
  const [text, setText] = useState('');
  const [isOver] = useState(() => until !== null && new Date(until).getTime() < Date.now());
  const waiting = queries.some((query) => !query.reply);
  const ask = useMutation({
    mutationFn: () =>
      must(api.POST('/api/study/work/{id}/queries', { params: { path: { id: work } }, body: { finding, text } })),
    onSuccess: (all) => {
      setAsking(false);
      setText('');
      onAsked(all);
    },
  });
  return (
    <>
      {queries.map((query) => (
        <div key={query.id} className="question">
          <Asked query={query} by="You asked" />
          {query.reply ? <Replied query={query} /> : <p className="text-quiet-ink">Your marker has still to answer.</p>}
        </div>
      ))}
      {asking ? (
        <div className="question">
          <textarea
            className="plain-input"
            rows={3}
            maxLength={2000}
            autoFocus
            aria-label="What you want to ask about this note"
            placeholder="What do you want to ask?"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <p className="flex gap-4">
            <button
              className="word-button main"
              disabled={text.trim() === '' || ask.isPending}
              onClick={() => ask.mutate()}
            >
              send to your marker
            </button>
            <button className="word-button" onClick={() => setAsking(false)}>
              not now
            </button>
          </p>
          {ask.isError && (
            <p className="refusal" role="alert">
              {messageOf(ask.error)}
            </p>
          )}
        </div>
      ) : (
        !waiting &&
        !isOver && (
          <button className="word-button mt-2" onClick={() => setAsking(true)}>
            ask about this note
          </button>
        )
      )}
    </>
  );
}
