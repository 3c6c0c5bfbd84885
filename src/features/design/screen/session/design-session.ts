/**
 * One open design in the browser: what the server holds (base), the edits not yet saved (pending), and what the
 * person sees (both). Edits are sent in order; a lost connection keeps them and sends them later; a stale answer
 * re-bases them and asks only where both sides changed the same thing. Undo is an edit like any other.
 */
import { applyEdits, type Design, type Edit, type LetGo, letGoBy, withoutStaleMarks } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import { faultsOfChange } from '@/features/design/format/design';
import type { Outside, PendingBatch, SendResult, SessionState, Since } from './session-types';
import { rebased } from './rebased';

export type * from './session-types';

interface Step {
  readonly undo: readonly Edit[];
  readonly redo: readonly Edit[];
}

/** A save takes no more edits: what is larger is saved in several. */
const MOST_AT_ONCE = 500;
const RETRY = [500, 1000, 2000, 5000];
/** So often is a batch sent that the server could not take. */
const TRIES = 4;

export class DesignSession {
  private base: Design;
  private baseRevision: number;
  private pending: PendingBatch[] = [];
  private draft: readonly Edit[] = [];
  private undoSteps: Step[] = [];
  private redoSteps: Step[] = [];
  private sending = false;
  private failures = 0;
  private tries = 0;
  private stales = 0;
  private state: SessionState;
  private readonly listeners = new Set<() => void>();

  constructor(
    initial: { readonly design: Design; readonly revision: number; readonly updatedAt: string },
    private readonly outside: Outside,
    private readonly tab = 'here',
  ) {
    this.base = initial.design;
    this.baseRevision = initial.revision;
    this.state = {
      design: initial.design,
      version: 1,
      revision: initial.revision,
      saving: 'saved',
      savedAt: initial.updatedAt,
      message: null,
      keeps: true,
      conflicts: [],
      canUndo: false,
      canRedo: false,
    };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly getState = (): SessionState => this.state;

  /** Takes over what was kept and not saved: from before a reload, or of a window that is gone. */
  adopt(kept: readonly PendingBatch[]): boolean {
    const known = new Set(this.pending.map((each) => each.batch));
    const fresh = kept.filter((each) => !known.has(each.batch));
    if (fresh.length === 0) return true;
    this.pending = [...this.pending, ...fresh];
    this.keepPending();
    this.patch({ saving: this.failures > 0 ? 'unreachable' : 'saving' });
    this.show();
    void this.flush();
    return this.state.keeps;
  }

  /** Others saved: their edits go under what is pending here. Nothing is asked unless both changed the same. */
  catchUp(since: Since): void {
    if (since.revision > this.baseRevision) this.rebase(since);
  }

  /**
   * Makes a change. Returns a sentence if it cannot be made; nothing is changed then. `after`: it completes that change, and
   * is taken back with it, if nothing came between.
   */
  apply(asked: readonly Edit[], after?: readonly Edit[]): string | null {
    this.draft = [];
    const current = this.current();
    const along = withoutStaleMarks(current, asked);
    const edits = along.length === 0 ? asked : [...asked, ...along];
    const applied = applyEdits(current, edits);
    if (!applied.ok) {
      this.show();
      return sentenceFor(applied.issue);
    }
    const [fault] = faultsOfChange(current, applied.value.design);
    if (fault) {
      this.show();
      return `${fault.path}: ${fault.message}.`;
    }
    const { inverse } = applied.value;
    const last = this.undoSteps.at(-1);
    if (after && last?.redo === after) {
      this.undoSteps.pop();
      this.undoSteps.push({ undo: [...inverse, ...last.undo], redo: [...last.redo, ...edits] });
    } else this.undoSteps.push({ undo: inverse, redo: edits });
    this.redoSteps = [];
    this.enqueue(edits);
    return null;
  }

  /** Entries that would follow no driver any more. */
  lettingGo(edits: readonly Edit[]): LetGo[] {
    return letGoBy(this.current(), edits);
  }

  /** Shows a change that is still being typed, without saving it; an empty list takes it back. */
  preview(edits: readonly Edit[]): void {
    if (edits.length === 0 && this.draft.length === 0) return;
    this.draft = edits;
    this.show();
  }

  undo(): string | null {
    const step = this.undoSteps.pop();
    if (!step) return null;
    return this.takeStep(step.undo, () => this.redoSteps.push(step));
  }

  redo(): string | null {
    const step = this.redoSteps.pop();
    if (!step) return null;
    return this.takeStep(step.redo, () => this.undoSteps.push(step));
  }

  /** Answers a conflict: mine is applied again on top of theirs, or dropped. */
  settle(id: string, keep: 'mine' | 'theirs'): void {
    const conflict = this.state.conflicts.find((each) => each.id === id);
    if (!conflict) return;
    this.patch({ conflicts: this.state.conflicts.filter((each) => each !== conflict) });
    if (keep === 'mine') this.apply([conflict.mine]);
  }

  private takeStep(edits: readonly Edit[], done: () => void): string | null {
    const applied = applyEdits(this.current(), edits);
    if (!applied.ok) {
      this.show();
      return sentenceFor(applied.issue);
    }
    done();
    this.enqueue(edits);
    return null;
  }

  private enqueue(edits: readonly Edit[]): void {
    const { baseRevision: from, tab } = this;
    for (let at = 0; at < Math.max(1, edits.length); at += MOST_AT_ONCE) {
      const part = edits.length > MOST_AT_ONCE ? edits.slice(at, at + MOST_AT_ONCE) : edits;
      this.pending.push({ batch: this.outside.newId(), edits: part, from, tab });
    }
    this.keepPending();
    this.patch({ saving: this.failures > 0 ? 'unreachable' : 'saving', message: null });
    this.show();
    void this.flush();
  }

  /** Base with everything pending; a pending batch that no longer applies is left out of sight until it is answered. */
  private current(): Design {
    return this.pending.reduce((design, { edits }) => {
      const applied = applyEdits(design, edits);
      return applied.ok ? applied.value.design : design;
    }, this.base);
  }

  private show(): void {
    const current = this.current();
    const previewed = this.draft.length > 0 ? applyEdits(current, this.draft) : null;
    this.patch({
      design: previewed?.ok ? previewed.value.design : current,
      version: this.state.version + 1,
      canUndo: this.undoSteps.length > 0,
      canRedo: this.redoSteps.length > 0,
    });
  }

  private patch(part: Partial<SessionState>): void {
    this.state = { ...this.state, ...part };
    for (const listener of this.listeners) listener();
  }

  private keepPending(): void {
    const keeps = this.outside.keep(this.pending);
    if (keeps !== this.state.keeps) this.patch({ keeps });
  }

  private async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    try {
      while (this.pending.length > 0) {
        const first = this.pending[0]!;
        const { batch, edits } = first;
        const baseRevision = Math.min(first.from, this.baseRevision);
        const answer = await this.outside.send({ baseRevision, batch, edits });
        if (!this.take(first, answer)) return;
      }
    } finally {
      this.sending = false;
    }
  }

  /** False: not now, it was put off. */
  private take(first: PendingBatch, answer: SendResult): boolean {
    if (answer.result === 'unreachable') {
      this.waitAndRetry(answer.message ?? null);
      return false;
    }
    this.failures = 0;
    if (answer.result === 'stale') {
      this.rebase(answer);
      this.stales += 1;
      // Many who save at once would else do nothing but ask.
      if (this.stales < 3) return true;
      this.outside.later(Math.random() * 100 * Math.min(this.stales, 20), () => void this.flush());
      return false;
    }
    this.stales = 0;
    if (answer.result === 'failed' && this.tries + 1 < TRIES) {
      this.tries += 1;
      this.outside.later(RETRY[this.tries]!, () => void this.flush());
      return false;
    }
    this.tries = 0;
    if (answer.result === 'saved') this.acknowledge(first, answer.revision, answer.savedAt);
    else this.drop(first, answer.message);
    return true;
  }

  private acknowledge(batch: PendingBatch, revision: number, savedAt: string): void {
    const applied = applyEdits(this.base, batch.edits);
    if (revision > this.baseRevision && applied.ok) {
      this.base = applied.value.design;
      this.baseRevision = revision;
    }
    // What was made with it in sight is made on the revision that it became.
    const at = this.pending.findIndex((each) => each.batch === batch.batch);
    const sawIt = (each: PendingBatch, index: number): boolean =>
      index > at && (each.tab === batch.tab || each.tab === this.tab);
    this.pending = this.pending
      .map((each, index) => (sawIt(each, index) ? { ...each, from: Math.max(each.from, revision) } : each))
      .filter((each) => each.batch !== batch.batch);
    this.keepPending();
    const saving = this.pending.length > 0 ? 'saving' : 'saved';
    this.patch({ revision: this.baseRevision, savedAt, saving, message: null });
  }

  private rebase(since: Since): void {
    const next = rebased(
      { base: this.base, revision: this.baseRevision, pending: this.pending },
      since,
      this.outside.newId,
    );
    this.base = next.base;
    this.baseRevision = since.revision;
    this.pending = next.pending;
    this.keepPending();
    this.patch({
      revision: since.revision,
      conflicts: [...this.state.conflicts, ...next.conflicts],
      saving: this.pending.length > 0 ? 'saving' : 'saved',
    });
    this.show();
  }

  /** Taken back, with its step: what comes after goes on. */
  private drop(batch: PendingBatch, message: string): void {
    this.pending = this.pending.filter((each) => each.batch !== batch.batch);
    this.undoSteps = this.undoSteps.filter((step) => step.redo !== batch.edits);
    this.keepPending();
    this.patch({ saving: 'refused', message });
    this.show();
  }

  private waitAndRetry(message: string | null): void {
    const delay = RETRY[Math.min(this.failures, RETRY.length - 1)]!;
    this.failures += 1;
    this.patch({ saving: 'unreachable', message });
    this.outside.later(delay, () => void this.flush());
  }
}
