import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';
import { moment } from '../../ui/time';

type Query = Schemas['NoteQueryReply'];

/** What a student asked about a note, and what is answered; the marker answers here. */
export function Questions({
  queries,
  onReplied,
}: {
  queries: readonly Query[];
  onReplied: (queries: readonly Query[]) => void;
}) {
  return queries.map((query) => (
    <div key={query.id} className="question">
      <Asked query={query} by="The student asked" />
      {query.reply ? <Replied query={query} /> : <ReplyForm query={query} onReplied={onReplied} />}
    </div>
  ));
}

/** The question itself. */
export function Asked({ query, by }: { query: Query; by: string }) {
  return (
    <p>
      <span className="text-quiet-ink">
        {by}, {moment(query.askedAt)}:
      </span>{' '}
      <q className="font-read">{query.text}</q>
    </p>
  );
}

/** Its answer. */
export function Replied({ query }: { query: Query }) {
  return (
    <p className="mt-1">
      <span className="text-quiet-ink">Answered:</span> <q className="font-read">{query.reply}</q>
    </p>
  );
}

function ReplyForm({ query, onReplied }: { query: Query; onReplied: (queries: readonly Query[]) => void }) {
  const [text, setText] = useState('');
  const reply = useMutation({
    mutationFn: () =>
      must(api.PUT('/api/marking/queries/{id}', { params: { path: { id: query.id } }, body: { text } })),
    onSuccess: onReplied,
  });
  return (
    <>
      <textarea
        className="plain-input mt-1"
        rows={2}
        maxLength={2000}
        aria-label="Your answer to the student"
        placeholder="your answer"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button className="word-button" disabled={text.trim() === '' || reply.isPending} onClick={() => reply.mutate()}>
        answer
      </button>
      {reply.isError && <p className="refusal">{messageOf(reply.error)}</p>}
    </>
  );
}
