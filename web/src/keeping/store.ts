import { openDB, type IDBPDatabase } from 'idb';

/** Whose drawing it is: of the work on a part of an answer, or of the model answer of a part. */
export type Kind = 'work' | 'model';

/** A drawing that this browser holds until the server has acknowledged it. */
export interface Kept {
  /** Whose it is. It is never shown to another account. */
  readonly account: string;
  /** Which drawing: the id of the work, or of the part whose model answer it is. */
  readonly document: string;
  readonly kind: Kind;
  /** What people call it. */
  readonly title: string;
  /** The revision that it started from; 0 while a person has still to choose between it and another. */
  readonly revision: number;
  /** What was sent last and not acknowledged: it may have arrived all the same. */
  readonly sent: string | null;
  /** The drawing in the document format. */
  readonly drawing: string;
  /** When it was held, in milliseconds since 1970 by this browser's clock. */
  readonly at: number;
}

/** A type, not an interface: the library wants one without further properties. */
type Schema = { drawings: { key: [string, string]; value: Kept; indexes: { account: string } } };

let opened: Promise<IDBPDatabase<Schema>> | null = null;

const database = () =>
  (opened ??= openDB<Schema>('blue-slate', 1, {
    upgrade(created) {
      created.createObjectStore('drawings', { keyPath: ['account', 'document'] }).createIndex('account', 'account');
    },
    terminated() {
      opened = null;
    },
  }));

/** Holds a drawing, in place of what was held of the same document. */
export const keep = async (kept: Kept): Promise<void> => void (await (await database()).put('drawings', kept));

/**
 * Holds a drawing while the page is about to end, when the store may not come to it any more: in a place that is written at once.
 * What is too large for it, the store alone has.
 */
export function keepAtOnce(kept: Kept) {
  keep(kept).catch(noPlace);
  try {
    localStorage.setItem(leavingOf(kept.account) + kept.document, JSON.stringify(kept));
  } catch {
    noPlace();
  }
}

/** What is held of a document, or null. */
export const keptOf = async (account: string, document: string): Promise<Kept | null> =>
  (await allKept(account)).find((kept) => kept.document === document) ?? null;

/** All that is held of an account, of each document what was held last. */
export async function allKept(account: string): Promise<Kept[]> {
  const stored = await (await database()).getAllFromIndex('drawings', 'account', account);
  const all = [...stored, ...leftBy(account)].map((kept) => ({ ...older, ...kept }));
  const last = new Map<string, Kept>();
  for (const kept of all) if (kept.at >= (last.get(kept.document)?.at ?? 0)) last.set(kept.document, kept);
  return [...last.values()];
}

/** Lets go of a document, once the server has it. */
export async function letGo(account: string, document: string): Promise<void> {
  localStorage.removeItem(leavingOf(account) + document);
  await (await database()).delete('drawings', [account, document]);
}

// A browser without a place to hold things, in private mode say, draws all the same: the server is then the only keeper.
export const noPlace = () => undefined;

// What was kept before drawings had names, or were dated, has neither.
const older: Pick<Kept, 'kind' | 'title' | 'at'> = { kind: 'work', title: 'a drawing', at: 0 };

const leavingOf = (account: string) => `blue-slate-leaving ${account} `;

/** What was held as pages of an account ended. */
const leftBy = (account: string): Kept[] =>
  Object.keys(localStorage)
    .filter((place) => place.startsWith(leavingOf(account)))
    .map((place) => JSON.parse(localStorage.getItem(place)!) as Kept);
