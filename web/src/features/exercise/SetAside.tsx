import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { artefactOf } from '../../artefacts/registry';
import { Sheet } from '../../ui/Sheet';
import { moment } from '../../ui/time';
import { linesOf, type AssessmentValue } from './useAssessment';

const { Still } = artefactOf();

const kinds: Readonly<Record<Schemas['DocumentKind'], string>> = {
  scenario: 'scenario',
  part: 'what is asked',
  model: 'model answer',
  assessment: 'what earns marks',
  steps: 'step by step',
};

/** What lost against what somebody else saved in the meantime: kept, and shown here. */
export function SetAside({ exercise }: { exercise: string }) {
  const [open, setOpen] = useState(false);
  const [at, setAt] = useState(0);
  const aside = useQuery({
    queryKey: ['set-aside', exercise],
    queryFn: () => must(api.GET('/api/exercises/{id}/set-aside', { params: { path: { id: exercise } } })),
  });
  const rows = aside.data ?? [];
  const shown = rows[at];
  if (rows.length === 0) return null;
  return (
    <p className="mt-4 text-[14px]">
      <button className="word-button" onClick={() => setOpen(true)}>
        {rows.length === 1 ? 'one text set aside' : `${rows.length} texts set aside`}
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} wide title="Set aside when another one was chosen">
        <div className="earlier">
          <ul>
            {rows.map((row, index) => (
              <li key={row.id}>
                <button className="word-button" aria-pressed={index === at} onClick={() => setAt(index)}>
                  {moment(row.at)}
                </button>
                <span className="text-quiet-ink text-[13px]">
                  {' '}
                  {kinds[row.kind]}
                  {row.by && `, ${row.by}`}
                </span>
              </li>
            ))}
          </ul>
          {shown &&
            (shown.kind === 'model' ? (
              <Still key={shown.id} document={shown.text} label="A model answer that was set aside" />
            ) : (
              <Written row={shown} />
            ))}
        </div>
      </Sheet>
    </p>
  );
}

function Written({ row }: { row: Schemas['SetAsideReply'] }) {
  const text = textOf(row);
  return (
    <section
      className="overflow-auto whitespace-pre-wrap font-read text-[15px] leading-[23px]"
      tabIndex={0}
      aria-label="The text"
    >
      {text}
    </section>
  );
}

function textOf({ kind, text }: Schemas['SetAsideReply']): string {
  if (kind === 'assessment') return linesOf(JSON.parse(text) as AssessmentValue);
  if (kind !== 'steps') return text;
  const { steps } = JSON.parse(text) as Schemas['StepsDocument'];
  return (steps ?? [])
    .map(({ said, why, elements }, at) => `${at + 1}. ${said ?? `draws ${elements?.length}, as proposed`} ${why ?? ''}`)
    .join('\n');
}
