import { Sheet } from '../ui/Sheet';

const keys: readonly (readonly [string, string])[] = [
  ['press on empty slate, Space', 'the symbols, at that place'],
  ['e, n, r', 'a box, a note, a rounded box where the pointer is'],
  ['press an edge, then a box', 'a line; or pull it there; or l, then a box and Enter'],
  ['Enter', 'go in: write in a box, choose an end of a line'],
  ['Esc', 'go out; while writing, done'],
  ['arrows', 'to the nearest box; with Shift, move what is chosen'],
  ['[ and ]', 'walk the line ends at a box'],
  ['at an end: 0, 1, -', 'least: none, one, unsaid'],
  ['at an end: i, m, .', 'most: one, many, unsaid'],
  ['at an end: Enter, g', 'write its verb, its role'],
  ['at a row: p, f, a, w, o, u', 'PK, FK, AK1, PPK, the ring, the underline'],
  ['s', 'at a line: solid, dashed, double'],
  ['x', 'at a box: single, double, dashed outline'],
  ['Ctrl Z, Ctrl Y', 'undo, redo'],
  ['Ctrl C, X, V, D, A', 'copy, cut, paste, duplicate, choose all'],
  ['+, -, h', 'nearer, farther, show all'],
];

/** The keys of the slate. */
export function KeyHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Sheet open={open} onClose={onClose} title="Keys of the slate">
      <dl className="key-list">
        {keys.map(([key, says]) => (
          <div key={key}>
            <dt>{key}</dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
