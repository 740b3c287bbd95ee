import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { show } from '../../ui/marks';
import { messageOf } from '../../ui/states';
import { ChangeList } from './ChangeList';

type Decision = Schemas['Decision'];
type Reach = Schemas['Reach'];
type AlikeAnswer = Schemas['AlikeAnswer'];

interface DecisionRowProps {
  answer: string;
  finding: string;
  ruling: Schemas['RulingReply'] | null;
  locked: boolean;
  busy: boolean;
  onRule: (decision: Decision, comment: string, reach: Reach) => void;
  onTakeBack: () => void;
}

const choices: readonly {
  readonly decision: Decision;
  readonly word: string;
  readonly total: (answer: AlikeAnswer) => string | null;
}[] = [
  { decision: 'allow', word: 'allow', total: (answer) => answer.allowed },
  { decision: 'allow-in-part', word: 'in part', total: (answer) => answer.inPart },
  { decision: 'keep-loss', word: 'keep the loss', total: (answer) => answer.kept },
];

/**
 * The decision on a note: one choice that says what total it gives, for this answer or for all that are alike, with a comment for the
 * student. What changes for the others is shown before it is confirmed.
 */
export function DecisionRow({ answer, finding, ruling, locked, busy, onRule, onTakeBack }: DecisionRowProps) {
  const [comment, setComment] = useState(ruling?.comment ?? '');
  const [reach, setReach] = useState<Reach>(ruling?.reach ?? 'answer');
  const [asked, setAsked] = useState<Decision | null>(null);
  // What was asked goes with its answer; the keyboard goes on from here.
  const forAll = useRef<HTMLButtonElement>(null);
  const answered = () => {
    setAsked(null);
    forAll.current?.focus();
  };
  const alike = useQuery({
    queryKey: ['marking', answer, 'alike', finding, ruling],
    queryFn: () =>
      must(api.GET('/api/marking/work/{id}/alike', { params: { path: { id: answer }, query: { finding } } })),
    enabled: !locked,
    placeholderData: (before) => before,
  });
  if (locked) return ruling?.comment ? <p className="mt-2 font-read italic">{ruling.comment}</p> : null;
  const [own, ...others] = alike.data?.answers ?? [];
  const twins = others.filter((other) => other.identical).length;
  // Until it is known what each choice gives, they would move under the hand.
  const waiting = busy || alike.isPending;
  const choose = (decision: Decision) => {
    if (reach === 'alike' && others.length > 0) setAsked(decision);
    else onRule(decision, comment, reach);
  };
  return (
    <>
      {others.length > 0 && (
        <div className="reach" role="radiogroup" aria-label="For which answers">
          <button role="radio" aria-checked={reach === 'answer'} onClick={() => (setReach('answer'), setAsked(null))}>
            {twins === 0 ? 'this answer' : `this answer and ${twins} with the same drawing`}
          </button>
          <button ref={forAll} role="radio" aria-checked={reach === 'alike'} onClick={() => setReach('alike')}>
            all alike ({others.length + 1})
          </button>
        </div>
      )}
      <div className="decisions" role="radiogroup" aria-label="Decision">
        {choices.map(({ decision, word, total }) => (
          <button
            key={decision}
            role="radio"
            aria-checked={asked === null ? ruling?.decision === decision : asked === decision}
            disabled={waiting}
            onClick={() => choose(decision)}
          >
            {word}
            {ruling?.decision === decision && ' ✓'}
            {own && <small> {show(total(own) ?? '')}</small>}
          </button>
        ))}
        {ruling && (
          <button className="word-button" disabled={waiting} onClick={onTakeBack}>
            take back{ruling.reach === 'alike' && others.length > 0 ? ` for all ${others.length + 1}` : ''}
          </button>
        )}
      </div>
      {alike.isError && <p className="refusal mt-1">{messageOf(alike.error)}</p>}
      {asked && (
        <WhatChanges
          answers={alike.data?.answers ?? []}
          total={choices.find(({ decision }) => decision === asked)!.total}
          busy={busy}
          onConfirm={() => (answered(), onRule(asked, comment, 'alike'))}
          onLeave={answered}
        />
      )}
      <input
        className="plain-input mt-2"
        maxLength={1000}
        placeholder="comment for the student"
        aria-label="Comment for the student"
        value={comment}
        onChange={(event) => setComment(event.target.value)}
        onBlur={() =>
          ruling && comment !== ruling.comment && onRule(ruling.decision, comment, ruling.reach ?? 'answer')
        }
      />
    </>
  );
}

interface WhatChangesProps {
  answers: readonly AlikeAnswer[];
  total: (answer: AlikeAnswer) => string | null;
  busy: boolean;
  onConfirm: () => void;
  onLeave: () => void;
}

/** Whose marks change, and by how much, before it is confirmed. */
function WhatChanges({ answers, total, busy, onConfirm, onLeave }: WhatChangesProps) {
  // What one has still to mark blind is decided on too, and not told.
  const changing = answers.flatMap((answer) => {
    const [before, after] = [answer.now, total(answer)];
    return before === null || after === null || before === after
      ? []
      : [{ id: answer.id, code: answer.code, before, after }];
  });
  const blind = answers.filter((answer) => answer.now === null).length;
  // It opens beneath the decision, where the margin may end.
  const group = useRef<HTMLDivElement>(null);
  useEffect(() => {
    void group.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  return (
    <div ref={group} className="what-changes" role="group" aria-label="Whose marks change">
      <p>
        {changing.length === 0
          ? `No mark of these ${answers.length} answers changes.`
          : `${changing.length} of ${answers.length} marks change:`}
      </p>
      <ChangeList changes={changing} />
      {blind > 0 && (
        <p className="text-[13.5px] text-quiet-ink">
          {blind === 1 ? 'One more is in your sample' : `${blind} more are in your sample`}: what changes there is told
          once you have marked {blind === 1 ? 'it' : 'them'}.
        </p>
      )}
      <p className="flex gap-4 mt-1">
        <button className="word-button main" disabled={busy} onClick={onConfirm}>
          decide for all {answers.length}
        </button>
        <button className="word-button" onClick={onLeave}>
          leave it
        </button>
      </p>
    </div>
  );
}
