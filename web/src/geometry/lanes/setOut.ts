import { type Drawing, type Shape } from '../../drawing/document';
import { isStrip } from '../../notations/forms';
import { bottom, centre, right, type Box, type Point } from '../boxes';
import type { Boxes } from '../route';
import { coursesOf, entryOf, openings, passed } from './courses';
import { groundOf, isInRow, isGather, isLaned, rowsAmong, type Gather, type Ground, type Row } from './ground';
import { depthsOf, firstLane, laneGap, lanesOf, type Lanes } from './levels';
import { netsOf, type Net } from './nets';

/** How wide a row becomes at the most, how far its boxes are apart, and how high a corridor is in which nothing runs. */
const widest = 1080;
const between = 28;
const bareCorridor = 52;
/** So far apart rows stand while it is not known yet how many lanes come between them. */
const farApart = 20_000;

/**
 * Places for shapes of a drawing whose arrows run in lanes: boxes in rows in their order, what gathers on a lane beside what it
 * gathers, and between the rows as much room as their lanes take. Where only some are fresh, the others stay where they are. Null
 * for a drawing of another kind.
 */
export function setOut(drawing: Drawing, boxes: Boxes, fresh: ReadonlySet<string>): Map<string, Point> | null {
  if (!isLaned(drawing)) return null;
  const shapes = [...drawing.shapes.values()];
  const cells = shapes.filter(isInRow);
  const standing = cells.filter(({ id }) => !fresh.has(id));
  const placed = new Map(boxes);
  if (standing.length === 0) inRows(cells, boxes).forEach((box, id) => placed.set(id, box));
  else if (
    !append(
      cells.filter(({ id }) => fresh.has(id)),
      standing,
      placed,
    )
  )
    return null;
  const ground = groundOf(kept(drawing, fresh), placed);
  if (!ground || ground.rows.length === 0) return null;
  const seated = seatGathers(drawing, ground, fresh);
  const lanes = lanesOf(coursesOf(netsOf(drawing, seated), seated), seated);
  const moved = standing.length === 0 ? closedUp(seated, lanes) : seated.rows.map(() => 0);
  const at = new Map<string, Point>();
  for (const { shape, row } of seated.cells.values()) {
    const box = placed.get(shape)!;
    if (fresh.has(shape)) at.set(shape, { x: box.x, y: box.y + moved[row]! });
  }
  for (const gather of seated.gathers.values())
    if (fresh.has(gather.id)) at.set(gather.id, cornerOf(gather, seated, lanes, moved));
  aside(
    shapes.filter(({ id }) => fresh.has(id) && !at.has(id)),
    placed,
    at,
  );
  return at;
}

/** Without what gathers and has no place yet. */
const kept = (drawing: Drawing, fresh: ReadonlySet<string>): Drawing => ({
  ...drawing,
  shapes: new Map([...drawing.shapes].filter(([id, shape]) => !isGather(shape) || !fresh.has(id))),
});

/** All boxes in rows of about the same width, far apart; the rows that they had are kept where these are not too wide. */
function inRows(cells: readonly Shape[], boxes: Boxes): Map<string, Box> {
  const before = rowsAmong(cells, boxes);
  const had = before?.map((row) => [...new Set(row.cells.map(({ shape }) => shape))]);
  const ordered = had?.flat() ?? cells.map(({ id }) => id);
  const widthOf = (ids: readonly string[]) => ids.reduce((sum, id) => sum + boxes.get(id)!.width + between, -between);
  const alone = new Set(cells.filter(({ form }) => isStrip(form)).map(({ id }) => id));
  const rows =
    had && had.length > 1 && had.every((ids) => widthOf(ids) <= widest) ? had : wrapped(ordered, widthOf, alone);
  const at = new Map<string, Box>();
  rows.forEach((ids, row) => {
    let x = 0;
    for (const id of ids) {
      const box = boxes.get(id)!;
      at.set(id, { ...box, x, y: row * farApart });
      x += box.width + between;
    }
  });
  return at;
}

/** Rows of about the same width; what is to stand alone has a row of its own. */
function wrapped(
  ids: readonly string[],
  widthOf: (ids: readonly string[]) => number,
  alone: ReadonlySet<string>,
): string[][] {
  const all = widthOf(ids);
  const share = all / Math.ceil(all / widest);
  const rows: string[][] = [[]];
  for (const id of ids) {
    const row = rows.at(-1)!;
    const grown = widthOf([...row, id]);
    const apart = alone.has(id) || row.some((other) => alone.has(other));
    if (row.length > 0 && (apart || grown > widest || grown - share > share - widthOf(row))) rows.push([id]);
    else row.push(id);
  }
  return rows;
}

/** New boxes at the end of the last row, or of a new one beneath it; says whether what stands is in rows. */
function append(fresh: readonly Shape[], standing: readonly Shape[], placed: Map<string, Box>): boolean {
  const rows = rowsAmong(standing, placed);
  const last = rows?.at(-1);
  if (!last) return false;
  const left = last.cells[0]!.box.x;
  let x = right(last.cells.at(-1)!.box) + between;
  let y = last.cells.at(-1)!.box.y;
  for (const { id, form } of fresh) {
    const box = placed.get(id)!;
    if (isStrip(form) || x + box.width > left + widest)
      [x, y] = [left, Math.max(y, last.bottom) + bareCorridor + 2 * laneGap + firstLane];
    placed.set(id, { ...box, x, y });
    x += box.width + between;
  }
  return true;
}

/** Gives what gathers a corridor and a place along it; it takes its height from its lane. */
function seatGathers(drawing: Drawing, ground: Ground, fresh: ReadonlySet<string>): Ground {
  const gathers = new Map(ground.gathers);
  const shapes = [...drawing.shapes.values()].filter((shape) => isGather(shape) && fresh.has(shape.id));
  for (const { id } of shapes) gathers.set(id, { id, x: 0, y: null, radius: 5, corridor: 0 });
  const nets = netsOf(drawing, { ...ground, gathers });
  for (const { id } of shapes) {
    const own = nets.filter(({ hub }) => hub === id);
    const others = [...gathers.values()].filter((gather) => gather.id !== id && gather.x !== 0);
    gathers.set(id, { ...gathers.get(id)!, ...seatFor(own, others, ground) });
  }
  return { ...ground, gathers };
}

const crowded = 3;

function seatFor(own: readonly Net[], others: readonly Gather[], ground: Ground) {
  const bracket = own.find((net) => net.bracket);
  const members = (bracket?.spokes ?? []).map(({ target }) => ground.cells.get(target)!);
  const ends = own.flatMap((net) => net.spokes.map(({ target }) => ground.cells.get(target)!.row));
  const ofKey = own.some((net) => net.ofKey);
  const rows = members.length > 0 ? members.map(({ row }) => row) : [ground.rows.length - 1];
  const cost = (corridor: number) =>
    10 * new Set(ends.flatMap((row) => passed(corridor, entryOf(corridor, row)))).size +
    crowded * others.filter((gather) => gather.corridor === corridor).length +
    (ofKey === rows.includes(corridor) ? 0 : 1);
  const near = [...new Set(rows.flatMap((row) => [row + 1, row]))];
  const corridor = near.reduce((best, other) => (cost(other) < cost(best) ? other : best));
  const beside = members.filter(({ row }) => row === corridor || row === corridor - 1);
  const middles = (beside.length > 0 ? beside : members).map(({ box }) => centre(box).x);
  const taken = others.filter((gather) => Math.abs(gather.corridor - corridor) < 1).map(({ x }) => x);
  const rowsBeside = [ground.rows[corridor - 1], ground.rows[corridor]].filter((row) => row !== undefined);
  return { corridor, x: placeAlong(rowsBeside, middles, taken) };
}

const elbow = 14;
const overBox = 60;
const beyondRow = 60;
const outside = 40;

/** Between boxes, as near as can be to the middle of what is gathered, and away from others. */
function placeAlong(rows: readonly Row[], middles: readonly number[], taken: readonly number[]): number {
  const [low, high] = [Math.min(...middles), Math.max(...middles)];
  const edges = rows.flatMap((row) => row.cells.flatMap(({ box }) => [box.x, right(box)]));
  const wish = middles.length > 0 ? (low + high) / 2 : Math.max(...edges) + between;
  const covering = (x: number) =>
    rows.filter((row) => row.cells.some(({ box }) => x > box.x - elbow / 2 && x < right(box) + elbow / 2)).length;
  const cost = (x: number) =>
    Math.abs(x - wish) + overBox * covering(x) + (middles.length > 0 && (x < low || x > high) ? outside : 0);
  const gaps = rows
    .flatMap((row) => openings(row, beyondRow))
    .flatMap(([from, to]) => [(from + to) / 2, from + elbow, to - elbow]);
  const steps = Array.from({ length: 80 }, (_, i) => wish + (i - 40) * elbow);
  const free = [...gaps, ...steps].filter((x) => taken.every((other) => Math.abs(other - x) >= elbow));
  return free.reduce((best, x) => (cost(x) < cost(best) ? x : best), free[0] ?? wish);
}

/** How far each row is moved, so that the corridors between rows are as high as their lanes need. */
function closedUp({ rows }: Ground, lanes: Lanes): number[] {
  const moved: number[] = [];
  let low = 0;
  rows.forEach((row, i) => {
    const above = rows[i - 1];
    const height = above ? heightOf(depthsOf(lanes.get(i) ?? [], above.bottom, row.top)) : 0;
    moved.push(low + height - row.top);
    low += height + row.bottom - row.top;
  });
  return moved;
}

function heightOf([above, beneath]: readonly [number, number]): number {
  if (above === 0 && beneath === 0) return bareCorridor;
  return above === 0 || beneath === 0 ? above + beneath + firstLane : above + laneGap + beneath;
}

function cornerOf(gather: Gather, ground: Ground, lanes: Lanes, moved: readonly number[]): Point {
  const own = lanes
    .get(gather.corridor)!
    .filter(({ course }) => course.net.hub === gather.id)
    .sort((a, b) => Number(b.course.net.bracket) - Number(a.course.net.bracket))[0];
  const row = own?.fromAbove ? gather.corridor - 1 : gather.corridor;
  const y = own ? own.y + moved[row]! : bottom(ground.rows.at(-1)!.cells[0]!.box) + bareCorridor + (moved.at(-1) ?? 0);
  return { x: gather.x - gather.radius, y: y - gather.radius };
}

/** Notes, beneath everything else. */
function aside(rest: readonly Shape[], boxes: Boxes, at: Map<string, Point>) {
  const low = Math.max(0, ...[...boxes].flatMap(([id, box]) => (at.has(id) ? at.get(id)!.y + box.height : [])));
  let x = 0;
  for (const { id } of rest) {
    at.set(id, { x, y: low + 3 * bareCorridor });
    x += boxes.get(id)!.width + between;
  }
}
