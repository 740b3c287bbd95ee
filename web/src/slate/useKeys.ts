import { copyOf, paste, readPiece, writePiece } from './clipboard';
import { parseEndId, rowsOf, type Form } from './document';
import { changeEnd, changeLine, changeRow, changeShape, marksFor, readMarks, type Least, type Most } from './edits';
import { neighbour, type Direction } from './neighbours';
import { endPlace } from './scene';
import { endsAround, nothing, select, selectEnd, selectRow } from './selection';
import { newId, type Slate } from './useSlate';

/** The letters that place a symbol, in the order in which the row of symbols shows them. */
export const symbolKeys: readonly { key: string; form: Form; says: string; own: boolean }[] = [
  { key: 'e', form: 'rectangle', says: 'box', own: true },
  { key: 'n', form: 'note', says: 'note', own: true },
  { key: 'r', form: 'rounded', says: 'rounded box', own: true },
  { key: 'v', form: 'oval', says: 'oval', own: false },
  { key: 'd', form: 'diamond', says: 'diamond', own: false },
];

/** The keys of an end: its least and its most. */
export const leastKeys: Readonly<Record<string, Least>> = { '0': '0', '1': '1', '-': 'unsaid' };
export const mostKeys: Readonly<Record<string, Most>> = { i: '1', m: 'many', '.': 'unsaid' };

const arrows: Readonly<Record<string, Direction>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};
const rowMarks: Readonly<Record<string, string>> = { p: 'PK', f: 'FK', a: 'AK1', w: 'PPK' };

/** Turns keys into what a slate can do. Letters draw only while the slate itself has the focus. */
export function useKeys(slate: Slate, showHelp: () => void) {
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.target !== event.currentTarget) return;
    const handled = event.ctrlKey || event.metaKey ? withControl(slate, event) : plain(slate, event, showHelp);
    if (handled) event.preventDefault();
  };
  const onCopy = (event: React.ClipboardEvent) => {
    if (slate.selection.ids.size === 0) return;
    event.clipboardData.setData('text/plain', writePiece(copyOf(slate.drawing, slate.selection.ids)));
    event.preventDefault();
  };
  const onCut = (event: React.ClipboardEvent) => {
    onCopy(event);
    slate.removeSelected();
  };
  const onPaste = (event: React.ClipboardEvent) => {
    if (event.target !== event.currentTarget && (event.target as Element).closest('[data-overlay]')) return;
    const piece = readPiece(event.clipboardData.getData('text/plain'));
    if (piece) putPiece(slate, piece);
  };
  return { onKeyDown, onCopy, onCut, onPaste };
}

function putPiece(slate: Slate, piece: NonNullable<ReturnType<typeof readPiece>>) {
  const { change, ids } = paste(piece, 96, 96, newId);
  slate.change(change);
  slate.setSelection(select(...ids));
}

function withControl(slate: Slate, event: React.KeyboardEvent): boolean {
  switch (event.key.toLowerCase()) {
    case 'z':
      if (event.shiftKey) slate.session.redo();
      else slate.session.undo();
      return true;
    case 'y':
      slate.session.redo();
      return true;
    case 'a':
      slate.setSelection(select(...slate.drawing.shapes.keys(), ...slate.drawing.lines.keys()));
      return true;
    case 'd':
      if (slate.selection.ids.size > 0) putPiece(slate, copyOf(slate.drawing, slate.selection.ids));
      return true;
    default:
      return false;
  }
}

function plain(slate: Slate, event: React.KeyboardEvent, showHelp: () => void): boolean {
  const { key } = event;
  if (key === '?') {
    showHelp();
    return true;
  }
  if (key === 'Escape') return out(slate);
  if (slate.selection.end && slate.editable && onEnd(slate, key)) return true;
  if (slate.selection.row && slate.editable && onRow(slate, key)) return true;
  if (key in arrows) return arrow(slate, arrows[key]!, event.shiftKey);
  switch (key) {
    case 'Enter':
      return goIn(slate);
    case 'Delete':
    case 'Backspace':
      slate.removeSelected();
      return true;
    case '[':
    case ']':
      return walkEnds(slate, key === ']' ? 1 : -1);
    case '+':
    case '=':
      slate.zoom(1.2);
      return true;
    case '-':
      slate.zoom(1 / 1.2);
      return true;
    case 'h':
      slate.fitAll();
      return true;
    case ' ':
      if (slate.editable) slate.setSymbolsAt(slate.pointer.current ?? slate.freeSpot());
      return true;
    default:
      return slate.editable && letter(slate, key);
  }
}

function letter(slate: Slate, key: string): boolean {
  const [id] = slate.selection.ids;
  const line = id ? slate.drawing.lines.get(id) : undefined;
  const shape = id ? slate.drawing.shapes.get(id) : undefined;
  if (key === 'l' && shape) {
    slate.setLinkFrom(shape.id);
    return true;
  }
  if (key === 's' && line) {
    const next = { solid: 'dashed', dashed: 'double', double: 'solid' } as const;
    slate.change(changeLine(slate.drawing, line, { stroke: next[line.stroke] }));
    return true;
  }
  if (key === 'x' && shape) {
    const next = { single: 'double', double: 'dashed', dashed: 'single' } as const;
    slate.change(changeShape(slate.drawing, shape, { outline: next[shape.outline] }));
    return true;
  }
  const symbol = symbolKeys.find((candidate) => candidate.key === key);
  if (!symbol) return false;
  slate.place(symbol.form, slate.symbolsAt ?? slate.pointer.current ?? slate.freeSpot());
  slate.setSymbolsAt(null);
  return true;
}

function onEnd(slate: Slate, key: string): boolean {
  const { line: id, side } = slate.selection.end!;
  const line = slate.drawing.lines.get(id)!;
  const now = readMarks(line[side].marks) ?? { least: 'unsaid', most: 'unsaid' };
  if (key in leastKeys || key in mostKeys) {
    const least = leastKeys[key] ?? now.least;
    const most = mostKeys[key] ?? now.most;
    slate.change(
      changeEnd(slate.drawing, line, side, {
        marks: marksFor(least, least === '1' && most === 'unsaid' && key === '1' ? '1' : most),
      }),
    );
    return true;
  }
  if (key === 'Enter') {
    slate.setEditing({ of: 'label', line: id, side });
    return true;
  }
  if (key === 'g') {
    slate.setEditing({ of: 'role', line: id, side });
    return true;
  }
  if (key === 'Tab') return false;
  return false;
}

function onRow(slate: Slate, key: string): boolean {
  const [id] = slate.selection.ids;
  const shape = slate.drawing.shapes.get(id!)!;
  const rows = rowsOf(shape);
  const at = rows.findIndex((row) => row.id === slate.selection.row);
  const row = rows[at]!;
  if (key in rowMarks) {
    const mark = rowMarks[key]!;
    slate.change(changeRow(slate.drawing, shape, row.id, { mark: row.mark === mark ? '' : mark }));
    return true;
  }
  switch (key) {
    case 'o':
      slate.change(changeRow(slate.drawing, shape, row.id, { ring: !row.ring }));
      return true;
    case 'u': {
      const next = { none: 'dashed', dashed: 'solid', solid: 'none' } as const;
      slate.change(changeRow(slate.drawing, shape, row.id, { underline: next[row.underline] }));
      return true;
    }
    case 'ArrowUp':
    case 'ArrowDown': {
      const next = rows[at + (key === 'ArrowUp' ? -1 : 1)];
      slate.setSelection(next ? selectRow(shape.id, next.id) : select(shape.id));
      return true;
    }
    case 'Delete':
    case 'Backspace':
      slate.change(
        changeShape(slate.drawing, shape, {
          compartments: shape.compartments
            .map((part) => part.filter((candidate) => candidate.id !== row.id))
            .filter((part) => part.length > 0),
        }),
      );
      return true;
    case 'Enter':
      slate.setEditing({ of: 'shape', id: shape.id });
      return true;
    default:
      return false;
  }
}

function out(slate: Slate): boolean {
  if (slate.symbolsAt) slate.setSymbolsAt(null);
  else if (slate.linkFrom) slate.setLinkFrom(null);
  else if (slate.selection.end) slate.setSelection(select(slate.selection.end.line));
  else if (slate.selection.row) slate.setSelection(select(...slate.selection.ids));
  else slate.setSelection(nothing);
  return true;
}

function goIn(slate: Slate): boolean {
  const [id] = slate.selection.ids;
  if (slate.linkFrom && id && id !== slate.linkFrom) {
    slate.link(slate.linkFrom, id);
    slate.setLinkFrom(null);
    return true;
  }
  if (!id) return false;
  if (slate.drawing.lines.has(id)) slate.setSelection(selectEnd(id, 'from'));
  else if (slate.editable) slate.setEditing({ of: 'shape', id });
  return true;
}

function arrow(slate: Slate, direction: Direction, shift: boolean): boolean {
  const [id] = slate.selection.ids;
  if (shift && slate.editable) {
    slate.nudge(
      direction === 'left' ? -5 : direction === 'right' ? 5 : 0,
      direction === 'up' ? -5 : direction === 'down' ? 5 : 0,
    );
    return true;
  }
  const next =
    id && slate.drawing.shapes.has(id)
      ? neighbour(slate.scene.boxes, id, direction)
      : [...slate.drawing.shapes.keys()][0];
  if (next) slate.setSelection(select(next));
  return true;
}

/** Walks the ends at a box clockwise, or the two ends of a line. */
function walkEnds(slate: Slate, by: 1 | -1): boolean {
  const [id] = slate.selection.ids;
  const end = slate.selection.end;
  if (!id) return false;
  const line = slate.drawing.lines.get(id);
  if (line) {
    slate.setSelection(selectEnd(line.id, end?.side === 'from' ? 'to' : 'from'));
    return true;
  }
  const ends = endsAround(slate.drawing, id, (lineId, side) => {
    const { direction, point } = endPlace(slate.scene.routes.get(lineId)!, side);
    const box = slate.scene.boxes.get(id)!;
    return (
      (Math.atan2(point.x - box.x - box.width / 2 + direction.x, -(point.y - box.y - box.height / 2 + direction.y)) +
        2 * Math.PI) %
      (2 * Math.PI)
    );
  });
  const next = parseEndId(ends[by === 1 ? 0 : ends.length - 1] ?? '');
  if (next) slate.setSelection(selectEnd(next.line, next.side));
  return true;
}
