/** What a text becomes when a sentence is put in: the text, and where in it the sentence stands. */
export interface PutIn {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/**
 * Puts a sentence into a scenario behind the sentence that holds some words; where these do not stand in its Markdown as they are
 * read, behind the last paragraph of prose: what says what to draw stays last.
 */
export function putIn(text: string, sentence: string, behind: string | undefined): PutIn {
  const at = behind ? text.indexOf(behind) : -1;
  const told = lastTold(text);
  const end =
    at >= 0 && !isLaidOut(lineAt(text, at)) && !isFenced(text, at) ? sentenceEnd(text, at + behind!.length) : told;
  const lead = end === 0 ? '' : end === told && at < 0 && isLaidOut(lineAt(text, end - 1)) ? '\n\n' : ' ';
  return {
    text: text.slice(0, end) + lead + sentence + text.slice(end),
    start: end + lead.length,
    end: end + lead.length + sentence.length,
  };
}

/** Where the last paragraph ends that tells something in prose; the end of all where none does. */
function lastTold(text: string): number {
  let end = 0;
  let told = -1;
  for (const paragraph of text.split(/(\n{2,})/)) {
    const isProse =
      paragraph.trim() !== '' &&
      !isFenced(text, end) &&
      !isLaidOut(paragraph.trimStart()) &&
      !/^\s*(draw|model|in the \*\*)/i.test(paragraph);
    if (isProse) told = end + paragraph.trimEnd().length;
    end += paragraph.length;
  }
  return told >= 0 ? told : text.trimEnd().length;
}

/** Tables, lists, headings, forms and listings are no place for a sentence. */
const isLaidOut = (line: string) => /^(\||[-*+] |#|\d+[.)] |>|```)/.test(line);

const isFenced = (text: string, at: number) => (text.slice(0, at).match(/^```/gm)?.length ?? 0) % 2 === 1;

const lineAt = (text: string, at: number) => text.slice(text.lastIndexOf('\n', at) + 1);

/** Behind the full stop that ends the sentence at a place, or at the end of its paragraph. */
function sentenceEnd(text: string, from: number): number {
  for (let i = from; i < text.length; i++) {
    if (text[i] === '\n' && (text[i + 1] === '\n' || i + 1 === text.length)) return i;
    if (/[.!?]/.test(text[i]!) && (i + 1 === text.length || /\s/.test(text[i + 1]!))) return i + 1;
  }
  return text.length;
}
