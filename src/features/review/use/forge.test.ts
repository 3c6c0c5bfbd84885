import { beforeEach, describe, expect, it } from 'vitest';
import { testContext } from '@tests/support/store-contract';
import { type Context } from '@/stores/ports';
import { listForge, mergeChange, openForgeChange, pushNext, runPipeline } from './forge';
import { standInForge } from '@/demo/forge';
import { memoryStores } from '@/stores/memory-stores';

const CHANGE = { repository: 'skerrow/booking', change: '42' };
const ADDRESS = 'http://127.0.0.1:4310';

let context: Context;
let ran: { args: readonly string[]; token: string; files: object }[] = [];
let ends: { exit: number; out: string; err: string } | Error;

beforeEach(() => {
  const stores = memoryStores();
  ran = [];
  ends = { exit: 8, out: '**Costs 2 USD more.** 1 limit is broken.\n\n| a |', err: '' };
  const made = testContext(stores);
  context = {
    ...made,
    actor: { ...made.actor, role: 'admin' },
    forge: standInForge(stores.standIn),
    runCommand: async (call) => {
      ran.push(call);
      if (ends instanceof Error) throw ends;
      return ends;
    },
  };
});

describe('a pipeline that is run', () => {
  it('calls the command on the newest commit, with a token that is gone afterwards', async () => {
    await runPipeline(context, CHANGE, ADDRESS);
    expect(ran).toHaveLength(1);
    const [{ args, token, files }] = ran as [(typeof ran)[number]];
    expect(args).toEqual(
      expect.arrayContaining(['review', 'plan.json', `--send=${ADDRESS}`, '--change=42', '--phase=open']),
    );
    expect(Object.keys(files)).toEqual(expect.arrayContaining(['plan.json', 'limits.yaml']));
    expect(token).toMatch(/^wick_/);
    expect(await context.tokens.list(context.actor.workspace)).toEqual([]);
  });

  it('is a red check with the first line, and one comment that is updated in its place', async () => {
    const first = await runPipeline(context, CHANGE, ADDRESS);
    expect(first.check).toEqual({ state: 'failed', words: 'Costs 2 USD more. 1 limit is broken.' });
    expect(first.comment).toMatchObject({ updates: 0 });
    const pushed = await pushNext(context, CHANGE);
    // What was checked before says nothing of the next commit.
    expect(pushed.check.state).toBe('none');
    expect(pushed.commits).toHaveLength(2);
    expect(pushed.next).toBeNull();
    ends = { exit: 0, out: '**Costs 1 USD more.** All limits are kept.', err: '' };
    const second = await runPipeline(context, CHANGE, ADDRESS);
    expect(second.check.state).toBe('passed');
    expect(second.comment).toMatchObject({ updates: 1, text: ends.out });
    expect(ran[1]!.args).toContain(`--commit=${pushed.commits.at(-1)!.commit}`);
    await expect(pushNext(context, CHANGE)).rejects.toMatchObject({ code: 'invalid' });
  });

  it('says so where the command did not do its work, and says nothing in the discussion', async () => {
    ends = { exit: 2, out: '', err: 'plan.json: line 1, column 4: this is no plan' };
    const told = await runPipeline(context, CHANGE, ADDRESS);
    expect(told.check).toEqual({ state: 'broken', words: ends.err });
    expect(told.comment).toBeNull();
    ends = new Error('no such program');
    await expect(runPipeline(context, CHANGE, ADDRESS)).rejects.toThrow('no such program');
    expect((await openForgeChange(context, CHANGE)).check.state).toBe('broken');
    expect(await context.tokens.list(context.actor.workspace)).toEqual([]);
  });
});

describe('merging', () => {
  it('takes a check that passed', async () => {
    await expect(mergeChange(context, CHANGE, ADDRESS)).rejects.toMatchObject({ code: 'invalid' });
    await runPipeline(context, CHANGE, ADDRESS);
    await expect(mergeChange(context, CHANGE, ADDRESS)).rejects.toMatchObject({ code: 'invalid' });
    ends = { exit: 0, out: 'Fine.', err: '' };
    await runPipeline(context, CHANGE, ADDRESS);
    const merged = await mergeChange(context, CHANGE, ADDRESS);
    expect(merged.phase).toBe('merged');
    // The review hears of it, so that it stands in the repository's history.
    expect(ran.at(-1)!.args).toContain('--phase=merged');
    await expect(mergeChange(context, CHANGE, ADDRESS)).rejects.toMatchObject({ code: 'invalid' });
  });

  it('of what is not there is not found, and without a forge there is none', async () => {
    const nowhere = { repository: 'skerrow/booking', change: '999' };
    await expect(runPipeline(context, nowhere, ADDRESS)).rejects.toMatchObject({ code: 'not-found' });
    const { forge: _, ...without } = context;
    expect(await listForge(without)).toEqual([]);
    await expect(pushNext(without, CHANGE)).rejects.toMatchObject({ code: 'not-found' });
  });
});
