/** What rows of long work must do over every pair of stores. */
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { JobStore, WantedJob } from '@/platform/use/job-ports';
import type { Stores } from '@/stores/ports';
import { ELSEWHERE, HERE } from './store-contract';

const FILE = { name: 'a.md', type: 'text/markdown', bytes: new TextEncoder().encode('# A') };

export function wantedJob(part: Partial<WantedJob> = {}): WantedJob {
  return {
    id: randomUUID(),
    workspace: HERE,
    lane: 'team',
    key: randomUUID(),
    work: { what: 'linked-file', given: { tokenHash: 'x', form: 'md' } },
    askedBy: 'ada',
    ...part,
  };
}

export function jobContract(name: string, make: () => Promise<Stores>): void {
  describe(`jobs ${name}`, () => {
    let jobs: JobStore;
    beforeEach(async () => {
      ({ jobs } = await make());
    });

    it('are asked for, taken once, followed, and their file is there', async () => {
      const wanted = wantedJob();
      const asked = await jobs.ask(wanted, 5);
      expect(asked).toMatchObject({ isNew: true, job: { state: 'waiting', askedBy: 'ada' } });
      const both = await Promise.all([jobs.take(wanted.id), jobs.take(wanted.id)]);
      const [taken] = both.filter((each) => each !== null);
      expect(both.filter((each) => each === null)).toHaveLength(1);
      expect(taken).toEqual({ id: wanted.id, work: wanted.work, tries: 1 });
      expect(await jobs.beat(taken!, { done: 1, steps: 2, words: 'Writing' })).toBe(false);
      expect(await jobs.beat(taken!, null)).toBe(false);
      const running = { state: 'running', done: 1, steps: 2, words: 'Writing' };
      expect(await jobs.find(HERE, wanted.id)).toMatchObject(running);
      expect(await jobs.file(HERE, wanted.id)).toBeNull();
      await jobs.end(taken!, { state: 'done', file: FILE });
      expect(await jobs.find(HERE, wanted.id)).toMatchObject({ state: 'done', refusal: null });
      expect(await jobs.file(HERE, wanted.id)).toEqual(FILE);
    });

    it('of the same key are one, until it is refused or called off', async () => {
      const first = wantedJob({ key: 'k' });
      await jobs.ask(first, 5);
      const again = () => jobs.ask(wantedJob({ key: 'k' }), 5);
      expect(await again()).toMatchObject({ isNew: false, job: { id: first.id } });
      const there = await jobs.ask(wantedJob({ key: 'k', workspace: ELSEWHERE }), 5);
      expect(there).toMatchObject({ isNew: true });
      const taken = await jobs.take(first.id);
      await jobs.end(taken!, { state: 'refused', code: 'too-large', message: 'No.' });
      expect((await jobs.find(HERE, first.id))!.refusal).toEqual({ code: 'too-large', message: 'No.' });
      expect(await again()).toMatchObject({ isNew: true });
    });

    it('asked for twice at the same moment are made once', async () => {
      const asked = await Promise.all([1, 2, 3, 4].map(() => jobs.ask(wantedJob({ key: 'k' }), 9)));
      expect(new Set(asked.map((each) => each!.job.id)).size).toBe(1);
      expect(asked.filter((each) => each!.isNew)).toHaveLength(1);
    });

    it('are not taken in beyond what may wait, each lane by itself', async () => {
      await jobs.ask(wantedJob({ lane: 'stranger' }), 1);
      expect(await jobs.ask(wantedJob({ lane: 'stranger' }), 1)).toBeNull();
      expect(await jobs.ask(wantedJob(), 1)).toMatchObject({ isNew: true });
    });

    it('are called off: at once while they wait, by whoever works on them after that', async () => {
      const [waits, runs] = [wantedJob(), wantedJob()];
      await jobs.ask(waits, 5);
      await jobs.ask(runs, 5);
      const taken = await jobs.take(runs.id);
      expect(await jobs.cancel(HERE, waits.id)).toBe(true);
      expect(await jobs.take(waits.id)).toBeNull();
      expect(await jobs.cancel(HERE, waits.id)).toBe(false);
      expect(await jobs.cancel(HERE, runs.id)).toBe(true);
      expect(await jobs.beat(taken!, null)).toBe(true);
      await jobs.end(taken!, { state: 'cancelled' });
      expect((await jobs.find(HERE, runs.id))!.state).toBe('cancelled');
    });

    it('of another workspace are not there', async () => {
      const wanted = wantedJob();
      await jobs.ask(wanted, 5);
      const taken = await jobs.take(wanted.id);
      await jobs.end(taken!, { state: 'done', file: FILE });
      for (const id of [wanted.id, randomUUID(), 'no id']) {
        expect(await jobs.find(ELSEWHERE, id)).toBeNull();
        expect(await jobs.file(ELSEWHERE, id)).toBeNull();
        expect(await jobs.cancel(ELSEWHERE, id)).toBe(false);
      }
    });

    it('that nobody is heard of wait again; who was taken for dead writes nothing; in the end it is refused', async () => {
      const wanted = wantedJob();
      await jobs.ask(wanted, 5);
      const first = await jobs.take(wanted.id);
      expect(await jobs.recover(60, 2)).toEqual([]);
      // Below zero: everybody has been silent for longer.
      expect(await jobs.recover(-1, 2)).toEqual([{ id: wanted.id, lane: 'team' }]);
      const second = await jobs.take(wanted.id);
      expect(second!.tries).toBe(2);
      expect(await jobs.beat(first!, { done: 9, steps: 9, words: 'late' })).toBe(true);
      await jobs.end(first!, { state: 'done', file: FILE });
      expect(await jobs.find(HERE, wanted.id)).toMatchObject({ state: 'running', done: 0 });
      expect(await jobs.recover(-1, 2)).toEqual([]);
      expect((await jobs.find(HERE, wanted.id))!.refusal).toMatchObject({ code: 'unavailable' });
    });

    it('are put back in line after a failure, and forgotten when they are many or old', async () => {
      const ids = [wantedJob(), wantedJob(), wantedJob()];
      for (const each of ids) await jobs.ask(each, 5);
      await jobs.again((await jobs.take(ids[0]!.id))!);
      const again = await jobs.take(ids[0]!.id);
      expect(again!.tries).toBe(2);
      await jobs.end(again!, { state: 'done', file: FILE });
      await jobs.end((await jobs.take(ids[1]!.id))!, { state: 'done', file: FILE });
      await jobs.forget(1, 1);
      expect(await jobs.find(HERE, ids[0]!.id)).toBeNull();
      expect(await jobs.find(HERE, ids[1]!.id)).not.toBeNull();
      await jobs.forget(-1, 1);
      expect(await jobs.find(HERE, ids[2]!.id)).toBeNull();
    });
  });
}
