import type { Schemas } from '../../api/client';

type Hint = Schemas['HintReply'];

/** All that was said of one difference. */
export interface Difference {
  /** Of the first step about it. */
  readonly number: number;
  readonly hints: readonly Hint[];
  readonly last: Hint;
  readonly elements: readonly string[];
  readonly places: Hint['places'];
  /** Whether it was gone when one last asked. */
  readonly mended: boolean;
}

/** What was said, by the difference that it is about, those that are still there first; and how many there were when one last asked. */
export function byDifference({ hints, mended }: Pick<Schemas['HelpReply'], 'hints' | 'mended'>) {
  const counted = hints.findLast(({ step }) => step === 'how-many') ?? null;
  const differences = hints
    .filter((hint) => hint.about === hint.number)
    .map((first): Difference => {
      const all = hints.filter(({ about }) => about === first.number);
      return {
        number: first.number,
        hints: all,
        last: all[all.length - 1]!,
        elements: first.elements,
        places: all.flatMap(({ places }) => places),
        mended: mended?.includes(first.number) ?? false,
      };
    })
    .sort((a, b) => Number(a.mended) - Number(b.mended) || a.number - b.number);
  return { counted, differences };
}

/** How much of the words of a scenario is quoted, so that one knows them again. */
const longest = 44;

/** Where a difference is: by the name of what is drawn, or by the words of the scenario. */
export function whereOf({ elements, places }: Difference, nameOf: (element: string) => string): string {
  if (elements.length > 0) return `(${nameOf(elements[0]!)})`;
  const quote = places[0]?.quote;
  if (quote === undefined) return '';
  return quote.length <= longest ? `“${quote}”` : `“${quote.slice(0, quote.lastIndexOf(' ', longest))} …”`;
}
