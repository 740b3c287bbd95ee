import { linesAt, rowsOf, textOf, type Drawing, type Side } from '../drawing/document';
import { readMarks } from '../drawing/edits';
import { endSymbols } from '../notations/endSymbols';
import { formOf, isStrip } from '../notations/forms';
import type { EndWay } from '../notations/endWays';
import { select, type Selection } from '../drawing/selection';

/** What is chosen, in words for whoever hears the slate: what is drawn, not what it means. Empty when nothing is chosen. */
export function spoken(drawing: Drawing, selection: Selection, way: EndWay): string {
  const { ids, end, row } = selection;
  if (end) return spokenEnd(drawing, end.line, end.side, way);
  if (ids.size > 1 && selection.at) return `${spoken(drawing, select(selection.at), way)}; ${ids.size} elements chosen`;
  if (ids.size > 1) return `${ids.size} elements chosen`;
  const [id] = ids;
  const shape = id ? drawing.shapes.get(id) : undefined;
  if (shape) {
    const rows = rowsOf(shape);
    const chosen = rows.find((candidate) => candidate.id === row);
    const inCells = isStrip(shape.form);
    if (chosen)
      return [inCells ? 'cell' : 'row', chosen.mark, chosen.ring && 'ring', chosen.text].filter(Boolean).join(' ');
    const lines = linesAt(drawing, new Set([shape.id])).length;
    return [
      shape.text || 'without a name',
      (shape.outline === 'single' ? '' : `${shape.outline} `) + formOf(shape.form).says.replace(/^an? /, ''),
      rows.length > 0 && count(rows.length, inCells ? 'cell' : 'row'),
      lines > 0 && count(lines, 'line'),
      shape.pinned && 'pinned',
      drawing.comments.has(shape.id) && `noted: ${drawing.comments.get(shape.id)!.text}`,
    ]
      .filter(Boolean)
      .join(', ');
  }
  const line = id ? drawing.lines.get(id) : undefined;
  return line
    ? `${line.stroke} line from ${nameAt(drawing, line.id, 'from')} to ${nameAt(drawing, line.id, 'to')}`
    : '';
}

function spokenEnd(drawing: Drawing, id: string, side: Side, way: EndWay): string {
  const line = drawing.lines.get(id)!;
  const end = line[side];
  const shown = way.read(line, side);
  const symbols = readMarks(end.marks) ? '' : end.marks.map((mark) => endSymbols.get(mark)?.says ?? mark).join(', ');
  const drawn = [shown && `least ${shown.least}, most ${shown.most}`, symbols].filter(Boolean).join(', ');
  const other = nameAt(drawing, id, side === 'from' ? 'to' : 'from');
  return [
    `end at ${nameAt(drawing, id, side)} of the line to ${other}`,
    drawn,
    end.label && `verb ${end.label}`,
    end.role && `role ${end.role}`,
    end.count && `number ${end.count}`,
    end.qualifier && `qualifier ${end.qualifier}`,
  ]
    .filter(Boolean)
    .join(': ');
}

/** The name of what a line's end is at. */
export function nameAt(drawing: Drawing, id: string, side: Side): string {
  const { on } = drawing.lines.get(id)![side];
  if (on.kind === 'nothing') return 'nothing';
  if (on.kind === 'line' || on.kind === 'end') return 'a line';
  const shape = [...drawing.shapes.values()].find(
    (candidate) => candidate.id === on.id || rowsOf(candidate).some((row) => row.id === on.id),
  );
  if (shape && isStrip(shape.form) && shape.id !== on.id) return textOf(drawing, on.id) || 'a cell without a name';
  return shape?.text || 'a shape without a name';
}

const count = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`;
