import { Tip } from '../ui/Tip';
/** A part as it is offered to be shown. */
export interface PartTab {
  readonly id: string;
  readonly title: string;
  /** What is wanted in it, in a few words. */
  readonly line: string;
}

/** What a part is called: by its title, or by its place. */
export const partName = (title: string, at: number): string => (title === '' ? `Part ${at + 1}` : title);

/** What a part is called apart from others: by the exercise, and where there are several parts by its own name. */
export const titleOfPart = (exercise: string, part: string, at: number, parts: number): string =>
  parts > 1 ? `${exercise}, ${partName(part, at)}` : exercise;

interface PartTabsProps {
  parts: readonly PartTab[];
  /** The place of the one that is shown, from 0. */
  at: number;
  onShow: (at: number) => void;
}

/** The parts of an exercise, one of which is shown; nothing where there is only one. */
export function PartTabs({ parts, at, onShow }: PartTabsProps) {
  if (parts.length < 2) return null;
  return (
    <nav className="part-tabs" aria-label="Parts of the exercise">
      {parts.map((part, place) => (
        <Tip key={part.id} says={part.line} side="bottom">
          <button aria-current={place === at ? 'page' : undefined} onClick={() => onShow(place)}>
            {part.title !== '' && <span className="number">{place + 1}</span>} {partName(part.title, place)}
          </button>
        </Tip>
      ))}
    </nav>
  );
}
