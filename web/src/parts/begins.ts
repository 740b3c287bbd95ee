import type { Schemas } from '../api/client';

type With = Schemas['BeginsWith'];

/**
 * What is on the slate when a part is begun, as it is told to whoever draws; null where that is nothing. Across says what of an earlier drawing is
 * taken where that was of another kind.
 */
export function beginsTold(
  begins: With | undefined,
  part: number | null | undefined,
  across: 'tables' | 'attributes' | null = null,
): string | null {
  switch (begins) {
    case 'own-drawing':
      if (across === 'tables') return `You begin with the tables of the last stage that you drew in part ${part}.`;
      if (across === 'attributes') return `You begin with the attributes that you drew in part ${part}, a box each.`;
      return `You begin with your drawing of part ${part}; what was amiss there costs nothing again.`;
    case 'model-answer':
      return `You begin with the model answer of part ${part}, which is closed when you ask for it.`;
    case 'given-drawing':
      return 'A drawing is given to begin with.';
    default:
      return null;
  }
}

/** The same as one of the choices of whoever sets it. */
export function beginsChoice(begins: With | undefined, part: number | null | undefined): string {
  switch (begins) {
    case 'own-drawing':
      return `their own drawing of part ${part}`;
    case 'model-answer':
      return `the model answer of part ${part}, which is closed then`;
    case 'given-drawing':
      return 'a drawing that is given';
    default:
      return 'nothing';
  }
}
