import { describe, expect, it } from 'vitest';
import { serverOf } from '@tests/support/designs';
import { count, countOf, FakeServer, name, open, settled, start } from '@tests/support/fake-session';
import { findComponent } from '@/engine/design';

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

  it('take back what completes a change together with it, unless something came between', () => {
    const session = open(new FakeServer());
    const first = [count('2')];
    session.apply(first);
    session.apply([name('Completed')], first);
    const named = () => findComponent(session.getState().design, 'a')?.name;
    session.undo();
    expect([countOf(session), named()]).toEqual(['1', serverOf('a').name]);
    session.redo();
    expect([countOf(session), named()]).toEqual(['2', 'Completed']);
    const second = [count('3')];
    session.apply(second);
    session.apply([count('4')]);
    session.apply([name('Later')], second);
    session.undo();
    expect([countOf(session), named()]).toEqual(['4', 'Completed']);
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
