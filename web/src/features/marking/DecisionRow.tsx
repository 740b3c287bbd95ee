import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { show, valueOf } from '../../ui/marks';
import { messageOf } from '../../ui/states';
import { AmountField } from './AmountField';
import { WhatChanges } from './WhatChanges';

type Decision = Schemas['Decision'];
type Reach = Schemas['Reach'];
type AlikeAnswer = Schemas['AlikeAnswer'];

interface DecisionRowProps {
  answer: string;
  finding: string;
  ruling: Schemas['RulingReply'] | null;
  locked: boolean;
  busy: boolean;
  /** With the part of the loss that is given back, where it is allowed in part and that is not half. */
  onRule: (decision: Decision, comment: string, reach: Reach, part?: string) => void;
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
  const [part, setPart] = useState<string | undefined>(undefined);
  const [typing, setTyping] = useState(false);
  // What was asked goes with its answer; the keyboard goes on from here.
  const forAll = useRef<HTMLButtonElement>(null);
  const answered = () => {
    setAsked(null);
    forAll.current?.focus();
  };
  const alike = useQuery({
    queryKey: ['marking', answer, 'alike', finding, ruling, part],
    queryFn: () =>
      must(api.GET('/api/marking/work/{id}/alike', { params: { path: { id: answer }, query: { finding, part } } })),
    enabled: !locked,
    placeholderData: (before) => before,
  });
  if (locked) return ruling?.comment ? <p className="mt-2 font-read italic">{ruling.comment}</p> : null;
  const [own, ...others] = alike.data?.answers ?? [];
  const twins = others.filter((other) => other.identical).length;
  // Until it is known what each choice gives, they would move under the hand.
  const waiting = busy || alike.isPending;
  const choose = (decision: Decision, some?: string) => {
    setTyping(false);
    setPart(some);
    if (reach === 'alike' && others.length > 0) setAsked(decision);
    else onRule(decision, comment, reach, some);
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
            {ruling?.decision === decision && ruling.part && ruling.part !== '1/2' && ` ${show(ruling.part)} of it`}
            {own && <small> {show(total(own) ?? '')}</small>}
          </button>
        ))}
        {own?.loss && valueOf(own.loss) > 0 && (
          <button className="word-button" disabled={waiting} onClick={() => setTyping(!typing)}>
            an amount
          </button>
        )}
        {ruling && (
          <button className="word-button" disabled={waiting} onClick={onTakeBack}>
            take back{ruling.reach === 'alike' && others.length > 0 ? ` for all ${others.length + 1}` : ''}
          </button>
        )}
      </div>
      {typing && own?.loss && (
        <AmountField
          loss={own.loss}
          onTake={(some) => choose('allow-in-part', some)}
          onLeave={() => setTyping(false)}
        />
      )}
      {alike.isError && <p className="refusal mt-1">{messageOf(alike.error)}</p>}
      {asked && !alike.isPlaceholderData && (
        <WhatChanges
          answers={alike.data?.answers ?? []}
          total={choices.find(({ decision }) => decision === asked)!.total}
          busy={busy}
          onConfirm={() => (answered(), onRule(asked, comment, 'alike', part))}
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
          ruling &&
          comment !== ruling.comment &&
          onRule(ruling.decision, comment, ruling.reach ?? 'answer', ruling.part ?? undefined)
        }
      />
    </>
  );
}
