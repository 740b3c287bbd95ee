import { useMutation } from '@tanstack/react-query';
import { api, must, type Schemas } from '../../api/client';
import { partName } from '../../parts/PartTabs';
import { rowsOf, type Drawing } from '../../slate/document';
import type { DrawingSession } from '../../slate/session';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { moment } from '../../ui/time';
import { savedWords } from './Stand';
import { useWorst } from './workSessions';

interface HandInProps {
  /** When it was asked for, by this machine's clock; null while it is not. */
  openedAt: number | null;
  onClose: () => void;
  /** Of every part, in their order. */
  sessions: readonly DrawingSession[];
  answer: Schemas['AnswerReply'];
  onHandedIn: () => void;
}

/** Shows what will be handed in, of every part, and hands in exactly that. */
export function HandIn({ openedAt, onClose, sessions, answer, onHandedIn }: HandInProps) {
  const worst = useWorst(sessions);
  const handIn = useMutation({
    mutationFn: async () => {
      for (const session of sessions) {
        if ((await session.flush()) !== 'clean')
          throw new Error(
            `Not everything has reached the server: ${savedWords(session.current())}. Nothing was handed in.`,
          );
      }
      return must(
        api.POST('/api/study/answers/{id}/hand-in', {
          params: { path: { id: answer.id } },
          body: { works: answer.works.map(({ id }, at) => ({ id, revision: sessions[at]!.acknowledged })) },
        }),
      );
    },
    onSuccess: () => {
      sessions.forEach((session) => session.close());
      onHandedIn();
    },
  });
  const unsaved = sessions.reduce((sum, session) => sum + session.current().unsaved, 0);
  const late = answer.dueAt && openedAt !== null ? openedAt > new Date(answer.dueAt).getTime() : false;
  return (
    <Sheet
      open={openedAt !== null}
      onClose={onClose}
      title="Hand in?"
      actions={
        <button
          className="press-button"
          disabled={handIn.isPending || (unsaved > 0 && worst.view.state === 'offline')}
          onClick={() => handIn.mutate()}
        >
          {handIn.isPending ? 'handing in …' : 'Hand in for good'}
        </button>
      }
    >
      {sessions.map((session, at) => (
        <Drawn
          key={answer.works[at]!.id}
          drawing={session.current().drawing}
          name={sessions.length === 1 ? null : partName(answer.works[at]!.part.title, at)}
        />
      ))}
      <p className="mt-3">
        {unsaved === 0
          ? 'Everything is saved at the server.'
          : `${count(unsaved, 'change is', 'changes are')} not yet on the server; ${unsaved === 1 ? 'it is' : 'they are'} sent first.`}
      </p>
      <p className="mt-3">After handing in nothing can be changed.</p>
      {late && <p className="refusal mt-3">It was due {moment(answer.dueAt!)}: it will be marked as late.</p>}
      {handIn.isError && (
        <p className="refusal mt-3" role="alert">
          {handIn.error instanceof Error && !('code' in handIn.error) ? handIn.error.message : messageOf(handIn.error)}
        </p>
      )}
    </Sheet>
  );
}

/** What is drawn for a part, in numbers and names. */
function Drawn({ drawing, name }: { drawing: Drawing; name: string | null }) {
  const boxes = [...drawing.shapes.values()].filter((shape) => shape.form === 'rectangle' || shape.form === 'rounded');
  const attributes = boxes.reduce((sum, box) => sum + rowsOf(box).length, 0);
  if (drawing.shapes.size === 0)
    return (
      <p className="refusal mt-2">
        {name === null
          ? 'Nothing is drawn. An empty answer earns nothing.'
          : `“${name}” is empty. An empty part earns nothing.`}
      </p>
    );
  return (
    <p className="font-read text-[17px] leading-[1.6] mt-2">
      {name === null ? 'Your drawing' : `“${name}”`} has <strong>{count(boxes.length, 'box', 'boxes')}</strong> with{' '}
      <strong>{count(attributes, 'attribute', 'attributes')}</strong> and{' '}
      <strong>{count(drawing.lines.size, 'line', 'lines')}</strong>
      {boxes.length > 0 && <>: {boxes.map((box) => box.text || 'a box without a name').join(', ')}</>}.
    </p>
  );
}

const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;
