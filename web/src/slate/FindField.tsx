import { parseEndId } from '../drawing/document';
import { find, type Found } from '../drawing/find';
import { around, type Box } from '../geometry/boxes';
import { goTo, select, selectEnd, selectRow, shapeOf, type Selection } from '../drawing/selection';
import { Combobox } from '../ui/Combobox';
import type { Slate } from './useSlate';

/** Finds something on the slate by what is written there, and goes to it. */
export function FindField({ slate, onClose }: { slate: Slate; onClose: () => void }) {
  const close = () => {
    onClose();
    slate.surface.current?.focus();
  };
  const go = (to: Found) => {
    slate.setSheet(to.sheet);
    slate.setSelection(selectionOf(slate, to.element));
    slate.travel(boxOf(slate, to.element));
    close();
  };
  return (
    <Combobox
      className="find-field"
      label="Find on the slate"
      placeholder="find a name"
      fitting={(text) => find(slate.drawing, text)}
      keyOf={({ element, name }) => `${element} ${name}`}
      show={({ name, within }) => (
        <>
          {name}
          {within && <span> at {within}</span>}
        </>
      )}
      nothing="Nothing here is called so."
      onChoose={go}
      onLeave={(byKey) => (byKey ? close() : onClose())}
    />
  );
}

/** What was found, chosen; beside what is kept chosen, where one gathers. */
function selectionOf({ drawing, selection }: Slate, element: string): Selection {
  const end = parseEndId(element);
  const shape = shapeOf(drawing, element);
  if (selection.held) return goTo(selection, end?.line ?? shape ?? element);
  if (end) return selectEnd(end.line, end.side);
  return shape && shape !== element ? selectRow(shape, element) : select(element);
}

function boxOf({ full, drawing }: Slate, element: string): Box | undefined {
  const shape = shapeOf(drawing, element);
  if (shape) return full.boxes.get(shape);
  const route = full.routes.get(parseEndId(element)?.line ?? element);
  return (route && around(route.points.map((point) => ({ ...point, width: 0, height: 0 })))) ?? undefined;
}
