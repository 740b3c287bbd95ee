import type { Drawing, Shape } from './document';
import { centre, meets, overlaps, type Box, type Point } from '../geometry/boxes';
import { boxOf, sizeOf } from '../geometry/measure';
import { ovalsOf, partsOf } from './ovals';
import { apply, putShape, type Change } from './steps';

/** A shape's ovals in a fan around it once more, as one step; those that are pinned stay. */
export function fanAgain(drawing: Drawing, shape: Shape): Change {
  const loose = (owner: Shape, stemOf: string): Shape[] =>
    (owner.id === stemOf ? ovalsOf(drawing, owner.id) : partsOf(drawing, stemOf, owner)).filter((oval) => !oval.pinned);
  const all = loose(shape, shape.id).flatMap((oval) => [oval, ...loose(oval, shape.id)]);
  const gone = new Set(all.map((oval) => oval.id));
  const rest = { ...drawing, shapes: new Map([...drawing.shapes].filter(([id]) => !gone.has(id))) };
  const room = new Room(rest, shape);
  const placed = new Map<string, Shape>();
  for (const oval of all) {
    const owner = [...placed.values()].find((other) => partsOf(drawing, shape.id, other).includes(oval)) ?? shape;
    const at = room.take(oval, owner);
    placed.set(oval.id, { ...oval, x: Math.round(at.x * 4), y: Math.round(at.y * 4) });
  }
  return { label: 'fan again', steps: [...placed.values()].map((after) => putShape(drawing, after)) };
}

/**
 * A change with the ovals out of the way of the lines that it draws: those in the fans of the shapes at a new line on which they would lie
 * find another place. Pinned ones stay.
 */
export function makeWay(drawing: Drawing, change: Change): Change {
  const after = apply(drawing, change.steps);
  const lines = change.steps.flatMap((step) =>
    step.of === 'line' && step.after && !drawing.lines.has(step.id) ? [step.after] : [],
  );
  const owners = new Set(
    lines.flatMap(({ from, to }) => {
      const shapes = [from, to].map(({ on }) => (on.kind === 'shape' ? after.shapes.get(on.id) : undefined));
      return shapes.every((shape) => shape && shape.form !== 'oval') ? (shapes as Shape[]) : [];
    }),
  );
  const steps = [...owners].flatMap((owner) => {
    const own = centre(boxOf(owner));
    const lanes = neighboursOf(after, owner).map((far) => centre(boxOf(far)));
    const inTheWay = (oval: Shape) => !oval.pinned && lanes.some((far) => meets(own, far, boxOf(oval), 2));
    const blocks = ovalsOf(after, owner.id).some((oval) => [oval, ...partsOf(after, owner.id, oval)].some(inTheWay));
    return blocks ? fanAgain(after, owner).steps : [];
  });
  return steps.length === 0 ? change : { ...change, steps: [...change.steps, ...steps] };
}

/** What is tied to a shape and is no oval. */
const neighboursOf = (drawing: Drawing, owner: Shape): Shape[] =>
  [...drawing.lines.values()].flatMap((line) => {
    const ids = [line.from, line.to].map((end) => (end.on.kind === 'shape' ? end.on.id : ''));
    const far = ids.includes(owner.id) ? drawing.shapes.get(ids.find((id) => id !== owner.id) ?? '') : undefined;
    return far && far.form !== 'oval' ? [far] : [];
  });

const directions = 48;

/**
 * Finds places for new ovals in a fan around their owner: on the side where fewest things are, each clear of everything that
 * stands there already, near before far.
 */
export class Room {
  private readonly taken: Box[];
  private readonly busy: Point[];
  /** Where the lines to other things run, as far as they are straight. */
  private readonly lanes: (readonly [Point, Point])[];

  constructor(drawing: Drawing, owner: Shape) {
    this.taken = [...drawing.shapes.values()].filter((shape) => (shape.sheet ?? '') === (owner.sheet ?? '')).map(boxOf);
    const own = centre(boxOf(owner));
    // Where other things than ovals lie, seen from the owner: lines will leave that way.
    this.lanes = neighboursOf(drawing, owner).map((far) => [own, centre(boxOf(far))]);
    this.busy = this.lanes.map(([, at]) => {
      const length = Math.hypot(at.x - own.x, at.y - own.y) || 1;
      return { x: (at.x - own.x) / length, y: (at.y - own.y) / length };
    });
  }

  take(oval: Shape, owner: Shape): Point {
    const { width, height } = sizeOf(oval);
    const own = boxOf(owner);
    const middle = centre(own);
    let best: Point = { x: own.x, y: own.y - height - 40 };
    let least = Infinity;
    for (let ring = 0; ring < 4; ring++) {
      for (let i = 0; i < directions; i++) {
        const angle = -Math.PI / 2 + (i / directions) * 2 * Math.PI * (i % 2 === 0 ? 1 : -1);
        const [dx, dy] = [Math.cos(angle), Math.sin(angle)];
        const reach = {
          x: own.width / 2 + width / 2 + 14 + ring * 40,
          y: own.height / 2 + height / 2 + 30 + ring * 46,
        };
        const at = { x: middle.x + dx * reach.x - width / 2, y: middle.y + dy * reach.y - height / 2 };
        const box = { x: at.x - 8, y: at.y - 8, width: width + 16, height: height + 16 };
        if (this.taken.some((other) => overlaps(box, other))) continue;
        if (this.lanes.some(([a, b]) => meets(a, b, { ...at, width, height }, 2))) continue;
        const toBusy = this.busy.reduce((sum, way) => sum + Math.max(0, way.x * dx + way.y * dy - 0.4), 0);
        const cost = ring * 2 + toBusy * 4 + i / directions / 4;
        if (cost < least) [best, least] = [at, cost];
      }
    }
    this.taken.push({ ...best, width, height });
    return best;
  }
}
