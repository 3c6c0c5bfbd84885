import { describe, expect, it } from 'vitest';
import { designOf, serverOf } from '@tests/support/designs';
import { applyEdits, type Edit, findComponent } from '@/core/design';
import {
  type Batch,
  DesignSession,
  type Outside,
  type PendingBatch,
  type RemoteBatch,
  type SendResult,
} from './design-session';

const count = (value: string, id = 'a'): Edit => ({
  edit: 'set-component',
  id,
  field: 'count',
  value: { likely: value },
});
const name = (value: string, id = 'a'): Edit => ({ edit: 'set-component', id, field: 'name', value });
const start = designOf([serverOf('a'), serverOf('b')]);

/** A server in a few lines: accepts, is stale or is away, as the test says. */
class FakeServer {
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
const open = (server: FakeServer, kept: readonly PendingBatch[] = []): DesignSession => {
  const session = new DesignSession(
    { design: server.design, revision: server.revision, updatedAt: 'then' },
    server.outside,
    `window ${(windows += 1)}`,
  );
  session.adopt(kept);
  return session;
};
const settled = async (): Promise<void> => {
  for (let turn = 0; turn < 20; turn += 1) await Promise.resolve();
};
const countOf = (session: DesignSession, id = 'a'): string | undefined =>
  findComponent(session.getState().design, id)?.count.likely;

describe('saving', () => {
  it('shows an edit at once and sends it in order', async () => {
    const server = new FakeServer();
    const session = open(server);
    session.apply([count('2')]);
    session.apply([count('3')]);
    expect(countOf(session)).toBe('3');
    expect(session.getState().saving).toBe('saving');
    await settled();
    expect(session.getState()).toMatchObject({ saving: 'saved', revision: 2 });
    expect(findComponent(server.design, 'a')?.count.likely).toBe('3');
    expect(server.kept).toEqual([]);
  });

  it('previews without saving, and takes the preview back', async () => {
    const server = new FakeServer();
    const session = open(server);
    session.preview([count('9')]);
    expect(countOf(session)).toBe('9');
    session.preview([]);
    expect(countOf(session)).toBe('1');
    await settled();
    expect(server.revision).toBe(0);
  });

  it('refuses what cannot be applied and changes nothing', () => {
    const session = open(new FakeServer());
    expect(session.apply([count('2', 'gone')])).toMatch(/removed meanwhile/);
    expect(session.getState().canUndo).toBe(false);
  });

  it('tells when the server refuses, and goes back to what is true', async () => {
    const server = new FakeServer();
    const session = open(server);
    server.outside.send = async () => ({ result: 'refused', message: 'Too dear.' });
    session.apply([count('2')]);
    await settled();
    expect(session.getState()).toMatchObject({ saving: 'refused', message: 'Too dear.' });
    expect(countOf(session)).toBe('1');
  });
});

describe('a lost connection', () => {
  it('keeps edits and sends them later', async () => {
    const server = new FakeServer();
    const session = open(server);
    server.away = true;
    session.apply([count('2')]);
    session.apply([name('Renamed')]);
    await settled();
    expect(session.getState().saving).toBe('unreachable');
    expect(server.kept).toHaveLength(2);
    server.away = false;
    server.retry();
    await settled();
    expect(session.getState().saving).toBe('saved');
    expect(findComponent(server.design, 'a')).toMatchObject({ name: 'Renamed', count: { likely: '2' } });
  });

  it('does not apply twice what was saved although the answer was lost', async () => {
    const server = new FakeServer();
    const session = open(server);
    server.loseAnswer = true;
    session.apply([{ edit: 'add-component', section: 'section', index: 0, component: serverOf('c') }]);
    await settled();
    server.retry();
    await settled();
    expect(session.getState()).toMatchObject({ saving: 'saved', revision: 1 });
    expect(server.log).toHaveLength(1);
    expect(session.getState().design).toEqual(server.design);
  });

  it('resumes after a reload, also when others saved meanwhile', async () => {
    const server = new FakeServer();
    const before = open(server);
    server.away = true;
    before.apply([count('2')]);
    await settled();
    const { kept } = server;
    server.away = false;
    server.save('theirs', [name('Theirs', 'b')]);
    const session = open(server, kept);
    expect(countOf(session)).toBe('2');
    await settled();
    expect(session.getState()).toMatchObject({ saving: 'saved', conflicts: [] });
    expect(session.getState().design).toEqual(server.design);
    expect(findComponent(server.design, 'b')?.name).toBe('Theirs');
  });
});

describe('what windows kept that are gone', () => {
  /** Two windows on one design while the server is away; the first is closed then. */
  async function twoWindows(first: readonly Edit[], second: readonly Edit[]) {
    const server = new FakeServer();
    server.away = true;
    const gone = open(server);
    gone.apply(first);
    await settled();
    const left = server.kept;
    server.close();
    const still = open(server);
    still.apply(second);
    await settled();
    server.away = false;
    server.retry();
    await settled();
    return { server, still, left };
  }

  it('arrives through the window that is still there', async () => {
    const { server, still, left } = await twoWindows([count('4')], [name('Renamed', 'b')]);
    expect(still.adopt(left)).toBe(true);
    await settled();
    expect(still.getState()).toMatchObject({ saving: 'saved', conflicts: [] });
    expect(findComponent(server.design, 'a')?.count.likely).toBe('4');
    expect(findComponent(server.design, 'b')?.name).toBe('Renamed');
    expect(still.getState().design).toEqual(server.design);
  });

  it.each([
    ['mine', '4'],
    ['theirs', '7'],
  ] as const)('is asked about where both changed the same; keeping %s gives %s', async (keep, result) => {
    const { server, still, left } = await twoWindows([count('4')], [count('7')]);
    still.adopt(left);
    await settled();
    const [conflict] = still.getState().conflicts;
    expect(conflict).toMatchObject({ mine: count('4'), theirs: count('7') });
    still.settle(conflict!.id, keep);
    await settled();
    expect(findComponent(server.design, 'a')?.count.likely).toBe(result);
  });

  it('is not asked about where one went on with it after a reload', async () => {
    const server = new FakeServer();
    server.away = true;
    const before = open(server);
    before.apply([count('4')]);
    await settled();
    server.close();
    const after = open(server, server.kept);
    after.apply([count('5')]);
    await settled();
    server.away = false;
    server.retry();
    await settled();
    expect(after.getState()).toMatchObject({ saving: 'saved', conflicts: [], revision: 2 });
    expect(findComponent(server.design, 'a')?.count.likely).toBe('5');
  });

  it('is not taken twice, and what two windows adopt is saved once', async () => {
    const { server, still, left } = await twoWindows([count('4')], [name('Renamed', 'b')]);
    const other = open(server);
    still.adopt(left);
    still.adopt(left);
    other.adopt(left);
    await settled();
    server.retry();
    await settled();
    expect(server.log.filter((each) => each.batch === left[0]!.batch)).toHaveLength(1);
    expect(other.getState().saving).toBe('saved');
    expect(findComponent(server.design, 'a')?.count.likely).toBe('4');
  });

  it('stays where it is, and it is said, when the store is full', async () => {
    const { server, still, left } = await twoWindows([count('4')], [name('Renamed', 'b')]);
    server.full = true;
    server.away = true;
    expect(still.adopt(left)).toBe(false);
    await settled();
    expect(still.getState()).toMatchObject({ keeps: false, saving: 'unreachable' });
    server.full = false;
    server.away = false;
    server.retry();
    await settled();
    expect(still.getState()).toMatchObject({ keeps: true, saving: 'saved' });
    expect(findComponent(server.design, 'a')?.count.likely).toBe('4');
  });
});

describe('a server that answers and cannot', () => {
  it('is asked again a few times; then the edit is taken back, and later ones go on', async () => {
    const server = new FakeServer();
    const session = open(server);
    const { send } = server.outside;
    const said: string[] = [];
    server.outside.send = async (body) => {
      if (!JSON.stringify(body.edits).includes('Cursed')) return send(body);
      said.push(session.getState().saving);
      return { result: 'failed', message: 'Something went wrong on our side.' };
    };
    session.apply([name('Cursed')]);
    session.apply([count('6', 'b')]);
    for (let turn = 0; turn < 6; turn += 1) {
      await settled();
      server.retry();
    }
    await settled();
    expect(said).toEqual(['saving', 'saving', 'saving', 'saving']);
    expect(findComponent(server.design, 'b')?.count.likely).toBe('6');
    expect(findComponent(session.getState().design, 'a')?.name).toBe('Component a');
    expect(session.getState()).toMatchObject({ saving: 'saved', conflicts: [] });
    // Its step is gone with it.
    session.undo();
    await settled();
    expect(findComponent(server.design, 'b')?.count.likely).toBe('1');
    expect(session.getState().canUndo).toBe(false);
  });

  it('is left in peace for a moment by those who are stale again and again', async () => {
    const server = new FakeServer();
    const session = open(server);
    let sent = 0;
    server.outside.send = async () => {
      sent += 1;
      server.save(`other ${sent}`, [name(`Name ${sent}`, 'b')]);
      return { result: 'stale', revision: server.revision, batches: server.log };
    };
    session.apply([count('3')]);
    await settled();
    expect(sent).toBe(3);
  });

  it('may answer with the design as it is, where much was saved', async () => {
    const server = new FakeServer();
    const session = open(server);
    server.save('theirs', [count('9', 'b'), name('Theirs', 'a')]);
    const { design, revision } = server;
    const { send } = server.outside;
    server.outside.send = async (body) =>
      body.baseRevision === revision
        ? send(body)
        : { result: 'stale', revision, batches: [], whole: { design, saved: ['theirs'] } };
    session.apply([name('Mine', 'a')]);
    session.apply([count('3', 'a')]);
    await settled();
    expect(session.getState().conflicts).toMatchObject([{ mine: name('Mine'), theirs: name('Theirs') }]);
    expect(findComponent(server.design, 'a')).toMatchObject({ name: 'Theirs', count: { likely: '3' } });
    expect(session.getState().design).toEqual(server.design);
  });
});

describe('what no file could say', () => {
  it('is refused before it is sent', async () => {
    const server = new FakeServer();
    const session = open(server);
    const use = {
      edit: 'set-usage',
      id: 'a',
      meter: 'pages',
      value: { amount: { likely: '1' }, unit: 'item' },
    };
    expect(session.apply([use as Edit])).toContain('has no meter “pages”');
    expect(session.apply([count('2')])).toBeNull();
    await settled();
    expect(server.log).toHaveLength(1);
  });
});

describe('two windows', () => {
  it('merges edits of different things without asking', async () => {
    const server = new FakeServer();
    const session = open(server);
    server.save('theirs', [name('Theirs')]);
    session.apply([count('5')]);
    await settled();
    expect(session.getState()).toMatchObject({ saving: 'saved', conflicts: [] });
    expect(findComponent(server.design, 'a')).toMatchObject({ name: 'Theirs', count: { likely: '5' } });
  });

  it.each([
    ['mine', '5'],
    ['theirs', '7'],
  ] as const)('asks when both changed the same field; keeping %s gives %s', async (keep, result) => {
    const server = new FakeServer();
    const session = open(server);
    server.save('theirs', [count('7')]);
    session.apply([count('5')]);
    await settled();
    expect(countOf(session)).toBe('7');
    const [conflict] = session.getState().conflicts;
    expect(conflict).toMatchObject({ mine: count('5'), theirs: count('7') });
    session.settle(conflict!.id, keep);
    await settled();
    expect(findComponent(server.design, 'a')?.count.likely).toBe(result);
    expect(session.getState().conflicts).toEqual([]);
  });

  it('asks after a reload too, instead of overwriting', async () => {
    const server = new FakeServer();
    const before = open(server);
    server.away = true;
    before.apply([count('5')]);
    await settled();
    const { kept } = server;
    server.away = false;
    server.save('theirs', [count('7')]);
    const session = open(server, kept);
    await settled();
    expect(session.getState().conflicts).toHaveLength(1);
    expect(findComponent(server.design, 'a')?.count.likely).toBe('7');
  });

  it('tells when what was edited is gone', async () => {
    const server = new FakeServer();
    const session = open(server);
    server.save('theirs', [{ edit: 'remove-component', id: 'a' }]);
    session.apply([count('5')]);
    await settled();
    expect(session.getState().conflicts).toMatchObject([{ mine: count('5'), theirs: null }]);
  });

  it('says nothing when both did the same', async () => {
    const server = new FakeServer();
    const session = open(server);
    server.save('theirs', [count('5')]);
    session.apply([count('5')]);
    await settled();
    expect(session.getState().conflicts).toEqual([]);
  });
});

describe('undo and redo', () => {
  it('are edits that are saved like any other', async () => {
    const server = new FakeServer();
    const session = open(server);
    session.apply([{ edit: 'remove-component', id: 'a' }]);
    session.undo();
    await settled();
    expect(server.design).toEqual(start);
    session.redo();
    await settled();
    expect(findComponent(server.design, 'a')).toBeUndefined();
    expect(session.getState()).toMatchObject({ canUndo: true, canRedo: false, revision: 3 });
  });

  it('forget what was undone once something new is done', () => {
    const session = open(new FakeServer());
    session.apply([count('2')]);
    session.undo();
    expect(session.getState().canRedo).toBe(true);
    session.apply([count('3')]);
    expect(session.getState().canRedo).toBe(false);
  });

  it('shows what others saved while nothing is pending, and keeps its own undo', () => {
    const server = new FakeServer();
    const session = open(server);
    server.save('theirs', [count('9', 'b')]);
    session.catchUp({ revision: 1, batches: server.log });
    expect(findComponent(session.getState().design, 'b')!.count.likely).toBe('9');
    expect(session.getState()).toMatchObject({ revision: 1, saving: 'saved', conflicts: [] });
    session.catchUp({ revision: 1, batches: server.log });
    expect(session.getState().revision).toBe(1);
    expect(session.apply([count('3')])).toBeNull();
    expect(session.undo()).toBeNull();
    expect(findComponent(session.getState().design, 'b')!.count.likely).toBe('9');
  });

  it('hears of its own save early without saving or asking twice', async () => {
    const server = new FakeServer();
    const session = open(server);
    session.apply([count('4')]);
    session.catchUp({ revision: server.revision, batches: server.log });
    await settled();
    expect(server.log).toHaveLength(1);
    expect(session.getState()).toMatchObject({ revision: 1, saving: 'saved', conflicts: [] });
    expect(findComponent(session.getState().design, 'a')!.count.likely).toBe('4');
  });

  it('asks where others changed the same while an edit was on its way', async () => {
    const server = new FakeServer();
    const session = open(server);
    server.away = true;
    session.apply([count('4')]);
    await settled();
    server.save('theirs', [count('9')]);
    session.catchUp({ revision: 1, batches: server.log });
    expect(session.getState().conflicts).toMatchObject([{ mine: count('4'), theirs: count('9') }]);
  });
});
