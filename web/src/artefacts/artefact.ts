import type { ComponentType } from 'react';
import type { Differing } from '../drawing/whatDiffers';

/** What a document holds: how much of what, and what its things are called. */
export interface Contents {
  readonly counts: readonly string[];
  readonly names: readonly string[];
}

export interface StillProps {
  readonly document: string;
  readonly label: string;
}

/**
 * What people make in a part, such as a drawing, for pages that know nothing of its inside: its documents go by their text. The pages on which it is made and marked are its own.
 */
export interface Artefact {
  readonly name: string;
  /** A document's text as far as it says something: written the same way whoever wrote it. */
  plain(text: string): string;
  /** What it holds; nothing where nothing was made yet. */
  contents(text: string): Contents | null;
  /** In what two states of one document differ. */
  differing(here: string, there: string): Differing;
  /** A document that is only looked at. Another one wants another key. */
  readonly Still: ComponentType<StillProps>;
}
