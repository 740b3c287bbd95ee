import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BrokenOff, readSheets, type Writing } from '../src/features/desk/paper';

/** A reply in pieces that end wherever they like. */
function inPieces(bytes: Uint8Array, ends: readonly number[]): ReadableStream<Uint8Array> {
  const cuts = [...new Set(ends.map((end) => end % (bytes.length + 1)))].sort((a, b) => a - b);
  return new ReadableStream({
    start(controller) {
      let from = 0;
      for (const cut of [...cuts, bytes.length]) {
        if (cut > from) controller.enqueue(bytes.slice(from, cut));
        from = cut;
      }
      controller.close();
    },
  });
}

const reply = (count: number, written: number, file: Uint8Array) =>
  new Uint8Array([...new TextEncoder().encode(`${count}\n${'.'.repeat(written)}\n`), ...file]);

describe('a reply that tells how far it is', () => {
  it('gives the very file, and never tells of fewer sheets than before, wherever its pieces end', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 40 }),
        fc.uint8Array({ minLength: 1, maxLength: 60 }),
        fc.array(fc.nat(200), { maxLength: 12 }),
        async (count, file, ends) => {
          const told: Writing[] = [];
          const pieces = await readSheets(inPieces(reply(count, count, file), ends), (writing) => told.push(writing));
          expect([...pieces.flatMap((piece) => [...piece])]).toEqual([...file]);
          expect(told.at(-1)).toEqual({ written: count, of: count });
          expect(told.every((writing, i) => i === 0 || writing.written >= told[i - 1]!.written)).toBe(true);
        },
      ),
    );
  });

  it('says that it broke off when no file comes', async () => {
    await expect(readSheets(inPieces(new TextEncoder().encode('12\n....'), [3]), () => {})).rejects.toThrow(BrokenOff);
  });
});
