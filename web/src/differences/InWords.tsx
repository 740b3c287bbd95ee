import type { Sentence } from '../script/Sentences';

interface InWordsProps {
  answer: readonly Sentence[];
  model: readonly Sentence[];
  counterparts: Readonly<Record<string, string>>;
}

/** Both drawings as sentences, one under the other where they belong together, differences set out word by word. */
export function InWords({ answer, model, counterparts }: InWordsProps) {
  const used = new Set<string>();
  const pairs = model.map((wanted) => {
    const said = answer.find((sentence) => sentence.concept === counterparts[wanted.concept]);
    if (said) used.add(said.concept);
    return { wanted: textOf(wanted), said: said ? textOf(said) : null, key: wanted.concept };
  });
  const extra = answer.filter((sentence) => !used.has(sentence.concept));
  return (
    <section className="in-words" aria-label="In words" tabIndex={0}>
      <h2>What the model answer says, and the answer instead</h2>
      {pairs.map(({ wanted, said, key }) => (
        <p key={key} className="mb-3">
          {said === wanted ? wanted : said === null ? <ins>Not said: {wanted}</ins> : <Words from={said} to={wanted} />}
        </p>
      ))}
      {extra.length > 0 && <h2>What only the answer says</h2>}
      {extra.map((sentence) => (
        <p key={sentence.concept} className="mb-3">
          {textOf(sentence)}
        </p>
      ))}
    </section>
  );
}

const textOf = (sentence: Sentence) => sentence.pieces.map((piece) => piece.text).join('');

function Words({ from, to }: { from: string; to: string }) {
  return (
    <>
      {wordDifference(from.split(' '), to.split(' ')).map((piece, i) => {
        const text = piece.words.join(' ') + ' ';
        return piece.kind === 'same' ? (
          <span key={i}>{text}</span>
        ) : piece.kind === 'said' ? (
          <del key={i}>{text}</del>
        ) : (
          <ins key={i}>{text}</ins>
        );
      })}
    </>
  );
}

interface Piece {
  kind: 'same' | 'said' | 'wanted';
  words: string[];
}

/** The longest common run of words, with what is said and what is wanted between. */
export function wordDifference(said: readonly string[], wanted: readonly string[]): Piece[] {
  const length: number[][] = Array.from({ length: said.length + 1 }, () =>
    new Array<number>(wanted.length + 1).fill(0),
  );
  for (let i = said.length - 1; i >= 0; i--) {
    for (let j = wanted.length - 1; j >= 0; j--) {
      length[i]![j] =
        said[i] === wanted[j] ? length[i + 1]![j + 1]! + 1 : Math.max(length[i + 1]![j]!, length[i]![j + 1]!);
    }
  }
  const pieces: Piece[] = [];
  const add = (kind: Piece['kind'], word: string) => {
    const last = pieces[pieces.length - 1];
    if (last?.kind === kind) last.words.push(word);
    else pieces.push({ kind, words: [word] });
  };
  let [i, j] = [0, 0];
  while (i < said.length || j < wanted.length) {
    if (i < said.length && j < wanted.length && said[i] === wanted[j]) {
      add('same', said[i]!);
      i++;
      j++;
    } else if (i < said.length && (j >= wanted.length || length[i + 1]![j]! >= length[i]![j + 1]!))
      add('said', said[i++]!);
    else add('wanted', wanted[j++]!);
  }
  return pieces;
}
