/** `wick bills …`, as one runs it: out of a design, and against it again. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { billText, rowOf } from '@tests/support/bills';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { writeDesign } from '@/features/design/format/design';
import { readBillRules } from '@/features/bills/format/bill-rules';
import { runWick } from '@tests/support/run-wick';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-bills-'));
const at = (name: string): string => path.join(folder, name);

const wick = (command: string, ...args: readonly string[]) => runWick(['bills', command, ...args]);
const against = ['--design', at('design.json'), '--books', at('book.json')] as const;

beforeAll(async () => {
  fs.writeFileSync(at('book.json'), JSON.stringify(smallBookFile()));
  const design = designOf([serverOf('web', { name: 'Web' }), transferOf('out', { likely: '300' })], {
    books: [{ book: 'small', revision: 3 }],
  });
  fs.writeFileSync(at('design.json'), writeDesign(design));
});

describe('wick bills', () => {
  it('writes what a design lets expect, drafts its rules, and finds no difference', async () => {
    const period = ['--from', '2026-11-01', '--to', '2026-12-01'];
    const expected = await wick(
      'expect',
      at('design.json'),
      '--books',
      at('book.json'),
      ...period,
      '--out',
      at('expected.csv'),
    );
    expect([expected.status, expected.stderr]).toEqual([0, '']);
    const drafted = await wick('draft', at('expected.csv'), ...against, '--out', at('rules.yaml'));
    expect([drafted.status, drafted.stderr]).toEqual([0, '']);
    const rules = readBillRules(fs.readFileSync(at('rules.yaml'), 'utf8'));
    if (!rules.ok) throw new Error(JSON.stringify(rules));
    expect(rules.value.map(({ to }) => to).sort()).toEqual(['out', 'web']);
    const shown = await wick(
      'variance',
      at('expected.csv'),
      ...against,
      '--rules',
      at('rules.yaml'),
      '--json',
    );
    expect(shown.status).toBe(0);
    expect(JSON.parse(shown.stdout)).toMatchObject({ difference: '0', price: '0', quantity: '0', new: '0' });
    const text = (await wick('show', at('expected.csv'), ...against, '--rules', at('rules.yaml'))).stdout;
    expect(text).toContain('As expected.');
    expect(text).toMatch(/Whole bill.+137\.00 +137\.00/);
  });

  it('says where a period closes, of the newest or the one that is named', async () => {
    const day = (month: string, number: number) => `${month}-0${number}`;
    const rows = (month: string) => [1, 2, 3, 4].map((number) => rowOf({ day: day(month, number) }));
    const october = {
      provider: 'Norvane',
      account: 'quay',
      from: '2026-10-01',
      to: '2026-11-01',
      currency: 'USD',
    };
    fs.mkdirSync(at('months'), { recursive: true });
    fs.writeFileSync(at('months/october.csv'), billText(rows('2026-10'), october));
    fs.writeFileSync(at('months/november.csv'), billText(rows('2026-11')));
    const newest = await wick('project', at('months'), '--json');
    expect(JSON.parse(newest.stdout)).toMatchObject({ billed: '40', likely: '300' });
    const named = await wick('project', at('months'), '--from', '2026-10-01', '--json');
    expect(JSON.parse(named.stdout)).toMatchObject({ billed: '40', likely: '310' });
    const none = await wick('project', at('months'), '--from', '2026-01-01');
    expect([none.status, none.stderr]).toEqual([
      2,
      expect.stringContaining('there are 2026-11-01, 2026-10-01'),
    ]);
  });

  it('refuses a faulty file by its row, and what was called wrongly', async () => {
    fs.writeFileSync(at('faulty.csv'), billText([rowOf()]).replace('2026-11-02T00:00:00Z,,', 'soon,,'));
    const faulty = await wick('show', at('faulty.csv'));
    expect(faulty.status).toBe(2);
    expect(faulty.stderr).toContain('faulty.csv: The bill has 1 fault');
    expect((await wick('show', at('nowhere.csv'))).status).toBe(4);
    expect((await wick('import', at('faulty.csv'))).status).toBe(7);
    const rules = await wick('show', at('faulty.csv'), '--rules', at('rules.yaml'));
    expect([rules.status, rules.stderr]).toEqual([64, expect.stringContaining('--design')]);
    fs.mkdirSync(at('empty'), { recursive: true });
    expect((await wick('show', at('empty'))).stderr).toContain('There is no bill in');
  });
});
