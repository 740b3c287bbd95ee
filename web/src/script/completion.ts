import type { Drawing } from '../drawing/document';
import { rowsOf } from '../drawing/document';

/**
 * The words that completion may offer: names and verbs of one's own drawing, and phrases that one marked. Names of shapes come
 * first, and of what begins alike the shorter: whoever wants the longer one types on.
 */
export function ownWords(drawing: Drawing): string[] {
  const shapes = [...drawing.shapes.values()];
  const lines = [...drawing.lines.values()];
  return [
    ...tidy(shapes.map((shape) => shape.text.replace(/^(?:\s*«[^»]*»\s*)+/, ''))),
    ...tidy([
      ...lines.flatMap((line) => [line.text, line.from.label, line.to.label, line.from.role, line.to.role]),
      ...shapes.flatMap((shape) =>
        rowsOf(shape).map((row) => row.text.replace(/[:([=].*$/, '').replace(/^[-+#~/ ]+/, '')),
      ),
      ...[...drawing.ties.values()].map((tie) => tie.quote),
    ]),
  ];
}

const tidy = (words: readonly string[]): string[] =>
  [...new Set(words.map((word) => word.trim()).filter((word) => word.length > 1 && !word.includes('\n')))].sort(
    (a, b) => a.length - b.length,
  );

/** What would complete the text before the caret: the rest of the first own word that begins as what was typed last. */
export function completionOf(before: string, words: readonly string[]): string | null {
  const line = before.slice(before.lastIndexOf('\n') + 1);
  for (let start = Math.max(0, line.length - 40); start < line.length; start++) {
    if (start > 0 && /[\p{L}\d]/u.test(line[start - 1]!)) continue;
    const typed = line.slice(start).toLowerCase();
    if (typed.trim().length < 2) continue;
    const found = words.find((word) => word.length > typed.length && word.toLowerCase().startsWith(typed));
    if (found) return found.slice(typed.length);
  }
  return null;
}
