import type { AlongMark, EndMark } from '../drawing/document';
import type { Point } from '../geometry/boxes';

/** The symbols of line ends, from the data files that every painter reads. */
export interface EndSymbol {
  readonly name: EndMark;
  readonly says: string;
  readonly notations: readonly string[];
  /** Its turn among the symbols of its notation; those without one come last. */
  readonly rank?: number;
  readonly depth: number;
  readonly paths?: readonly string[];
  readonly circles?: readonly { readonly x: number; readonly r: number }[];
  readonly filled?: readonly string[];
  readonly hollow?: readonly string[];
}

const files = import.meta.glob<EndSymbol>('../../../symbols/ends/*.json', { eager: true, import: 'default' });

export const endSymbols: ReadonlyMap<EndMark, EndSymbol> = new Map(
  Object.values(files).map((symbol) => [symbol.name, symbol]),
);

/** A symbol that stands on a line between its ends; its own axis leads to the end to which it is turned. */
export interface AlongSymbol {
  readonly name: AlongMark;
  readonly says: string;
  readonly notations: readonly string[];
  readonly paths?: readonly string[];
}

const alongFiles = import.meta.glob<AlongSymbol>('../../../symbols/along/*.json', { eager: true, import: 'default' });

export const alongSymbols: ReadonlyMap<AlongMark, AlongSymbol> = new Map(
  Object.values(alongFiles).map((symbol) => [symbol.name, symbol]),
);

/** The marks with the distance from the box at which each is drawn. A ring behind a foot stands clear of its toes. */
export function placeMarks(marks: readonly EndMark[]): { symbol: EndSymbol; at: number }[] {
  let at = marks[0] === 'bar' ? 4 : marks[0] === 'ring' ? 6 : 0;
  return marks.map((mark) => {
    const symbol = endSymbols.get(mark)!;
    const placed = { symbol, at };
    at += symbol.depth + 1;
    return placed;
  });
}

/** How far from the box the marks of an end reach. */
export function reachOf(marks: readonly EndMark[]): number {
  const last = placeMarks(marks).at(-1);
  return last ? last.at + last.symbol.depth : 0;
}

/** Where the marks of an end begin, and which way they lead. */
export interface Stand {
  readonly point: Point;
  readonly direction: Point;
}

/** A point of a symbol, whose own axis leads away from the box, where the end lies. */
export const standAt = ({ point, direction }: Stand, along: number, across: number): Point => ({
  x: point.x + direction.x * along - direction.y * across,
  y: point.y + direction.y * along + direction.x * across,
});

/**
 * A symbol's path, moved and turned to where the end lies. Symbols use absolute `M L H V C Q Z`; the result holds no transform,
 * since every transform in a picture costs the browser a layer to think about.
 */
export function standPath(d: string, at: number, stand: Stand): string {
  let [x, y] = [0, 0];
  const turned = [...d.matchAll(/([MLHVCQZ])([^MLHVCQZ]*)/g)].map(([, command, rest]) => {
    const numbers = rest!.match(/-?\d*\.?\d+/g)?.map(Number) ?? [];
    const flat = command === 'H' ? [numbers[0]!, y] : command === 'V' ? [x, numbers[0]!] : numbers;
    const points: string[] = [];
    for (let i = 0; i + 1 < flat.length; i += 2) {
      [x, y] = [flat[i]!, flat[i + 1]!];
      const to = standAt(stand, at + x, y);
      points.push(`${round(to.x)} ${round(to.y)}`);
    }
    return (command === 'H' || command === 'V' ? 'L' : command) + points.join(' ');
  });
  return turned.join('');
}

const round = (n: number) => Math.round(n * 100) / 100;
