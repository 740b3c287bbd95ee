import { useMutation } from '@tanstack/react-query';
import { api, must, type Schemas } from '../../api/client';
import { rowsOf } from '../../slate/document';
import type { Slate } from '../../slate/useSlate';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { moment } from '../../ui/time';
import { savedWords } from './Stand';

interface HandInProps {
  /** When it was asked for, by this machine's clock; null while it is not. */
  openedAt: number | null;
  onClose: () => void;
  slate: Slate;
  answer: Schemas['AnswerReply'];
  onHandedIn: () => void;
}

/** Shows what will be handed in, and hands in exactly that. */
export function HandIn({ openedAt, onClose, slate, answer, onHandedIn }: HandInProps) {
  const { session, drawing } = slate;
  const handIn = useMutation({
    mutationFn: async () => {
      const state = await session.flush();
      if (state !== 'clean')
        throw new Error(
          `Not everything has reached the server: ${savedWords(session.current())}. Nothing was handed in.`,
        );
      return must(
        api.POST('/api/study/answers/{id}/hand-in', {
          params: { path: { id: answer.id } },
          body: { revision: session.acknowledged },
        }),
      );
    },
    onSuccess: () => {
      session.close();
      onHandedIn();
    },
  });
  const boxes = [...drawing.shapes.values()].filter((shape) => shape.form === 'rectangle' || shape.form === 'rounded');
  const attributes = boxes.reduce((sum, box) => sum + rowsOf(box).length, 0);
  const unsaved = slate.session_.unsaved;
  const late = answer.dueAt && openedAt !== null ? openedAt > new Date(answer.dueAt).getTime() : false;
  return (
    <Sheet
      open={openedAt !== null}
      onClose={onClose}
      title="Hand in?"
      actions={
        <button
          className="press-button"
          disabled={handIn.isPending || (unsaved > 0 && slate.session_.state === 'offline')}
          onClick={() => handIn.mutate()}
        >
          {handIn.isPending ? 'handing in …' : 'Hand in for good'}
        </button>
      }
    >
      <p className="font-read text-[17px] leading-[1.6]">
        Your drawing has <strong>{count(boxes.length, 'box', 'boxes')}</strong> with{' '}
        <strong>{count(attributes, 'attribute', 'attributes')}</strong> and{' '}
        <strong>{count(drawing.lines.size, 'line', 'lines')}</strong>
        {boxes.length > 0 && <>: {boxes.map((box) => box.text || 'a box without a name').join(', ')}</>}.
      </p>
      {drawing.shapes.size === 0 && <p className="refusal mt-2">Nothing is drawn. An empty answer earns nothing.</p>}
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

const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;
