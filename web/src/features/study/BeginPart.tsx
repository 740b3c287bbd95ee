import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { BeginWith, putOnSlate } from '../../parts/BeginWith';
import { sendAll } from '../../keeping/sending';
import type { DrawingSession } from '../../slate/drawings';
import type { Slate } from '../../slate/useSlate';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';

interface BeginPartProps {
  work: Schemas['WorkReply'];
  /** The sessions of all parts, in their order. */
  sessions: readonly DrawingSession[];
  slate: Slate;
}

/** Begins a part with what an earlier one gives: the own drawing, or the model answer, and then the earlier one is closed. */
export function BeginPart({ work, sessions, slate }: BeginPartProps) {
  const [asking, setAsking] = useState(false);
  const { beginsWith, beginsWithPart: number } = work.part;
  const earlier = sessions[(number ?? 0) - 1];
  const begin = useMutation({
    mutationFn: async () => {
      if (earlier?.current().state !== 'closed') await sendAll(sessions, '');
      return must(api.POST('/api/study/work/{id}/begin', { params: { path: { id: work.id } } }));
    },
    onSuccess: ({ drawing: text, closed }) => {
      if (closed) earlier?.close();
      setAsking(false);
      putOnSlate(slate, text);
    },
  });
  if (!earlier) return null;
  const own = beginsWith === 'own-drawing';
  const closes = !own && earlier.current().state !== 'closed';
  const nothing = own && earlier.current().document.shapes.size === 0;
  return (
    <>
      <BeginWith
        begins={beginsWith}
        part={number!}
        nothing={nothing}
        waiting={begin.isPending && !asking}
        refusal={begin.isError && !asking ? messageOf(begin.error) : null}
        onBegin={() => (closes ? setAsking(true) : begin.mutate())}
      />
      <Sheet
        open={asking}
        onClose={() => (setAsking(false), begin.reset())}
        title={`Close part ${number}?`}
        closeWord="not yet"
        actions={
          <button className="press-button" disabled={begin.isPending} onClick={() => begin.mutate()}>
            {begin.isPending ? 'closing it …' : `Close part ${number} and begin`}
          </button>
        }
      >
        <p>
          You are given the model answer of part {number}. What you have drawn there stays as it is now, and no longer
          changes.
        </p>
        {begin.isError && (
          <p className="refusal" role="alert">
            {messageOf(begin.error)}
          </p>
        )}
      </Sheet>
    </>
  );
}
