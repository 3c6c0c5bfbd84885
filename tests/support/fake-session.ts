/** A design session without a browser: a server in a few lines, windows on it, and the edits that tests make. */
import { designOf, serverOf } from '@tests/support/designs';
import { applyEdits, type Edit, findComponent } from '@/engine/design';
import {
  type Batch,
  DesignSession,
  type Outside,
  type PendingBatch,
  type RemoteBatch,
  type SendResult,
} from '@/features/design/screen/session/design-session';

export const count = (value: string, id = 'a'): Edit => ({
  edit: 'set-component',
  id,
  field: 'count',
  value: { likely: value },
});
export const name = (value: string, id = 'a'): Edit => ({ edit: 'set-component', id, field: 'name', value });
export const start = designOf([serverOf('a'), serverOf('b')]);

/** A server in a few lines: accepts, is stale or is away, as the test says. */
export class FakeServer {
  design = start;
  revision = 0;
  away = false;
  loseAnswer = false;
  readonly log: RemoteBatch[] = [];
  kept: readonly PendingBatch[] = [];
  /** The browser's store is full. */
  full = false;
  private readonly waiting: (() => void)[] = [];
  private ids = 0;

  readonly outside: Outside = {
    send: async (body) => this.receive(body),
    keep: (pending) => {
      if (!this.full) this.kept = pending;
      return !this.full;
    },
    newId: () => `id-${(this.ids += 1)}`,
    later: (_, action) => void this.waiting.push(action),
  };

  /** Another window saves. */
  save(batch: string, edits: readonly Edit[]): void {
    const applied = applyEdits(this.design, edits);
    if (!applied.ok) throw new Error(applied.issue.code);
    this.design = applied.value.design;
    this.revision += 1;
    this.log.push({ batch, edits, revision: this.revision, user: 'other' });
  }

  retry(): void {
    for (const action of this.waiting.splice(0)) action();
  }

  /** The window that waits is closed. */
  close(): void {
    this.waiting.splice(0);
  }

  private receive(body: { readonly baseRevision: number } & Batch): SendResult {
    if (this.away) return { result: 'unreachable' };
    const earlier = this.log.find((each) => each.batch === body.batch);
    if (earlier) return { result: 'saved', revision: earlier.revision, savedAt: 'then' };
    if (body.baseRevision !== this.revision) {
      return {
        result: 'stale',
        revision: this.revision,
        batches: this.log.filter((each) => each.revision > body.baseRevision),
      };
    }
    if (!applyEdits(this.design, body.edits).ok) return { result: 'refused', message: 'No.' };
    this.save(body.batch, body.edits);
    if (this.loseAnswer) {
      this.loseAnswer = false;
      return { result: 'unreachable' };
    }
    return { result: 'saved', revision: this.revision, savedAt: 'now' };
  }
}

let windows = 0;
export const open = (server: FakeServer, kept: readonly PendingBatch[] = []): DesignSession => {
  const session = new DesignSession(
    { design: server.design, revision: server.revision, updatedAt: 'then' },
    server.outside,
    `window ${(windows += 1)}`,
  );
  session.adopt(kept);
  return session;
};
export const settled = async (): Promise<void> => {
  for (let turn = 0; turn < 20; turn += 1) await Promise.resolve();
};
export const countOf = (session: DesignSession, id = 'a'): string | undefined =>
  findComponent(session.getState().design, id)?.count.likely;
