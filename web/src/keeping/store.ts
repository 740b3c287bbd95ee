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

/** What is held of a document, or null. */
export const keptOf = async (account: string, document: string): Promise<Kept | null> =>
  (await (await database()).get('drawings', [account, document])) ?? null;

/** All that is held of an account. What was kept before drawings had names has none. */
export const allKept = async (account: string): Promise<Kept[]> =>
  (await (await database()).getAllFromIndex('drawings', 'account', account)).map((kept) => ({
    ...{ kind: 'work' as const, title: 'a drawing' },
    ...kept,
  }));

/** Lets go of a document, once the server has it. */
export const letGo = async (account: string, document: string): Promise<void> =>
  (await database()).delete('drawings', [account, document]);
