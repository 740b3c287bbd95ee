import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyDrawing, type Drawing } from '../src/drawing/document';
import { addShape } from '../src/drawing/edits';
import { type SaveReply } from '../src/keeping/session';
import { readDrawing } from '../src/drawing/format';
import { drawingSession } from '../src/slate/drawings';

/** What can happen, in any order: somebody draws, time passes, and the server answers in one of its ways. */
const happenings = [
  'draw',
  'undo',
  'redo',
  'pass',
  'arrive',
  'lose acknowledgement',
  'away',
  'sign out',
  'resume',
  'flush',
] as const;
type Happening = (typeof happenings)[number];

/** A server of one drawing that keeps the rules of saving: by revision, and once for a save's id. */
class Server {
  revision = 1;
  drawing: Drawing = emptyDrawing;
  private lastSave = '';

  save(drawing: Drawing, revision: number, saveId: string): SaveReply {
    if (saveId === this.lastSave) return { kind: 'saved', revision: this.revision };
    if (revision !== this.revision) return { kind: 'conflict', revision: this.revision, text: '' };
    this.revision++;
    this.drawing = drawing;
    this.lastSave = saveId;
    return { kind: 'saved', revision: this.revision };
  }
}

class World {
  readonly server = new Server();
  private waiting: { drawing: Drawing; revision: number; saveId: string; reply: (reply: SaveReply) => void }[] = [];
  private timers = new Set<() => void>();
  private ids = 0;

  readonly session = drawingSession(emptyDrawing, 1, {
    newSaveId: () => `save${++this.ids}`,
    later: (_, run) => {
      this.timers.add(run);
      return () => this.timers.delete(run);
    },
    save: (text, revision, saveId) =>
      new Promise((reply) => this.waiting.push({ drawing: readDrawing(text), revision, saveId, reply })),
  });

  async happen(what: Happening) {
    const save = this.waiting[0];
    switch (what) {
      case 'draw': {
        const newId = (prefix: string) => `${prefix}${++this.ids}`;
        this.session.do(addShape(this.session.current().document, 'rectangle', 0, 0, newId, `Box ${this.ids}`).change);
        break;
      }
      case 'undo':
        this.session.undo();
        break;
      case 'redo':
        this.session.redo();
        break;
      case 'pass': {
        const due = [...this.timers];
        this.timers.clear();
        for (const run of due) run();
        break;
      }
      case 'resume':
        this.session.resume();
        break;
      case 'flush':
        void this.session.flush();
        break;
      case 'arrive':
        if (save) this.answer(this.server.save(save.drawing, save.revision, save.saveId));
        break;
      case 'lose acknowledgement':
        if (save) {
          this.server.save(save.drawing, save.revision, save.saveId);
          this.answer({ kind: 'unreachable' });
        }
        break;
      case 'away':
        if (save) this.answer({ kind: 'unreachable' });
        break;
      case 'sign out':
        if (save) this.answer({ kind: 'signed-out' });
        break;
    }
    for (let i = 0; i < 4; i++) await Promise.resolve();
  }

  /** The server is well again and the person stays: whatever was under way comes to its end. */
  async settle() {
    for (let i = 0; i < 60 && this.session.current().state !== 'clean'; i++) {
      await this.happen('resume');
      await this.happen('pass');
      await this.happen('arrive');
    }
  }

  private answer(reply: SaveReply) {
    this.waiting.shift()!.reply(reply);
  }
}

const story = fc.array(fc.constantFrom(...happenings), { maxLength: 60 });

describe('whatever happens between a slate and its server', () => {
  it('nothing that was drawn is lost, and no save of one’s own is taken for somebody else’s', async () => {
    await fc.assert(
      fc.asyncProperty(story, async (events) => {
        const world = new World();
        for (const event of events) {
          await world.happen(event);
          expect(world.session.current().state).not.toBe('conflict');
        }
        await world.settle();
        expect(world.session.current().state).toBe('clean');
        expect([...world.server.drawing.shapes.values()]).toEqual([
          ...world.session.current().document.shapes.values(),
        ]);
      }),
      { numRuns: 300 },
    );
  });

  it('“saved” is said only when the server holds exactly what is on the slate', async () => {
    await fc.assert(
      fc.asyncProperty(story, async (events) => {
        const world = new World();
        for (const event of events) {
          await world.happen(event);
          const { state, document: drawing, unsaved } = world.session.current();
          if (state === 'clean') {
            expect(unsaved).toBe(0);
            expect([...world.server.drawing.shapes.keys()]).toEqual([...drawing.shapes.keys()]);
          }
          if (unsaved > 0) expect(state).not.toBe('clean');
        }
      }),
      { numRuns: 300 },
    );
  });

  it('what was done can be undone, back to the empty slate, however the saving went', async () => {
    await fc.assert(
      fc.asyncProperty(story, async (events) => {
        const world = new World();
        for (const event of events) await world.happen(event);
        while (world.session.current().canUndo) world.session.undo();
        expect(world.session.current().document.shapes.size).toBe(0);
        await world.settle();
        expect(world.server.drawing.shapes.size).toBe(0);
      }),
      { numRuns: 150 },
    );
  });
});
