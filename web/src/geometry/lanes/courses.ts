import { centre, right } from '../boxes';
import type { Cell, Ground, Row } from './ground';
import type { Net } from './nets';

/** How the lines of a net go: from which corridor, and where they pass through the rows on their way. */
export interface Course {
  readonly net: Net;
  readonly corridor: number;
  /** By the number of the row that is passed, where. */
  readonly risers: ReadonlyMap<number, number>;
}

const passing = 60;
const beside = 6;
const wrongEdge = 1000;
const wrongSide = 20;
/** How far what passes a row keeps from boxes, and from others that pass. */
const riserGap = 8;
const keepOff = 9;

/** The corridor by which a box of a row is reached from another corridor. */
export const entryOf = (from: number, row: number) => (from <= row ? row : row + 1);

/** The rows that are passed between two corridors. */
export function passed(from: number, to: number): number[] {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  return Array.from({ length: high - low }, (_, i) => low + i);
}

/** All rows that a net passes when it leaves by a corridor. */
function passedBy(net: Net, corridor: number, { cells }: Ground): Set<number> {
  return new Set(net.spokes.flatMap(({ target }) => passed(corridor, entryOf(corridor, cells.get(target)!.row))));
}

/**
 * For each net the corridor by which it leaves: where it passes the fewest rows and runs beside the fewest others; what the key
 * determines above, the rest beneath, unless its author drew it otherwise.
 */
export function coursesOf(nets: readonly Net[], ground: Ground): Course[] {
  const spans = new Map<number, (readonly [number, number])[]>();
  const chosen = nets.map((net) => {
    const corridors = corridorsFor(net, ground);
    const span = spanOf(net, ground);
    const cost = (corridor: number) =>
      passing * passedBy(net, corridor, ground).size +
      beside * (spans.get(corridor) ?? []).filter(([low, high]) => low <= span[1] && span[0] <= high).length +
      leaving(net, corridor, ground);
    const corridor = corridors.reduce((best, other) => (cost(other) < cost(best) ? other : best));
    spans.set(corridor, [...(spans.get(corridor) ?? []), span]);
    return { net, corridor };
  });
  return withRisers(chosen, ground);
}

/** The corridors by which a net could leave, the one to be preferred among equals first. */
function corridorsFor(net: Net, { cells, gathers }: Ground): number[] {
  const gather = gathers.get(net.hub);
  if (gather) return [gather.corridor];
  const { row } = cells.get(net.hub)!;
  return net.ofKey ? [row, row + 1] : [row + 1, row];
}

function leaving(net: Net, corridor: number, { cells }: Ground): number {
  const cell = cells.get(net.hub);
  if (!cell) return 0;
  const edge = corridor === cell.row ? 'top' : 'bottom';
  const drawnAt = (held: string | undefined) => held === 'top' || held === 'bottom';
  const against = net.spokes.filter(({ line, target, hubSide }) => {
    const [near, far] = hubSide === 'from' ? [line.from, line.to] : [line.to, line.from];
    if (drawnAt(near.edge)) return near.edge !== edge;
    return cells.get(target)!.row === cell.row && drawnAt(far.edge) && far.edge !== edge;
  });
  return against.length * wrongEdge + (net.ofKey === (corridor === cell.row) ? 0 : wrongSide);
}

export const middleOf = (id: string, { cells, gathers }: Ground) => gathers.get(id)?.x ?? centre(cells.get(id)!.box).x;

function spanOf(net: Net, ground: Ground): readonly [number, number] {
  const all = [net.hub, ...net.spokes.map(({ target }) => target)].map((id) => middleOf(id, ground));
  return [Math.min(...all), Math.max(...all)];
}

/** Where each net passes the rows in its way: between boxes, nearest to where it is going, with nothing else there. */
function withRisers(chosen: readonly { net: Net; corridor: number }[], ground: Ground): Course[] {
  const gathers = [...ground.gathers.values()];
  // For each row what passes it or the rows next to it, from left to right: that meets in the corridors between.
  const taken: number[][] = ground.rows.map((_, row) =>
    gathers
      .filter(({ corridor }) => corridor >= row - 1 && corridor <= row + 2)
      .map(({ x }) => x)
      .sort((a, b) => a - b),
  );
  const take = (row: number, x: number) => {
    for (const near of [row - 1, row, row + 1]) {
      const others = taken[near];
      others?.splice(firstBeyond(x, others), 0, x);
    }
  };
  return chosen.map(({ net, corridor }) => {
    const risers = new Map<number, number>();
    const rows = [...passedBy(net, corridor, ground)].sort((a, b) => a - b);
    for (const way of [rows.filter((row) => row < corridor).reverse(), rows.filter((row) => row >= corridor)]) {
      let from = middleOf(net.hub, ground);
      for (const row of way) {
        from = slot(ground.rows[row]!, from, meanBeyond(net, corridor, row, ground), taken[row]!);
        risers.set(row, from);
      }
    }
    for (const [row, x] of risers) take(row, x);
    return { net, corridor, risers };
  });
}

/** The middle of what a net leads to beyond a row. */
function meanBeyond(net: Net, corridor: number, row: number, ground: Ground): number {
  const beyond = net.spokes.filter(({ target }) =>
    passed(corridor, entryOf(corridor, ground.cells.get(target)!.row)).includes(row),
  );
  return beyond.reduce((sum, { target }) => sum + middleOf(target, ground), 0) / beyond.length;
}

function slot(row: Row, from: number, to: number, taken: readonly number[]): number {
  const cost = (x: number) => Math.abs(x - from) + Math.abs(x - to) + Math.abs(x - to) / 100;
  let [best, least] = [from, Infinity];
  // Outside the row there is always room for one more.
  for (const [low, high] of openings(row, keepOff + riserGap * (taken.length + 2)))
    for (let x = low + keepOff; x <= high - keepOff + 0.01; x += riserGap / 2)
      if (cost(x) < least && isApart(x, taken)) [best, least] = [x, cost(x)];
  return best;
}

/** Whether a place keeps its distance from all that is taken, from left to right. */
function isApart(x: number, taken: readonly number[]): boolean {
  const next = taken[firstBeyond(x - riserGap, taken)];
  return next === undefined || next >= x + riserGap;
}

/** The number of the first that stands right of a place. */
function firstBeyond(x: number, sorted: readonly number[]): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! > x) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Where a row can be passed: between its boxes, and on both sides of them. */
export function openings({ cells }: Row, outside: number): (readonly [number, number])[] {
  const [first, last] = [cells[0]!.box, cells.at(-1)!.box];
  const between = cells.slice(1).map((cell, i) => [right(cells[i]!.box), cell.box.x] as const);
  return [[first.x - outside, first.x], ...between, [right(last), right(last) + outside]];
}

/** By the number of each corridor that a net uses, from where to where it runs in it and which rows it meets there. */
export function spansIn(course: Course, ground: Ground): Map<number, { low: number; high: number; rows: Set<number> }> {
  const spans = new Map<number, { low: number; high: number; rows: Set<number> }>();
  const add = (corridor: number, low: number, high: number, row?: number) => {
    const span = spans.get(corridor) ?? { low, high, rows: new Set<number>() };
    if (row !== undefined) span.rows.add(row);
    spans.set(corridor, { ...span, low: Math.min(span.low, low), high: Math.max(span.high, high) });
  };
  // Where at a box an end will be is not known yet.
  const addCell = (corridor: number, { box, row }: Cell) => add(corridor, box.x, right(box), row);
  const { net, corridor, risers } = course;
  const hub = ground.cells.get(net.hub);
  if (hub) addCell(corridor, hub);
  else add(corridor, middleOf(net.hub, ground), middleOf(net.hub, ground));
  for (const [row, x] of risers) [row, row + 1].forEach((beside_) => add(beside_, x, x));
  for (const { target } of net.spokes) {
    const cell = ground.cells.get(target)!;
    addCell(entryOf(corridor, cell.row), cell);
  }
  return spans;
}
