import { describe, expect, it, vi } from 'vitest';
import { wantedJob } from '@tests/support/job-contract';
import { HERE } from '@tests/support/store-contract';
import { AppError } from '@/platform/use/app-error';
import { memoryJobStore } from '@/platform/data/memory-jobs';
import { type DoJob, MOST_TRIES, workOff } from './worker';

const FILE = { name: 'a.md', type: 'text/markdown', bytes: new Uint8Array([1]) };

async function asked() {
  const jobs = memoryJobStore();
  const { id } = wantedJob();
  await jobs.ask(wantedJob({ id }), 5);
  const failed = vi.fn();
  const work = (doJob: DoJob) => workOff(jobs, id, doJob, failed, 5);
  const row = async () => (await jobs.find(HERE, id))!;
  return { jobs, id, work, row, failed };
}

describe('a job that is worked off', () => {
  it('tells how far it is and leaves its file', async () => {
    const { jobs, id, work, row } = await asked();
    await work(async (_, { tell }) => {
      tell({ done: 1, steps: 2, words: 'Writing' });
      await vi.waitFor(async () => expect((await row()).words).toBe('Writing'));
      return FILE;
    });
    expect((await row()).state).toBe('done');
    expect(await jobs.file(HERE, id)).toEqual(FILE);
  });

  it('has told the last of it before it is done, also where an older word takes longer to be written', async () => {
    const { jobs, work, row } = await asked();
    const { beat } = jobs;
    const slow = vi.spyOn(jobs, 'beat').mockImplementation(async (taken, progress) => {
      if (progress?.done === 0) await new Promise((resolve) => setTimeout(resolve, 30));
      return beat(taken, progress);
    });
    await work(async (_, { tell }) => {
      tell({ done: 0, steps: 2, words: 'Reading' });
      tell({ done: 1, steps: 2, words: 'Writing' });
      await new Promise((resolve) => setTimeout(resolve, 60));
      return FILE;
    });
    expect(slow).toHaveBeenCalled();
    expect(await row()).toMatchObject({ state: 'done', done: 1, words: 'Writing' });
  });

  it('is left alone where it was taken already', async () => {
    const { jobs, id, work, row } = await asked();
    await jobs.take(id);
    const never = vi.fn();
    await work(never);
    expect(never).not.toHaveBeenCalled();
    expect((await row()).state).toBe('running');
  });

  it('ends when it is called off', async () => {
    const { jobs, id, work, row } = await asked();
    await work(
      (_, { signal }) =>
        new Promise((_resolve, reject) => {
          signal.addEventListener('abort', () => reject(new AppError('gone', 'Nobody waits.')));
          void jobs.cancel(HERE, id);
        }),
    );
    expect((await row()).state).toBe('cancelled');
  });

  it('hands on what the work refuses, without trying again', async () => {
    const { work, row, failed } = await asked();
    await work(() => Promise.reject(new AppError('too-large', 'Too many lines.')));
    expect((await row()).refusal).toEqual({ code: 'too-large', message: 'Too many lines.' });
    expect(failed).not.toHaveBeenCalled();
  });

  it('waits again after a chance failure, and is given up after some', async () => {
    const { work, row, failed } = await asked();
    const broken: DoJob = () => Promise.reject(new Error('ECONNRESET'));
    for (let turn = 1; turn < MOST_TRIES; turn += 1) {
      await work(broken);
      expect((await row()).state).toBe('waiting');
    }
    await work(broken);
    expect((await row()).refusal).toMatchObject({ code: 'internal' });
    expect((await row()).refusal!.message).not.toContain('ECONNRESET');
    expect(failed).toHaveBeenCalledTimes(MOST_TRIES);
  });
});
