import forms from '../../../sentences/forms.json';
import type { SlateNotation } from '../notations/notations';

/** Every form that can be typed in a notation, with what it says. */
export const formsOf = (notation: string) => forms.filter((form) => form.notations.includes(notation));

/** All that can be typed, to be looked up where one types. */
export function StatementForms({ notation, onTake }: { notation: SlateNotation; onTake: (form: string) => void }) {
  return (
    <dl className="statement-forms" aria-label="All that can be typed">
      {formsOf(notation.name).map(({ form, says }) => (
        <div key={form}>
          <dt>
            <button
              className="said"
              // The caret stays where it is.
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => onTake(form)}
            >
              {form}
            </button>
          </dt>
          <dd>{says}</dd>
        </div>
      ))}
      {notation.ofConcepts && (
        <div>
          <dt className="said">exactly 1 · 0 or 1 · 0 or more · 1 or more · 2 to 5 · at most 3 · many · some</dt>
          <dd>how many; words such as “at least one” are understood too</dd>
        </div>
      )}
    </dl>
  );
}
