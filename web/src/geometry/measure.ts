import advances from './advances.json';
import { rowsOf, type Row, type Shape } from '../drawing/document';
import { formOf } from '../notations/forms';
import type { Box } from './boxes';

/**
 * Text is measured from the font's own advance widths, without kerning, so that sizes are the same in every browser and
 * wherever a drawing is laid out.
 */
export const type = {
  size: 13,
  rowHeight: 18,
  headHeight: 26,
  stereotypeHeight: 16,
  foot: 8,
  markLeft: 10,
  textLeft: 42,
  ringLeft: 33,
  padding: 14,
} as const;

const regular = advances.weights['400'] as Record<string, number>;
const bold = advances.weights['700'] as Record<string, number>;
const unknown = 600;

/** The width of a text in pixels at a size. */
export function textWidth(text: string, size: number = type.size, weight: 'regular' | 'bold' = 'regular'): number {
  const table = weight === 'bold' ? bold : regular;
  let total = 0;
  for (const character of text) total += table[character] ?? unknown;
  return (total * size) / advances.unit;
}

const noteLine = 24;
/** A box in which nothing but a name is written may be narrower. */
const bareWidth = 100;

/** The size of a shape, decided by what is written in it and by its form's data, in pixels. */
export function sizeOf(shape: Shape): { width: number; height: number } {
  const form = formOf(shape.form);
  const [width, height] = form.least;
  switch (form.layout) {
    case 'rows':
      return boxSize(shape, width);
    case 'cells':
      return stripSize(shape, width, height);
    case 'lines':
      return noteSize(shape.text);
    case 'below':
      return { width, height };
    default:
      return { width: Math.max(width, Math.ceil(textWidth(shape.text) * (form.widen ?? 1) + (form.pad ?? 0))), height };
  }
}

/** A box's name, and the stereotypes in guillemets that stand above it. */
export function headOf(text: string): { stereotypes: string; name: string } {
  const found = /^(?:\s*«[^»]*»\s*)+/.exec(text);
  return found ? { stereotypes: found[0].trim(), name: text.slice(found[0].length) } : { stereotypes: '', name: text };
}

/** How far a box's first compartment is from its top. */
export const headHeight = (shape: Shape) =>
  type.headHeight + (headOf(shape.text).stereotypes === '' ? 0 : type.stereotypeHeight);

function boxSize(shape: Shape, leastWidth: number): { width: number; height: number } {
  const rows = rowsOf(shape);
  const { stereotypes, name } = headOf(shape.text);
  const widest = Math.max(
    shape.compartments.length === 0 ? bareWidth : leastWidth,
    textWidth(name, type.size, 'bold') + 2 * type.markLeft,
    textWidth(stereotypes) + 2 * type.markLeft,
    ...rows.map((row) => markIndent(shape) + textWidth(row.text) + type.padding),
  );
  const parts = shape.compartments.length;
  const body = rows.length === 0 && parts < 2 ? 10 : rows.length * type.rowHeight + Math.max(1, parts) * type.foot;
  return { width: Math.ceil(widest / 2) * 2, height: headHeight(shape) + body };
}

/** Where each compartment of a box begins and each of its rows has its baseline, from the top of the box. */
export function rowPlaces(shape: Shape): { rules: number[]; baselines: Map<string, number> } {
  const rules: number[] = [];
  const baselines = new Map<string, number>();
  let y = headHeight(shape);
  for (const rows of shape.compartments) {
    rules.push(y);
    for (const row of rows) {
      baselines.set(row.id, y + 15);
      y += type.rowHeight;
    }
    y += type.foot;
  }
  return { rules, baselines };
}

/** How far the texts of a box stand from its left edge: far enough for its widest mark. */
export function markIndent(shape: Shape): number {
  const rows = rowsOf(shape);
  if (!rows.some((row) => row.mark !== '' || row.ring)) return type.markLeft;
  const widest = Math.max(0, ...rows.map((row) => textWidth(row.mark, 12)));
  const ringed = rows.some((row) => row.ring && row.mark !== '');
  return Math.max(type.textLeft, type.markLeft + widest + (ringed ? 24 : 14));
}

const strip = { nameGap: 12, markGap: 6, ring: 14, leastCell: 40 } as const;

/** How far the first cell of a strip stands from its left edge: its name stands before it. */
export const nameWidth = (shape: Shape) =>
  shape.text === '' ? 0 : Math.ceil(textWidth(shape.text, type.size, 'bold')) + strip.nameGap;

/** How far the text of a cell stands from the cell's left edge: behind its mark and its ring. */
export const cellLead = ({ mark, ring }: Row) =>
  type.markLeft + (mark === '' ? 0 : Math.ceil(textWidth(mark, 12)) + strip.markGap) + (ring ? strip.ring : 0);

/** The cells of a strip beside each other: how far each stands from the strip's left edge, and its width. */
export function cellsOf(shape: Shape): { row: Row; x: number; width: number }[] {
  let x = nameWidth(shape);
  return rowsOf(shape).map((row) => {
    const width = Math.max(strip.leastCell, cellLead(row) + Math.ceil(textWidth(row.text)) + type.markLeft);
    x += width;
    return { row, x: x - width, width };
  });
}

function stripSize(shape: Shape, leastWidth: number, height: number): { width: number; height: number } {
  const cells = cellsOf(shape).reduce((sum, { width }) => sum + width, 0);
  return { width: nameWidth(shape) + Math.max(cells, leastWidth), height };
}

/** The lines of a note, broken at words. */
export function noteLines(text: string): string[] {
  const lines: string[] = [];
  for (const paragraph of text.split('\n')) {
    let line = '';
    for (const word of paragraph.split(' ')) {
      const longer = line === '' ? word : `${line} ${word}`;
      if (longer.length > noteLine && line !== '') {
        lines.push(line);
        line = word;
      } else line = longer;
    }
    lines.push(line);
  }
  return lines;
}

function noteSize(text: string): { width: number; height: number } {
  const lines = noteLines(text);
  return {
    width: Math.max(90, ...lines.map((line) => Math.ceil(textWidth(line)) + 24)),
    height: 14 + lines.length * type.rowHeight,
  };
}

/** Where in a box one of its lines of text stands, from the box's place; null for a line of another. */
export function rowBoxOf(shape: Shape, owner: Box, id: string): Box | null {
  if (formOf(shape.form).layout === 'cells') {
    const cell = cellsOf(shape).find(({ row }) => row.id === id);
    return cell ? { x: owner.x + cell.x, y: owner.y, width: cell.width, height: owner.height } : null;
  }
  const baseline = rowPlaces(shape).baselines.get(id);
  return baseline === undefined
    ? null
    : { x: owner.x + 5, y: owner.y + baseline - 13, width: owner.width - 10, height: type.rowHeight };
}

/** The place of a shape in pixels at zoom 1. */
export function boxOf(shape: Shape): Box {
  return { x: shape.x / 4, y: shape.y / 4, ...sizeOf(shape) };
}
