import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyDrawing, limits, type Drawing } from '../src/drawing/document';
import { addShape, remove } from '../src/drawing/edits';
import { readDrawing, writeDrawing } from '../src/drawing/format';
import { layOut, placementOf } from '../src/geometry/scene';
import { all, deeds, newId, play, sessionOf, texts } from './deeds';

/** As a document has it: without the ids of ties, which it does not keep, and on which sheet, however that is said. */
const plain = (drawing: Drawing) => {
  const placed = <T extends { sheet?: string }>(elements: ReadonlyMap<string, T>) =>
    [...elements.values()]
      .map((element) => ({ ...element, sheet: element.sheet ?? null }))
      .sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1));
  return JSON.parse(
    JSON.stringify({
      sheets: [...drawing.sheets.values()],
      shapes: placed(drawing.shapes),
      lines: placed(drawing.lines),
      regions: placed(drawing.regions),
      comments: [...drawing.comments.values()].sort((a, b) => (a.element < b.element ? -1 : 1)),
      ties: [...drawing.ties.values()].map(({ element, block, start, quote }) => ({ element, block, start, quote })),
    }),
  ) as unknown;
};

/** What a line hangs on that is not there; the server would refuse a drawing with one of these. */
function danglingIn(drawing: Drawing): string[] {
  const known = new Set(all(drawing).flatMap((id) => [id, id.replace(/\/from$/, '/to')]));
  return [
    ...[...drawing.lines.values()].flatMap((line) =>
      [line.from, line.to].flatMap(({ on }) => (on.kind === 'nothing' || known.has(on.id) ? [] : [on.id])),
    ),
    ...[...drawing.ties.values(), ...drawing.comments.values()].flatMap(({ element }) =>
      known.has(element) ? [] : [element],
    ),
    ...[...drawing.regions.values()].flatMap(({ members }) => members.filter((id) => !drawing.shapes.has(id))),
  ];
}

describe('whatever is on the slate', () => {
  it('is in the document, after whatever was done', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(deeds.length - 1), fc.nat(200), texts), { maxLength: 25 }), (done) => {
        const { document: drawing } = play(done, (now) => expect(danglingIn(now)).toEqual([])).current();
        const written = writeDrawing(drawing, placementOf(layOut(drawing)));
        expect(plain(readDrawing(written))).toEqual(plain(drawing));
        expect(written).not.toMatch(/\\u00[01]|[\u0000-\u0009\u007f-\u009f]|\\ud[89a-f]/);
        expect(Math.max(0, ...[...drawing.shapes.values()].map(({ text }) => text.length))).toBeLessThanOrEqual(
          limits.text,
        );
      }),
      { numRuns: 1000 },
    );
  }, 120_000);

  it('can be undone to nothing and done again', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(deeds.length - 4), fc.nat(200), texts), { maxLength: 12 }), (done) => {
        const session = play(done);
        const end = session.current().document;
        while (session.current().canUndo) session.undo();
        expect(plain(session.current().document)).toEqual(plain(emptyDrawing));
        while (session.current().canRedo) session.redo();
        expect(plain(session.current().document)).toEqual(plain(end));
      }),
      { numRuns: 300 },
    );
  }, 120_000);

  it('is refused, and told, where a document would not hold it', () => {
    const session = sessionOf(emptyDrawing);
    const many = Array.from({ length: limits.shapes }, (_, i) => addShape(emptyDrawing, 'oval', i, i, newId).change);
    session.do({ label: 'many', steps: many.flatMap(({ steps }) => steps) });
    expect(session.current().document.shapes.size).toBe(limits.shapes);
    session.do(addShape(session.current().document, 'oval', 0, 0, newId).change);
    expect(session.current().document.shapes.size).toBe(limits.shapes);
    expect(session.current().refused).toBe('A drawing holds at most 500 shapes.');
    session.do(remove(session.current().document, new Set(many.slice(0, 2).map(({ steps }) => steps[0]!.id))));
    expect(session.current().refused).toBeNull();
    expect(session.current().document.shapes.size).toBe(limits.shapes - 2);
  });
});
