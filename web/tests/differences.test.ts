import { describe, expect, it } from 'vitest';
import { overlaps } from '../src/geometry/boxes';
import { besides, placeCounts, placeNotes } from '../src/differences/bands';
import { overlayOf, type Note } from '../src/differences/overlay';
import { endSymbols, placeMarks } from '../src/notations/endSymbols';
import { readDrawing } from '../src/drawing/format';
import { boxAt, layOut } from '../src/geometry/scene';

const drawing = (shapes: string, lines = '') =>
  readDrawing(
    `{"format":"blue-slate-drawing","version":1,"sheets":[{"id":"s","shapes":[${shapes}],"lines":[${lines}]}]}`,
  );

const model = drawing(
  `{"id":"b1","form":"rectangle","text":"Visit","compartments":[[{"id":"t1","text":"visit no"},{"id":"t2","text":"date"}]],"place":[0,0,600,300]},
   {"id":"b2","form":"rectangle","text":"Part","compartments":[[{"id":"t3","text":"code"}]],"place":[1600,0,600,240]}`,
  `{"id":"r1","from":{"shape":"b1"},"to":{"shape":"b2","marks":["foot","ring"]}}`,
);
const answer = drawing(
  `{"id":"x","form":"rectangle","text":"Visit","compartments":[[{"id":"y","text":"visit no"}]],"place":[400,200,600,240]}`,
);
const counterparts = { b1: 'x', t1: 'y' };

const note = (change: Partial<Note>): Note => ({
  id: 'n',
  code: 'c',
  tag: 'missing',
  headline: '',
  there: '',
  wanted: '',
  why: '',
  loss: '1',
  marked: true,
  modelElements: [],
  answerElements: [],
  consequences: [],
  ...change,
});

describe('differences drawn into an answer', () => {
  it('add a missing box with its line, in the examiner’s hand, where the model answer has it', () => {
    const overlay = overlayOf(answer, model, [note({ modelElements: ['b2', 'r1'], answerElements: [] })], counterparts);
    expect([...overlay.ochre]).toEqual(['model.b2', 'model.r1']);
    const line = overlay.drawing.lines.get('model.r1')!;
    expect(line.from.on).toEqual({ kind: 'shape', id: 'x' });
    expect(line.to.on).toEqual({ kind: 'shape', id: 'model.b2' });
    const scene = layOut(overlay.drawing);
    expect(overlaps(scene.boxes.get('x')!, scene.boxes.get('model.b2')!)).toBe(false);
  });

  it('add a missing oval beside the owner that it belongs to, tied to it', () => {
    const chen = (moved: boolean) =>
      drawing(
        `{"id":"g","form":"rectangle","text":"Guest","place":[0,0,400,120]},
         {"id":"s","form":"rectangle","text":"Steward","place":[${moved ? 4000 : 2000},${moved ? 3000 : 0},400,120]}
         ${moved ? '' : ',{"id":"o","form":"oval","text":"jacket size","place":[2000,-300,400,120]}'}`,
        moved ? '' : `{"id":"tie","from":{"shape":"s"},"to":{"shape":"o"}}`,
      );
    const overlay = overlayOf(chen(true), chen(false), [note({ modelElements: ['o'] })], { g: 'g', s: 's' });
    expect([...overlay.ochre].sort()).toEqual(['model.o', 'model.tie']);
    const { boxes } = layOut(overlay.drawing);
    const [oval, steward] = [boxes.get('model.o')!, boxes.get('s')!];
    expect(Math.abs(oval.x - steward.x)).toBeLessThan(150);
    expect(Math.abs(oval.y - steward.y)).toBeLessThan(150);
  });

  it('add a missing diamond with all its lines, and a missing box with its ovals, whichever is told first', () => {
    const chen = drawing(
      `{"id":"g","form":"rectangle","text":"Guest","place":[0,0,400,120]},
       {"id":"d","form":"diamond","text":"borrows","place":[800,0,400,200]},
       {"id":"k","form":"rectangle","text":"Kite","place":[1600,0,400,120]},
       {"id":"o","form":"oval","text":"span","place":[1600,-300,400,120]}`,
      `{"id":"gd","from":{"shape":"g"},"to":{"shape":"d"}},{"id":"dk","from":{"shape":"d"},"to":{"shape":"k"}},
       {"id":"ko","from":{"shape":"k"},"to":{"shape":"o"}}`,
    );
    const guest = drawing(`{"id":"x","form":"rectangle","text":"Guest","place":[0,0,400,120]}`);
    for (const told of [
      ['d', 'k'],
      ['k', 'd'],
    ]) {
      const notes = told.map((id) => note({ id, modelElements: [id] }));
      const { ochre } = overlayOf(guest, chen, notes, { g: 'x' });
      expect([...ochre].sort()).toEqual(['model.d', 'model.dk', 'model.gd', 'model.k', 'model.ko', 'model.o']);
    }
  });

  it('add a missing row to the right box, once', () => {
    const overlay = overlayOf(
      answer,
      model,
      [
        note({ modelElements: ['t2'], answerElements: ['x'] }),
        note({ id: 'm', modelElements: ['t2'], answerElements: ['x'] }),
      ],
      counterparts,
    );
    expect(overlay.drawing.shapes.get('x')!.compartments[0]!.map((row) => row.id)).toEqual(['y', 'model.t2']);
    expect([...overlay.ochreRows]).toEqual(['model.t2']);
  });

  it('show a moved row at both its places', () => {
    const overlay = overlayOf(
      answer,
      model,
      [note({ tag: 'moved', modelElements: ['t2'], answerElements: ['y'] })],
      counterparts,
    );
    expect(overlay.marked[0]!.elements).toEqual(['y', 'model.t2']);
  });

  it('leave the answer itself as it was drawn', () => {
    const overlay = overlayOf(answer, model, [note({ tag: 'differs', answerElements: ['x'] })], counterparts);
    expect(overlay.drawing.shapes.get('x')).toBe(answer.shapes.get('x'));
    expect(overlay.ochre.size).toBe(0);
  });

  it('number the notes in reading order and put no tag on a box', () => {
    const overlay = overlayOf(
      answer,
      model,
      [
        note({ id: 'below', tag: 'differs', answerElements: ['y'] }),
        note({ id: 'beside', modelElements: ['b2', 'r1'] }),
      ],
      counterparts,
    );
    const scene = layOut(overlay.drawing);
    const placed = placeNotes(scene, overlay.marked);
    expect(placed.map((entry) => entry.number)).toEqual([1, 2]);
    for (const { tags } of placed)
      for (const tag of tags) for (const box of scene.boxes.values()) expect(overlaps(tag.box, box)).toBe(false);
  });

  it('put the number of a cell at the cell, also where other tables stand close above and beneath it', () => {
    const cells = (owner: string) =>
      ['raft no', 'launched', 'builder'].map((text, i) => `{"id":"${owner}${i}","text":"${text}"}`).join(',');
    const strip = (id: string, y: number) =>
      `{"id":"${id}","form":"strip","text":"${id}","compartments":[[${cells(id)}]],"place":[0,${y},1600,144]}`;
    const scene = layOut(drawing(`${strip('a', 0)},${strip('b', 232)},${strip('c', 464)}`));
    const { box } = placeCounts(scene, [{ element: 'b1', text: '5' }])[0]!;
    const cell = boxAt(scene, 'b1')!;
    expect(box.x).toBeGreaterThanOrEqual(cell.x);
    expect(box.x).toBeLessThan(cell.x + cell.width);
    expect(box.y - (cell.y + cell.height)).toBeLessThan(8);
    expect(overlaps(box, scene.boxes.get('c')!)).toBe(false);
  });

  it('run two dotted edges along a line', () => {
    expect(
      besides(
        [
          { x: 0, y: 0 },
          { x: 10, y: 0 },
          { x: 10, y: 10 },
        ],
        2,
      ).match(/M/g),
    ).toHaveLength(2);
  });
});

describe('the symbols of line ends', () => {
  it('are one file each, drawn from the box outward', () => {
    expect(endSymbols.size).toBe(12);
    const [foot, ring] = placeMarks(['foot', 'ring']);
    expect(foot!.at).toBe(0);
    expect(ring!.at).toBeGreaterThanOrEqual(foot!.symbol.depth);
  });
});
