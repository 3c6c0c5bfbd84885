/** `wick review`, as a pipeline runs it: forms, exit codes, what-ifs, and that no secret leaves it. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { Review } from '@/features/review/calc';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_PROFILES } from '@/demo/profiles';
import { planJson, server } from '@tests/support/plans';
import { reviewed } from '@tests/support/reviews';
import { runWick } from '@tests/support/run-wick';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const CANARY = 'canary-91c7';
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-review-'));
const books = path.join(folder, 'books');

const PLAN = planJson([
  {
    address: 'norvane_server.web',
    before: server('bal-4-16', { password: CANARY }),
    after: server('bal-8-32', { password: CANARY, start: CANARY }),
    secretBefore: { password: true },
    secretAfter: { password: true },
  },
  { address: 'module.a.norvane_store.logs', module: 'module.a', after: { class: 'near' } },
  { address: 'strange_thing.x', after: { note: CANARY } },
]);

const fileOf = (name: string, content: unknown): string => {
  const file = path.join(folder, name);
  fs.writeFileSync(file, typeof content === 'string' ? content : JSON.stringify(content));
  return file;
};

const wick = (...args: readonly string[]) => runWick(['review', ...args, '--books', books]);

let plan = '';

beforeAll(async () => {
  fs.mkdirSync(books);
  const [profile] = DEMO_PROFILES;
  fs.writeFileSync(
    path.join(books, 'norvane.json'),
    JSON.stringify(generateBook(profile!, DEMO_REVISIONS.at(-1)!)),
  );
  plan = fileOf('plan.json', PLAN);
});

describe('wick review', () => {
  it('prices the same change with other price books, beside those that it is priced with', async () => {
    const dearer = path.join(folder, 'dearer');
    fs.mkdirSync(dearer);
    const book = generateBook(DEMO_PROFILES[0]!, DEMO_REVISIONS.at(-1)!);
    const rates = book.rates.map(({ charge, ...rate }) =>
      charge.structure === 'per-unit' && rate.sku === 'NV-BAL-8-32'
        ? { ...rate, charge: { ...charge, price: String(Number(charge.price) * 2) } }
        : { ...rate, charge },
    );
    fs.writeFileSync(path.join(dearer, 'norvane.json'), JSON.stringify({ ...book, rates }));
    const { status, stdout } = await wick(plan, '--what-if', `books=${dearer}`, '--format', 'json');
    expect(status).toBe(0);
    const told = JSON.parse(stdout) as Review & { whatIfs: { after: string }[] };
    expect(Number(told.whatIfs[0]!.after)).toBeGreaterThan(Number(told.totals.after) * 1.5);
    expect((await wick(plan, '--what-if', `books=${path.join(folder, 'nothing')}`)).status).not.toBe(0);
  });

  it('keeps amounts apart and lines short where they are very large', async () => {
    const large = fileOf(
      'large.json',
      planJson([
        {
          address: `norvane_database.${'long-'.repeat(30)}name`,
          after: { engine: 'open', size: '16-64', storage_gib: 60_000, replicas: 900_000 },
        },
      ]),
    );
    const { stdout } = await wick(large);
    const rows = stdout.split('\n').filter((line) => /\d\.\d\d$/.test(line));
    expect(rows.length).toBeGreaterThan(1);
    for (const line of rows) {
      expect(line.length).toBeLessThanOrEqual(80);
      expect(line).toMatch(/\.\d\d +\+[\d\s]+\.\d\d$/);
    }
  });

  it('takes a folder of configuration where there is no plan, and says that it is a rough look', async () => {
    const configuration = path.join(folder, 'configuration');
    fs.mkdirSync(path.join(configuration, '.hidden'), { recursive: true });
    fs.writeFileSync(path.join(configuration, '.hidden', 'x.tf'), 'not to be read {');
    fs.writeFileSync(
      path.join(configuration, 'main.tf'),
      'provider "norvane" { region = "severn-1" }\nresource "norvane_server" "web" { size = "bal-4-16" }\n',
    );
    const { status, stdout } = await wick(configuration);
    expect(status).toBe(0);
    expect(stdout).toContain('norvane_server.web');
    expect(stdout).toMatch(/a rough\s+first look/);
    fs.writeFileSync(path.join(configuration, 'bad.tf'), 'resource {');
    const refused = await wick(configuration);
    expect(refused.status).toBe(2);
    expect(refused.stderr).toContain('bad.tf');
  });

  it('says what the core says, in every form, and no secret in any', async () => {
    const { review } = reviewed(PLAN);
    const { status, stdout } = await wick(plan, '--format', 'json');
    expect(status).toBe(0);
    const told = JSON.parse(stdout) as Review;
    expect([told.totals.after, told.totals.difference]).toEqual([
      review.totals.after,
      review.totals.difference,
    ]);
    expect(told.rows.map(({ difference }) => difference)).toEqual(
      review.rows.map(({ difference }) => difference),
    );
    for (const form of ['text', 'json', 'markdown', 'junit', 'sarif']) {
      const written = await wick(plan, '--format', form, '--all');
      expect(written.status, form).toBe(0);
      expect(written.stdout.length, form).toBeGreaterThan(100);
      expect(written.stdout + written.stderr, form).not.toContain(CANARY);
    }
  });

  it('is read at eighty columns', async () => {
    const { stdout } = await wick(plan, '--what-if', 'term=36-all', '--what-if', 'case=heavy');
    for (const line of stdout.split('\n')) expect(line.length, line).toBeLessThanOrEqual(80);
    expect(stdout).toContain('no rule');
    expect(stdout).toMatch(/What if term=36-all +[\d.\s]+ +−/);
  });

  it('ends with a code for each outcome', async () => {
    const limits = (most: number): string =>
      fileOf(
        `limits-${most}.yaml`,
        `wick: limits\nversion: 1\nlimits: [{ id: month, most: { total: ${most} } }]\n`,
      );
    expect((await wick(plan, '--limits', limits(100_000))).status).toBe(0);
    const broken = await wick(plan, '--limits', limits(10));
    expect(broken.status).toBe(8);
    expect(broken.stdout).toContain('“month” is broken');
    expect((await wick(plan, '--all-priced')).status).toBe(3);
    const bad = await wick(fileOf('bad.json', '{"format_version":"9.0"}'));
    expect([bad.status, bad.stdout]).toEqual([2, '']);
    expect(bad.stderr).toContain('not known here');
    expect((await wick(path.join(folder, 'nowhere.json'))).status).toBe(4);
    expect((await wick(plan, '--what-if', 'moon=full')).status).toBe(2);
  });

  it('prices what the load profile says, and tells what of it reaches nothing', async () => {
    const load = fileOf(
      'load.yaml',
      `wick: load-profile
version: 1
loads:
  - address: module.a.norvane_store.*
    usage: { stored: { amount: [100, 500, 900], unit: GB }, reads: { amount: 1000, unit: request }, writes: { amount: 10, unit: request } }
  - address: nobody
    term: 12-none
`,
    );
    const told = JSON.parse((await wick(plan, '--load', load, '--format', 'json')).stdout) as Review;
    const store = told.rows.find(({ type }) => type === 'norvane_store')!;
    expect([store.doubts, Number(store.after) > 0]).toEqual([[], true]);
    expect(told.unreached).toEqual(['nobody']);
  });

  it('holds two plans against one another, and one against itself is nothing', async () => {
    const told = JSON.parse((await wick(plan, '--against', plan, '--format', 'json')).stdout) as Review;
    expect(told.totals.difference).toBe('0');
    expect(told.rows.every(({ difference }) => difference === '0')).toBe(true);
  });

  it('takes rules of one’s own', async () => {
    const map = fileOf(
      'map.yaml',
      'wick: resource-map\nversion: 1\ntitle: Ours\nproviders: { norvane: { book: norvane, region: region } }\nrules: [{ type: strange_thing, free: It is a picture. }]\n',
    );
    const told = JSON.parse((await wick(plan, '--map', map, '--format', 'json')).stdout) as Review;
    expect(told.rows.find(({ type }) => type === 'strange_thing')!.free).toBe('It is a picture.');
  });
});
