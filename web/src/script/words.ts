import { phraseAt } from './phrases';

const word = /[\p{L}\p{N}][\p{L}\p{N}’'-]*/gu;

/** Every word of the prose, in order. */
export function wordsOf(prose: HTMLElement): Range[] {
  const words: Range[] = [];
  const walker = document.createTreeWalker(prose, NodeFilter.SHOW_TEXT);
  for (let node = walker.nextNode(); node; node = walker.nextNode())
    for (const { index, 0: text } of node.textContent!.matchAll(word)) {
      const range = document.createRange();
      range.setStart(node, index);
      range.setEnd(node, index + text.length);
      words.push(range);
    }
  return words;
}

/**
 * The words chosen after a key: an arrow goes to the next or the previous word, with Shift it takes that in too. Null where there is
 * none, or where it would reach over the end of a paragraph.
 */
export function chooseByKey(prose: HTMLElement, chosen: Range | null, key: string, extend: boolean): Range | null {
  if (key !== 'ArrowLeft' && key !== 'ArrowRight') return null;
  const words = wordsOf(prose);
  const forward = key === 'ArrowRight';
  const first =
    chosen === null ? -1 : words.findIndex((one) => one.compareBoundaryPoints(Range.START_TO_END, chosen) > 0);
  const last =
    chosen === null ? -1 : words.findLastIndex((one) => one.compareBoundaryPoints(Range.END_TO_START, chosen) < 0);
  if (chosen === null) return words[forward ? 0 : words.length - 1] ?? null;
  const next = words[forward ? last + 1 : first - 1];
  if (!next) return null;
  if (!extend) return next;
  const wider = document.createRange();
  wider.setStart(...startOf(forward ? chosen : next));
  wider.setEnd(...endOf(forward ? next : chosen));
  return phraseAt(prose, wider) ? wider : null;
}

const startOf = (range: Range) => [range.startContainer, range.startOffset] as const;
const endOf = (range: Range) => [range.endContainer, range.endOffset] as const;
