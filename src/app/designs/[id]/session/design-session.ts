/**
 * One open design in the browser: what the server holds (base), the edits not yet saved (pending), and what the
 * person sees (both). Edits are sent in order; a lost connection keeps them and sends them later; a stale answer
 * re-bases them and asks only where both sides changed the same thing. Undo is an edit like any other.
 */
import { applyEdits, type Design, type Edit, editTarget } from '@/core/design';
import { sentenceFor } from '@/core/display';
import type { Batch, Conflict, Kept, Outside, RemoteBatch, SessionState } from './session-types';

export type * from './session-types';

interface Step {
  readonly undo: readonly Edit[];
  readonly redo: readonly Edit[];
}

const RETRY = [500, 1000, 2000, 5000];

export class DesignSession {
  private base: Design;
  private baseRevision: number;
  /** The revision that pending edits were made on: older than the base after a reload. */
  private sendFrom: number;
  private pending: Batch[] = [];
  private draft: readonly Edit[] = [];
  private undoSteps: Step[] = [];
  private redoSteps: Step[] = [];
  private sending = false;
  private failures = 0;
  private state: SessionState;
  private readonly listeners = new Set<() => void>();

  constructor(
    initial: { readonly design: Design; readonly revision: number; readonly updatedAt: string },
    private readonly outside: Outside,
    kept: Kept | null = null,
  ) {
    this.base = initial.design;
    this.baseRevision = initial.revision;
    this.sendFrom =
      kept && kept.pending.length > 0 ? Math.min(kept.baseRevision, initial.revision) : initial.revision;
    this.state = {
      design: initial.design,
      version: 1,
      revision: initial.revision,
      saving: 'saved',
      savedAt: initial.updatedAt,
      message: null,
      conflicts: [],
      canUndo: false,
      canRedo: false,
    };
    if (kept) {
      this.pending = [...kept.pending];
      this.show();
    }
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly getState = (): SessionState => this.state;

  /** Sends what is still pending, for example from before a reload. */
  start(): void {
    void this.flush();
  }

  /** Others saved: their edits go under what is pending here. Nothing is asked unless both changed the same. */
  catchUp(revision: number, batches: readonly RemoteBatch[]): void {
    if (revision > this.baseRevision) this.rebase(revision, batches);
  }

  /** Makes a change. Returns a sentence if it cannot be made; nothing is changed then. */
  apply(edits: readonly Edit[]): string | null {
    this.draft = [];
    const applied = applyEdits(this.current(), edits);
    if (!applied.ok) {
      this.show();
      return sentenceFor(applied.issue);
    }
    this.undoSteps.push({ undo: applied.value.inverse, redo: edits });
    this.redoSteps = [];
    this.enqueue(edits);
    return null;
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
    this.pending.push({ batch: this.outside.newId(), edits });
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
    this.outside.keep(
      this.pending.length > 0 ? { baseRevision: this.sendFrom, pending: this.pending } : null,
    );
  }

  private async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    try {
      while (this.pending.length > 0) {
        const first = this.pending[0]!;
        const answer = await this.outside.send({ baseRevision: this.sendFrom, ...first });
        if (answer.result === 'unreachable') return this.waitAndRetry();
        this.failures = 0;
        if (answer.result === 'saved') this.acknowledge(first, answer.revision, answer.savedAt);
        else if (answer.result === 'stale') this.rebase(answer.revision, answer.batches);
        else this.drop(first, answer.message);
      }
    } finally {
      this.sending = false;
    }
  }

  private acknowledge(batch: Batch, revision: number, savedAt: string): void {
    const applied = applyEdits(this.base, batch.edits);
    if (revision > this.baseRevision && applied.ok) {
      this.base = applied.value.design;
      this.baseRevision = revision;
    }
    this.sendFrom = Math.max(this.baseRevision, revision);
    this.pending = this.pending.filter((each) => each.batch !== batch.batch);
    this.keepPending();
    const saving = this.pending.length > 0 ? 'saving' : 'saved';
    this.patch({ revision: this.baseRevision, savedAt, saving, message: null });
  }

  private rebase(revision: number, batches: readonly RemoteBatch[]): void {
    const own = new Set(this.pending.map((each) => each.batch));
    const saved = new Set(batches.map((each) => each.batch));
    const remote = new Map<string, Edit>();
    for (const each of batches) {
      if (each.revision > this.baseRevision) {
        const applied = applyEdits(this.base, each.edits);
        if (applied.ok) this.base = applied.value.design;
      }
      if (!own.has(each.batch)) for (const edit of each.edits) remote.set(editTarget(edit), edit);
    }
    this.baseRevision = revision;
    this.sendFrom = revision;
    const conflicts: Conflict[] = [];
    let base = this.base;
    this.pending = this.pending.flatMap((batch) => {
      if (saved.has(batch.batch)) return [];
      const edits: Edit[] = [];
      for (const edit of batch.edits) {
        const theirs = remote.get(editTarget(edit));
        const applied = applyEdits(base, [edit]);
        if (theirs && !sameOutcome(theirs, edit))
          conflicts.push({ id: this.outside.newId(), mine: edit, theirs });
        else if (!applied.ok) conflicts.push({ id: this.outside.newId(), mine: edit, theirs: null });
        else {
          base = applied.value.design;
          edits.push(edit);
        }
      }
      return edits.length > 0 ? [{ ...batch, edits }] : [];
    });
    this.keepPending();
    this.patch({
      revision,
      conflicts: [...this.state.conflicts, ...conflicts],
      saving: this.pending.length > 0 ? 'saving' : 'saved',
    });
    this.show();
  }

  private drop(batch: Batch, message: string): void {
    this.pending = this.pending.filter((each) => each.batch !== batch.batch);
    this.keepPending();
    this.patch({ saving: 'refused', message });
    this.show();
  }

  private waitAndRetry(): void {
    const delay = RETRY[Math.min(this.failures, RETRY.length - 1)]!;
    this.failures += 1;
    this.patch({ saving: 'unreachable', message: null });
    this.outside.later(delay, () => void this.flush());
  }
}

function sameOutcome(a: Edit, b: Edit): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
