import type { Schemas } from '../api/client';

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
