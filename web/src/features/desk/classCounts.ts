import type { Schemas } from '../../api/client';

/** What a class has at one element of the model answer: its facts that somebody does not have, and who they are. */
export interface ElementCount {
  readonly element: string;
  readonly facts: readonly Schemas['FactCountReply'][];
  readonly amiss: readonly number[];
}

/** At each element where at least so many answers have something else or nothing. */
export function countsOf(picture: Schemas['ClassPictureReply'], least: number): ReadonlyMap<string, ElementCount> {
  const facts = new Map<string, Schemas['FactCountReply'][]>();
  for (const fact of picture.facts) {
    const told = {
      ...fact,
      otherwise: fact.otherwise.filter(({ works }) => works.length >= least),
      absent: fact.absent.length >= least ? fact.absent : [],
    };
    if (told.otherwise.length + told.absent.length > 0)
      facts.set(fact.concept, [...(facts.get(fact.concept) ?? []), told]);
  }
  return new Map(
    [...facts].map(([element, own]) => [
      element,
      {
        element,
        facts: own,
        amiss: [...new Set(own.flatMap((fact) => [...fact.absent, ...fact.otherwise.flatMap(({ works }) => works)]))],
      },
    ]),
  );
}
