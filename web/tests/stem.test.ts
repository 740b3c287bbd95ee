import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyDrawing, type Drawing } from '../src/drawing/document';
import { addShape, addTied } from '../src/drawing/edits';
import { overlaps } from '../src/geometry/boxes';
import { boxOf } from '../src/geometry/measure';
import { fanAgain } from '../src/drawing/fan';
import { ovalsOf } from '../src/drawing/ovals';
import { changeOfStem, readLeaf, textOfStem } from '../src/drawing/stem';
import { apply, invert } from '../src/drawing/steps';

const counter = () => {
  let n = 0;
  return (prefix: string) => `${prefix}${++n}`;
};

function typed(lines: string[], onto?: Drawing): { drawing: Drawing; id: string; newId: (prefix: string) => string } {
  const newId = counter();
  const { change, id } = addShape(emptyDrawing, 'rectangle', 800, 800, newId);
  const start = onto ?? apply(emptyDrawing, change.steps);
  const drawing = apply(start, changeOfStem(start, start.shapes.get(id)!, lines.join('\n'), newId).steps);
  return { drawing, id, newId };
}

describe('a stem of ovals', () => {
  it.each([
    ['visit no (key)', { text: 'visit no', underline: 'solid', outline: 'single', parts: [] }],
    ['show no (partial key)', { text: 'show no', underline: 'dashed', outline: 'single', parts: [] }],
    ['phones (several)', { text: 'phones', underline: 'none', outline: 'double', parts: [] }],
    ['age (dashed)', { text: 'age', underline: 'none', outline: 'dashed', parts: [] }],
    ['- name (first, last)', { text: 'name', underline: 'none', outline: 'single', parts: ['first', 'last'] }],
    [
      'names (first, last) (several)',
      { text: 'names', underline: 'none', outline: 'double', parts: ['first', 'last'] },
    ],
  ])('reads %s', (line, leaf) => expect(readLeaf(line)).toEqual(leaf));

  it('is written as it was typed', () => {
    const lines = ['Visit', 'visit no (key)', 'phones (several)', 'age (derived)', 'name (first, last)'];
    const { drawing, id } = typed(lines);
    expect(textOfStem(drawing, drawing.shapes.get(id)!, true)).toBe(lines.join('\n'));
    expect(textOfStem(drawing, drawing.shapes.get(id)!, false)).toContain('visit no (underlined)');
    expect(ovalsOf(drawing, id).map((oval) => oval.text)).toEqual(['visit no', 'phones', 'age', 'name']);
  });

  it('changes nothing when the same is typed again, parts of parts included', () => {
    const lines = ['Visit', 'visit no (key)', 'name (first, last)'];
    const { drawing, id, newId } = typed(lines);
    const part = [...drawing.shapes.values()].find(({ text }) => text === 'last')!;
    const { change } = addTied(drawing, 'oval', 0, 0, [part.id], newId, 'prefix');
    const deep = apply(drawing, change.steps);
    expect(changeOfStem(deep, deep.shapes.get(id)!, textOfStem(deep, deep.shapes.get(id)!, true), newId).steps).toEqual(
      [],
    );
    const gone = apply(deep, changeOfStem(deep, deep.shapes.get(id)!, 'Visit\nvisit no (key)', newId).steps);
    expect([...gone.shapes.values()].map(({ text }) => text)).toEqual(['Visit', 'visit no']);
    expect(gone.lines.size).toBe(1);
  });

  it('keeps the ids of ovals that stay, takes away those that go, and can be undone', () => {
    const { drawing, id, newId } = typed(['Visit', 'visit no (key)', 'date', 'name (first, last)']);
    const before = ovalsOf(drawing, id);
    const change = changeOfStem(drawing, drawing.shapes.get(id)!, 'Visit\nvisit no (key)\nday', newId);
    const after = apply(drawing, change.steps);
    expect(ovalsOf(after, id).map((oval) => [oval.id, oval.text])).toEqual([
      [before[0]!.id, 'visit no'],
      [before[1]!.id, 'day'],
    ]);
    expect(after.shapes.size).toBe(3);
    expect(after.lines.size).toBe(2);
    expect([...apply(after, invert(change.steps)).shapes.values()].map((shape) => shape.text).sort()).toEqual(
      [...drawing.shapes.values()].map((shape) => shape.text).sort(),
    );
  });

  it('finds each oval a place of its own, with its line', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('no', 'a long name of something', 'x', 'date'), { maxLength: 9 }),
        (names) => {
          const { drawing } = typed(['Visit', ...names.map((name, i) => `${name} ${i}`)]);
          const boxes = [...drawing.shapes.values()].map(boxOf);
          for (const [i, box] of boxes.entries())
            for (const other of boxes.slice(0, i)) expect(overlaps(box, other)).toBe(false);
          expect(drawing.lines.size).toBe(names.length);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('fanning again', () => {
  it('puts the ovals around their owner as one step, clear of each other, and leaves what is pinned', () => {
    const typedIn = typed(['Visit', 'visit no (key)', 'date', 'name (first, last)', 'phone (several)']);
    let { drawing } = typedIn;
    const owner = drawing.shapes.get(typedIn.id)!;
    const ovals = ovalsOf(drawing, owner.id);
    const pinned = { ...ovals[1]!, x: 4000, y: 4000, pinned: true };
    const heaped = new Map(
      [...drawing.shapes].map(([id, shape]) => [id, shape.form === 'oval' ? { ...shape, x: 0, y: 0 } : shape]),
    );
    drawing = { ...drawing, shapes: heaped.set(pinned.id, pinned) };
    const fanned = apply(drawing, fanAgain(drawing, owner).steps);
    expect(fanned.shapes.get(pinned.id)).toEqual(pinned);
    const boxes = [...fanned.shapes.values()].map(boxOf);
    boxes.forEach((one, i) => boxes.slice(i + 1).forEach((other) => expect(overlaps(one, other)).toBe(false)));
  });
});
