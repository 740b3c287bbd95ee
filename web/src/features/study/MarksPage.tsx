import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { Notes } from '../../differences/Notes';
import { ScriptWithNotes, type ScriptView } from '../../differences/ScriptWithNotes';
import { show } from '../../ui/marks';
import { Failed, Loading } from '../../ui/states';
import { moment } from '../../ui/time';
import { LineTable } from '../marking/LineTable';
import { AskAboutNote } from './AskAboutNote';
import { partLine } from './DrawPage';

/** The marks as released to a student: notes, lines, and, where it is allowed, the model answer over or beside. */
export default function MarksPage() {
  const { id } = useParams() as { id: string };
  const marks = useQuery({
    queryKey: ['marks', id],
    queryFn: () => must(api.GET('/api/study/answers/{id}/marks', { params: { path: { id } } })),
  });
  if (marks.isPending) return <Loading what="your marks" />;
  if (marks.isError) return <Failed error={marks.error} retry={() => void marks.refetch()} />;
  return <Marks key={marks.data.result.total} id={id} marks={marks.data} />;
}

function Marks({ id, marks }: { id: string; marks: Schemas['StudentMarksReply'] }) {
  const queries = useQueryClient();
  const [view, setView] = useState<ScriptView>('over');
  const [lines, setLines] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  return (
    <ScriptWithNotes
      title={marks.title}
      line={partLine(marks.part)}
      scenarioHtml={marks.scenarioHtml}
      drawing={marks.drawing}
      modelDrawing={marks.modelDrawing ?? null}
      result={marks.result}
      view={view}
      open={open}
      onOpen={setOpen}
      margin={(placed, levelOf) => (
        <div className="min-h-full flex flex-col">
          <p className="total">
            <strong>{show(marks.result.total)}</strong> of {show(marks.result.maximum)}
          </p>
          {marks.changes.map((change) => (
            <p key={change.at} className="mt-1 text-[14px]">
              Changed from {show(change.before)} to <strong>{show(change.after)}</strong>, {moment(change.at)}.{' '}
              {change.reason !== '' && <q className="font-read italic">{change.reason}</q>}
            </p>
          ))}
          <div className="views" role="group" aria-label="How your answer is shown">
            <button aria-pressed={view === 'over' && !lines} onClick={() => (setView('over'), setLines(false))}>
              over
            </button>
            {marks.modelDrawing && (
              <button aria-pressed={view === 'beside' && !lines} onClick={() => (setView('beside'), setLines(false))}>
                beside
              </button>
            )}
            <button aria-pressed={lines} onClick={() => setLines(!lines)}>
              mark lines
            </button>
          </div>
          {marks.result.restated.map((said) => (
            <p key={said} className="text-[13.5px] text-quiet-ink mb-1">
              {said}
            </p>
          ))}
          {lines ? (
            <LineTable lines={marks.result.lines} placed={placed} onOpen={(note) => (setLines(false), setOpen(note))} />
          ) : (
            <Notes
              result={marks.result}
              placed={placed}
              open={open}
              onOpen={setOpen}
              levelOf={view === 'over' ? levelOf : () => null}
              beneath={({ note }) => (
                <>
                  <Decided ruling={marks.rulings.find((ruling) => ruling.findingId === note.id)} />
                  <AskAboutNote
                    answer={id}
                    finding={note.id}
                    queries={marks.queries.filter((query) => query.findingId === note.id)}
                    onAsked={(queried) => queries.setQueryData(['marks', id], { ...marks, queries: queried })}
                  />
                </>
              )}
            />
          )}
          <p className="mt-auto pt-6 text-[13px] text-quiet-ink">
            released {moment(marks.releasedAt)} ·{' '}
            <Link className="word-button" to="/">
              what is next
            </Link>
          </p>
        </div>
      )}
    />
  );
}

const words: Readonly<Record<Schemas['Decision'], string>> = {
  allow: 'Your marker allowed it.',
  'allow-in-part': 'Your marker allowed it in part.',
  'keep-loss': 'Your marker looked at it and kept the loss.',
};

function Decided({ ruling }: { ruling: Schemas['StudentRuling'] | undefined }) {
  if (!ruling) return null;
  return (
    <p className="mt-2">
      {words[ruling.decision]} {ruling.comment !== '' && <q className="font-read italic">{ruling.comment}</q>}
    </p>
  );
}
