/** A phrase of the scenario: the number of its block, where it starts in the block's plain text, and its words. */
export interface Phrase {
  readonly block: number;
  readonly start: number;
  readonly quote: string;
}

const blockNames = 'p, li, h1, h2, h3, td, th, dt, dd, figcaption, blockquote > p, pre';

const blocksOf = (prose: HTMLElement) =>
  [...prose.querySelectorAll<HTMLElement>(blockNames)].filter((block) => !block.querySelector(blockNames));

/** The phrase that a range selects, without blanks at its ends; null when it is empty or spans blocks. */
export function phraseAt(prose: HTMLElement, range: Range): Phrase | null {
  const blocks = blocksOf(prose);
  const block = blocks.findIndex((candidate) => candidate.contains(range.startContainer));
  const home = blocks[block];
  if (!home || !home.contains(range.endContainer)) return null;
  const before = document.createRange();
  before.setStart(home, 0);
  before.setEnd(range.startContainer, range.startOffset);
  const raw = range.toString();
  const quote = raw.trim();
  if (quote === '' || quote.length > 200) return null;
  return { block, start: before.toString().length + raw.indexOf(quote), quote };
}

/** The texts of the blocks of a scenario that is not shown. */
export const textsOf = (html: string): string[] =>
  blocksOf(new DOMParser().parseFromString(html, 'text/html').body).map((block) => block.textContent ?? '');

/** Where the words of a phrase start in a block: where they stood, or where they stand once; else nowhere, as -1. */
export function startIn(text: string, { start, quote }: Phrase): number {
  if (text.startsWith(quote, start)) return start;
  const only = text.indexOf(quote);
  return only >= 0 && text.indexOf(quote, only + 1) < 0 ? only : -1;
}

/** The range of a phrase in the prose; when the text has changed, where its words stand in the block if that is one place, else null. */
export function rangeOf(prose: HTMLElement, phrase: Phrase): Range | null {
  const home = blocksOf(prose)[phrase.block];
  if (!home) return null;
  const text = home.textContent ?? '';
  const start = startIn(text, phrase);
  if (start < 0) return null;
  const range = document.createRange();
  const walker = document.createTreeWalker(home, NodeFilter.SHOW_TEXT);
  let passed = 0;
  let opened = false;
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const length = node.textContent!.length;
    if (!opened && start < passed + length) {
      range.setStart(node, start - passed);
      opened = true;
    }
    if (opened && start + phrase.quote.length <= passed + length) {
      range.setEnd(node, start + phrase.quote.length - passed);
      return range;
    }
    passed += length;
  }
  return null;
}
