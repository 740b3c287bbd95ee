import type { Schemas } from '../api/client';
import { usual, type NotationName } from './learned';
import { show } from '../ui/marks';
import type { PartTab } from './PartTabs';

const short: Readonly<Record<NotationName, string>> = {
  chen: 'Chen',
  'crows-foot': 'Crow’s foot',
  uml: 'UML class diagram',
  dependency: 'Dependency diagram',
};

/** What is wanted in a part, in a few words. */
export function partLine(part: Schemas['StudentPart'] | Schemas['PartDocument']) {
  const learned = part.learned ?? usual['crows-foot'];
  const level = 'level' in learned && learned.notation !== 'uml' ? `, ${learned.level ?? 'conceptual'}` : '';
  return `${short[learned.notation]}${level}, ${show(part.marks ?? '0')} marks`;
}

/** What is wanted in all parts of an exercise. */
export const partsLine = (parts: readonly (Schemas['StudentPart'] | Schemas['PartDocument'])[]) =>
  parts.map((part) => partLine(part)).join('; ');

/** A part in the row of parts. */
export const tabOf = (id: string, part: Schemas['StudentPart'] | Schemas['PartDocument']): PartTab => ({
  id,
  title: part.title ?? '',
  line: partLine(part),
});
