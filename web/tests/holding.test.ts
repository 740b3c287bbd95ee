import { describe, expect, it } from 'vitest';
import { emptyDrawing } from '../src/drawing/document';
import { addShape } from '../src/drawing/edits';
import { holdUnsent } from '../src/keeping/holding';
import { type SaveReply } from '../src/keeping/session';
import { drawingSession } from '../src/slate/drawings';

/** Somebody at a drawing, a browser that can hold it, and a server that answers when it is told to. */
function world() {
  const timers = new Set<() => void>();
  const later = (_: number, run: () => void) => {
    timers.add(run);
    return () => void timers.delete(run);
  };
  const replies: ((reply: SaveReply) => void)[] = [];
  let ids = 0;
  const session = drawingSession(emptyDrawing, 1, {
    newSaveId: () => `save${++ids}`,
    later,
    save: () => new Promise((reply) => replies.push(reply)),
  });
  const written: string[] = [];
  const holding = holdUnsent(
    session,
    {
      hold: () => written.push(session.current().state),
      holdAtOnce: () => written.push(`${session.current().state} at once`),
      letGo: () => written.push('gone'),
    },
    later,
  );
  written.length = 0;
  return {
    session,
    holding,
    written,
    draw: () => session.do(addShape(session.current().document, 'rectangle', 0, 0, () => `id${++ids}`, 'Box').change),
    pass: () => {
      for (const run of [...timers]) if (timers.delete(run)) run();
    },
    reply: async (reply: SaveReply) => {
      replies.shift()!(reply);
      await Promise.resolve();
    },
  };
}

describe('what a browser holds', () => {
  it('is written soon after a change, and let go of once the server has it', async () => {
    const { session, holding, written, draw, pass, reply } = world();
    draw();
    pass();
    expect(written).toEqual(['dirty']);
    const sent = session.flush();
    await reply({ kind: 'saved', revision: 2 });
    await sent;
    expect(written).toEqual(['dirty', 'gone']);
    holding.now();
    pass();
    expect(written).toEqual(['dirty', 'gone']);
  });

  it('is held at once whenever the page may end, as long as the server does not have it', () => {
    const { holding, written, draw, pass } = world();
    holding.now();
    expect(written).toEqual([]);
    draw();
    pass();
    holding.now();
    expect(written).toEqual(['dirty', 'sending at once']);
  });

  it('is never written again after leaving, however late the server turns out to be away', async () => {
    const { holding, written, draw, pass, reply } = world();
    draw();
    const left = holding.leave();
    expect(written).toEqual(['dirty']);
    pass();
    await reply({ kind: 'unreachable' });
    await left;
    pass();
    expect(written).toEqual(['dirty']);
  });

  it('is let go of when what was sent on leaving has arrived', async () => {
    const { holding, written, draw, reply } = world();
    draw();
    const left = holding.leave();
    await reply({ kind: 'saved', revision: 2 });
    await left;
    expect(written).toEqual(['dirty', 'gone']);
  });

  it('says that a person has to choose when leaving met another drawing', async () => {
    const { holding, written, draw, reply } = world();
    draw();
    const left = holding.leave();
    await reply({ kind: 'conflict', revision: 5, text: '' });
    await left;
    expect(written).toEqual(['dirty', 'conflict']);
  });
});
