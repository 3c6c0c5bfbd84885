/** What windows left behind, what a server cannot do, and what no file could say. */
import { describe, expect, it } from 'vitest';
import { count, FakeServer, name, open, settled } from '@tests/support/fake-session';
import { type Edit, findComponent } from '@/engine/design';

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
