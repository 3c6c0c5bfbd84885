/** `wick fleet`, as one runs it, on the demo's estate and books. */
import fs from 'node:fs';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { PlacedFleet } from '@/features/fleet/calc';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { csvOf, estateRows } from '@/demo/harbour-house';
import { NORVANE } from '@/demo/norvane';
import { runWick } from '@tests/support/run-wick';
import { DEMO_FILES, demoFiles } from '@tests/support/demo-files';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const folder = DEMO_FILES;
const region = generateBook(NORVANE, DEMO_REVISIONS.at(-1)!).regions[0]!.code;

function wick(file: string, args: readonly string[]) {
  const at = args.includes('--at') ? [] : ['--at', `norvane/${region}`];
  return runWick(['fleet', file, '--books', path.join(folder, 'books'), ...at, ...args]);
}
const fleet = (...args: string[]) => wick(path.join(folder, 'fleets', 'harbour-house.csv'), args);
type Answer = PlacedFleet & {
  readonly rejected: readonly { readonly row: number; readonly reason: string }[];
};
const data = async (...args: string[]): Promise<Answer> =>
  JSON.parse((await fleet(...args, '--json')).stdout) as Answer;

beforeAll(async () => {
  await demoFiles();
});

describe('wick fleet', () => {
  it('places Harbour House: 164 machines, what stands twice and what cannot be read are left out and said', async () => {
    const placed = await data();
    expect(placed.rows.length).toBe(164);
    expect(placed.rejected.map(({ row }) => row)).toEqual([61, 167]);
    expect(placed.rejected[0]!.reason).toContain('stands in row 41 already');
    expect(placed.rejected[1]!.reason).toContain('missing');
    expect((await fleet()).status).toBe(3);
  });

  it('costs less by what is really used than as installed, and the same number in every form', async () => {
    const placed = await data('--rule', 'peak', '--headroom', '20');
    const [total] = placed.totals;
    expect(Number(total!.byRule)).toBeLessThan(Number(total!.installed));
    expect(placed.unmeasured).toBeGreaterThan(5);
    const cents = Number(total!.byRule).toFixed(2);
    const text = (await fleet('--rule', 'peak')).stdout.replaceAll(/\s/g, '');
    expect(text).toContain(cents);
    const csv = (await fleet('--rule', 'peak', '--format', 'csv')).stdout;
    expect(csv.trim().split('\n').at(-1)).toContain(cents);
  });

  it('takes a column for what a person says it is', async () => {
    const rows = estateRows(3, 'columns').map((row, at) =>
      at === 0 ? row.map((each) => (each === 'vCPU' ? 'Zahl' : each)) : row,
    );
    const file = path.join(folder, 'other.csv');
    fs.writeFileSync(file, csvOf(rows));
    const call = (...args: string[]) => wick(file, args);
    expect((await call()).stderr).toContain('No table has the machines');
    expect((await call('--column', 'Zahl=vcpu')).stdout).toContain('“Zahl”: vcpu');
  });

  it.each([
    [['--at', 'nobody/x'], 'no such book'],
    [['--at', 'norvane/nowhere'], 'has no region “nowhere”; there are'],
    [['--rule', 'guess'], '--rule takes'],
    [['--rule', 'peak', '--headroom', 'much'], '--headroom takes per cent'],
    [['--headroom', '20'], '--headroom goes with'],
    [['--rule', 'peak', '--target', '60'], '--target goes with'],
    [['--column', 'x'], '--column takes HEADING=FIELD'],
  ])('refuses %s in words', async (args, words) => {
    const refused = await fleet(...args);
    expect(refused.status).not.toBe(0);
    expect(refused.stderr).toContain(words);
  });
});

describe('wick fleet with a plan', () => {
  const plan = () => path.join(folder, 'fleets', 'harbour-house.plan.json');
  const files = (...names: string[]) => names.map((name) => path.join(folder, 'fleets', name));
  const run = (...args: string[]) => runWick(['fleet', ...args, '--books', path.join(folder, 'books')]);

  it('stands groups under placements, all of them once, the same as its sums; files are joined', async () => {
    const answer = await run(...files('harbour-house.csv'), '--plan', plan(), '--json');
    // Rows were left out, and that is told.
    expect(answer.status).toBe(3);
    const { cells, mix } = JSON.parse(answer.stdout) as {
      readonly mix: { readonly text: string };
      readonly cells: readonly {
        readonly group: string;
        readonly placement: string;
        readonly printed: string;
        readonly machines: number;
        readonly kinds: Readonly<Record<string, string>>;
      }[];
    };
    expect(cells).toHaveLength(16);
    // What is printed of each kind adds up to what is printed of all.
    for (const { printed, kinds } of cells)
      expect(Object.values(kinds).reduce((sum, kind) => sum + Math.round(Number(kind) * 100), 0)).toBe(
        Math.round(Number(printed) * 100),
      );
    const machines = (group: string) =>
      cells.find((cell) => cell.group === group && cell.placement === 'used')!.machines;
    expect(machines('*')).toBe(machines('live') + machines('test'));
    expect(mix.text).toMatch(/a month/);
    const disks = path.join(folder, 'fleets', 'disks.csv');
    fs.writeFileSync(disks, 'Machine;Used space (GiB)\nberth-01;1000000\n');
    const joined = (await run(...files('harbour-house.csv', 'disks.csv'), '--plan', plan(), '--json')).stdout;
    const storage = (text: string) =>
      Number((JSON.parse(text) as { cells: typeof cells }).cells[0]!.kinds.storage);
    expect(storage(joined)).toBeGreaterThan(storage(answer.stdout) + 80_000);
  });

  it('refuses what is no plan, and a place together with a plan, in words', async () => {
    const file = path.join(folder, 'fleets', 'bad.json');
    fs.writeFileSync(file, '{"title": "x"}');
    expect((await run(...files('harbour-house.csv'), '--plan', file)).stderr).toContain(
      'is no plan of a fleet',
    );
    const both = await run(...files('harbour-house.csv'), '--plan', plan(), '--at', `norvane/${region}`);
    expect([both.status, both.stderr]).toEqual([2, expect.stringContaining('--at BOOK/REGION, or --plan')]);
  });
});
