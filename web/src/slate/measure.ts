import advances from './advances.json';
import { rowsOf, type Shape } from './document';
import type { Box } from './geometry';

/**
 * Text is measured from the font's own advance widths, without kerning, so that sizes are the same in every browser and
 * wherever a drawing is laid out.
 */
export const type = {
  size: 13,
  rowHeight: 18,
  headHeight: 26,
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

const leastWidth = 150;
const noteLine = 24;

/** The size of a shape, decided by what is written in it, in pixels. */
export function sizeOf(shape: Shape): { width: number; height: number } {
  switch (shape.form) {
    case 'note':
      return noteSize(shape.text);
    case 'oval':
    case 'circle':
      return { width: Math.max(90, textWidth(shape.text) + 36), height: 40 };
    case 'diamond':
    case 'diamond-in-rectangle':
      return { width: Math.max(110, textWidth(shape.text) * 1.6 + 30), height: 62 };
    default:
      return boxSize(shape);
  }
}

function boxSize(shape: Shape): { width: number; height: number } {
  const rows = rowsOf(shape);
  const widest = Math.max(
    textWidth(shape.text, type.size, 'bold') + 2 * type.markLeft,
    ...rows.map((row) => markIndent(shape) + textWidth(row.text) + type.padding),
  );
  return {
    width: Math.ceil(Math.max(leastWidth, widest) / 2) * 2,
    height: rows.length === 0 ? type.headHeight + 10 : type.headHeight + rows.length * type.rowHeight + type.foot,
  };
}

/** How far the texts of a box stand from its left edge: far enough for its widest mark. */
export function markIndent(shape: Shape): number {
  const widest = Math.max(0, ...rowsOf(shape).map((row) => textWidth(row.mark, 12)));
  const ringed = rowsOf(shape).some((row) => row.ring && row.mark !== '');
  return Math.max(type.textLeft, type.markLeft + widest + (ringed ? 24 : 14));
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

/** The place of a shape in pixels at zoom 1. */
export function boxOf(shape: Shape): Box {
  return { x: shape.x / 4, y: shape.y / 4, ...sizeOf(shape) };
}
