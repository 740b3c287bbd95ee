import { onShape, plainEnd, type Drawing, type Line, type Outline, type Shape, type Underline } from './document';
import type { NewId } from './edits';
import { centre, overlaps, type Box, type Point } from './geometry';
import { boxOf, sizeOf } from './measure';
import { putShape, type Change, type Step } from './steps';

/**
 * A shape's ovals as a list of lines, one an oval, so that they can be typed: `visit no (key)`, `phones (several)`,
 * `age (derived)`, `name (first, last)`. Where words are off, the same lines say how the ovals are drawn.
 */
interface Leaf {
  readonly text: string;
  readonly outline: Outline;
  readonly underline: Underline;
  readonly parts: readonly string[];
}

const words: readonly { readonly says: string; readonly drawn: string; readonly to: Partial<Leaf> }[] = [
  { says: 'key', drawn: 'underlined', to: { underline: 'solid' } },
  { says: 'partial key', drawn: 'dashed underlined', to: { underline: 'dashed' } },
  { says: 'several', drawn: 'double', to: { outline: 'double' } },
  { says: 'derived', drawn: 'dashed', to: { outline: 'dashed' } },
];

/** The ovals tied to a shape, in the order in which they were drawn. */
export function ovalsOf(drawing: Drawing, id: string, seen: ReadonlySet<string> = new Set()): Shape[] {
  const found: Shape[] = [];
  for (const line of drawing.lines.values()) {
    const [a, b] = [line.from.on, line.to.on];
    if (a.kind !== 'shape' || b.kind !== 'shape') continue;
    const other = a.id === id ? b.id : b.id === id ? a.id : null;
    const shape = other === null ? undefined : drawing.shapes.get(other);
    if (shape?.form === 'oval' && !seen.has(shape.id) && !found.includes(shape)) found.push(shape);
  }
  return found;
}

const partsOf = (drawing: Drawing, owner: string, oval: Shape) => ovalsOf(drawing, oval.id, new Set([owner]));

/** A shape's name and its ovals as text. */
export function textOfStem(drawing: Drawing, shape: Shape, meaning: boolean): string {
  return [
    shape.text,
    ...ovalsOf(drawing, shape.id).map((oval) => {
      const said = words
        .filter(
          ({ to }) =>
            (to.underline ?? oval.underline) === oval.underline && (to.outline ?? oval.outline) === oval.outline,
        )
        .map(({ says, drawn }) => ` (${meaning ? says : drawn})`);
      const parts = partsOf(drawing, shape.id, oval).map((part) => part.text);
      return oval.text + (parts.length > 0 ? ` (${parts.join(', ')})` : '') + said.join('');
    }),
  ].join('\n');
}

/** One typed line: a name, and in parentheses what it is or of what it is made. */
export function readLeaf(line: string): Leaf {
  let text = line.replace(/^\s*(?:[-*•–·]|\d+[.)])\s+/, '').trim();
  let leaf: Leaf = { text: '', outline: 'single', underline: 'none', parts: [] };
  for (let found; (found = /\(([^()]*)\)\s*$/.exec(text));) {
    const inside = found[1]!.trim();
    const word = words.find(({ says, drawn }) => [says, drawn].includes(inside.toLowerCase()));
    if (word) leaf = { ...leaf, ...word.to };
    else
      leaf = {
        ...leaf,
        parts: inside
          .split(',')
          .map((part) => part.trim())
          .filter((part) => part !== ''),
      };
    text = text.slice(0, found.index).trim();
  }
  return { ...leaf, text };
}

/** The steps that make a shape's name and ovals what was typed. Ovals keep their ids by name, then by order. */
export function changeOfStem(drawing: Drawing, shape: Shape, text: string, newId: NewId): Change {
  const [name = '', ...lines] = text.split('\n');
  const steps: Step[] = [];
  if (name.trim() !== shape.text) steps.push(putShape(drawing, { ...shape, text: name.trim() }));
  const leaves = lines.filter((line) => line.trim() !== '').map(readLeaf);
  const room = new Room(drawing, shape);
  steps.push(...growSteps(drawing, shape, shape.id, leaves, room, newId));
  return { label: 'write attributes', steps };
}

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

function growSteps(
  drawing: Drawing,
  owner: Shape,
  stemOf: string,
  leaves: readonly Leaf[],
  room: Room,
  newId: NewId,
): Step[] {
  const old = owner.id === stemOf ? ovalsOf(drawing, owner.id) : partsOf(drawing, stemOf, owner);
  const taken = new Set<string>();
  const kept = leaves.map((leaf) => {
    const same = old.find((oval) => !taken.has(oval.id) && oval.text === leaf.text);
    if (same) taken.add(same.id);
    return same;
  });
  const steps: Step[] = [];
  leaves.forEach((leaf, i) => {
    const before = kept[i] ?? (old[i] && !taken.has(old[i].id) ? old[i] : undefined);
    if (before) taken.add(before.id);
    const { text, outline, underline } = leaf;
    let oval: Shape;
    if (before) {
      oval = { ...before, text, outline, underline };
      if (before.text !== text || before.outline !== outline || (before.underline ?? 'none') !== underline)
        steps.push(putShape(drawing, oval));
    } else {
      const fresh: Shape = {
        id: newId('b'),
        form: 'oval',
        outline,
        underline,
        text,
        compartments: [],
        x: 0,
        y: 0,
        ...(owner.sheet && { sheet: owner.sheet }),
      };
      const at = room.take(fresh, owner);
      oval = { ...fresh, x: Math.round(at.x * 4), y: Math.round(at.y * 4) };
      const line = tie(owner, oval, newId);
      steps.push(
        { of: 'shape', id: oval.id, before: null, after: oval },
        { of: 'line', id: line.id, before: null, after: line },
      );
    }
    if (leaf.parts.length > 0 || (before && partsOf(drawing, stemOf, before).length > 0))
      steps.push(...growSteps(drawing, oval, stemOf, leaf.parts.map(readLeaf), room, newId));
  });
  for (const oval of old) if (!taken.has(oval.id)) steps.push(...fellSteps(drawing, oval, stemOf));
  return steps;
}

const tie = (owner: Shape, oval: Shape, newId: NewId): Line => ({
  id: newId('r'),
  stroke: 'solid',
  text: '',
  from: plainEnd(onShape(owner.id)),
  to: plainEnd(onShape(oval.id)),
  ...(owner.sheet && { sheet: owner.sheet }),
});

/** Takes an oval away with its parts and all lines at them. */
function fellSteps(drawing: Drawing, oval: Shape, stemOf: string): Step[] {
  const gone = new Set([oval.id, ...partsOf(drawing, stemOf, oval).map((part) => part.id)]);
  const lines = [...drawing.lines.values()].filter((line) =>
    [line.from, line.to].some((end) => end.on.kind === 'shape' && gone.has(end.on.id)),
  );
  return [
    ...lines.map((line): Step => ({ of: 'line', id: line.id, before: line, after: null })),
    ...[...gone].map((id): Step => ({ of: 'shape', id, before: drawing.shapes.get(id)!, after: null })),
  ];
}

const directions = 48;

/**
 * Finds places for new ovals in a fan around their owner: on the side where fewest things are, each clear of everything that
 * stands there already, near before far.
 */
class Room {
  private readonly taken: Box[];
  private readonly busy: Point[];

  constructor(drawing: Drawing, owner: Shape) {
    this.taken = [...drawing.shapes.values()].filter((shape) => (shape.sheet ?? '') === (owner.sheet ?? '')).map(boxOf);
    const own = centre(boxOf(owner));
    // Where other things than ovals lie, seen from the owner: lines will leave that way.
    this.busy = [...drawing.lines.values()].flatMap((line) => {
      const ids = [line.from, line.to].map((end) => (end.on.kind === 'shape' ? end.on.id : ''));
      const far = ids.includes(owner.id) ? drawing.shapes.get(ids.find((id) => id !== owner.id) ?? '') : undefined;
      if (!far || far.form === 'oval') return [];
      const at = centre(boxOf(far));
      const length = Math.hypot(at.x - own.x, at.y - own.y) || 1;
      return [{ x: (at.x - own.x) / length, y: (at.y - own.y) / length }];
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
        const toBusy = this.busy.reduce((sum, way) => sum + Math.max(0, way.x * dx + way.y * dy - 0.4), 0);
        const cost = ring * 2 + toBusy * 4 + i / directions / 4;
        if (cost < least) [best, least] = [at, cost];
      }
    }
    this.taken.push({ ...best, width, height });
    return best;
  }
}
