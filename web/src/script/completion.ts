import type { Drawing } from '../slate/document';
import { rowsOf } from '../slate/document';

/** The words that completion may offer: names and verbs of one's own drawing, and phrases that one marked. */
export function ownWords(drawing: Drawing): string[] {
  const words = new Set<string>();
  for (const shape of drawing.shapes.values()) {
    words.add(shape.text.replace(/^(?:\s*«[^»]*»\s*)+/, ''));
    for (const row of rowsOf(shape)) words.add(row.text.replace(/[:([=].*$/, '').replace(/^[-+#~/ ]+/, ''));
  }
  for (const line of drawing.lines.values())
    for (const text of [line.text, line.from.label, line.to.label, line.from.role, line.to.role]) words.add(text);
  for (const tie of drawing.ties.values()) words.add(tie.quote);
  return [...words].map((word) => word.trim()).filter((word) => word.length > 1 && !word.includes('\n'));
}

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
