import { useState } from 'react';
import type { Schemas } from '../api/client';
import type { Phrase } from './phrases';

/** A remark, and the words of the scenario that it is about, where it is about any. */
export type Remark = Omit<Schemas['FormRemark'], 'because'> & {
  readonly because?: readonly string[];
  readonly places?: readonly Phrase[];
};

/** What is told of a drawing: its form, and what rows speak against. */
export const remarksOf = (reply: Schemas['ReadingReply'] | null): readonly Remark[] => [
  ...remarksOfRows(reply?.rows ?? []),
  ...(reply?.form ?? []),
];

/** What rows speak against. */
export const remarksOfRows = (rows: readonly Schemas['RowRemark'][]): readonly Remark[] =>
  rows.map(({ key, said, elements, places }) => ({ code: key, text: said, elements, places }));

interface FormRemarksProps {
  remarks: readonly Remark[];
  onLight: (elements: readonly string[] | null, places?: readonly Phrase[]) => void;
  onPick: (elements: readonly string[]) => void;
}

/** What is told of a drawing as it is drawn: each remark lights what it is about, and goes there. */
export function FormRemarks({ remarks, onLight, onPick }: FormRemarksProps) {
  return (
    <ul className="form-remarks">
      {remarks.map((remark) => (
        <li key={`${remark.code} ${remark.elements.join(' ')}`}>
          <button
            onClick={() => onPick(remark.elements)}
            onMouseEnter={() => onLight(remark.elements, remark.places)}
            onMouseLeave={() => onLight(null)}
            onFocus={() => onLight(remark.elements, remark.places)}
            onBlur={() => onLight(null)}
          >
            {remark.text}
          </button>
          {remark.because && remark.because.length > 0 && <Because sentences={remark.because} />}
        </li>
      ))}
    </ul>
  );
}

/** Why something is so, a sentence a step, for whoever asks. */
function Because({ sentences }: { sentences: readonly string[] }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button className="why" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'less' : 'why'}
      </button>
      {open && (
        <ol>
          {sentences.map((sentence, i) => (
            <li key={i}>{sentence}</li>
          ))}
        </ol>
      )}
    </>
  );
}
