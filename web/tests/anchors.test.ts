import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { moved, nowhere } from '../src/script/anchors';

/** A word of a text that knows which it is, so that a test can tell it from others that are spelled alike. */
interface Word {
  readonly id: number;
  readonly text: string;
}

const vocabulary = [
  'visit',
  'fixer',
  'an item',
  'comes',
  'with',
  'one',
  'or',
  'more',
  'at',
  'least',
  'each',
  'repair',
  'the',
  'of',
  'badge',
];
const words = fc.array(fc.constantFrom(...vocabulary), { minLength: 1, maxLength: 14 });
const blocks = fc.array(words, { minLength: 1, maxLength: 5 });

type Edit =
  | { readonly deed: 'take'; readonly at: number; readonly count: number }
  | { readonly deed: 'put'; readonly at: number; readonly text: readonly string[] }
  | { readonly deed: 'take-block'; readonly at: number }
  | { readonly deed: 'put-block'; readonly at: number; readonly text: readonly string[] };

const edit: fc.Arbitrary<Edit> = fc.oneof(
  fc.record({ deed: fc.constant('take' as const), at: fc.nat(60), count: fc.integer({ min: 1, max: 4 }) }),
  fc.record({
    deed: fc.constant('put' as const),
    at: fc.nat(60),
    text: fc.array(fc.constantFrom(...vocabulary), { minLength: 1, maxLength: 4 }),
  }),
  fc.record({ deed: fc.constant('take-block' as const), at: fc.nat(5) }),
  fc.record({ deed: fc.constant('put-block' as const), at: fc.nat(5), text: words }),
);

function edited(text: readonly (readonly Word[])[], edit: Edit, newWord: (text: string) => Word): Word[][] {
  const next = text.map((block) => [...block]);
  const block = next[edit.at % next.length]!;
  const at = edit.at % (block.length + 1);
  switch (edit.deed) {
    case 'take-block':
      next.splice(edit.at % next.length, next.length > 1 ? 1 : 0);
      break;
    case 'put-block':
      next.splice(edit.at % (next.length + 1), 0, edit.text.map(newWord));
      break;
    case 'take':
      block.splice(at, edit.count);
      break;
    case 'put':
      block.splice(at, 0, ...edit.text.map(newWord));
      break;
  }
  return next.filter((left) => left.length > 0);
}

const written = (text: readonly (readonly Word[])[]) => text.map((block) => block.map((word) => word.text).join(' '));

/** Where each word of a text starts, by its id. */
function places(text: readonly (readonly Word[])[]) {
  const found = new Map<number, { block: number; start: number }>();
  text.forEach((block, at) => {
    let start = 0;
    for (const word of block) {
      found.set(word.id, { block: at, start });
      start += word.text.length + 1;
    }
  });
  return found;
}

const clear = (text: readonly (readonly Word[])[], id: number) => {
  const block = text.find((one) => one.some((word) => word.id === id))!;
  return block.map((word) => word.id).join(' ');
};

describe('phrases after an edit', () => {
  it('stand at words spelled as theirs, or nowhere, whatever was edited', () => {
    fc.assert(
      fc.property(blocks, fc.array(edit, { minLength: 1, maxLength: 4 }), fc.nat(40), (texts, edits, pick) => {
        const { before, after, word, start } = story(texts, edits, pick);
        const [found] = moved([{ ...start, quote: word.text }], written(before), written(after));
        if (found!.block === nowhere) return;
        expect(written(after)[found!.block]!.startsWith(word.text, found!.start)).toBe(true);
      }),
      { numRuns: 1000 },
    );
  });

  it('stand at the very same words where their block is as it was', () => {
    fc.assert(
      fc.property(blocks, fc.array(edit, { minLength: 1, maxLength: 4 }), fc.nat(40), (texts, edits, pick) => {
        const { before, after, word, start } = story(texts, edits, pick);
        const stays = after.some((block) => block.some(({ id }) => id === word.id));
        if (!stays || clear(before, word.id) !== clear(after, word.id)) return;
        const text = written(before)[start.block]!;
        // A block that stands there twice, word for word, is told apart by nothing but its place.
        if (
          written(before).filter((one) => one === text).length > 1 ||
          written(after).filter((one) => one === text).length > 1
        )
          return;
        const [found] = moved([{ ...start, quote: word.text }], written(before), written(after));
        expect({ block: found!.block, start: found!.start }).toEqual(places(after).get(word.id));
      }),
      { numRuns: 1000 },
    );
  });

  it('go nowhere when their sentence is taken away, though the same words stand elsewhere', () => {
    const before = ['A visit has a number. Each visit brings in an item.', 'Some visits fail. A visit ends.'];
    const first = { block: 0, start: before[0]!.indexOf('visit has'), quote: 'visit' };
    const second = { block: 0, start: before[0]!.indexOf('visit brings'), quote: 'visit' };
    const after = ['Each visit brings in an item.', 'Some visits fail. A visit ends.'];
    const [one, two] = moved([first, second], before, after);
    expect(one!.block).toBe(nowhere);
    expect(two).toEqual({ block: 0, start: 5, quote: 'visit' });
  });

  it('follow their words into another paragraph', () => {
    const before = ['Fixers wear a badge. A visit has one visitor.'];
    const after = ['Fixers wear a badge.', 'New: a hall. A visit has one visitor.'];
    const [one] = moved([{ block: 0, start: before[0]!.indexOf('one visitor'), quote: 'one visitor' }], before, after);
    expect(after[one!.block]!.slice(one!.start)).toBe('one visitor.');
  });
});

function story(texts: readonly (readonly string[])[], edits: readonly Edit[], pick: number) {
  let count = 0;
  const newWord = (text: string): Word => ({ id: count++, text });
  const before = texts.map((block) => block.map(newWord));
  const after = edits.reduce<Word[][]>((text, one) => (text.length === 0 ? text : edited(text, one, newWord)), before);
  const all = before.flat();
  const word = all[pick % all.length]!;
  return { before, after, word, start: places(before).get(word.id)! };
}
