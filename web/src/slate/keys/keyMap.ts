/** Where a key means something: at a chosen line end, at a chosen row, or on the slate. */
export type KeyPlace = 'end' | 'row' | 'slate';

/** Something that a key does. Its own key is the one that it has unless a person bound another. */
export interface KeyDeed {
  readonly id: string;
  readonly place: KeyPlace;
  readonly key: string;
  readonly says: string;
}

const deed = (place: KeyPlace, key: string, id: string, says: string): KeyDeed => ({ id, place, key, says });

/** Everything that a single key does and that can be bound to another key, in the order in which it is shown. */
export const deeds: readonly KeyDeed[] = [
  deed('slate', ' ', 'symbols', 'the symbols, at the pointer or the chalk point'),
  deed('slate', 'e', 'box', 'a box'),
  deed('slate', 'n', 'note', 'a note'),
  deed('slate', 'r', 'rounded', 'a rounded box'),
  deed('slate', 'v', 'oval', 'an oval; tied to the chosen shape'),
  deed('slate', 'd', 'diamond', 'a diamond; between the chosen boxes, or into a line between two'),
  deed('slate', 'o', 'circle', 'a circle; below the first of the chosen boxes, tied to all'),
  deed('slate', 'q', 'half-circle', 'a half circle, likewise'),
  deed('slate', 'w', 'diamond-box', 'a diamond in a box'),
  deed('slate', 'a', 'ball', 'a ball'),
  deed('slate', 'j', 'junction', 'a junction'),
  deed('slate', 'l', 'line', 'a line from the chosen box; then a box and Enter'),
  deed('slate', 'c', 'chalk-point', 'the chalk point: arrows move it, a symbol’s key draws there'),
  deed('slate', 'g', 'gather', 'keep what is chosen, and go on to another'),
  deed('slate', '/', 'find', 'find something by its name'),
  deed('slate', 'f', 'line-text', 'at a line: write its own text'),
  deed('slate', 's', 'stroke', 'at a line or its end: the next stroke'),
  deed('slate', 'u', 'cup', 'at lines: a cup, turned, none'),
  deed('slate', 'p', 'pointer', 'at lines: which way the text is read'),
  deed('slate', 'y', 'underline-shape', 'at a shape: underline'),
  deed('slate', 'i', 'italic-shape', 'at a shape: italics'),
  deed('slate', 'x', 'outline', 'at a box: single, double, dashed outline'),
  deed('slate', ';', 'comment', 'a comment on what is chosen'),
  deed('slate', '{', 'sheet-before', 'the sheet before'),
  deed('slate', '}', 'sheet-after', 'the next sheet'),
  deed('slate', 't', 'tidy', 'tidy up what is chosen, or all'),
  deed('slate', 'k', 'pin', 'keep what is chosen in its place while tidying up'),
  deed('slate', '[', 'end-before', 'the line end before, round a box; at a line its other end'),
  deed('slate', ']', 'end-after', 'the line end after, round a box; at a line its other end'),
  deed('slate', '<', 'row-before', 'the row before, in a box'),
  deed('slate', '>', 'row-after', 'the row after, in a box'),
  deed('slate', '+', 'nearer', 'nearer'),
  deed('slate', '-', 'farther', 'farther'),
  deed('slate', 'h', 'all', 'show all'),
  deed('slate', ',', 'back', 'back to where one was before one followed a line out of sight'),
  deed('end', '0', 'least-none', 'least: none'),
  deed('end', '1', 'least-one', 'least: one'),
  deed('end', '-', 'least-unsaid', 'least: unsaid'),
  deed('end', 'i', 'most-one', 'most: one'),
  deed('end', 'm', 'most-many', 'most: many'),
  deed('end', '.', 'most-unsaid', 'most: unsaid'),
  deed('end', 'y', 'tip', 'the next end symbol of the notation'),
  deed('end', 'o', 'other-end', 'the other end of its line'),
  deed('end', 'g', 'role', 'write its role'),
  deed('end', 'b', 'count', 'write its number'),
  deed('end', 'q', 'qualifier', 'write its qualifier'),
  deed('row', 'p', 'mark-key', 'PK'),
  deed('row', 'f', 'mark-foreign', 'FK'),
  deed('row', 'a', 'mark-alternate', 'AK1'),
  deed('row', 'w', 'mark-partial', 'PPK'),
  deed('row', 'o', 'ring', 'the ring: optional'),
  deed('row', 'u', 'underline', 'the underline'),
  deed('row', 'i', 'italic', 'italics'),
];

/** The keys that a person bound, by deed. */
export type OwnKeys = Readonly<Record<string, string>>;

export const keyOf = (own: OwnKeys, one: KeyDeed): string => own[one.id] ?? one.key;

/** The deed that a pressed key stands for, looked for at the nearest place first; null when it stands for none. */
export function deedOf(own: OwnKeys, key: string, places: readonly KeyPlace[]): KeyDeed | null {
  const pressed = key === '=' && !Object.values(own).includes('=') ? '+' : key;
  for (const place of places) {
    const found = deeds.find((one) => one.place === place && keyOf(own, one) === pressed);
    if (found) return found;
  }
  return null;
}

/** A letter, digit or sign; named keys such as Enter, and the one that shows this list, always do the same. */
const isBindable = (key: string) => [...key].length === 1 && key !== '?';

/** Binds a key to a deed, or says in words why it cannot be. */
export function bind(own: OwnKeys, one: KeyDeed, key: string): { own: OwnKeys } | { refusal: string } {
  if (!isBindable(key)) return { refusal: `${nameOf(key)} always does the same and cannot be bound.` };
  const taken = deeds.find((other) => other !== one && other.place === one.place && keyOf(own, other) === key);
  if (taken) return { refusal: `${nameOf(key)} is taken: ${taken.says}. Give that another key first.` };
  const { [one.id]: before, ...others } = own;
  void before;
  return { own: key === one.key ? others : { ...others, [one.id]: key } };
}

/** A key for people. */
export const nameOf = (key: string): string => (key === ' ' ? 'Space' : key);

const stored = 'blue-slate-keys';

/** The keys that this browser keeps; all as they came where what is kept would make a key mean two things. */
export function readOwnKeys(storage: Pick<Storage, 'getItem'>): OwnKeys {
  let kept: unknown;
  try {
    kept = JSON.parse(storage.getItem(stored) ?? '{}');
  } catch {
    return {};
  }
  const given = (typeof kept === 'object' && kept !== null ? kept : {}) as Record<string, unknown>;
  const own = Object.fromEntries(
    deeds.flatMap(({ id }) => {
      const key = given[id];
      return typeof key === 'string' && isBindable(key) ? [[id, key]] : [];
    }),
  );
  return deeds.every((one) => deedOf(own, keyOf(own, one), [one.place]) === one) ? own : {};
}

export const writeOwnKeys = (storage: Pick<Storage, 'setItem'>, own: OwnKeys) =>
  storage.setItem(stored, JSON.stringify(own));
