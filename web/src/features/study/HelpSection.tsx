import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import type { AnySession } from '../../keeping/session';
import type { Phrase } from '../../script/phrases';
import { messageOf } from '../../ui/states';
import { byDifference, whereOf, type Difference } from './hints';

interface HelpSectionProps {
  work: Schemas['WorkReply'];
  session: AnySession;
  onLight: (elements: readonly string[] | null) => void;
  onPick: (elements: readonly string[]) => void;
  /** What an element of the drawing is called. */
  nameOf: (element: string) => string;
  /** Shows words of the scenario; null for none. */
  onPlaces: (places: readonly Phrase[] | null) => void;
}

/** Help while one draws for practice: how many differences, where one is, what it is, why. Each step is one of those allowed. */
export function HelpSection({ work, session, onLight, onPick, nameOf, onPlaces }: HelpSectionProps) {
  const [help, setHelp] = useState<Schemas['HelpReply']>(work.help);
  const ask = useMutation({
    mutationFn: (wanted: { howMany?: boolean; after?: number }) =>
      must(
        api.POST('/api/study/work/{id}/help', {
          params: { path: { id: work.id } },
          body: { drawing: session.text(), howMany: wanted.howMany ?? false, after: wanted.after ?? null },
        }),
      ),
    onSuccess: setHelp,
  });
  const { counted, differences } = byDifference(help);
  const spent = help.left === 0;
  const busy = ask.isPending || spent;
  return (
    <section aria-label="Help">
      <h2>{spent ? 'no help left' : `help, ${help.left} left`}</h2>
      <p className="flex flex-wrap gap-x-4 gap-y-1 mt-2 text-[14px]">
        <button className="word-button" disabled={busy} onClick={() => ask.mutate({ howMany: true })}>
          how many?
        </button>
        <button className="word-button" disabled={busy} onClick={() => ask.mutate({})}>
          where is {differences.length === 0 ? 'one' : 'another'}?
        </button>
      </p>
      <div role="status">
        {help.refused && <p className="mt-2 text-[14px]">{help.refused}</p>}
        {counted && (
          <p className="mt-2 text-[14px]">
            {counted.said} <span className="text-quiet-ink">That is how it stood when you asked.</span>
          </p>
        )}
      </div>
      {ask.isError && <p className="refusal mt-2">{messageOf(ask.error)}</p>}
      <ol className="preflight mt-3">
        {differences.map((difference) => (
          <DifferenceHints
            key={difference.number}
            difference={difference}
            where={whereOf(difference, nameOf)}
            busy={busy}
            onLight={(on) => {
              onLight(on ? difference.elements : null);
              onPlaces(on && difference.places.length > 0 ? difference.places : null);
            }}
            onPick={() => difference.elements.length > 0 && onPick(difference.elements)}
            onFurther={() => ask.mutate({ after: difference.last.number })}
          />
        ))}
      </ol>
    </section>
  );
}

interface DifferenceHintsProps {
  difference: Difference;
  /** Where it is, in words. */
  where: string;
  busy: boolean;
  onLight: (on: boolean) => void;
  onPick: () => void;
  onFurther: () => void;
}

function DifferenceHints({ difference, where, busy, onLight, onPick, onFurther }: DifferenceHintsProps) {
  const { hints, last, mended } = difference;
  const said = `${hints[0]!.said} ${where}`.trim();
  return (
    <li onMouseEnter={() => onLight(true)} onMouseLeave={() => onLight(false)}>
      <button className="said" onClick={onPick} onFocus={() => onLight(true)} onBlur={() => onLight(false)}>
        {mended ? <s>{said}</s> : said}
      </button>
      {mended ? (
        <p className="text-quiet-ink">mended</p>
      ) : (
        <>
          {hints.slice(1).map((hint) => (
            <p key={hint.number} className={hint.step === 'what' ? 'font-bold' : undefined}>
              {hint.said}
            </p>
          ))}
          {last.step !== 'why' && (
            <p className="deeds">
              <button className="word-button" disabled={busy} onClick={onFurther}>
                {last.step === 'where' ? 'what is it?' : 'and why?'}
              </button>
            </p>
          )}
        </>
      )}
    </li>
  );
}
