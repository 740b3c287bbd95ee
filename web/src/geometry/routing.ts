import { type Drawing, type Line } from '../drawing/document';
import { routeInLanes } from './lanes/lanes';
import { planOf, routePlans, withEdges, type Plan } from './orthogonal';
import { isRound, rowOwners, shapeAt, type Boxes, type Route } from './route';
import { routeStraight } from './straight';

/**
 * Routes the lines of a drawing: orthogonally between boxes, straight where a round figure or another line is met, in lanes where
 * boxes in rows are tied by arrows. With `only`, the other lines keep the routes they had, save those in lanes, which make room for each
 * other.
 */
export function routeLines(
  drawing: Drawing,
  boxes: Boxes,
  before?: ReadonlyMap<string, Route>,
  only?: ReadonlySet<string>,
): Map<string, Route> {
  const owner = rowOwners(drawing);
  const touched = only && shapesOf(drawing, only, owner);
  const plans: Plan[] = [];
  const routes = routeInLanes(drawing, boxes);
  for (const line of drawing.lines.values()) {
    if (routes.has(line.id)) continue;
    const kept = only && !only.has(line.id) ? before?.get(line.id) : undefined;
    if (kept) routes.set(line.id, kept);
    const plan = isStraight(line, drawing, owner) ? null : planOf(line, boxes, owner);
    if (plan && (!kept || touched?.has(plan.from.id) || touched?.has(plan.to.id)))
      plans.push(kept ? withEdges(plan, kept) : plan);
  }
  routePlans(plans, boxes, routes);
  const straight = [...drawing.lines.values()].filter(
    (line) => !plans.some((plan) => plan.line === line) && !routes.has(line.id),
  );
  routeStraight(straight, { drawing, boxes, owner, routes });
  return routes;
}

/** Lines that meet a figure other than a box or a note, or another line, run straight. */
function isStraight(line: Line, drawing: Drawing, owner: ReadonlyMap<string, string>): boolean {
  const [from, to] = [shapeAt(line.from, owner), shapeAt(line.to, owner)].map((id) => id && drawing.shapes.get(id));
  return from !== to && [from, to].some((shape) => typeof shape === 'object' && isRound(shape));
}

/** The shapes at which these lines end: only lines that share an edge with them matter to where they end. */
function shapesOf(drawing: Drawing, lines: ReadonlySet<string>, owners: ReadonlyMap<string, string>): Set<string> {
  const ends = [...lines].flatMap((id) => {
    const line = drawing.lines.get(id);
    return line ? [line.from, line.to] : [];
  });
  return new Set(ends.map((end) => shapeAt(end, owners)).filter((id) => id !== undefined));
}
