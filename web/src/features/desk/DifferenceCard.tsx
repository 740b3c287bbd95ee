import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { DifferenceInPlace } from '../../differences/DifferenceInPlace';
import { show, valueOf } from '../../ui/marks';
import { Failed, Loading, messageOf } from '../../ui/states';
import { usePageKeys } from '../../ui/usePageKeys';
import { AmountField } from '../marking/AmountField';
import { WhatChanges } from '../marking/WhatChanges';
import type { Difference } from './deskRules';

type AlikeAnswer = Schemas['AlikeAnswer'];

interface DifferenceCardProps {
  part: string;
  difference: Difference;
  /** The answer that is shown as an example, and the finding in it. */
  work: Schemas['ClassWork'];
  finding: string;
  /** Whether the marks of everybody who has it are released. */
  closed: boolean;
  onAnother: () => void;
  onDecided: (reply: Schemas['DifferencesReply']) => void;
}

/** A difference as one answer drew it, in words, and the decision on it for all that have it. */
export function DifferenceCard({ part, difference, work, finding, closed, onAnother, onDecided }: DifferenceCardProps) {
  const answer = useQuery({
    queryKey: ['marking', work.id],
    queryFn: () => must(api.GET('/api/marking/work/{id}', { params: { path: { id: work.id } } })),
  });
  const note = answer.data?.result.notes.find(({ id }) => id === finding);
  return (
    <div className="desk-middle">
      <h2>
        drawn by {work.code}
        {difference.places.length > 1 && (
          <button className="word-button" onClick={onAnother}>
            another example <kbd aria-hidden>e</kbd>
          </button>
        )}
        <Link className="word-button" to={`/marking/${work.id}?note=${encodeURIComponent(finding)}`}>
          open the answer <kbd aria-hidden>o</kbd>
        </Link>
      </h2>
      {answer.isPending && <Loading what="the answer" />}
      {answer.isError && <Failed error={answer.error} retry={() => void answer.refetch()} />}
      {answer.data && note && (
        <DifferenceInPlace
          key={`${work.id} ${finding}`}
          drawing={answer.data.drawing}
          model={answer.data.modelDrawing}
          note={note}
          counterparts={answer.data.result.counterparts}
          label={`The difference as ${work.code} drew it`}
        />
      )}
      <section className="desk-card" aria-label="The difference">
        <h3>{difference.headline}</h3>
        {note && (
          <>
            <p>{note.there}</p>
            <p>Wanted: {note.wanted}</p>
            <p className="why">{note.why}</p>
          </>
        )}
        {!difference.marked && <p>No line of the scheme uses it: there is nothing to decide.</p>}
        {difference.marked &&
          (closed ? (
            <p>Everybody who has it has their marks; a decision on a released answer is taken at that answer.</p>
          ) : (
            <DecisionForAll part={part} difference={difference} onDecided={onDecided} />
          ))}
      </section>
    </div>
  );
}

interface DecisionForAllProps {
  part: string;
  difference: Difference;
  onDecided: (reply: Schemas['DifferencesReply']) => void;
}

const choices: readonly {
  readonly decision: Schemas['Decision'];
  readonly word: string;
  readonly key: string;
  readonly total: (answer: AlikeAnswer) => string | null;
}[] = [
  { decision: 'allow', word: 'allow', key: '1', total: (answer) => answer.allowed },
  { decision: 'allow-in-part', word: 'half', key: '5', total: (answer) => answer.inPart },
  { decision: 'keep-loss', word: 'keep the loss', key: '0', total: (answer) => answer.kept },
];

/** The decision on a difference for all that have it: chosen, seen whose marks change, confirmed. */
function DecisionForAll({ part, difference, onDecided }: DecisionForAllProps) {
  const { key, forAll } = difference;
  const [asked, setAsked] = useState<Schemas['Decision'] | null>(null);
  const [share, setShare] = useState<string | undefined>(undefined);
  const [typing, setTyping] = useState(false);
  const [comment, setComment] = useState(forAll?.comment ?? '');
  const path = { id: part, key };
  const alike = useQuery({
    queryKey: ['alike', part, key, share],
    queryFn: () =>
      must(api.GET('/api/marking/parts/{id}/differences/{key}/alike', { params: { path, query: { part: share } } })),
  });
  const decide = useMutation({
    mutationFn: ({ decision, some }: { decision: Schemas['Decision']; some: string | undefined }) =>
      must(
        api.PUT('/api/marking/parts/{id}/differences/{key}', {
          params: { path },
          body: { decision, comment, reach: 'alike', part: some },
        }),
      ),
    onSuccess: (reply) => {
      setAsked(null);
      onDecided(reply);
    },
  });
  const takeBack = useMutation({
    mutationFn: () => must(api.DELETE('/api/marking/parts/{id}/differences/{key}', { params: { path } })),
    onSuccess: onDecided,
  });
  const busy = decide.isPending || takeBack.isPending;
  const choose = (decision: Schemas['Decision'], some?: string) => {
    if (busy) return;
    setTyping(false);
    setShare(some);
    setAsked(decision);
  };
  const loss = alike.data?.answers[0]?.loss;
  const mayType = loss && valueOf(loss) > 0;
  usePageKeys({
    ...Object.fromEntries(choices.map((choice) => [choice.key, () => choose(choice.decision)])),
    a: () => mayType && setTyping(true),
    t: () => forAll && !busy && takeBack.mutate(),
  });
  const failure = decide.error ?? takeBack.error;
  return (
    <>
      <div className="decisions" role="radiogroup" aria-label="Decision for all">
        {choices.map((choice) => (
          <button
            key={choice.key}
            role="radio"
            aria-checked={asked === null ? forAll?.decision === choice.decision : asked === choice.decision}
            disabled={busy}
            onClick={() => choose(choice.decision)}
          >
            {forAll?.decision === choice.decision && forAll.part && choice.decision === 'allow-in-part'
              ? `${show(forAll.part)} of it`
              : choice.word}
            {forAll?.decision === choice.decision && ' ✓'} <kbd aria-hidden>{choice.key}</kbd>
          </button>
        ))}
        {mayType && (
          <button className="word-button" disabled={busy} onClick={() => setTyping(!typing)}>
            an amount <kbd aria-hidden>a</kbd>
          </button>
        )}
        {forAll && (
          <button className="word-button" disabled={busy} onClick={() => takeBack.mutate()}>
            take it back <kbd aria-hidden>t</kbd>
          </button>
        )}
      </div>
      {typing && mayType && (
        <AmountField loss={loss} onTake={(some) => choose('allow-in-part', some)} onLeave={() => setTyping(false)} />
      )}
      {asked && alike.isPending && <p role="status">Looking whose marks change …</p>}
      {asked && alike.data && !decide.isPending && (
        <WhatChanges
          key={asked}
          answers={alike.data.answers}
          total={choices.find(({ decision }) => decision === asked)!.total}
          busy={busy}
          onConfirm={() => decide.mutate({ decision: asked, some: share })}
          onLeave={() => setAsked(null)}
        />
      )}
      {busy && <p role="status">Deciding for {difference.places.length} …</p>}
      {(failure ?? alike.error) && (
        <p className="refusal" role="alert">
          {messageOf(failure ?? alike.error)}
        </p>
      )}
      <input
        className="plain-input"
        maxLength={1000}
        placeholder="comment for the students"
        aria-label="Comment for the students"
        value={comment}
        onChange={(event) => setComment(event.target.value)}
        onBlur={() =>
          forAll &&
          comment !== forAll.comment &&
          decide.mutate({ decision: forAll.decision, some: forAll.part ?? undefined })
        }
      />
    </>
  );
}
