/** Steps that are done and undone together. Changes in a row with the same merge key become one. */
export interface ChangeOf<S> {
  readonly label: string;
  readonly steps: readonly S[];
  readonly mergeKey?: string;
}

/** A kind of document, for whoever keeps, sends and undoes without knowing what is in it: `D` is its value, `S` a step that changes it. */
export interface DocumentKind<D, S> {
  /** Reads a document that the server has checked. */
  read(text: string): D;
  write(document: D): string;
  /** A document's text as far as it says something: written the same way whoever wrote it. */
  plain(text: string): string;
  /** Throws when a step does not fit what is there. */
  apply(document: D, steps: readonly S[]): D;
  /** The steps that take these back. */
  invert(steps: readonly S[]): S[];
  merge(first: ChangeOf<S>, second: ChangeOf<S>): ChangeOf<S>;
  /** The steps that lead from one document to another. What is the same value in both needs none. */
  stepsBetween(before: D, after: D): S[];
  /** A change with all that follows from it, so that what comes of it can always be written. */
  whole(document: D, change: ChangeOf<S>): ChangeOf<S>;
  /** Why a document that came of another is too large, in a sentence; null when it is not, or was so before. */
  tooMuch(before: D, after: D): string | null;
}
