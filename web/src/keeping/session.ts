import type { ChangeOf, DocumentKind } from './documents';

/** How it stands between what is on the slate and what the server has acknowledged. */
export type SaveState = 'clean' | 'dirty' | 'sending' | 'offline' | 'conflict' | 'signed-out' | 'closed';

/** Whether nothing reaches the server in this state, so that what it would answer has to wait. */
export const isAway = (state: SaveState) => state === 'offline' || state === 'signed-out';

/** What the server says to a save. */
export type SaveReply =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'conflict'; readonly revision: number; readonly text: string }
  | { readonly kind: 'closed'; readonly reason: string }
  | { readonly kind: 'refused'; readonly reason: string }
  | { readonly kind: 'signed-out' }
  | { readonly kind: 'unreachable' };

/** What a session needs from outside; parameters, so that tests repeat. */
export interface SessionPorts {
  /** Sends a document's text that started from a revision. A save keeps its id when it is sent again. */
  save(text: string, revision: number, saveId: string): Promise<SaveReply>;
  newSaveId(): string;
  /** Runs something later; gives back how to call it off. */
  later(milliseconds: number, run: () => void): () => void;
}

/** What observers see; a new value after every change. */
export interface SessionView<D = unknown> {
  readonly document: D;
  readonly state: SaveState;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** How many changes the server has not acknowledged. */
  readonly unsaved: number;
  readonly reason: string | null;
  readonly theirs: string | null;
  /** Why what was wanted last was not done, if it was not. */
  readonly refused: string | null;
}

const interval = 1200;
const leastBetween = 3000;
const retryAfter = 4000;

/**
 * Owns a document while it is edited: what is in it, undo and redo, and what has still to be sent. It says "clean" only
 * after an acknowledgement. Plain code: no interface, no clock of its own.
 */
export class Session<D, S> {
  private view: SessionView<D>;
  private readonly undone: ChangeOf<S>[] = [];
  private readonly done: ChangeOf<S>[] = [];
  private readonly observers = new Set<() => void>();
  private waiting: (() => void) | null = null;
  private pending: { text: string; saveId: string; changes: number } | null = null;
  private justSent = false;
  private readonly typing = new Set<() => void>();
  private attended = true;
  private leftOut: readonly string[] = [];
  /** What this browser sent before the document was opened here, and may reach the server only now. */
  private underWay: string | null = null;

  constructor(
    private readonly kind: DocumentKind<D, S>,
    document: D,
    private revision: number,
    private readonly ports: SessionPorts,
  ) {
    this.view = {
      document,
      state: 'clean',
      canUndo: false,
      canRedo: false,
      unsaved: 0,
      reason: null,
      theirs: null,
      refused: null,
    };
  }

  /** What was typed and could not be taken into the document, line by line. */
  get notTaken(): readonly string[] {
    return this.leftOut;
  }

  readonly leaveOut = (lines: readonly string[]) => {
    this.leftOut = lines;
  };

  readonly subscribe = (observer: () => void) => {
    this.observers.add(observer);
    return () => this.observers.delete(observer);
  };

  readonly current = () => this.view;

  /** A document of this kind as far as it says something. */
  readonly plain = (text: string) => this.kind.plain(text);

  /** The document as it is now, written. */
  text(): string {
    return this.kind.write(this.view.document);
  }

  /** The revision that the server acknowledged last. */
  get acknowledged() {
    return this.revision;
  }

  /** What was sent last and not acknowledged, if anything. */
  get unacknowledged(): string | null {
    return this.pending?.text ?? null;
  }

  /**
   * Does a change, with all that follows from it. One with the merge key of the change before it becomes part of that one. A change
   * that would make more of it than a document holds is refused, and why is told.
   */
  do(wanted: ChangeOf<S>) {
    if (wanted.steps.length === 0 || this.view.state === 'closed') return;
    const before = this.view.document;
    const change = this.kind.whole(before, wanted);
    const after = this.kind.apply(before, change.steps);
    const refused = this.kind.tooMuch(before, after);
    if (refused !== null) {
      this.set({ refused });
      return;
    }
    const last = this.done[this.done.length - 1];
    if (change.mergeKey && last?.mergeKey === change.mergeKey)
      this.done[this.done.length - 1] = this.kind.merge(last, change);
    else this.done.push(change);
    this.undone.length = 0;
    this.changed(after);
  }

  undo() {
    if (this.view.state === 'closed') return;
    const change = this.done.pop();
    if (!change) return;
    this.undone.push(change);
    this.changed(this.kind.apply(this.view.document, this.kind.invert(change.steps)));
  }

  redo() {
    if (this.view.state === 'closed') return;
    const change = this.undone.pop();
    if (!change) return;
    this.done.push(change);
    this.changed(this.kind.apply(this.view.document, change.steps));
  }

  /** Ends merging: the next change is one of its own. */
  seal() {
    const last = this.done[this.done.length - 1];
    if (last?.mergeKey) this.done[this.done.length - 1] = { ...last, mergeKey: undefined };
  }

  /**
   * Has something that is being typed taken into the document whenever everything is to be in it, and once more when that ends, by
   * what this gives back.
   */
  whileTyping(take: () => void) {
    this.typing.add(take);
    return () => {
      this.typing.delete(take);
      take();
    };
  }

  /** Takes what is being typed into the document. */
  settle() {
    for (const take of [...this.typing]) take();
  }

  /** Says that somebody is at the document; what this gives back says that they have left, and nothing is sent by itself any more. */
  attend() {
    this.attended = true;
    if (this.waits()) this.schedule(interval);
    return () => {
      this.attended = false;
      this.cancel();
    };
  }

  /** Sends at once what has not been sent; resolves when all is acknowledged, or with what stands against it. */
  async flush(): Promise<SaveState> {
    this.settle();
    this.cancel();
    while (this.view.state === 'sending') await new Promise<void>((resolve) => this.once(resolve));
    // What was drawn while a save was under way goes with the next one.
    for (let last = -1; this.waits() && this.revision !== last;) {
      last = this.revision;
      await this.send();
    }
    return this.view.state;
  }

  /** After a conflict: keep what is here, on top of what is there. */
  keepMine(revision: number) {
    this.revision = revision;
    this.pending = null;
    this.set({ state: 'dirty', theirs: null, reason: null });
    this.schedule(0);
  }

  /** After a conflict: take what is there. What was here can still be undone back to. */
  takeTheirs(text: string, revision: number) {
    this.revision = revision;
    this.pending = null;
    // Step by step, so that whatever is the same in both stays the same value and can be undone past.
    const steps = this.kind.stepsBetween(this.view.document, this.kind.read(text));
    this.done.push({ label: 'take the other one', steps });
    this.undone.length = 0;
    this.set({
      document: this.kind.apply(this.view.document, steps),
      state: 'clean',
      unsaved: 0,
      theirs: null,
      reason: null,
      canUndo: true,
      canRedo: false,
    });
  }

  /**
   * Takes up a document that was kept elsewhere and not acknowledged, as one change. With what somebody else has saved since,
   * it is a conflict from the start. `sent` is what was on its way to the server when it was kept.
   */
  takeUp(text: string, theirs: string | null, sent: string | null = null) {
    this.underWay = sent;
    this.do({ label: 'take up', steps: this.kind.stepsBetween(this.view.document, this.kind.read(text)) });
    if (theirs === null) return;
    this.cancel();
    this.set({ state: 'conflict', theirs });
  }

  /** Tries again after the server was away or the session had run out. */
  resume() {
    if (isAway(this.view.state)) {
      this.set({ state: 'dirty' });
      this.schedule(0);
    }
  }

  /** Nothing is changed any more: handed in, or looked at only. */
  close() {
    this.cancel();
    this.set({ state: 'closed' });
  }

  private waits() {
    return this.view.state === 'dirty' || this.view.state === 'offline';
  }

  private changed(document: D) {
    const state = this.view.state === 'clean' ? 'dirty' : this.view.state;
    this.set({
      document,
      state,
      refused: null,
      unsaved: this.view.unsaved + 1,
      canUndo: this.done.length > 0,
      canRedo: this.undone.length > 0,
    });
    if (state === 'dirty') this.schedule(this.justSent ? leastBetween : interval);
  }

  private schedule(milliseconds: number) {
    if (!this.attended || (this.waiting && milliseconds > 0)) return;
    this.cancel();
    this.waiting = this.ports.later(milliseconds, () => {
      this.waiting = null;
      void this.send();
    });
  }

  private cancel() {
    this.waiting?.();
    this.waiting = null;
  }

  private async send() {
    if (!this.waits()) return;
    // A save that was not acknowledged is sent again as it was: it may have arrived.
    const save = (this.pending ??= {
      text: this.text(),
      saveId: this.ports.newSaveId(),
      changes: this.view.unsaved,
    });
    this.set({ state: 'sending' });
    const reply = await this.ports.save(save.text, this.revision, save.saveId);
    switch (reply.kind) {
      case 'saved':
        this.pending = null;
        this.revision = reply.revision;
        this.acknowledge(save.changes);
        break;
      case 'conflict':
        this.pending = null;
        this.revision = reply.revision;
        this.meet(reply.text, save);
        break;
      case 'closed':
        this.set({ state: 'closed', reason: reply.reason });
        break;
      case 'refused':
        this.pending = null;
        this.set({ state: 'dirty', reason: reply.reason });
        break;
      case 'signed-out':
        this.set({ state: 'signed-out' });
        break;
      case 'unreachable':
        this.set({ state: 'offline' });
        this.schedule(retryAfter);
        break;
    }
  }

  /** What the server has instead of what was sent: a person's choice, unless it came from here and was only slow to arrive. */
  private meet(theirs: string, save: { readonly text: string; readonly changes: number }) {
    const there = theirs && this.plain(theirs);
    if (there === this.plain(save.text)) this.acknowledge(save.changes);
    else if (this.underWay !== null && there === this.plain(this.underWay)) {
      this.set({ state: 'dirty' });
      this.schedule(0);
    } else this.set({ state: 'conflict', theirs });
  }

  private acknowledge(changes: number) {
    const unsaved = this.view.unsaved - changes;
    this.justSent = true;
    this.ports.later(leastBetween, () => (this.justSent = false));
    this.set({ state: unsaved === 0 ? 'clean' : 'dirty', unsaved, reason: null });
    if (unsaved > 0) this.schedule(leastBetween);
  }

  private once(run: () => void) {
    const stop = this.subscribe(() => {
      stop();
      run();
    });
  }

  private set(change: Partial<SessionView<D>>) {
    this.view = { ...this.view, ...change };
    for (const observer of [...this.observers]) observer();
  }
}

/** A session of whatever document, for those to whom it only matters how it stands. */
export type AnySession = Omit<Session<unknown, unknown>, 'do' | 'current'> & { readonly current: () => SessionView };
