/**
 * A text that is being written and was not saved yet, held in this browser so that it outlives the page. One for each account and
 * document; none where the browser offers no place.
 */
export interface Draft {
  /** The revision that it started from. */
  readonly revision: number;
  readonly text: string;
}

const keyOf = (account: string, document: string) => `blue-slate-draft ${account} ${document}`;

export function draftOf(account: string, document: string): Draft | null {
  try {
    const held: unknown = JSON.parse(localStorage.getItem(keyOf(account, document)) ?? 'null');
    const { revision, text } = (typeof held === 'object' && held !== null ? held : {}) as Partial<Draft>;
    return typeof revision === 'number' && typeof text === 'string' ? { revision, text } : null;
  } catch {
    return null;
  }
}

export function holdDraft(account: string, document: string, draft: Draft) {
  try {
    localStorage.setItem(keyOf(account, document), JSON.stringify(draft));
  } catch {
    // The page itself is then the only keeper.
  }
}

export function dropDraft(account: string, document: string) {
  try {
    localStorage.removeItem(keyOf(account, document));
  } catch {
    // There is none.
  }
}
