import { pin } from '../../drawing/arrange';
import { copyOf, readPiece, writePiece } from '../../drawing/clipboard';
import { isStrip } from '../../notations/forms';
import { endId, parseEndId, rowsOf, type EndMark, type Side } from '../../drawing/document';
import { changeEnd, changeLine, changeRow, changeShape, turnAlong, turnPointer } from '../../drawing/edits';
import { afterDeed } from './amounts';
import { formDeeds, mayHaveDiamond, tiesItself } from './formDeeds';
import type { Box } from '../../geometry/boxes';
import { deedOf, type KeyDeed, type KeyPlace, type OwnKeys } from './keyMap';
import { neighbour, type Direction } from '../../geometry/neighbours';
import { endPlace } from '../../geometry/endPlace';
import {
  currentOf,
  elementsOf,
  endsAround,
  goTo,
  nothing,
  placeOf,
  select,
  selectEnd,
  selectRow,
} from '../../drawing/selection';
import { nextStroke, tipsFor } from '../../notations/notations';
import { onLines } from './onLines';
import { removeRow } from '../../drawing/rows';
import { useOwnKeys } from './useOwnKeys';
import { toScene } from '../../geometry/view';
import type { Slate } from '../useSlate';

const arrows: Readonly<Record<string, Direction>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};
const rowMarks: Readonly<Record<string, string>> = {
  'mark-key': 'PK',
  'mark-foreign': 'FK',
  'mark-alternate': 'AK1',
  'mark-partial': 'PPK',
};

/** What keys do that is not the slate's own. */
export interface KeyDeeds {
  readonly help: () => void;
  readonly tidy: (() => Promise<void>) | undefined;
}

const ways: Readonly<Record<Direction, { dx: number; dy: number }>> = {
  left: { dx: -1, dy: 0 },
  right: { dx: 1, dy: 0 },
  up: { dx: 0, dy: -1 },
  down: { dx: 0, dy: 1 },
};

const isCapital = (key: string) => [...key].length === 1 && key !== key.toLowerCase();

/** Turns keys into what a slate can do. Letters draw only while the slate itself has the focus. */
export function useKeys(slate: Slate, besides: KeyDeeds) {
  const [own] = useOwnKeys();
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.target !== event.currentTarget) return;
    const handled = event.ctrlKey || event.metaKey ? withControl(slate, event) : plain(slate, event, own, besides);
    if (handled) event.preventDefault();
  };
  const onCopy = (event: React.ClipboardEvent) => {
    if (slate.selection.ids.size === 0 || writesElsewhere(event.currentTarget)) return;
    event.clipboardData.setData('text/plain', writePiece(copyOf(slate.drawing, slate.selection.ids)));
    event.preventDefault();
  };
  const onCut = (event: React.ClipboardEvent) => {
    if (writesElsewhere(event.currentTarget)) return;
    onCopy(event);
    slate.removeSelected();
  };
  const onPaste = (event: React.ClipboardEvent) => {
    if (writesElsewhere(event.currentTarget)) return;
    const piece = readPiece(event.clipboardData.getData('text/plain'));
    if (piece) slate.putPiece(piece);
    else if (slate.editable)
      slate.setTold('Only what was copied from a slate can be put here; text is pasted while a box is written.');
  };
  return { onKeyDown, onCopy, onCut, onPaste };
}

/**
 * Whether the focus is elsewhere than on the slate itself: in a text being written on it, or in a sheet that it laid over the page,
 * whose events bubble here too. The target of a clipboard event does not tell: it is where the browser believes a caret to be.
 */
const writesElsewhere = (slate: Element) => document.activeElement !== slate;

function withControl(slate: Slate, event: React.KeyboardEvent): boolean {
  switch (event.key.toLowerCase()) {
    case 'z':
      if (event.shiftKey) slate.session.redo();
      else slate.session.undo();
      return true;
    case 'y':
      slate.session.redo();
      return true;
    case 'f':
      slate.setFinding(true);
      return true;
    case 'a':
      slate.setSelection(select(...slate.base.drawing.shapes.keys(), ...slate.base.drawing.lines.keys()));
      return true;
    case 'd':
      if (slate.selection.ids.size > 0) slate.putPiece(copyOf(slate.drawing, slate.selection.ids));
      return true;
    default:
      return false;
  }
}

function plain(slate: Slate, event: React.KeyboardEvent, own: OwnKeys, besides: KeyDeeds): boolean {
  const { key } = event;
  const { end, row } = slate.selection;
  if (key === '?') {
    besides.help();
    return true;
  }
  if (key === 'Escape') return out(slate);
  if (slate.symbolsAt && slate.editable && isCapital(key)) {
    // The box takes the focus at once, and with it the letter: whoever types a name means a box of that name.
    slate.place('rectangle', slate.symbolsAt);
    slate.setSymbolsAt(null);
    return false;
  }
  const places: KeyPlace[] = [...(end ? (['end'] as const) : []), ...(row ? (['row'] as const) : []), 'slate'];
  const deed = deedOf(own, key, places);
  if (end && slate.editable && onEnd(slate, key, deed)) return true;
  if (row && slate.editable && onRow(slate, key, deed)) return true;
  if (key in arrows) return arrow(slate, arrows[key]!, event.shiftKey);
  if (key === 'Enter') return goIn(slate);
  if (key === 'Delete' || key === 'Backspace') {
    slate.removeSelected();
    return true;
  }
  return deed?.place === 'slate' && onSlate(slate, deed.id, besides);
}

function onSlate(slate: Slate, deed: string, besides: KeyDeeds): boolean {
  switch (deed) {
    case 'end-before':
    case 'end-after':
      return walkEnds(slate, deed === 'end-after' ? 1 : -1);
    case 'row-before':
    case 'row-after':
      return walkRows(slate, deed === 'row-after' ? 1 : -1);
    case 'nearer':
      slate.zoom(1.2);
      return true;
    case 'farther':
      slate.zoom(1 / 1.2);
      return true;
    case 'all':
      slate.fitAll();
      return true;
    case 'back':
      slate.goBack();
      return true;
    case 'find':
      slate.setFinding(true);
      return true;
    case 'gather':
      slate.gather();
      return true;
    default:
      return slate.editable && draw(slate, deed, besides);
  }
}

function draw(slate: Slate, deed: string, besides: KeyDeeds): boolean {
  const { drawing, selection } = slate;
  const [id] = selection.ids;
  const line = id ? drawing.lines.get(id) : undefined;
  const shape = id ? drawing.shapes.get(id) : undefined;
  switch (deed) {
    case 'symbols':
      slate.setSymbolsAt(hereOf(slate));
      return true;
    case 'chalk-point':
      slate.setChalkPoint(slate.chalkPoint ? null : slate.freeSpot());
      return true;
    case 'line':
      if (shape) slate.setLinkFrom(placeOf(drawing, selection)!);
      return shape !== undefined;
    case 'line-text':
      if (line) slate.setEditing({ of: 'line', line: line.id });
      return line !== undefined;
    case 'stroke':
      if (line) slate.change(changeLine(drawing, line, { stroke: nextStroke(slate.notation, line.stroke) }));
      return line !== undefined;
    case 'cup':
      return onLines(slate, (one) => turnAlong(drawing, one, 'cup'));
    case 'pointer':
      return onLines(slate, (one) => turnPointer(drawing, one));
    case 'underline-shape':
      if (shape) slate.change(changeShape(drawing, shape, { underline: nextUnderline[shape.underline ?? 'none'] }));
      return shape !== undefined;
    case 'italic-shape':
      if (shape) slate.change(changeShape(drawing, shape, { italic: !shape.italic }));
      return shape !== undefined;
    case 'outline':
      if (shape) slate.change(changeShape(drawing, shape, { outline: nextOutline[shape.outline] }));
      return shape !== undefined;
    case 'comment':
      if (id) slate.setCommenting(elementsOf(selection)[0]!);
      return id !== undefined;
    case 'sheet-before':
    case 'sheet-after':
      return turnSheet(slate, deed === 'sheet-after' ? 1 : -1);
    case 'pin':
      slate.change(pin(drawing, selection.ids));
      return true;
    case 'tidy':
      void besides.tidy?.();
      return besides.tidy !== undefined;
  }
  if (deed === 'diamond' && line && mayHaveDiamond(slate, line)) {
    slate.placeInto(line);
    return true;
  }
  const form = formDeeds[deed];
  if (!form) return false;
  const tied =
    selection.row === null
      ? [...selection.ids].filter((one) => drawing.shapes.has(one))
      : [placeOf(drawing, selection)!];
  if (tied.length > 0 && tiesItself(form) && !slate.symbolsAt) slate.placeTied(form, tied, slate.chalkPoint);
  else slate.place(form, slate.symbolsAt ?? hereOf(slate));
  slate.setSymbolsAt(null);
  slate.setChalkPoint(null);
  return true;
}

function turnSheet(slate: Slate, by: 1 | -1): boolean {
  const ids = [...slate.drawing.sheets.keys()];
  const next = ids[ids.indexOf(slate.sheet) + by];
  if (next) slate.setSheet(next);
  return ids.length > 1;
}

/** Where a symbol goes: at the chalk point, else at the pointer, else at a free spot. */
const hereOf = (slate: Slate) =>
  slate.chalkPoint ?? (slate.pointer.current ? toScene(slate.view, slate.pointer.current) : slate.freeSpot());

const nextUnderline = { none: 'solid', solid: 'dashed', dashed: 'none' } as const;
const nextOutline = { single: 'double', double: 'dashed', dashed: 'single' } as const;

function onEnd(slate: Slate, key: string, deed: KeyDeed | null): boolean {
  const { line: id, side } = slate.selection.end!;
  const line = slate.drawing.lines.get(id)!;
  const way = slate.notation.endWay;
  const now = way.read(line, side) ?? { least: 'unsaid' as const, most: 'unsaid' as const };
  const said = deed && afterDeed(now, deed.id);
  if (said) {
    slate.change(changeLine(slate.drawing, line, way.write(line, side, said.least, said.most)));
    return true;
  }
  if (key === 'Enter') {
    slate.setEditing(slate.notation.verbAt === 'line' ? { of: 'line', line: id } : { of: 'label', line: id, side });
    return true;
  }
  if (deed?.id === 'other-end') return goToEnd(slate, id, otherSide(side));
  if (deed?.id === 'role' || deed?.id === 'count' || deed?.id === 'qualifier') {
    slate.setEditing({ of: deed.id, line: id, side });
    return true;
  }
  if (deed?.id === 'tip') {
    slate.change(changeEnd(slate.drawing, line, side, { marks: nextTip(slate.notation.name, line[side].marks) }));
    return true;
  }
  return false;
}

/** The next of the notation's own end symbols that are no least or most; then none. */
function nextTip(notation: string, marks: readonly EndMark[]): EndMark[] {
  const { own } = tipsFor(notation);
  const next = own[own.indexOf(marks[0] ?? '') + 1];
  return next ? [next] : [];
}

function onRow(slate: Slate, key: string, deed: KeyDeed | null): boolean {
  const [id] = slate.selection.ids;
  const shape = slate.drawing.shapes.get(id!)!;
  const rows = rowsOf(shape);
  const at = rows.findIndex((row) => row.id === slate.selection.row);
  const row = rows[at]!;
  const mark = deed && rowMarks[deed.id];
  if (mark) {
    slate.change(changeRow(slate.drawing, shape, row.id, { mark: row.mark === mark ? '' : mark }));
    return true;
  }
  switch (deed?.id) {
    case 'ring':
      slate.change(changeRow(slate.drawing, shape, row.id, { ring: !row.ring }));
      return true;
    case 'italic':
      slate.change(changeRow(slate.drawing, shape, row.id, { italic: !row.italic }));
      return true;
    case 'underline': {
      const next = { none: 'dashed', dashed: 'solid', solid: 'none' } as const;
      slate.change(changeRow(slate.drawing, shape, row.id, { underline: next[row.underline] }));
      return true;
    }
  }
  const [before, after] = isStrip(shape.form) ? ['ArrowLeft', 'ArrowRight'] : ['ArrowUp', 'ArrowDown'];
  switch (key) {
    case before:
    case after: {
      const next = rows[at + (key === before ? -1 : 1)];
      slate.setSelection(next ? selectRow(shape.id, next.id) : select(shape.id));
      return true;
    }
    case 'Delete':
    case 'Backspace':
      slate.change(removeRow(slate.drawing, shape, row.id));
      return true;
    case 'Enter':
      // A line that waits for its other end gets it.
      if (slate.linkFrom) return false;
      slate.setEditing({ of: 'shape', id: shape.id });
      return true;
    default:
      return false;
  }
}

function out(slate: Slate): boolean {
  if (slate.symbolsAt) slate.setSymbolsAt(null);
  else if (slate.linkFrom) slate.setLinkFrom(null);
  else if (slate.chalkPoint) slate.setChalkPoint(null);
  else if (slate.selection.end) slate.setSelection(select(slate.selection.end.line));
  else if (slate.selection.row) slate.setSelection(select(...slate.selection.ids));
  else slate.setSelection(nothing);
  return true;
}

function goIn(slate: Slate): boolean {
  const [id] = slate.selection.ids;
  if (slate.linkFrom && id) {
    const place = placeOf(slate.drawing, slate.selection)!;
    slate.link(slate.linkFrom, slate.drawing.lines.has(id) ? { kind: 'line', id } : place);
    return true;
  }
  if (!id) return false;
  if (slate.drawing.lines.has(id)) slate.setSelection(selectEnd(id, 'from'));
  else if (slate.editable) slate.setEditing({ of: 'shape', id });
  return true;
}

function arrow(slate: Slate, direction: Direction, shift: boolean): boolean {
  const id = currentOf(slate.selection);
  const { chalkPoint } = slate;
  if (chalkPoint) {
    const by = shift ? 5 : 40;
    const { dx, dy } = ways[direction];
    slate.setChalkPoint({ x: chalkPoint.x + dx * by, y: chalkPoint.y + dy * by });
    return true;
  }
  if (shift && slate.editable) {
    const { dx, dy } = ways[direction];
    slate.nudge(dx * 5, dy * 5);
    return true;
  }
  const next =
    id && slate.drawing.shapes.has(id)
      ? neighbour(slate.scene.boxes, id, direction)
      : [...slate.base.drawing.shapes.keys()][0];
  if (next) {
    slate.setSelection(goTo(slate.selection, next));
    slate.reveal(slate.scene.boxes.get(next));
  }
  return true;
}

/** A line's end with what opens around it. */
function aroundEnd(slate: Slate, line: string, side: Side): Box {
  const { point } = endPlace(slate.scene.routes.get(line)!, side);
  return { x: point.x - 60, y: point.y - 60, width: 120, height: 120 };
}

/** Goes to an end of a line. */
function goToEnd(slate: Slate, line: string, side: Side): true {
  slate.setSelection(selectEnd(line, side));
  slate.reveal(aroundEnd(slate, line, side));
  return true;
}

/** Goes to the row before or after, from the box itself to its first or last. */
function walkRows(slate: Slate, by: 1 | -1): boolean {
  const [id] = slate.selection.ids;
  const shape = id ? slate.drawing.shapes.get(id) : undefined;
  if (!shape) return false;
  const rows = rowsOf(shape);
  const at = rows.findIndex((row) => row.id === slate.selection.row);
  const next = rows[at < 0 ? (by === 1 ? 0 : rows.length - 1) : at + by];
  slate.setSelection(next ? selectRow(shape.id, next.id) : select(shape.id));
  return rows.length > 0;
}

/** Walks the ends at a box clockwise, one after the other, when one began at the box; else the two ends of a line. */
function walkEnds(slate: Slate, by: 1 | -1): boolean {
  const [chosen] = slate.selection.ids;
  const end = slate.selection.end;
  if (!chosen) return false;
  const line = slate.drawing.lines.get(chosen);
  const walk = end && slate.walk.current?.at === endId(end.line, end.side) ? slate.walk.current : null;
  if (line && !walk) return goToEnd(slate, line.id, end?.side === 'from' ? 'to' : 'from');
  const id = walk?.box ?? chosen;
  const ends = endsAround(slate.drawing, id, (lineId, side) => {
    const { direction, point } = endPlace(slate.scene.routes.get(lineId)!, side);
    const box = slate.scene.boxes.get(id)!;
    return (
      (Math.atan2(point.x - box.x - box.width / 2 + direction.x, -(point.y - box.y - box.height / 2 + direction.y)) +
        2 * Math.PI) %
      (2 * Math.PI)
    );
  });
  const at = end ? ends.indexOf(endId(end.line, end.side)) : by === 1 ? -1 : 0;
  const next = parseEndId(ends[(at + by + ends.length) % Math.max(1, ends.length)] ?? '');
  if (!next) return true;
  slate.walk.current = { box: id, at: endId(next.line, next.side) };
  return goToEnd(slate, next.line, next.side);
}

const otherSide = (side: Side): Side => (side === 'from' ? 'to' : 'from');
