import { describe, expect, it } from 'vitest';
import { putIn } from '../src/features/exercise/putIn';

const at = (text: string, sentence: string, behind?: string) => {
  const put = putIn(text, sentence, behind);
  expect(put.text.slice(put.start, put.end)).toBe(sentence);
  expect(put.text.replace(/\s+/g, ' ').replace(sentence, '').replace(/\s+/g, ' ').trim()).toBe(
    text.replace(/\s+/g, ' ').trim(),
  );
  return put.text;
};

describe('a sentence that is put into a scenario', () => {
  it('stands behind the sentence that holds the words', () => {
    expect(at('A choir has a name. It sings. Halls are cold.', 'It sings weekly.', 'It sings')).toBe(
      'A choir has a name. It sings. It sings weekly. Halls are cold.',
    );
  });

  it('stays in the paragraph of the words', () => {
    expect(at('A choir sings\n\nHalls are cold.', 'Loudly.', 'choir')).toBe('A choir sings Loudly.\n\nHalls are cold.');
  });

  it('stands behind the last prose, before a table and what is to be drawn', () => {
    const told = 'A choir sings.\n\n| no | title |\n|---|---|\n| 1 | Song |\n\nDraw a conceptual diagram.';
    expect(at(told, 'Some do not.')).toBe(told.replace('sings.', 'sings. Some do not.'));
  });

  it('is no cell of a table that holds the words', () => {
    const told = 'A choir sings.\n\n| no | title |\n|---|---|\n| 1 | Song |';
    expect(at(told, 'Some do not.', 'Song')).toBe(told.replace('sings.', 'sings. Some do not.'));
  });

  it('begins an empty scenario', () => {
    expect(at('', 'A choir sings.')).toBe('A choir sings.');
  });

  it('is a paragraph of its own where there is no prose', () => {
    expect(at('| no |\n|---|\n| 1 |', 'A choir sings.')).toBe('| no |\n|---|\n| 1 |\n\nA choir sings.');
  });
});
