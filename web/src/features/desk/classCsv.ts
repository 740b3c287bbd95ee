import type { Schemas } from '../../api/client';
import { valueOf } from '../../ui/marks';

const cell = (text: string | number) => {
  const written = String(text);
  // What begins like a formula is text, whatever opens the file.
  const safe = /^[=+\-@\t\r]/.test(written) && typeof text === 'string' ? `'${written}` : written;
  return /[",\n\r]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
};

/** The counts of a class as a table: what, where, what is drawn, how many answers. */
export function csvOf(picture: Schemas['ClassPictureReply']): string {
  const rows: (string | number)[][] = [['of', 'what', 'wanted', 'drawn', 'answers']];
  const all = picture.works.length - picture.byVariant.length;
  for (const fact of picture.facts) {
    const amiss = fact.absent.length + fact.otherwise.reduce((sum, { works }) => sum + works.length, 0);
    rows.push(['fact', fact.title, fact.value, 'as wanted', all - amiss]);
    for (const { drawn, works } of fact.otherwise) rows.push(['fact', fact.title, fact.value, drawn, works.length]);
    if (fact.absent.length > 0) rows.push(['fact', fact.title, fact.value, 'not drawn', fact.absent.length]);
  }
  for (const { kind, name, places } of picture.extras)
    rows.push(['besides', kind, '', name, new Set(places.map(({ work }) => work)).size]);
  for (const { title, marks, share } of picture.lines)
    rows.push(['line', title, valueOf(marks), Math.round(valueOf(share) * 1000) / 1000, picture.works.length]);
  for (const { title, works } of picture.kinds) rows.push(['finding', title, '', '', works.length]);
  return rows.map((row) => row.map(cell).join(',')).join('\r\n') + '\r\n';
}
