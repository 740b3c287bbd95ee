import type { Schemas } from '../api/client';

export type Learned = Schemas['NotationOptions'] | Schemas['PartDocument'];

const titles: Readonly<Record<string, string>> = {
  chen: 'Chen’s notation',
  'crows-foot': 'crow’s foot notation',
  uml: 'UML',
};

/** A notation's name in running text. */
export const notationTitle = (learned: { notation?: string }): string => titles[learned.notation ?? 'crows-foot'] ?? '';

/** What kind of drawing is wanted: "a conceptual diagram in Chen's notation". */
export const wantedDrawing = (learned: Learned): string =>
  learned.notation === 'uml'
    ? `a UML class diagram${learned.formal ? ' with types, visibilities and signatures' : ''}`
    : `a ${learned.level} diagram in ${notationTitle(learned)}`;

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
    default:
      return [
        ...(learned.strokeSaysIdentifying ? ['A solid line identifies, a dashed line does not.'] : []),
        ...(learned.singleBarIsExactlyOne ? ['A single bar means exactly one.'] : []),
      ];
  }
}
