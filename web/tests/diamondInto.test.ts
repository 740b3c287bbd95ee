import { describe, expect, it } from 'vitest';
import { emptyDrawing, type Drawing } from '../src/drawing/document';
import { addLine, addShape, changeEnd, changeLine, diamondInto, joinsBoxes } from '../src/drawing/edits';
import { apply } from '../src/drawing/steps';

let n = 0;
const newId = (prefix: string) => `${prefix}${n++}`;

function drawn(form: string) {
  let drawing: Drawing = emptyDrawing;
  const shapes = ['Work', 'Copy'].map((text, i) => {
    const { change, id } = addShape(drawing, i === 0 ? 'rectangle' : form, i * 1600, 0, newId, text);
    drawing = apply(drawing, change.steps);
    return id;
  });
  const on = (id: string) => ({ kind: 'shape', id }) as const;
  const { change, id } = addLine(drawing, on(shapes[0]!), on(shapes[1]!), newId);
  drawing = apply(drawing, change.steps);
  drawing = apply(drawing, changeEnd(drawing, drawing.lines.get(id)!, 'to', { count: 'N', role: 'copies' }).steps);
  drawing = apply(drawing, changeLine(drawing, drawing.lines.get(id)!, { stroke: 'double', text: 'is held in' }).steps);
  return { drawing, shapes, line: drawing.lines.get(id)! };
}

describe('a diamond set into a line', () => {
  it('takes its words, and leaves each end as it was drawn', () => {
    const { drawing, shapes, line } = drawn('rectangle');
    const { change, id } = diamondInto(drawing, line, 800, 0, newId);
    const after = apply(drawing, change.steps);
    expect(after.shapes.get(id)).toMatchObject({ form: 'diamond', text: 'is held in' });
    const [here, there] = [...after.lines.values()];
    expect(after.lines.size).toBe(2);
    expect(here).toMatchObject({ id: line.id, text: '', stroke: 'double', from: line.from });
    expect(here!.to).toMatchObject({ on: { kind: 'shape', id }, count: '', role: '' });
    expect(there).toMatchObject({ text: '', stroke: 'double', from: { on: { kind: 'shape', id } } });
    expect(there!.to).toMatchObject({ on: { kind: 'shape', id: shapes[1] }, count: 'N', role: 'copies' });
  });

  it('goes back in one step', () => {
    const { drawing, line } = drawn('rectangle');
    const { change } = diamondInto(drawing, line, 800, 0, newId);
    const back = change.steps.map((step) => ({ ...step, before: step.after, after: step.before })).reverse();
    expect(apply(apply(drawing, change.steps), back as typeof change.steps)).toEqual(drawing);
  });

  it('goes only into a line between two boxes', () => {
    const [boxes, oval] = [drawn('rectangle'), drawn('oval')];
    expect(joinsBoxes(boxes.drawing, boxes.line)).toBe(true);
    expect(joinsBoxes(oval.drawing, oval.line)).toBe(false);
  });
});
