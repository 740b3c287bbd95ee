import { useMutation, useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { artefactOf } from '../../artefacts/registry';
import { counted } from '../../notations/counts';
import { sendAll } from '../../keeping/sending';
import { partName } from '../../parts/PartTabs';
import { isAway, type AnySession } from '../../keeping/session';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { moment } from '../../ui/time';
import { useWorst } from './workSessions';

interface HandInProps {
  /** When it was asked for, by this machine's clock; null while it is not. */
  openedAt: number | null;
  onClose: () => void;
  /** Of every part, in their order. */
  sessions: readonly AnySession[];
  answer: Schemas['AnswerReply'];
  onHandedIn: () => void;
}

/** Shows what will be handed in, of every part, and hands in exactly that. */
export function HandIn({ openedAt, onClose, sessions, answer, onHandedIn }: HandInProps) {
  const worst = useWorst(sessions);
  const called = useRef(new AbortController());
  const handIn = useMutation({
    mutationFn: async (signal: AbortSignal) => {
      await sendAll(sessions, 'Nothing was handed in.');
      signal.throwIfAborted();
      return must(
        api.POST('/api/study/answers/{id}/hand-in', {
          params: { path: { id: answer.id } },
          body: { works: answer.works.map(({ id }, at) => ({ id, revision: sessions[at]!.acknowledged })) },
          signal,
        }),
      );
    },
    onSuccess: () => {
      sessions.forEach((session) => session.close());
      onHandedIn();
    },
  });
  const close = () => {
    called.current.abort();
    handIn.reset();
    onClose();
  };
  const unsaved = sessions.reduce((sum, session) => sum + session.current().unsaved, 0);
  const late = answer.times.dueAt && openedAt !== null ? openedAt > new Date(answer.times.dueAt).getTime() : false;
  return (
    <Sheet
      open={openedAt !== null}
      onClose={close}
      title="Hand in?"
      actions={
        <button
          className="press-button"
          disabled={handIn.isPending}
          onClick={() => {
            called.current = new AbortController();
            handIn.mutate(called.current.signal);
          }}
        >
          {handIn.isPending ? 'handing in …' : 'Hand in for good'}
        </button>
      }
    >
      {sessions.map((session, at) => (
        <Drawn
          key={answer.works[at]!.id}
          work={answer.works[at]!}
          session={session}
          name={sessions.length === 1 ? null : partName(answer.works[at]!.part.title, at)}
        />
      ))}
      <p className="mt-3">
        {unsaved === 0
          ? 'Everything is saved at the server.'
          : isAway(worst.view.state)
            ? `The server is away. ${counted(unsaved, 'change is', 'changes are')} kept in this browser; handing in needs the server.`
            : `${counted(unsaved, 'change is', 'changes are')} not yet on the server; ${unsaved === 1 ? 'it is' : 'they are'} sent first.`}
      </p>
      <p className="mt-3">After handing in nothing can be changed.</p>
      {late && <p className="refusal mt-3">It was due {moment(answer.times.dueAt!)}: it will be marked as late.</p>}
      {handIn.isError && (
        <p className="refusal mt-3" role="alert">
          {messageOf(handIn.error)}
        </p>
      )}
    </Sheet>
  );
}

/** What is drawn for a part, in numbers and names. */
function Drawn({ work, session, name }: { work: Schemas['WorkReply']; session: AnySession; name: string | null }) {
  const text = session.text();
  const drawn = artefactOf().contents(text);
  if (drawn === null)
    return (
      <p className="refusal mt-2">
        {name === null
          ? 'Nothing is drawn. An empty answer earns nothing.'
          : `“${name}” is empty. An empty part earns nothing.`}
      </p>
    );
  return (
    <>
      <p className="font-read text-[17px] leading-[1.6] mt-2">
        {name === null ? 'Your drawing' : `“${name}”`} has <strong>{listed.format(drawn.counts)}</strong>
        {drawn.names.length > 0 && <>: {drawn.names.join(', ')}</>}.
      </p>
      {session.notTaken.length > 0 && (
        <p className="refusal mt-2">
          Not drawn, since it was not understood: {listed.format(session.notTaken.map((line) => `“${line}”`))}.
        </p>
      )}
      {work.part.aids.form && <OpenRemarks work={work.id} text={text} />}
    </>
  );
}

/** What was told of a drawing's form while it was drawn, and still holds. */
function OpenRemarks({ work, text }: { work: string; text: string }) {
  const reading = useQuery({
    queryKey: ['reading', work, text],
    queryFn: () =>
      must(api.POST('/api/study/work/{id}/reading', { params: { path: { id: work } }, body: { drawing: text } })),
    gcTime: 0,
  });
  const remarks = reading.data?.form ?? [];
  if (remarks.length === 0) return null;
  return (
    <>
      <p className="mt-2">{remarks.length === 1 ? 'One remark is' : `${remarks.length} remarks are`} still open:</p>
      <ul className="list-disc pl-5">
        {remarks.map((remark) => (
          <li key={`${remark.code} ${remark.elements.join(' ')}`}>{remark.text}</li>
        ))}
      </ul>
    </>
  );
}

const listed = new Intl.ListFormat('en');
