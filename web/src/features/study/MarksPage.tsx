import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { addressOf } from '../../api/place';
import { Notes } from '../../differences/Notes';
import { Otherwise } from '../../differences/Otherwise';
import { ScriptViews } from '../../differences/ScriptViews';
import { ScriptWithNotes, type ScriptView } from '../../differences/ScriptWithNotes';
import { PartTabs, partName } from '../../parts/PartTabs';
import { useShownPart } from '../../parts/useShownPart';
import { show } from '../../ui/marks';
import { FailedPage, Loading } from '../../ui/states';
import { moment } from '../../ui/time';
import { LineTable } from '../marking/LineTable';
import { AskAboutNote } from './AskAboutNote';
import { partLine, tabOf } from '../../parts/partLine';

/** The marks as released to a student: notes, lines, and, where it is allowed, the model answer over or beside. */
export default function MarksPage() {
  const { id } = useParams() as { id: string };
  const marks = useQuery({
    queryKey: ['marks', id],
    queryFn: () => must(api.GET('/api/study/answers/{id}/marks', { params: { path: { id } } })),
  });
  if (marks.isPending) return <Loading what="your marks" />;
  if (marks.isError) return <FailedPage error={marks.error} retry={() => void marks.refetch()} />;
  return <AllMarks id={id} marks={marks.data} />;
}

function AllMarks({ id, marks }: { id: string; marks: Schemas['StudentMarksReply'] }) {
  const [part, at, showPart] = useShownPart(marks.parts);
  const queries = useQueryClient();
  const { mutate: haveSeen } = useMutation({
    mutationFn: () => must(api.POST('/api/study/answers/{id}/marks/seen', { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['study'] }),
  });
  useEffect(() => haveSeen(), [haveSeen]);
  return (
    <Marks
      key={`${part.workId} ${part.result.total}`}
      id={id}
      marks={marks}
      part={part}
      at={at}
      tabs={<PartTabs parts={marks.parts.map((one) => tabOf(one.workId, one.part))} at={at} onShow={showPart} />}
      name={marks.parts.length > 1 ? partName(part.part.title, at) : null}
    />
  );
}

interface MarksProps {
  id: string;
  marks: Schemas['StudentMarksReply'];
  part: Schemas['StudentPartMarks'];
  /** Its place among the parts, from 0. */
  at: number;
  tabs: ReactNode;
  /** What the part is called, where there are several. */
  name: string | null;
}

function Marks({ id, marks, part, at, tabs, name }: MarksProps) {
  const queries = useQueryClient();
  const [view, setView] = useState<ScriptView>('over');
  const [lines, setLines] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  return (
    <ScriptWithNotes
      title={marks.title}
      line={partLine(part.part)}
      scenarioHtml={marks.scenarioHtml}
      drawing={part.drawing}
      modelDrawing={part.modelDrawing ?? null}
      modelSentences={part.modelSentences ?? []}
      result={part.result}
      evidence={part.evidence}
      view={view}
      open={open}
      onOpen={setOpen}
      tabs={tabs}
      margin={({ placed, levelOf, look, rows }) => (
        <div className="min-h-full flex flex-col">
          <p className="total">
            <strong>{show(part.result.total)}</strong> of {show(part.result.maximum)}
          </p>
          {name !== null && (
            <p className="text-[14px]">
              {name}; <strong>{show(marks.total)}</strong> of {show(marks.maximum)} in all parts
            </p>
          )}
          {part.changes.map((change) => (
            <p key={change.at} className="mt-1 text-[14px]">
              Changed from {show(change.before)} to <strong>{show(change.after)}</strong>, {moment(change.at)}.{' '}
              {change.reason !== '' && <q className="font-read italic">{change.reason}</q>}
            </p>
          ))}
          <ScriptViews
            label="How your answer is shown"
            view={view}
            lines={lines}
            model={Boolean(part.modelDrawing)}
            onView={setView}
            onLines={setLines}
          />
          {part.modelDrawing && (
            <p className="text-[14px] mb-2">
              <Link className="word-button" to={`/answers/${id}/solution${at > 0 ? `?part=${at + 1}` : ''}`}>
                the model answer, step by step
              </Link>
            </p>
          )}
          <Otherwise result={part.result} />
          {lines ? (
            <LineTable lines={part.result.lines} placed={placed} onOpen={(note) => (setLines(false), setOpen(note))} />
          ) : (
            <Notes
              result={part.result}
              placed={placed}
              open={open}
              onOpen={setOpen}
              levelOf={view === 'over' ? levelOf : () => null}
              look={look}
              beneath={({ note }) => (
                <>
                  <Decided ruling={part.rulings.find((ruling) => ruling.findingId === note.id)} />
                  <AskAboutNote
                    work={part.workId}
                    finding={note.id}
                    until={marks.questionsUntil ?? null}
                    queries={part.queries.filter((query) => query.findingId === note.id)}
                    onAsked={(queried) =>
                      queries.setQueryData(['marks', id], {
                        ...marks,
                        parts: marks.parts.map((one) => (one === part ? { ...one, queries: queried } : one)),
                      })
                    }
                  />
                </>
              )}
            />
          )}
          {!lines && rows}
          <p className="mt-auto pt-6 text-[13px] text-quiet-ink">
            released {moment(marks.releasedAt)}
            {marks.questionsUntil && ` · questions until ${moment(marks.questionsUntil)}`} ·{' '}
            <a className="word-button" href={addressOf(`/api/study/answers/${id}/sheet`)} download>
              as a PDF
            </a>{' '}
            ·{' '}
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
