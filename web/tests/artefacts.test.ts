import { describe, expect, it } from 'vitest';
import { fromCells, fromFile, withLaidOut } from '../src/features/exercise/artefacts';
import { putIn } from '../src/features/exercise/putIn';

describe('a file in a scenario', () => {
  it('is a table where it has rows, whatever separates them', () => {
    const table = '| shelf | title |\n| --- | --- |\n| A | Choir, early |\n| B | Bells \\| bats |';
    expect(fromFile('tapes.csv', 'shelf,title\r\nA,"Choir, early"\r\nB,Bells | bats\r\n')).toBe(table);
    expect(fromFile('tapes.CSV', '\uFEFFshelf;title\nA;Choir, early\nB;Bells | bats')).toBe(table);
    expect(fromFile('tapes.tsv', 'shelf\ttitle\nA\tChoir, early\nB\tBells | bats')).toBe(table);
  });

  it('keeps what a cell says over several lines in one', () => {
    expect(fromFile('a.csv', 'a,b\n"x\ny",z')).toContain('| x y | z |');
  });

  it('is a listing under its name otherwise, with a fence that nothing in it ends', () => {
    expect(fromFile('Slot.java', 'class Slot {\r\n}\r\n')).toBe('```text Slot.java\nclass Slot {\n}\n```');
    expect(fromFile('notes.md', 'a\n````\nb\n````')).toMatch(/^`{5}text notes\.md\n[^]*\n`{5}$/);
  });

  it('is refused with its name where there is nothing to read', () => {
    expect(() => fromFile('empty.txt', ' \n')).toThrow('“empty.txt” is empty.');
    expect(() => fromFile('picture.txt', 'a\0b')).toThrow('“picture.txt” is not a text.');
    expect(() => fromFile('one.csv', 'a\nb')).toThrow('“one.csv” has no rows with at least two columns.');
    expect(() => fromFile('ragged.csv', 'a,b\n1,2,3')).toThrow('“ragged.csv” has no rows');
  });
});

describe('what is pasted', () => {
  it('is a table where cells were copied, and what it is otherwise', () => {
    expect(fromCells('no\tname\n1\tAda\n')).toBe('| no | name |\n| --- | --- |\n| 1 | Ada |');
    expect(fromCells('a sentence\nand another')).toBeNull();
    expect(fromCells('one\ttab')).toBeNull();
  });
});

describe('what is laid out in a scenario', () => {
  it('stands in lines of its own, and is told where', () => {
    const { text, start, end } = withLaidOut('Words here. More words.', 11, '| a |');
    expect(text).toBe('Words here.\n\n| a |\n\nMore words.');
    expect(text.slice(start, end)).toBe('| a |');
    expect(withLaidOut('', 0, 'x')).toEqual({ text: 'x', start: 0, end: 1 });
  });

  it('takes in no sentence that is to decide something', () => {
    const form = 'A visit has a number.\n\n```form Slip\nNumber: 4\n\nGuest: Ada\n```\n\nDraw a diagram.';
    for (const behind of ['Guest', 'Number', undefined])
      expect(putIn(form, 'There may be none.', behind).text).toBe(
        form.replace('has a number.', 'has a number. There may be none.'),
      );
  });
});
