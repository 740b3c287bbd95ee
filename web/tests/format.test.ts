import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { Ajv2020 } from 'ajv/dist/2020.js';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Outline, Stroke } from '../src/drawing/document';
import { emptyDrawing, limits } from '../src/drawing/document';
import { changeLine, changeShape } from '../src/drawing/edits';
import { readDrawing, writeDrawing } from '../src/drawing/format';
import { layOut, placementOf } from '../src/geometry/scene';
import { apply } from '../src/drawing/steps';
import { endSymbols } from '../src/notations/endSymbols';
import { forms as formSymbols } from '../src/notations/forms';
import { Draw } from './drawings';

const root = join(import.meta.dirname, '..', '..');
const schema = JSON.parse(readFileSync(join(root, 'docs/formats/drawing.schema.json'), 'utf8')) as Record<
  string,
  never
>;
const validate = new Ajv2020({ strict: false }).compile(schema);
const words = (name: string): string[] => findEnum(schema, name);

/** The words that the published schema allows for a property. */
function findEnum(node: unknown, name: string): string[] {
  if (typeof node !== 'object' || node === null) return [];
  for (const [key, value] of Object.entries(node as Record<string, unknown>)) {
    const own = value as { enum?: string[]; items?: { enum?: string[] }; $ref?: string };
    if (key === name && own?.enum) return own.enum;
    if (key === name && own?.items?.enum) return own.items.enum;
    const deeper = findEnum(value, name);
    if (deeper.length > 0) return deeper;
  }
  return [];
}

const demoDrawings = ['repair-cafe', 'observatory', 'community-radio'].flatMap((name) => {
  const folder = join(root, 'demo', name);
  return [
    join(folder, 'model.json'),
    ...readdirSync(join(folder, 'answers'))
      .filter((file) => file.endsWith('.json'))
      .map((file) => join(folder, 'answers', file)),
  ];
});

const problemsOf = (document: unknown) =>
  validate(document) ? [] : validate.errors!.map((error) => `${error.instancePath} ${error.message}`);

describe('the published schema', () => {
  it.each(demoDrawings)('holds for %s', (file) => {
    expect(problemsOf(JSON.parse(readFileSync(file, 'utf8')))).toEqual([]);
  });

  it('holds for whatever the slate writes', () => {
    const [outlines, strokes] = ['outline', 'stroke'].map(words);
    const [forms, marks] = [[...formSymbols.keys()], [...endSymbols.keys()]];
    for (const list of [forms, outlines, strokes, marks]) expect(list!.length).toBeGreaterThan(1);
    fc.assert(
      fc.property(
        fc.constantFrom(...forms),
        fc.constantFrom(...(outlines as Outline[])),
        fc.constantFrom(...(strokes as Stroke[])),
        fc.array(fc.constantFrom(...marks), { maxLength: 4 }),
        fc.string({ maxLength: limits.text }),
        fc.constantFrom('left', 'right', 'top', 'bottom', undefined),
        (form, outline, stroke, ends, text, edge) => {
          const draw = new Draw().box('A', 0, 0, 'PK no', 'o phone').box('B', 400, 120).line('A', 'B', ends, []);
          let drawing = draw.drawing;
          const shape = drawing.shapes.get(draw.idOf('A'))!;
          drawing = apply(drawing, changeShape(drawing, shape, { form, outline, text }).steps);
          const [line] = drawing.lines.values();
          const from = { ...line!.from, ...(edge && { edge }) };
          drawing = apply(drawing, changeLine(drawing, line!, { stroke, text, from }).steps);
          const written = writeDrawing(drawing, placementOf(layOut(drawing)));
          expect(problemsOf(JSON.parse(written))).toEqual([]);
          expect([...readDrawing(written).shapes.values()]).toEqual([...drawing.shapes.values()]);
          expect([...readDrawing(written).lines.values()]).toEqual([...drawing.lines.values()]);
        },
      ),
    );
  });

  it('holds for an empty slate', () => {
    expect(problemsOf(JSON.parse(writeDrawing(emptyDrawing, placementOf(layOut(emptyDrawing)))))).toEqual([]);
  });

  it('refuses a word that is none of its own', () => {
    const document = JSON.parse(
      writeDrawing(new Draw().box('A', 0, 0).drawing, placementOf(layOut(new Draw().box('A', 0, 0).drawing))),
    ) as {
      sheets: { shapes: { form: string }[] }[];
    };
    document.sheets[0]!.shapes[0]!.form = 'A blob!';
    expect(problemsOf(document)).not.toEqual([]);
  });
});

describe('a drawing from a file', () => {
  it.each(demoDrawings)('is the same after it was read and written: %s', (file) => {
    const drawing = readDrawing(readFileSync(file, 'utf8'));
    const again = readDrawing(writeDrawing(drawing, placementOf(layOut(drawing))));
    expect([...again.shapes.values()]).toEqual([...drawing.shapes.values()]);
    expect([...again.lines.values()]).toEqual([...drawing.lines.values()]);
  });

  it('keeps where a line ends in the open', () => {
    const file = {
      format: 'blue-slate-drawing',
      version: 1,
      sheets: [
        {
          id: 's',
          shapes: [{ id: 'b', form: 'rectangle', place: [0, 0, 600, 144] }],
          lines: [
            {
              id: 'l',
              from: { shape: 'b' },
              to: {},
              route: [
                [600, 72],
                [900, 72],
              ],
            },
          ],
        },
      ],
    };
    const end = readDrawing(JSON.stringify(file)).lines.get('l')!.to.on;
    expect(end).toEqual({ kind: 'nothing', x: 900, y: 72 });
  });
});
