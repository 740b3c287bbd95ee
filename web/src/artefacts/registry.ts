import type { Artefact } from './artefact';
import { drawing } from './drawing';

/** Everything that people can make in a part, by name. */
const artefacts: ReadonlyMap<string, Artefact> = new Map([drawing].map((one) => [one.name, one]));

/** What is made in parts of a name; all parts so far are drawn. */
export function artefactOf(name = 'drawing'): Artefact {
  const found = artefacts.get(name);
  if (!found) throw new Error(`Nothing is known that is called ${name}.`);
  return found;
}
