import type { Schemas } from '../api/client';
import { Tip } from '../ui/Tip';

interface FormRemarksProps {
  remarks: readonly Schemas['FormRemark'][];
  onLight: (elements: readonly string[] | null) => void;
  onPick: (elements: readonly string[]) => void;
}

/** What is wrong with a drawing whatever the scenario asks: each remark lights what it is about, and goes there. */
export function FormRemarks({ remarks, onLight, onPick }: FormRemarksProps) {
  return (
    <ul className="form-remarks">
      {remarks.map((remark) => (
        <li key={`${remark.code} ${remark.elements.join(' ')}`}>
          <button
            onClick={() => onPick(remark.elements)}
            onMouseEnter={() => onLight(remark.elements)}
            onMouseLeave={() => onLight(null)}
            onFocus={() => onLight(remark.elements)}
            onBlur={() => onLight(null)}
          >
            {remark.text}
          </button>
        </li>
      ))}
    </ul>
  );
}

interface FormMarginProps extends FormRemarksProps {
  folded: boolean;
  onFold: (folded: boolean) => void;
}

/** The margin beside one's own drawing, where the exercise tells about its form; a spine with their number while it is folded. */
export function FormMargin({ folded, onFold, ...remarks }: FormMarginProps) {
  const count = remarks.remarks.length;
  if (count === 0) return null;
  const says = count === 1 ? '1 remark on the form' : `${count} remarks on the form`;
  return folded ? (
    <Tip says={`Unfold ${says} (F4)`} side="left">
      <button className="spine right" onClick={() => onFold(false)}>
        <span>{says}</span>
      </button>
    </Tip>
  ) : (
    <aside className="margin" aria-label="The form of your drawing">
      <h2>{says}</h2>
      <FormRemarks {...remarks} />
      <p className="mt-4 text-[13px]">
        <button className="word-button" title="F4" onClick={() => onFold(true)}>
          fold away
        </button>
      </p>
    </aside>
  );
}
