import { onShape, plainEnd, type Drawing, type Line, type Outline, type Shape, type Underline } from './document';
import type { NewId } from './edits';
import { Room } from './fan';
import { ovalsOf, partsOf } from './ovals';
import { once, putShape, type Change, type Step } from './steps';

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
  steps.push(...growSteps(drawing, shape, new Set(), leaves, room, newId));
  // Ovals that hang on one another come up more than once.
  return { label: 'write attributes', steps: once(steps) };
}

/** One more oval in a shape's fan. */
export function addOval(drawing: Drawing, owner: Shape, text: string, newId: NewId): { change: Change; id: string } {
  const { oval, steps } = grow(owner, { text, outline: 'single', underline: 'none' }, new Room(drawing, owner), newId);
  return { change: { label: 'add oval', steps }, id: oval.id };
}

/** The steps at one owner. Above it stand what it is itself an oval of, which are no parts of it. */
function growSteps(
  drawing: Drawing,
  owner: Shape,
  above: ReadonlySet<string>,
  leaves: readonly Leaf[],
  room: Room,
  newId: NewId,
): Step[] {
  const old = ovalsOf(drawing, owner.id, above);
  const beneath = new Set([...above, owner.id]);
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
      const grown = grow(owner, leaf, room, newId);
      oval = grown.oval;
      steps.push(...grown.steps);
    }
    // What is deeper than a line can say stays as it is drawn.
    if (above.size === 0 && (leaf.parts.length > 0 || (before && ovalsOf(drawing, before.id, beneath).length > 0)))
      steps.push(...growSteps(drawing, oval, beneath, leaf.parts.map(readLeaf), room, newId));
  });
  for (const oval of old) if (!taken.has(oval.id)) steps.push(...fellSteps(drawing, oval, beneath));
  return steps;
}

/** A new oval tied to its owner, where there is room for it. */
function grow(
  owner: Shape,
  { text, outline, underline }: Omit<Leaf, 'parts'>,
  room: Room,
  newId: NewId,
): { oval: Shape; steps: Step[] } {
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
  const oval = { ...fresh, x: Math.round(at.x * 4), y: Math.round(at.y * 4) };
  const line = tie(owner, oval, newId);
  return {
    oval,
    steps: [
      { of: 'shape', id: oval.id, before: null, after: oval },
      { of: 'line', id: line.id, before: null, after: line },
    ],
  };
}

const tie = (owner: Shape, oval: Shape, newId: NewId): Line => ({
  id: newId('r'),
  stroke: 'solid',
  text: '',
  from: plainEnd(onShape(owner.id)),
  to: plainEnd(onShape(oval.id)),
  ...(owner.sheet && { sheet: owner.sheet }),
});

/** Takes an oval away with its parts, however deep, and all lines at them. */
function fellSteps(drawing: Drawing, oval: Shape, above: ReadonlySet<string>): Step[] {
  const gone = new Set([oval.id]);
  for (const id of gone) for (const part of ovalsOf(drawing, id, new Set([...above, ...gone]))) gone.add(part.id);
  const lines = [...drawing.lines.values()].filter((line) =>
    [line.from, line.to].some((end) => end.on.kind === 'shape' && gone.has(end.on.id)),
  );
  return [
    ...lines.map((line): Step => ({ of: 'line', id: line.id, before: line, after: null })),
    ...[...gone].map((id): Step => ({ of: 'shape', id, before: drawing.shapes.get(id)!, after: null })),
  ];
}
