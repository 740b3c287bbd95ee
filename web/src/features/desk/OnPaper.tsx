import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, must } from '../../api/client';
import { saveFile } from '../../ui/saveFile';
import { messageOf } from '../../ui/states';
import { Tip } from '../../ui/Tip';
import { readSheets, type Writing } from './paper';

interface OnPaperProps {
  exercise: string;
  title: string;
  released: number;
}

interface Wanted {
  readonly together: boolean;
  readonly names: boolean;
}

/** The feedback sheets of everybody whose marks are released: one document, or one for each student. */
export function OnPaper({ exercise, title, released }: OnPaperProps) {
  const [names, setNames] = useState(false);
  const [writing, setWriting] = useState<Writing | null>(null);
  const stop = useRef(new AbortController());
  useEffect(() => () => stop.current.abort(), []);
  const write = useMutation({
    mutationFn: async (body: Wanted) => {
      stop.current = new AbortController();
      const { signal } = stop.current;
      setWriting({ written: 0, of: released });
      const stream = await must(
        api.POST('/api/marking/exercises/{id}/sheets', {
          params: { path: { id: exercise } },
          body,
          parseAs: 'stream',
          signal,
        }),
      );
      const file = await readSheets(stream as unknown as ReadableStream<Uint8Array>, setWriting);
      const [kind, ending] = body.together ? ['application/pdf', 'pdf'] : ['application/zip', 'zip'];
      saveFile(`${title} - feedback.${ending}`, new Blob(file, { type: kind }));
    },
    onSettled: () => setWriting(null),
  });
  const stopped = write.isError && stop.current.signal.aborted;
  return (
    <section className="mt-8" aria-label="Feedback on paper">
      <h2 className="mb-1">Feedback on paper</h2>
      <p>
        A sheet for each of the {released} released {released === 1 ? 'answer' : 'answers'}: the drawing with its notes,
        the lines and the total.
      </p>
      {writing ? (
        <p className="mt-2 flex items-center gap-3" role="status">
          <progress value={writing.written} max={writing.of} aria-label="Sheets written" />
          {writing.written} of {writing.of} written
          <button className="word-button" onClick={() => stop.current.abort()}>
            stop
          </button>
        </p>
      ) : (
        <p className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1">
          <button className="word-button main" onClick={() => write.mutate({ together: true, names })}>
            all in one PDF
          </button>
          <button className="word-button main" onClick={() => write.mutate({ together: false, names })}>
            a PDF for each student
          </button>
          <Tip says="The record keeps that you looked">
            <label className="flex items-center gap-2">
              <input type="checkbox" checked={names} onChange={(event) => setNames(event.target.checked)} /> with names
            </label>
          </Tip>
        </p>
      )}
      {write.isError && !stopped && (
        <p className="refusal mt-1" role="alert">
          {messageOf(write.error)}
        </p>
      )}
    </section>
  );
}
