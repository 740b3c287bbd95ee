import { rowsOf, type Drawing, type LineEnd, type Shape } from './document';

/** What determines something by an arrow, as far as a table has it. */
export interface Determinant {
  readonly name: string;
  /** The lines of the table that are it. */
  readonly rows: readonly string[];
}

interface Arrow {
  readonly from: readonly string[];
  readonly to: string;
}

/**
 * The determinants of the arrows that are drawn of which a table has every attribute and which, by those arrows, determine something
 * of it and not all of it: what could have a table of its own.
 */
export function determinantsIn(drawing: Drawing, table: Shape): Determinant[] {
  const arrows = arrowsOf(drawing);
  // A number that a table was given is determined by no arrow, and is no reason to split it.
  const laid = new Set([...drawing.shapes.values()].filter(({ sheet }) => sheet === undefined).flatMap(textsOf));
  const rows = new Map(
    rowsOf(table)
      .map((row) => [keyOf(row.text), row] as const)
      .filter(([name]) => laid.has(name)),
  );
  const found = new Map<string, Determinant>();
  for (const { from } of arrows) {
    if (!from.every((name) => rows.has(name))) continue;
    const reached = [...closureOf(from, arrows)].filter((name) => rows.has(name)).length;
    if (reached === from.length || reached === rows.size) continue;
    const own = from.map((name) => rows.get(name)!);
    found.set([...from].sort().join('\n'), {
      name: own.map(({ text }) => text).join(' and '),
      rows: own.map(({ id }) => id),
    });
  }
  return [...found.values()];
}

function closureOf(set: readonly string[], arrows: readonly Arrow[]): Set<string> {
  const reached = new Set(set);
  for (let before = -1; before < reached.size;) {
    before = reached.size;
    for (const { from, to } of arrows) if (from.every((name) => reached.has(name))) reached.add(to);
  }
  return reached;
}

/** The arrows with one head, by the names at their ends. */
function arrowsOf(drawing: Drawing): Arrow[] {
  const names = namesOf(drawing);
  const nameAt = ({ on }: LineEnd) => (on.kind === 'shape' || on.kind === 'row' ? names.get(on.id) : undefined);
  const led = new Map<string, string[]>();
  const bothWays = [...drawing.lines.values()].flatMap(({ from, to }) => [
    { near: from, far: to },
    { near: to, far: from },
  ]);
  for (const { near, far } of bothWays) {
    const name = nameAt(far);
    if (near.on.kind === 'shape' && name !== undefined && far.marks.length === 0)
      led.set(near.on.id, [...(led.get(near.on.id) ?? []), name]);
  }
  return bothWays.flatMap(({ near, far }) => {
    const [own, to] = [nameAt(near), nameAt(far)];
    const from = own !== undefined ? [own] : near.on.kind === 'shape' ? (led.get(near.on.id) ?? []) : [];
    return to === undefined || far.marks.length !== 1 || from.length === 0 ? [] : [{ from: [...new Set(from)], to }];
  });
}

const keyOf = (name: string) => name.trim().toLowerCase();

const textsOf = (shape: Shape) => [shape.text, ...rowsOf(shape).map(({ text }) => text)].map(keyOf);

function namesOf(drawing: Drawing): Map<string, string> {
  const names = new Map<string, string>();
  for (const shape of drawing.shapes.values()) {
    if (shape.text !== '') names.set(shape.id, keyOf(shape.text));
    for (const row of rowsOf(shape)) names.set(row.id, keyOf(row.text));
  }
  return names;
}
