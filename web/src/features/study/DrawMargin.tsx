import type { ReactNode } from 'react';
import { FormRemarks, type Remark } from '../../script/FormRemarks';
import type { Phrase } from '../../script/phrases';
import { Tip } from '../../ui/Tip';

interface DrawMarginProps {
  remarks: readonly Remark[];
  onLight: (elements: readonly string[] | null, places?: readonly Phrase[]) => void;
  onPick: (elements: readonly string[]) => void;
  /** What the exercise allows besides; null for nothing. */
  help: ReactNode | null;
  folded: boolean;
  onFold: (folded: boolean) => void;
}

/** How wide the margin beside one's own drawing is: nothing where it has nothing to say. */
export const marginWidth = (remarks: number, help: boolean, folded: boolean) =>
  remarks === 0 && !help ? '0px' : folded ? '28px' : '250px';

/** The margin beside one's own drawing: what is told of its form, and help; a spine that says so while it is folded. */
export function DrawMargin({ remarks, onLight, onPick, help, folded, onFold }: DrawMarginProps) {
  if (remarks.length === 0 && help === null) return null;
  const form = remarks.length === 1 ? '1 remark on the drawing' : `${remarks.length} remarks on the drawing`;
  const says = [remarks.length > 0 && form, help !== null && 'help'].filter(Boolean).join(', ');
  return folded ? (
    <Tip says={`Unfold ${says} (F4)`} side="left">
      <button className="spine right" onClick={() => onFold(false)}>
        <span>{says}</span>
      </button>
    </Tip>
  ) : (
    <aside className="margin" aria-label={remarks.length > 0 ? 'Remarks on your drawing' : 'Help with your drawing'}>
      {remarks.length > 0 && (
        <>
          <h2>{form}</h2>
          <FormRemarks remarks={remarks} onLight={onLight} onPick={onPick} />
        </>
      )}
      {help}
      <p className="mt-4 text-[13px]">
        <button className="word-button" title="F4" onClick={() => onFold(true)}>
          fold away
        </button>
      </p>
    </aside>
  );
}
