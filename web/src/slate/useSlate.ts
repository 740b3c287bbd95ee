import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import {
  firstSheet,
  onElement,
  type Attachment,
  type Drawing,
  type Form,
  type Side,
  type Line,
} from '../drawing/document';
import { sizeOf } from '../geometry/measure';
import { pasteNear, type Piece } from '../drawing/clipboard';
import { addLine, addShape, addTied, diamondInto, move, remove, type DrawnEdges, type NewId } from '../drawing/edits';
import { around, centre, inflate, type Box, type Point } from '../geometry/boxes';
import { makeWay } from '../drawing/fan';
import { freePlace } from '../geometry/neighbours';
import { slateNotation, type NotationChoice } from '../notations/notations';
import { formOf } from '../notations/forms';
import { Dragging } from './gestures/dragging';
import { withEdgesLetGo } from '../geometry/letGo';
import { intoLane } from '../geometry/lanes/intoLane';
import { boxAt, extent, layOut, sceneOf, type Scene } from '../geometry/scene';
import { gather, nothing, prune, select, selectAt, shapeOf, type Selection } from '../drawing/selection';
import type { DrawingSession } from './drawings';
import { ontoSheet, sheetOf } from '../drawing/sheets';
import type { Change } from '../drawing/steps';
import { fit, isShown, shownBox, toScene, zoomAt, type Covered, type View } from '../geometry/view';

/** What is being typed at: a box, a text at an end, or a line's own text. */
export type Editing =
  | { readonly of: 'shape'; readonly id: string }
  | { readonly of: 'label' | 'role' | 'count' | 'qualifier'; readonly line: string; readonly side: Side }
  | { readonly of: 'line'; readonly line: string };

/** How far what is chosen by keys keeps from the rim of the slate. */
const rim = 48;
/** What stands so near to a part that is looked at is seen with it, and how large such a part may get. */
const nearBy = 60;
const largestOfPart = 1.5;

export const newId: NewId = (prefix) =>
  prefix + crypto.getRandomValues(new Uint32Array(2)).reduce((id, n) => id + n.toString(36), '');

/** The state of a slate and what can be done with it. Pointer and keys are turned into these by hooks of their own. */
export function useSlate(session: DrawingSession, editable: boolean, chosenNotation: NotationChoice = {}) {
  const { notation: notationName, counts, strokeSaysIdentifying } = chosenNotation;
  const notation = useMemo(
    () => slateNotation({ notation: notationName, counts, strokeSaysIdentifying }),
    [notationName, counts, strokeSaysIdentifying],
  );
  const session_ = useSyncExternalStore(session.subscribe, session.current);
  const { document: drawing } = session_;
  const surface = useRef<HTMLDivElement>(null);
  const [view, setView] = useState<View>({ x: 48, y: 48, zoom: 1 });
  const [chosen, setSelection] = useState<Selection>(nothing);
  const [editing, setEditing] = useState<Editing | null>(null);
  const [symbolsAt, setSymbolsAt] = useState<Point | null>(null);
  const [linkFrom, setLinkFrom] = useState<string | null>(null);
  const [dragging] = useState(() => new Dragging());
  const [finding, setFinding] = useState(false);
  /** Why what was wanted last was not done, when that is no matter of the drawing. */
  const [told, setTold] = useState<string | null>(null);
  const [commenting, setCommenting] = useState<string | null>(null);
  const [chalkPoint, setChalkPoint] = useState<Point | null>(null);
  /** Where the pointer was last, on the surface: where that is in the drawing depends on the view. */
  const pointer = useRef<Point | null>(null);
  /** The box around which one walks from line end to line end, as long as one is at the end where that led. */
  const walk = useRef<{ readonly box: string; readonly at: string } | null>(null);
  const selection = useMemo(() => prune(chosen, drawing), [chosen, drawing]);

  const full = useScene(drawing);
  const [wantedSheet, showSheet] = useState<string | null>(null);
  const sheet = wantedSheet && drawing.sheets.has(wantedSheet) ? wantedSheet : firstSheet(drawing);
  const base = useMemo(() => sceneOf(full, sheet), [full, sheet]);

  // What stands beside the drawing, such as the tags of differences, is shown with it.
  const beside = useRef<readonly Box[]>([]);
  const largest = useRef(1);
  const showWith = useCallback((boxes: readonly Box[], mostZoom = 1) => {
    beside.current = boxes;
    largest.current = mostZoom;
  }, []);
  const fitTo = useCallback((box: Box | null, mostZoom = largest.current) => {
    const size = surface.current?.getBoundingClientRect();
    if (size) setView(fit(box, size.width, size.height, coveredAt(surface.current!), mostZoom));
  }, []);
  /** Shows some places large, without what is far from them. */
  const lookAt = useCallback(
    (boxes: readonly Box[]) => fitTo(around(boxes.map((one) => inflate(one, nearBy))), largestOfPart),
    [fitTo],
  );
  const fitAll = useCallback(() => fitTo(extent(base, beside.current)), [fitTo, base]);
  /** Whether all that is drawn is in sight. */
  const isWhole = useCallback(() => {
    const size = surface.current?.getBoundingClientRect();
    const all = extent(base, beside.current);
    return !all || (!!size && isShown(view, all, size.width, size.height, coveredAt(surface.current!)));
  }, [base, view]);
  // Where a part is looked at, that is what one sees first.
  const part = useRef<readonly Box[]>([]);
  const showPart = useCallback((boxes: readonly Box[]) => {
    part.current = boxes;
  }, []);
  const fitFirst = useCallback(
    () => (part.current.length > 0 ? fitTo(around(part.current)) : fitAll()),
    [fitTo, fitAll],
  );
  useFirst(fitFirst, surface);
  const fitSoon = useFitSoon(base, fitFirst);

  const change = useCallback(
    (next: Change) => {
      if (!editable) return;
      const now = session.current().document;
      const own = ontoSheet(next, now, sheet);
      setTold(null);
      session.do(withEdgesLetGo(now, notation.boxWay === 'stem' ? makeWay(now, own) : own));
    },
    [session, editable, sheet, notation],
  );
  const setSheet = useCallback(
    (id: string) => {
      if (id !== sheet) fitSoon();
      showSheet(id);
      setSelection(nothing);
      setEditing(null);
    },
    [sheet, fitSoon],
  );
  // What turns to a sheet once does not do so again when somebody turns away.
  const sheetNow = useRef(sheet);
  useLayoutEffect(() => {
    sheetNow.current = sheet;
  }, [sheet]);
  /** Turns to the sheet on which things are, where none of them is on the one that is shown. */
  const turnTo = useCallback(
    (elements: readonly string[]) => {
      const { document } = session.current();
      if (document.sheets.size < 2) return;
      const sheets = elements.flatMap((element) => sheetOf(document, element) ?? []);
      if (sheets.length === 0 || sheets.includes(sheetNow.current)) return;
      showSheet(sheets[0]!);
      fitSoon();
    },
    [session, fitSoon],
  );

  const place = useCallback(
    (symbol: Form, at: Point, text = '') => {
      const drawn = session.current().document;
      // A box on the sheet of a stage is a table.
      const isTable = symbol === 'rectangle' && notation.stages === true && sheet !== firstSheet(drawn);
      const form = isTable ? 'strip' : symbol;
      const { change: added, id } = addShape(drawn, form, (at.x - halfWidth(form)) * 4, (at.y - 13) * 4, newId, text);
      change(added);
      setSelection(select(id));
      if (text === '') setEditing({ of: 'shape', id });
      return id;
    },
    [session, change, notation, sheet],
  );

  /** A free place for a shape that is to be tied to others: between them, or above the only one. */
  const tiedSpot = useCallback(
    (form: Form, tied: readonly string[]) => {
      const boxes = tied.flatMap((id) => boxAt(base, id) ?? []);
      const size = sizeOf({ id: '', form, outline: 'single', text: '', compartments: [], x: 0, y: 0 });
      const middle = centre(around(boxes)!);
      const near = boxes.length > 1 ? middle : { x: middle.x, y: middle.y - boxes[0]!.height / 2 - 70 };
      return freePlace(base.boxes.values(), near, size.width, size.height);
    },
    [base],
  );

  /** A new shape tied to chosen ones: between them, below the first, or near the only one. */
  const placeTied = useCallback(
    (form: Form, tied: readonly string[], wanted: Point | null) => {
      const spot = wanted ?? tiedSpot(form, tied);
      const { change: added, id } = addTied(session.current().document, form, spot.x * 4, spot.y * 4, tied, newId);
      change(wanted ? added : intoLane(session.current().document, added, id, sheet));
      setSelection(select(id));
      if (!formOf(form).solid) setEditing({ of: 'shape', id });
      else if (notation.severalFromOne) setLinkFrom(id);
    },
    [session, change, tiedSpot, notation, sheet],
  );

  /** A diamond in the middle of a line between two boxes, to be named. */
  const placeInto = useCallback(
    (line: Line) => {
      const spot = tiedSpot('diamond', shapesAt(line));
      const { change: added, id } = diamondInto(session.current().document, line, spot.x * 4, spot.y * 4, newId);
      change(intoLane(session.current().document, added, id, sheet));
      setSelection(select(id));
      setEditing({ of: 'shape', id });
    },
    [session, change, tiedSpot, sheet],
  );

  const link = useCallback(
    (from: string, to: string | Attachment, edges: DrawnEdges = {}) => {
      // Where one draws arrow after arrow from one thing, itself is none of what they lead to.
      const drawn = session.current().document;
      const isSame = to === from || (typeof to === 'string' && shapeOf(drawn, from) === to);
      if (isSame && notation.severalFromOne) {
        setLinkFrom(null);
        return from;
      }

      const { change: added, id } = addLine(
        drawn,
        onElement(drawn, from),
        typeof to === 'string' ? onElement(drawn, to) : to,
        newId,
        notation,
        edges,
      );
      change(added);
      // The next line leaves from the same shape, and what one walked to stays chosen meanwhile.
      if (notation.severalFromOne) setSelection(selectAt(drawn, linkFrom && typeof to === 'string' ? to : from));
      else {
        setLinkFrom(null);
        setSelection({ ids: new Set([id]), end: { line: id, side: 'to' }, row: null });
      }
      return id;
    },
    [session, change, notation, linkFrom],
  );

  const nudge = useCallback(
    (dx: number, dy: number) =>
      change(
        move(session.current().document, selection.ids, dx * 4, dy * 4, `nudge ${[...selection.ids].sort().join(' ')}`),
      ),
    [session, change, selection.ids],
  );

  const gatherChosen = useCallback(() => setSelection(gather(selection)), [selection]);

  const removeSelected = useCallback(() => {
    change(remove(session.current().document, selection.ids));
    setSelection(nothing);
  }, [session, change, selection.ids]);

  /** The middle of what is seen, or a free place near it for a box. */
  const freeSpot = useCallback(() => {
    const size = surface.current!.getBoundingClientRect();
    const near = toScene(view, { x: size.width / 2, y: size.height / 2 });
    const { width, height } = roomOf[notation.boxWay];
    const spot = freePlace(base.boxes.values(), near, width, height);
    return { x: spot.x + width / 2, y: spot.y + (height - 54) / 2 };
  }, [base, view, notation]);

  /** Puts a piece in free space near a point of the surface, the pointer's if none is given, and chooses it. */
  const putPiece = useCallback(
    (piece: Piece, at: Point | null = pointer.current) => {
      const size = surface.current!.getBoundingClientRect();
      const near = toScene(view, at ?? { x: size.width / 2, y: size.height / 2 });
      const { change: pasted, ids } = pasteNear(piece, base.boxes.values(), near, newId);
      change(pasted);
      setSelection(select(...ids));
    },
    [base, view, change],
  );

  const zoom = useCallback((factor: number, at?: Point) => {
    const size = surface.current!.getBoundingClientRect();
    setView((before) => zoomAt(before, at ?? { x: size.width / 2, y: size.height / 2 }, factor));
  }, []);

  /** Moves the picture as little as brings a shape or a line's end into sight, clear of what lies over the slate's rim. */
  const reveal = useCallback(
    (box: Box | undefined) => {
      const size = surface.current?.getBoundingClientRect();
      if (size && box) setView((before) => shownBox(before, box, size.width, size.height, rim));
    },
    [surface],
  );

  const before = useRef<View | null>(null);
  /** Goes to a box in the middle of the slate, and remembers from where. */
  const travel = useCallback(
    (box: Box | undefined) => {
      const size = surface.current?.getBoundingClientRect();
      if (!size || !box) return;
      setView((view) => {
        before.current = view;
        const at = centre(box);
        return { ...view, x: size.width / 2 - at.x * view.zoom, y: size.height / 2 - at.y * view.zoom };
      });
    },
    [surface],
  );
  const goBack = useCallback(() => {
    const back = before.current;
    if (back)
      setView((view) => {
        before.current = view;
        return back;
      });
  }, []);

  return {
    session,
    session_,
    drawing,
    editable,
    notation,
    /** What is shown: while shapes are dragged, the surface shows another. */
    scene: base,
    full,
    base,
    sheet,
    setSheet,
    turnTo,
    moving: null as ReadonlySet<string> | null,
    surface,
    pointer,
    walk,
    view,
    setView,
    fitAll,
    isWhole,
    lookAt,
    showWith,
    showPart,
    reveal,
    travel,
    goBack,
    zoom,
    selection,
    setSelection,
    editing,
    setEditing,
    symbolsAt,
    setSymbolsAt,
    linkFrom,
    setLinkFrom,
    finding,
    setFinding,
    commenting,
    setCommenting,
    chalkPoint,
    setChalkPoint,
    fitSoon,
    dragging,
    setDrag: dragging.set,
    change,
    place,
    placeTied,
    placeInto,
    tiedSpot,
    link,
    nudge,
    gather: gatherChosen,
    removeSelected,
    freeSpot,
    putPiece,
    told,
    setTold,
  };
}

const shapesAt = ({ from, to }: Line) => [from, to].flatMap(({ on }) => (on.kind === 'shape' ? [on.id] : []));

/** The room that a new box is given, with what is likely to grow around or in it. */
const roomOf = {
  rows: { width: 190, height: 110 },
  stem: { width: 300, height: 170 },
  compartments: { width: 220, height: 130 },
  cells: { width: 170, height: 60 },
} as const;

const halfWidth = (form: Form) => formOf(form).least[0] / 2;

export type Slate = ReturnType<typeof useSlate>;

function useScene(drawing: Drawing): Scene {
  const before = useRef<Scene>(undefined);
  return useMemo(() => {
    // The scene before is a cache of equal values: reading and writing it does not change what is shown.
    before.current = layOut(drawing, before.current);
    return before.current;
  }, [drawing]);
}

/** Shows all once the next scene has been laid out, for changes that move much at once. */
function useFitSoon(base: Scene, fitAll: () => void) {
  const wanted = useRef(false);
  useEffect(() => {
    if (!wanted.current) return;
    wanted.current = false;
    fitAll();
  }, [base, fitAll]);
  return useCallback(() => {
    wanted.current = true;
  }, []);
}

/** How much of a slate its own words cover, at the upper and the lower rim. */
function coveredAt(surface: HTMLElement): Covered {
  const slate = surface.getBoundingClientRect();
  const corners = [...surface.querySelectorAll('[data-corner]')].map((corner) => corner.getBoundingClientRect());
  const middle = slate.top + slate.height / 2;
  return {
    top: Math.max(0, ...corners.filter(({ top }) => top < middle).map(({ bottom }) => bottom - slate.top)),
    bottom: Math.max(0, ...corners.filter(({ top }) => top >= middle).map(({ top }) => slate.bottom - top)),
  };
}

function useFirst(run: () => void, surface: React.RefObject<HTMLDivElement | null>) {
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  }, [run]);
  useLayoutEffect(() => {
    const element = surface.current;
    if (!element) return;
    // Once, when the surface first has a size; later sizes do not move what one looks at.
    const observer = new ResizeObserver(() => {
      if (element.clientWidth > 0) {
        latest.current();
        observer.disconnect();
      }
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [surface]);
}
