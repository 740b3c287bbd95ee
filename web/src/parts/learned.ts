import type { Schemas } from '../api/client';

/** What a class has learned of the notation it draws in. */
export type Learned = Schemas['WorkOptions'];

/** A notation's name in documents. */
export type NotationName = Learned['notation'];

const titles: Readonly<Record<NotationName, string>> = {
  chen: 'Chen’s notation',
  'crows-foot': 'crow’s foot notation',
  uml: 'UML',
  dependency: 'a dependency diagram',
};

/** What a class has usually learned, with which a part begins when its notation is chosen. */
export const usual: { readonly [Name in NotationName]: Extract<Learned, { notation: Name }> } = {
  chen: {
    notation: 'chen',
    level: 'conceptual',
    doubleLineSaysAll: true,
    counts: 'letters',
    underlinesAreOneKey: true,
  },
  'crows-foot': { notation: 'crows-foot', level: 'conceptual', strokeSaysIdentifying: true },
  uml: { notation: 'uml', level: 'conceptual', aggregationCounts: true },
  dependency: { notation: 'dependency' },
};

/** A notation's name in running text. */
export const notationTitle = (name: NotationName): string => titles[name];

/** What kind of drawing is wanted: "a conceptual diagram in Chen's notation". */
export function wantedDrawing(learned: Learned): string {
  if (learned.notation === 'dependency') return 'a dependency diagram';
  return learned.notation === 'uml'
    ? `a UML class diagram${learned.formal ? ' with types, visibilities and signatures' : ''}`
    : `a ${learned.level ?? 'conceptual'} diagram in ${notationTitle(learned.notation)}`;
}

/** What the class has learned about its notation, a sentence each. */
export function learnedSentences(learned: Learned): string[] {
  switch (learned.notation) {
    case 'chen':
      return [
        learned.counts === 'pairs'
          ? learned.pairsAcross
            ? 'A pair (min,max) counts the entity at its own line.'
            : 'A pair (min,max) says how often the entity at its line takes part.'
          : 'A letter at a line says the most: 1, or many.',
        ...(learned.doubleLineSaysAll
          ? ['A double line says that all take part; a single one, that some may not.']
          : []),
        learned.underlinesAreOneKey
          ? 'Several underlined attributes are one key together.'
          : 'Several underlined attributes are a key each.',
      ];
    case 'uml':
      return [
        ...(learned.unmarkedSetIsOpen ? ['A generalisation without a constraint is incomplete and overlapping.'] : []),
        ...(learned.strictCounts ? ['Multiplicities are spelled as the standard does: 0..1, 1..*.'] : []),
        ...(learned.stereotypes?.length ? [`Stereotypes: ${learned.stereotypes.join(', ')}.`] : []),
      ];
    case 'dependency':
      return [
        'A box is an attribute; an underlined one is part of the key.',
        'An arrow leads from what determines to what is determined; two heads say a set of values.',
        'Several attributes that determine together are gathered, and one arrow leads from there.',
      ];
    case 'crows-foot':
      return [
        ...(learned.strokeSaysIdentifying ? ['A solid line identifies, a dashed line does not.'] : []),
        ...(learned.singleBarIsExactlyOne ? ['A single bar means exactly one.'] : []),
      ];
  }
}
