import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bind,
  deedOf,
  deeds,
  keyOf,
  readOwnKeys,
  writeOwnKeys,
  type KeyPlace,
  type OwnKeys,
} from '../src/slate/keys/keyMap';

const deed = (id: string) => deeds.find((one) => one.id === id)!;

/** A store like the browser's. */
function store(text: string | null = null) {
  let kept = text;
  return { getItem: () => kept, setItem: (_: string, value: string) => void (kept = value) };
}

describe('keys', () => {
  it('mean one thing at each place', () => {
    for (const place of ['slate', 'end', 'row'] satisfies KeyPlace[]) {
      const keys = deeds.filter((one) => one.place === place).map((one) => one.key);
      expect(new Set(keys).size, place).toBe(keys.length);
    }
    expect(new Set(deeds.map((one) => one.id)).size).toBe(deeds.length);
  });

  it('mean what the nearest place says', () => {
    expect(deedOf({}, '-', ['end', 'slate'])?.id).toBe('least-unsaid');
    expect(deedOf({}, '-', ['slate'])?.id).toBe('farther');
    expect(deedOf({}, 'e', ['end', 'slate'])?.id).toBe('box');
    expect(deedOf({}, '=', ['slate'])?.id).toBe('nearer');
    expect(deedOf({}, 'z', ['slate'])).toBeNull();
  });

  it('can be bound anew, and the old key then means nothing', () => {
    const bound = bind({}, deed('box'), 'z');
    expect(bound).toEqual({ own: { box: 'z' } });
    const { own } = bound as { own: OwnKeys };
    expect(deedOf(own, 'z', ['slate'])?.id).toBe('box');
    expect(deedOf(own, 'e', ['slate'])).toBeNull();
    expect(bind(own, deed('box'), 'e')).toEqual({ own: {} });
  });

  it('that are taken or always mean the same are refused in words', () => {
    expect(bind({}, deed('box'), 'n')).toEqual({ refusal: 'n is taken: a note. Give that another key first.' });
    expect(bind({}, deed('box'), ' ')).toHaveProperty('refusal', expect.stringContaining('Space is taken'));
    for (const key of ['Enter', 'Escape', 'ArrowLeft', '?', 'F5'])
      expect(bind({}, deed('box'), key)).toHaveProperty('refusal');
    expect(bind({}, deed('box'), 'm')).toHaveProperty('own');
  });

  it('never come to mean two things, whatever is bound in whatever order', () => {
    const key = fc.constantFrom(...'abcdefghijklmnopqrstuvwxyz0123456789.,;'.split(''));
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(...deeds), key), { maxLength: 40 }), (bindings) => {
        let own: OwnKeys = {};
        for (const [one, pressed] of bindings) {
          const bound = bind(own, one, pressed);
          if ('own' in bound) own = bound.own;
        }
        for (const one of deeds) expect(deedOf(own, keyOf(own, one), [one.place])).toBe(one);
        const storage = store();
        writeOwnKeys(storage, own);
        expect(readOwnKeys(storage)).toEqual(own);
      }),
    );
  });

  it('of a store that holds something else are the ones that they came with', () => {
    for (const text of [null, '', 'nonsense', '[]', 'null', '7', '{"box":7,"note":"Enter","rounded":"e"}'])
      expect(readOwnKeys(store(text))).toEqual({});
    expect(readOwnKeys(store('{"box":"z","other":"z"}'))).toEqual({ box: 'z' });
  });
});
