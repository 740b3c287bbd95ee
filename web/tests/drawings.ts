import { emptyDrawing, type Drawing, type EndMark } from '../src/drawing/document';
import { boxOfText } from '../src/drawing/boxText';
import { addLine, addShape, changeEnd } from '../src/drawing/edits';
import { apply } from '../src/drawing/steps';

/** Ids for tests: a letter and a number that goes up. */
export const counting = () => {
  let n = 0;
  return (prefix: string) => `${prefix}${++n}`;
};

/** Draws boxes with rows, each at a place in pixels, and lines between them by the names of the boxes. */
export class Draw {
  drawing: Drawing = emptyDrawing;
  readonly newId = counting();
  private readonly ids = new Map<string, string>();

  box(name: string, x: number, y: number, ...rows: string[]): this {
    const { change, id } = addShape(this.drawing, 'rectangle', x * 4, y * 4, this.newId, name);
    this.drawing = apply(this.drawing, change.steps);
    const shape = boxOfText(this.drawing.shapes.get(id)!, [name, ...rows].join('\n'), this.newId);
    this.drawing = { ...this.drawing, shapes: new Map(this.drawing.shapes).set(id, shape) };
    this.ids.set(name, id);
    return this;
  }

  line(from: string, to: string, fromMarks: EndMark[] = [], toMarks: EndMark[] = [], label = ''): this {
    const { change, id } = addLine(this.drawing, this.on(from), this.on(to), this.newId);
    this.drawing = apply(this.drawing, change.steps);
    const put = (side: 'from' | 'to', marks: EndMark[], text: string) => {
      const line = this.drawing.lines.get(id)!;
      this.drawing = apply(this.drawing, changeEnd(this.drawing, line, side, { marks, label: text }).steps);
    };
    put('from', fromMarks, label);
    put('to', toMarks, '');
    return this;
  }

  idOf = (name: string) => this.ids.get(name)!;

  private on = (name: string) => ({ kind: 'shape' as const, id: this.idOf(name) });
}
