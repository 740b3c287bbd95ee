import type { Schemas } from '../api/client';
import type { Learned } from '../ui/learned';
import { show } from '../ui/marks';
import type { PartTab } from './PartTabs';

const short: Readonly<Record<string, string>> = { chen: 'Chen', 'crows-foot': 'Crow’s foot', uml: 'UML class diagram' };

/** What is wanted in a part, in a few words. */
export function partLine(part: Schemas['StudentPart'] | Schemas['PartDocument']) {
  const learned: Learned = 'learned' in part ? part.learned : part;
  const level = learned.notation === 'uml' ? '' : `, ${learned.level}`;
  return `${short[learned.notation ?? 'crows-foot']}${level}, ${show(part.marks ?? '0')} marks`;
}

/** A part in the row of parts. */
export const tabOf = (id: string, part: Schemas['StudentPart'] | Schemas['PartDocument']): PartTab => ({
  id,
  title: part.title ?? '',
  line: partLine(part),
});
