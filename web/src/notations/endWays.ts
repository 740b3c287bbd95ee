import type { EndMark, Line, Side } from '../drawing/document';
import { marksFor, readMarks, type Least, type Most } from '../drawing/edits';

/**
 * How a notation shows the least and the most at a line's end. The same two choices are made by the same keys in every
 * notation; only what is drawn for them differs. What it means is the reader's question.
 */
export interface EndWay {
  /** Whether it shows a least; what it calls the most, where that is not how many. */
  readonly saysLeast: boolean;
  readonly mostTitle?: string;
  /** What an end shows, when it is drawn in the usual way; otherwise null. */
  read(line: Line, side: Side): { least: Least; most: Most } | null;
  /** The line drawn so that its end shows this. */
  write(line: Line, side: Side, least: Least, most: Most): Partial<Line>;
}

const onEnd = (line: Line, side: Side, change: { marks?: readonly EndMark[]; count?: string }): Partial<Line> => ({
  [side]: { ...line[side], ...change },
});

/** Crow's feet: marks from the box outward. */
const byMarks: EndWay = {
  saysLeast: true,
  read: (line, side) => readMarks(line[side].marks),
  write: (line, side, least, most) => onEnd(line, side, { marks: marksFor(least, most) }),
};

const texts: Readonly<Record<string, { least: Least; most: Most }>> = {
  '': { least: 'unsaid', most: 'unsaid' },
  '1': { least: '1', most: '1' },
  '1..1': { least: '1', most: '1' },
  '0..1': { least: '0', most: '1' },
  '*': { least: '0', most: 'many' },
  '0..*': { least: '0', most: 'many' },
  '1..*': { least: '1', most: 'many' },
};

/** Multiplicities as text. A least or most alone cannot be written: the other follows by the commonest case. */
const byText: EndWay = {
  saysLeast: true,
  read: (line, side) => texts[line[side].count.replace(/\s/g, '')] ?? null,
  write: (line, side, least, most) => {
    const text =
      least === 'unsaid' && most === 'unsaid'
        ? ''
        : most === '1'
          ? least === '0'
            ? '0..1'
            : '1'
          : least === '1'
            ? '1..*'
            : '*';
    return onEnd(line, side, { count: text });
  },
};

const isLetter = (text: string) => /^[A-Z]$/.test(text.trim());

/** Letters at the line for the most, a double line for a least of one. */
const byLetters: EndWay = {
  saysLeast: true,
  read: (line, side) => {
    const text = line[side].count.trim();
    if (text !== '' && text !== '1' && !isLetter(text)) return null;
    return { least: line.stroke === 'double' ? '1' : '0', most: text === '' ? 'unsaid' : text === '1' ? '1' : 'many' };
  },
  write: (line, side, least, most) => {
    const letter = isLetter(line[side].count) ? line[side].count : 'N';
    return {
      ...onEnd(line, side, { count: most === 'unsaid' ? '' : most === '1' ? '1' : letter }),
      stroke: least === '1' ? 'double' : 'solid',
    };
  },
};

const pairs: Readonly<Record<string, { least: Least; most: Most }>> = {
  '': { least: 'unsaid', most: 'unsaid' },
  '(0,1)': { least: '0', most: '1' },
  '(1,1)': { least: '1', most: '1' },
  '(0,n)': { least: '0', most: 'many' },
  '(1,n)': { least: '1', most: 'many' },
};

/** Pairs in parentheses. */
const byPairs: EndWay = {
  saysLeast: true,
  read: (line, side) => pairs[line[side].count.replace(/\s/g, '').toLowerCase()] ?? null,
  write: (line, side, least, most) =>
    onEnd(line, side, {
      count:
        least === 'unsaid' && most === 'unsaid' ? '' : `(${least === '1' ? '1' : '0'},${most === '1' ? '1' : 'n'})`,
    }),
};

/** Arrowheads: one for one value, two for a set of values; none says nothing. */
const byHeads: EndWay = {
  saysLeast: false,
  mostTitle: 'values',
  read: (line, side) => {
    const { marks } = line[side];
    if (marks.some((mark) => mark !== 'arrow') || marks.length > 2) return null;
    return { least: 'unsaid', most: marks.length === 0 ? 'unsaid' : marks.length === 1 ? '1' : 'many' };
  },
  write: (line, side, _, most) =>
    onEnd(line, side, { marks: most === 'unsaid' ? [] : most === '1' ? ['arrow'] : ['arrow', 'arrow'] }),
};

export const endWays = {
  marks: byMarks,
  text: byText,
  letters: byLetters,
  pairs: byPairs,
  heads: byHeads,
} as const;
