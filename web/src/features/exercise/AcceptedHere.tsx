import type { Schemas } from '../../api/client';
import { rowsOf } from '../../drawing/document';
import { elementsOf } from '../../drawing/selection';
import type { Slate } from '../../slate/useSlate';
import { messageOf } from '../../ui/states';
import type { Assessment } from './useAssessment';

interface AcceptedHereProps {
  slate: Slate;
  facts: readonly Schemas['FactReply'][];
  assessment: Assessment;
  editable: boolean;
}

/** What else is accepted at the symbol that is chosen on the model answer. */
export function AcceptedHere({ slate, facts, assessment, editable }: AcceptedHereProps) {
  const elements = new Set(withParts(slate));
  const here = facts.filter((fact) => elements.has(fact.element));
  const known = new Set(facts.map((fact) => fact.id));
  const tolerances = assessment.value.tolerances ?? [];
  const lost = facts.length > 0 ? tolerances.filter((tolerance) => !known.has(tolerance.fact)) : [];
  return (
    <>
      {assessment.error && (
        <p className="refusal" role="alert">
          {messageOf(assessment.error)}
        </p>
      )}
      {here.length === 0 ? (
        <p className="text-quiet-ink">
          Choose a box, a row or the end of a line on the model answer. What else is accepted there stands here.
        </p>
      ) : (
        here.map((fact) => <FactForm key={fact.id} fact={fact} assessment={assessment} editable={editable} />)
      )}
      {tolerances.length > 0 && (
        <>
          <h2 className="mt-7 mb-1">Accepted so far</h2>
          <ul className="text-[14px]">
            {tolerances
              .filter((tolerance) => known.has(tolerance.fact))
              .map((tolerance) => (
                <li key={tolerance.fact} className="py-1 border-t border-hairline">
                  {facts.find((fact) => fact.id === tolerance.fact)!.title}:{' '}
                  <span className="text-quiet-ink">{said(tolerance)}</span>
                </li>
              ))}
          </ul>
        </>
      )}
      {lost.length > 0 && (
        <>
          <h2 className="mt-6 mb-1">No longer drawn</h2>
          <ul className="text-[14px]">
            {lost.map((tolerance) => (
              <li key={tolerance.fact} className="py-1 border-t border-hairline">
                {said(tolerance)}{' '}
                {editable && (
                  <button
                    className="word-button"
                    onClick={() =>
                      assessment.tolerate(tolerance.fact, { accepted: [], optional: false, notAssessed: false })
                    }
                  >
                    forget it
                  </button>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

/** The chosen elements, with what belongs to them: a line's ends; a box's rows stay apart. */
function withParts(slate: Slate): string[] {
  const chosen = elementsOf(slate.selection);
  return chosen.flatMap((id) => {
    if (slate.drawing.lines.has(id)) return [id, `${id}/from`, `${id}/to`];
    const shape = slate.drawing.shapes.get(id);
    return shape
      ? [
          id,
          ...rowsOf(shape)
            .filter((row) => row.mark.includes('AK'))
            .map((row) => row.id),
        ]
      : [id];
  });
}

const spell: Readonly<Record<string, string>> = {
  '0': 'none',
  '1': 'one',
  '*': 'many',
  '?': 'unsaid',
  'own number': 'a number of its own',
};

/** What can stand at a fact of which there are only a few values. */
const choices: Readonly<Record<string, readonly string[]>> = {
  min: ['0', '1', '?'],
  max: ['1', '*', '?'],
  key: ['own number'],
  kind: ['strong', 'weak', 'linking'],
  identifying: ['identifying', 'not identifying'],
  'link-kind': ['association', 'aggregation', 'composition'],
  disjoint: ['disjoint', 'overlapping'],
  total: ['total', 'partial'],
  visibility: ['+', '-', '#', '~'],
};

/** What is written at a fact of which there may be any value, separated by commas. */
const writings: Readonly<Record<string, string>> = {
  entity: 'other names, separated by commas',
  attribute: 'other names, separated by commas',
  key: 'other keys, separated by commas, what belongs together joined by +',
  type: 'other types, separated by commas',
  stereotype: 'other stereotypes, separated by commas',
};

const said = (tolerance: Schemas['ToleranceDocument']) =>
  [
    tolerance.notAssessed && 'not assessed',
    tolerance.optional && 'optional',
    (tolerance.accepted ?? []).length > 0 &&
      `also ${tolerance.accepted!.map((value) => spell[value] ?? value).join(', ')}`,
  ]
    .filter(Boolean)
    .join('; ');

function FactForm({
  fact,
  assessment,
  editable,
}: {
  fact: Schemas['FactReply'];
  assessment: Assessment;
  editable: boolean;
}) {
  const tolerance = (assessment.value.tolerances ?? []).find((candidate) => candidate.fact === fact.id);
  const accepted = tolerance?.accepted ?? [];
  const values = choices[fact.aspect]?.filter((value) => !fact.value.startsWith(value)) ?? [];
  const writing = writings[fact.aspect];
  const written = accepted.filter((value) => !values.includes(value));
  const mayBeAbsent = fact.aspect !== 'min' && fact.aspect !== 'max';
  const toggle = (value: string) =>
    assessment.tolerate(fact.id, {
      accepted: accepted.includes(value) ? accepted.filter((other) => other !== value) : [...accepted, value],
    });
  return (
    <fieldset className="py-3 border-t border-hairline text-[14px]" disabled={!editable}>
      <legend className="font-bold float-left w-full">
        {fact.title.charAt(0).toUpperCase() + fact.title.slice(1)}
      </legend>
      <p className="clear-left text-quiet-ink">wanted: {spell[fact.value] ?? fact.value}</p>
      {values.length > 0 && (
        <p className="flex flex-wrap gap-x-4 mt-1">
          also
          {values.map((value) => (
            <label key={value} className="flex gap-1.5 items-center">
              <input type="checkbox" checked={accepted.includes(value)} onChange={() => toggle(value)} />{' '}
              {spell[value] ?? value}
            </label>
          ))}
        </p>
      )}
      {writing && (
        <label className="field mt-1">
          <span>{writing}</span>
          <input
            key={written.join()}
            defaultValue={written.join(', ')}
            onBlur={(event) => {
              const names = event.target.value
                .split(',')
                .map((name) => name.trim())
                .filter((name) => name !== '');
              if (names.join() !== written.join())
                assessment.tolerate(fact.id, {
                  accepted: [...accepted.filter((value) => values.includes(value)), ...names],
                });
            }}
          />
        </label>
      )}
      <p className="flex gap-4 mt-1.5">
        {mayBeAbsent && (
          <label className="flex gap-1.5 items-center">
            <input
              type="checkbox"
              checked={tolerance?.optional ?? false}
              onChange={(event) => assessment.tolerate(fact.id, { optional: event.target.checked })}
            />{' '}
            optional
          </label>
        )}
        <label className="flex gap-1.5 items-center">
          <input
            type="checkbox"
            checked={tolerance?.notAssessed ?? false}
            onChange={(event) => assessment.tolerate(fact.id, { notAssessed: event.target.checked })}
          />{' '}
          not assessed
        </label>
      </p>
    </fieldset>
  );
}
