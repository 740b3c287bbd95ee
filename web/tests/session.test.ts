import { describe, expect, it } from 'vitest';
import { emptyDrawing, type Drawing } from '../src/drawing/document';
import { addShape, changeShape, move } from '../src/drawing/edits';
import { type SaveReply } from '../src/keeping/session';
import { readDrawing } from '../src/drawing/format';
import { drawings, drawingSession } from '../src/slate/drawings';

/** Ports of which a test decides when time passes and what the server says. */
class Bench {
  readonly sent: { text: string; drawing: Drawing; revision: number; saveId: string }[] = [];
  private replies: ((reply: SaveReply) => void)[] = [];
  private timers = new Set<{ run: () => void }>();
  private ids = 0;

  readonly session = drawingSession(emptyDrawing, 1, {
    newSaveId: () => `save${++this.ids}`,
    later: (_, run) => {
      const timer = { run };
      this.timers.add(timer);
      return () => this.timers.delete(timer);
    },
    save: (text, revision, saveId) => {
      this.sent.push({ text, drawing: readDrawing(text), revision, saveId });
      return new Promise((resolve) => this.replies.push(resolve));
    },
  });

  draw(text = 'Visit') {
    const { change } = addShape(
      this.session.current().document,
      'rectangle',
      0,
      0,
      (prefix) => `${prefix}${++this.ids}`,
      text,
    );
    this.session.do(change);
  }

  pass() {
    const due = [...this.timers];
    this.timers.clear();
    for (const timer of due) timer.run();
  }

  async answer(reply: SaveReply) {
    this.replies.shift()!(reply);
    for (let turn = 0; turn < 8; turn++) await Promise.resolve();
  }

  get state() {
    return this.session.current().state;
  }
}

describe('a drawing session', () => {
  it('says clean only after an acknowledgement', async () => {
    const bench = new Bench();
    bench.draw();
    expect(bench.state).toBe('dirty');
    bench.pass();
    expect(bench.state).toBe('sending');
    await bench.answer({ kind: 'saved', revision: 2 });
    expect(bench.state).toBe('clean');
    expect(bench.session.acknowledged).toBe(2);
  });

  it('keeps what is drawn while a save is under way, and sends it next', async () => {
    const bench = new Bench();
    bench.draw();
    bench.pass();
    bench.draw('Item');
    await bench.answer({ kind: 'saved', revision: 2 });
    expect(bench.state).toBe('dirty');
    expect(bench.session.current().unsaved).toBe(1);
    bench.pass();
    expect(bench.sent[1]!.drawing.shapes.size).toBe(2);
    expect(bench.sent[1]!.revision).toBe(2);
  });

  it('sends an unacknowledged save again as it was, under the same id', async () => {
    const bench = new Bench();
    bench.draw();
    bench.pass();
    await bench.answer({ kind: 'unreachable' });
    expect(bench.state).toBe('offline');
    bench.draw('Item');
    bench.pass();
    expect(bench.sent[1]!.saveId).toBe(bench.sent[0]!.saveId);
    expect(bench.sent[1]!.text).toBe(bench.sent[0]!.text);
    await bench.answer({ kind: 'saved', revision: 2 });
    expect(bench.state).toBe('dirty');
  });

  it('stops at a conflict until a person has chosen', async () => {
    const bench = new Bench();
    bench.draw();
    bench.pass();
    await bench.answer({ kind: 'conflict', revision: 7, text: drawings.write(emptyDrawing) });
    expect(bench.state).toBe('conflict');
    bench.draw('Item');
    bench.pass();
    expect(bench.sent).toHaveLength(1);
    bench.session.keepMine(7);
    bench.pass();
    expect(bench.sent[1]!.revision).toBe(7);
    expect(bench.sent[1]!.drawing.shapes.size).toBe(2);
  });

  it('takes no drawing of its own for somebody else’s when it arrives late', async () => {
    const before = new Bench();
    before.draw('Visit');
    const onItsWay = drawings.write(before.session.current().document);
    before.draw('Item');
    const bench = new Bench();
    bench.session.takeUp(drawings.write(before.session.current().document), null, onItsWay);
    bench.pass();
    await bench.answer({ kind: 'conflict', revision: 2, text: onItsWay });
    expect(bench.state).toBe('dirty');
    bench.pass();
    expect(bench.sent[1]).toMatchObject({ revision: 2, text: bench.sent[0]!.text });
    await bench.answer({ kind: 'conflict', revision: 3, text: bench.sent[0]!.text });
    expect(bench.state).toBe('clean');
    expect(bench.session.acknowledged).toBe(3);
  });

  it('waits for a signature when the session has run out, and loses nothing', async () => {
    const bench = new Bench();
    bench.draw();
    bench.pass();
    await bench.answer({ kind: 'signed-out' });
    expect(bench.state).toBe('signed-out');
    bench.session.resume();
    bench.pass();
    await bench.answer({ kind: 'saved', revision: 2 });
    expect(bench.state).toBe('clean');
  });

  it('changes nothing any more once it is closed', () => {
    const bench = new Bench();
    bench.session.close();
    bench.draw();
    expect(bench.session.current().document).toBe(emptyDrawing);
  });

  it('undoes and redoes everything, back to the very drawing', () => {
    const bench = new Bench();
    bench.draw();
    const one = bench.session.current().document;
    bench.draw('Item');
    bench.session.undo();
    expect(bench.session.current().document.shapes).toEqual(one.shapes);
    bench.session.redo();
    expect(bench.session.current().document.shapes.size).toBe(2);
    bench.session.undo();
    bench.session.undo();
    expect(bench.session.current().document.shapes.size).toBe(0);
    expect(bench.session.current().canUndo).toBe(false);
  });

  it('makes one undo of changes with one merge key', () => {
    const bench = new Bench();
    bench.draw();
    const id = [...bench.session.current().document.shapes.keys()][0]!;
    for (let i = 0; i < 3; i++) bench.session.do(move(bench.session.current().document, new Set([id]), 20, 0, 'nudge'));
    expect(bench.session.current().document.shapes.get(id)!.x).toBe(60);
    bench.session.undo();
    expect(bench.session.current().document.shapes.get(id)!.x).toBe(0);
  });

  it('undoes past the other drawing that was taken', async () => {
    const bench = new Bench();
    bench.draw('Visit');
    bench.draw('Item');
    bench.pass();
    const elsewhere = drawings.write(bench.session.current().document);
    bench.draw('Fault');
    await bench.answer({ kind: 'conflict', revision: 5, text: '' });
    bench.session.takeTheirs(elsewhere, 5);
    expect([...bench.session.current().document.shapes.values()].map(({ text }) => text)).toEqual(['Visit', 'Item']);
    while (bench.session.current().canUndo) bench.session.undo();
    expect(bench.session.current().document.shapes.size).toBe(0);
    while (bench.session.current().canRedo) bench.session.redo();
    expect(bench.session.current().document.shapes.size).toBe(2);
  });

  it('undoes nothing once it is closed', () => {
    const bench = new Bench();
    bench.draw();
    bench.session.close();
    bench.session.undo();
    expect(bench.session.current().document.shapes.size).toBe(1);
  });

  it('sends nothing by itself once it was left, and what was drawn while a save was under way with the next', async () => {
    const bench = new Bench();
    const leave = bench.session.attend();
    bench.draw();
    const done = bench.session.flush();
    bench.draw();
    await bench.answer({ kind: 'saved', revision: 2 });
    await bench.answer({ kind: 'saved', revision: 3 });
    expect(await done).toBe('clean');
    bench.draw();
    leave();
    bench.pass();
    expect(bench.sent).toHaveLength(2);
    const last = bench.session.flush();
    await bench.answer({ kind: 'unreachable' });
    expect(await last).toBe('offline');
    bench.pass();
    expect(bench.sent).toHaveLength(3);
    bench.session.attend();
    bench.pass();
    expect(bench.sent).toHaveLength(4);
  });

  it('takes what is being typed before it sends, as one step with what is typed after it', async () => {
    const bench = new Bench();
    bench.draw('');
    let typed = 'Vis';
    const [id] = bench.session.current().document.shapes.keys();
    const stop = bench.session.whileTyping(() => {
      const { document: drawing } = bench.session.current();
      const shape = drawing.shapes.get(id!)!;
      if (shape.text !== typed)
        bench.session.do({ ...changeShape(drawing, shape, { text: typed }), mergeKey: 'write' });
    });
    const sent = bench.session.flush();
    expect(bench.sent[0]!.drawing.shapes.get(id!)!.text).toBe('Vis');
    typed = 'Visit';
    stop();
    await bench.answer({ kind: 'saved', revision: 2 });
    await bench.answer({ kind: 'saved', revision: 3 });
    await sent;
    expect(bench.sent[1]!.drawing.shapes.get(id!)!.text).toBe('Visit');
    bench.session.undo();
    expect(bench.session.current().document.shapes.get(id!)!.text).toBe('');
  });
});
