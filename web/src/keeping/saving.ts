import { api, isProblem, must } from '../api/client';
import type { SaveReply, SessionPorts } from './session';
import { allKept, letGo, type Kept, type Kind } from './store';

interface Save {
  readonly revision: number;
  readonly saveId: string;
  readonly text: string;
}

/** The endpoint that saves a document of each kind. */
const sends: Readonly<Record<Kind, (id: string, save: Save) => Promise<{ revision: number }>>> = {
  work: (id, { revision, saveId, text }) =>
    must(
      api.PUT('/api/study/work/{id}/drawing', { params: { path: { id } }, body: { revision, saveId, drawing: text } }),
    ),
  model: (id, { revision, text }) =>
    must(api.PUT('/api/parts/{id}/model', { params: { path: { id } }, body: { revision, text } })),
};

/** Runs something later; gives back how to call it off. */
export function later(milliseconds: number, run: () => void): () => void {
  const timer = window.setTimeout(run, milliseconds);
  return () => window.clearTimeout(timer);
}

/** The ports of a session of a document. */
export const portsOf = (kind: Kind, id: string): SessionPorts => ({
  newSaveId: () => crypto.randomUUID(),
  later,
  save: (text, revision, saveId) => save(kind, id, { revision, saveId, text }),
});

async function save(kind: Kind, id: string, body: Save): Promise<SaveReply> {
  try {
    return { kind: 'saved', revision: (await sends[kind](id, body)).revision };
  } catch (error) {
    return refusalOf(error);
  }
}

function refusalOf(error: unknown): SaveReply {
  if (!isProblem(error) || error.status >= 500 || error.status === 429) return { kind: 'unreachable' };
  if (error.status === 401) return { kind: 'signed-out' };
  if (error.code === 'conflict') {
    const current = error.current as { revision: number; drawing?: string; text?: string };
    return { kind: 'conflict', revision: current.revision, text: current.drawing ?? current.text ?? '' };
  }
  if (error.status === 409) return { kind: 'closed', reason: error.detail };
  return { kind: 'refused', reason: error.detail };
}

/**
 * Sends what this browser holds of an account, and lets go of what has arrived. Gives back what is still held: the server is away,
 * or a person has to choose between it and another. `plain` writes a document the same way whoever wrote it.
 */
export async function sendKept(account: string, plain: (text: string) => string): Promise<Kept[]> {
  const rest: Kept[] = [];
  for (const kept of await allKept(account).catch((): Kept[] => [])) {
    const { kind, document, revision, drawing } = kept;
    const reply: SaveReply | null =
      revision === 0 ? null : await save(kind, document, { revision, saveId: crypto.randomUUID(), text: drawing });
    const arrived =
      reply?.kind === 'saved' || (reply?.kind === 'conflict' && reply.text && plain(reply.text) === plain(drawing));
    if (arrived) await letGo(account, document);
    else rest.push(kept);
  }
  return rest;
}
