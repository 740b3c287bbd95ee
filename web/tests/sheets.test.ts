import { describe, expect, it } from 'vitest';
import { emptyDrawing } from '../src/drawing/document';
import { commentStep, dictionaryOf } from '../src/drawing/dictionary';
import { addShape, remove } from '../src/drawing/edits';
import { readDrawing, writeDrawing } from '../src/drawing/format';
import { layOut, placementOf, sceneOf } from '../src/geometry/scene';
import { addSheet, nameSheet, ontoSheet, removeSheet } from '../src/drawing/sheets';
import { apply, invert } from '../src/drawing/steps';
import { Draw } from './drawings';

const newId = (() => {
  let n = 0;
  return (prefix: string) => `${prefix}x${++n}`;
})();

const first = new Draw()
  .box('Visit', 0, 0, 'PK visit no')
  .box('Item', 400, 0)
  .line('Visit', 'Item', ['bar'], ['foot']).drawing;

function withSecond() {
  const { change, id } = addSheet(first, newId);
  const drawing = apply(first, change.steps);
  const box = ontoSheet(addShape(drawing, 'rectangle', 100, 100, newId, 'Fixer').change, drawing, id);
  return { drawing: apply(drawing, box.steps), second: id };
}

describe('sheets', () => {
  it('hold what is drawn while they are shown', () => {
    const { drawing, second } = withSecond();
    const scene = layOut(drawing);
    expect([...sceneOf(scene, second).drawing.shapes.values()].map((shape) => shape.text)).toEqual(['Fixer']);
    expect([...sceneOf(scene, 'sheet1').drawing.shapes.values()].map((shape) => shape.text)).toEqual(['Visit', 'Item']);
    expect(sceneOf(scene, second).routes.size).toBe(0);
  });

  it('are kept in the document with their names', () => {
    const { drawing, second } = withSecond();
    const named = apply(drawing, nameSheet(drawing, second, 'who helps').steps);
    const again = readDrawing(writeDrawing(named, placementOf(layOut(named))));
    expect([...again.sheets.values()].map((sheet) => sheet.name)).toEqual(['', 'who helps']);
    expect([...again.shapes.values()].find((shape) => shape.text === 'Fixer')!.sheet).toBe(second);
    expect(again.lines.size).toBe(1);
  });

  it('go with all that is on them, and come back by undo; the first stays', () => {
    const { drawing, second } = withSecond();
    const steps = removeSheet(drawing, second)!.steps;
    const without = apply(drawing, steps);
    expect(without.shapes.size).toBe(2);
    expect(without.sheets.size).toBe(1);
    expect(apply(without, invert(steps)).shapes.size).toBe(3);
    expect(removeSheet(drawing, 'sheet1')).toBeNull();
  });

  it('lie one over the other without being in each other’s way', () => {
    const { drawing } = withSecond();
    expect(layOut(drawing).routes.get([...first.lines.keys()][0]!)!.points).toEqual(
      layOut(first).routes.get([...first.lines.keys()][0]!)!.points,
    );
  });
});

describe('the data dictionary', () => {
  const id = [...first.shapes.keys()][0]!;

  it('lists every name with what was noted, and the note survives the document', () => {
    const noted = apply(first, commentStep(first, id, 'one coming to the café').steps);
    const again = readDrawing(writeDrawing(noted, placementOf(layOut(noted))));
    expect(dictionaryOf(again).map(({ name, within, comment }) => [name, within, comment])).toEqual([
      ['Visit', null, 'one coming to the café'],
      ['visit no', 'Visit', ''],
      ['Item', null, ''],
    ]);
  });

  it('forgets what is deleted, and an empty note is none', () => {
    const noted = apply(first, commentStep(first, id, 'x').steps);
    expect(apply(noted, remove(noted, new Set([id])).steps).comments.size).toBe(0);
    expect(apply(noted, commentStep(noted, id, '').steps).comments.size).toBe(0);
    expect(dictionaryOf(emptyDrawing)).toEqual([]);
  });
});
