/** `wick load`, `wick range` and the plans of `wick pay`, as one runs them, on the demo's files. */
import fs from 'node:fs';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { Curve } from '@/features/load/calc';
import type { RangeAnswer } from '@/features/range/calc';
import type { BothPlan, CreditPlan, SpendPlan, UsagePlan, StepsPlan } from '@/features/paying/calc';
import { runWick } from '@tests/support/run-wick';
import { DEMO_FILES, demoFiles } from '@tests/support/demo-files';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const folder = DEMO_FILES;
const file = (part: string): string => {
  const designs = path.join(folder, 'designs');
  return path.join(
    designs,
    fs.readdirSync(designs).find((name) => name.includes(part))!,
  );
};

function wick(...args: string[]) {
  return runWick([...args, '--books', path.join(folder, 'books')]);
}
const data = async <T>(...args: string[]): Promise<T> =>
  JSON.parse((await wick(...args, '--json')).stdout) as T;

beforeAll(async () => {
  await demoFiles();
});

describe('wick load', () => {
  it('says in every form where the cheapest changes, with the same amounts', async () => {
    const curve = await data<Curve>('load', file('sailing'));
    const text = await wick('load', file('sailing'));
    expect(text.status).toBe(0);
    expect(text.stdout).toContain('Up to 195 000 viewers “All at Kitewharf” costs least');
    expect(curve.crossings).toHaveLength(2);
    const likely = curve.readings.find(({ label }) => label === 'likely')!;
    expect(Number(likely.amounts[0]).toFixed(2)).toBe('5078.47');
    const csv = (await wick('load', file('sailing'), '--format', 'csv')).stdout;
    expect(csv).toContain('5078.47');
    const markdown = (await wick('load', file('sailing'), '--format', 'markdown')).stdout;
    expect(markdown.replaceAll(/[\u00a0\u202f]/g, ' ')).toContain('5 078.47');
  });

  it('takes traffic, a driver or an entry, a range and a part of the design', async () => {
    const of = (...args: string[]) => data<Curve>('load', file('sailing'), ...args);
    expect((await of('--along', 'traffic')).axis.title).toBe('Traffic');
    expect((await of('--along', 'ships', '--from', '100', '--to', '900')).axis).toMatchObject({
      from: 100,
      to: 900,
    });
    const one = await of('--along', 'entry s1c2 usage/stored', '--line', 'Position archive');
    expect(one.axis.title).toContain('Position archive');
    expect(one.sides[0]!.amounts[0]!).toBeLessThan(one.sides[0]!.amounts.at(-1)!);
  });

  it.each([
    [['--along', 'sailors'], 'a driver (here: viewers, ships)'],
    [['--from', '9', '--to', '3'], 'must end above where it begins'],
    [['--points', '1'], 'a whole number from 2 to 2000'],
    [['--line', 'Nobody'], 'has no line “Nobody”'],
  ])('refuses %s in words', async (args, words) => {
    const refused = await wick('load', file('sailing'), ...args);
    expect(refused.status).not.toBe(0);
    expect(refused.stderr).toContain(words);
  });
});

describe('wick range', () => {
  it('gives the same again from the same seed, with seed and draws', async () => {
    const draw = (seed: string) =>
      data<RangeAnswer>('range', file('booking'), '--draws', '800', '--seed', seed);
    const [first, second, other] = [await draw('quay'), await draw('quay'), await draw('pier')];
    expect(second).toEqual(first);
    expect(other.design.p90).not.toBe(first.design.p90);
    expect(first).toMatchObject({ seed: 'quay', draws: 800, done: 800 });
    const text = await wick('range', file('booking'), '--draws', '800', '--seed', 'quay');
    expect(text.status).toBe(3);
    expect(text.stdout).toContain('800 of 800 draws, seed “quay”');
    expect(text.stdout.replaceAll(/\s/g, '')).toContain(first.design.p90.toFixed(2));
  });
});

describe('wick pay', () => {
  it('plans by line, for every hour, and prepaid', async () => {
    const lines = await data<UsagePlan>('pay', file('booking'), '--commit', '36-none');
    expect(Number(lines.then)).toBeLessThan(Number(lines.now));
    const hours = await data<SpendPlan>(
      'pay',
      file('sailing'),
      '--every-hour',
      'OS-PLEDGE',
      '--level',
      '0.2',
    );
    expect(hours.readings.map(({ level }) => level)).toContain('0.2');
    const both = await data<BothPlan>(
      'pay',
      file('sailing'),
      '--every-hour',
      'OS-PLEDGE',
      '--with-lines',
      '36-none',
    );
    expect(both.rows.map(({ way }) => way)).toEqual(['neither', 'lines', 'hours', 'both']);
    const steps = await data<StepsPlan>(
      'pay',
      file('sailing'),
      '--every-hour',
      'OS-PLEDGE',
      '--months',
      '24',
    );
    expect(Number(steps.rows[2]!.totals.likely)).toBeLessThanOrEqual(Number(steps.rows[0]!.totals.likely));
    const credit = await data<CreditPlan>('pay', file('rota'), '--prepaid', 'HD-PURSE');
    expect(credit.rows[credit.best.likely]!.why).not.toBe('none');
  });

  it.each([
    [['--commit', 'on-demand'], 'is no commitment'],
    [['--every-hour', 'NOBODY'], 'is not sold where the design is'],
    [['--commit', '36-none', '--prepaid', 'X'], 'do not go together'],
    [['--term', '12-none'], 'goes with --commit'],
    [['--format', 'csv'], 'go with --commit'],
  ])('refuses %s in words', async (args, words) => {
    const refused = await wick('pay', file('sailing'), ...args);
    expect(refused.status).not.toBe(0);
    expect(refused.stderr).toContain(words);
  });
});
