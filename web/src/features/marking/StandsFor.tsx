import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { show } from '../../ui/marks';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';

type Thing = Schemas['ThingReply'];

interface StandsForProps {
  answer: Schemas['MarkingReply'];
  /** Elements of the note that is open: what one probably means. */
  near: { readonly model: readonly string[]; readonly answer: readonly string[] };
  onReply: (reply: Schemas['MarkingReply']) => void;
}

/** “This stands for that”: what of the answer is meant by something of the model answer, with the total that it gives. */
export function StandsFor({ answer, near, onReply }: StandsForProps) {
  const [open, setOpen] = useState(false);
  const said = answer.stands.pairs.filter((pair) => pair.said);
  return (
    <>
      <p className="mt-4 text-[14px]">
        <button className="word-button" onClick={() => setOpen(true)}>
          this stands for that …
        </button>
        {said.length > 0 && (
          <span className="text-quiet-ink"> said {said.length === 1 ? 'once' : `${said.length} times`}</span>
        )}
      </p>
      {open && <StandsForSheet answer={answer} near={near} onReply={onReply} onClose={() => setOpen(false)} />}
    </>
  );
}

function StandsForSheet({ answer, near, onReply, onClose }: StandsForProps & { onClose: () => void }) {
  const { stands } = answer;
  const find = (things: readonly Thing[], ids: readonly string[]) =>
    things.find((thing) => ids.includes(thing.id))?.id ?? '';
  const [element, setElement] = useState(() => find(stands.answer, near.answer));
  const [model, setModel] = useState(() => find(stands.model, near.model));
  const path = { params: { path: { id: answer.id } } };
  const ready = element !== '' && model !== '';
  const preview = useQuery({
    queryKey: ['marking', answer.id, 'stands-for', model, element, stands.pairs],
    queryFn: () =>
      must(api.POST('/api/marking/work/{id}/stands-for/preview', { ...path, body: { model, answer: element } })),
    enabled: ready,
  });
  const say = useMutation({
    mutationFn: (body: Schemas['StandsForRequest']) =>
      must(api.PUT('/api/marking/work/{id}/stands-for', { ...path, body })),
    onSuccess: (reply) => {
      onReply(reply);
      setElement('');
      setModel('');
    },
  });
  const nameOf = (things: readonly Thing[], id: string) => {
    const thing = things.find((one) => one.id === id);
    return thing ? spell(thing, things) : 'something that is no longer drawn';
  };
  const now = stands.pairs.find((pair) => pair.model === model);
  const failure = preview.error ?? say.error;
  return (
    <Sheet
      open
      onClose={onClose}
      title="This stands for that"
      actions={
        <button
          className="press-button"
          disabled={!ready || say.isPending || now?.answer === element}
          onClick={() => say.mutate({ model, answer: element })}
        >
          Say so
        </button>
      }
    >
      <div className="space-y-3">
        <ThingField label="In this answer" things={stands.answer} value={element} onChange={setElement} />
        <ThingField label="stands for, in the model answer" things={stands.model} value={model} onChange={setModel} />
        {now && (
          <p className="text-quiet-ink">
            So far {nameOf(stands.answer, now.answer)} stands for it{now.reason && ` (${now.reason})`}.
          </p>
        )}
        {ready && preview.data && (
          <p role="status">
            Then the total is <strong>{show(preview.data.total)}</strong>; it is {show(answer.result.total)} now.
          </p>
        )}
        {failure && (
          <p className="refusal" role="alert">
            {messageOf(failure)}
          </p>
        )}
        {stands.pairs.some((pair) => pair.said) && (
          <ul>
            {stands.pairs
              .filter((pair) => pair.said)
              .map((pair) => (
                <li key={pair.model} className="py-1 border-t border-hairline">
                  {nameOf(stands.answer, pair.answer)} stands for {nameOf(stands.model, pair.model)}{' '}
                  <button
                    className="word-button"
                    disabled={say.isPending}
                    onClick={() => say.mutate({ model: pair.model, answer: null })}
                  >
                    take back
                  </button>
                </li>
              ))}
          </ul>
        )}
      </div>
    </Sheet>
  );
}

function ThingField({
  label,
  things,
  value,
  onChange,
}: {
  label: string;
  things: readonly Thing[];
  value: string;
  onChange: (id: string) => void;
}) {
  return (
    <label className="field">
      <span>{label}</span>
      <select value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="">choose …</option>
        {things.map((thing) => (
          <option key={thing.id} value={thing.id}>
            {spell(thing, things)}
          </option>
        ))}
      </select>
    </label>
  );
}

const spell = (thing: Thing, things: readonly Thing[]) => {
  const name = thing.name || 'without a name';
  return thing.owner ? `${name} of ${things.find((one) => one.id === thing.owner)?.name ?? ''}` : name;
};
