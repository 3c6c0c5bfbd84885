/** The command line as one runs it: another process, files only, no database. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { indexBook } from '@/engine/books';
import { bookSet } from '@/engine/pricing';
import { type DesignSummary, summarise } from '@/engine/summary';
import { readDesign, writeDesign } from '@/features/design/format/design';
import { readPriceBook, toBookData } from '@/features/price-books/format/price-book';
import { ensureProgram } from '../../scripts/bundle-cli.mjs';
import { exampleDesign } from '../../docs/formats/examples';
import { runWick } from '@tests/support/run-wick';

// Each call is a process of its own.
vi.setConfig({ testTimeout: 60_000 });

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-cli-'));
const books = path.join(folder, 'books');
const file = (name: string): string => path.join(folder, name);
const env: NodeJS.ProcessEnv = { ...process.env, DATABASE_URL: '' };

/** The program that `./run wick` runs. */
let program = '';

function wick(...args: string[]) {
  return runWick([...args]);
}

beforeAll(async () => {
  program = path.resolve(await ensureProgram('wick'));
  fs.mkdirSync(books);
  fs.copyFileSync('docs/formats/price-book.example.json', path.join(books, 'book.json'));
  const section = exampleDesign.sections[0]!;
  const lost = {
    ...exampleDesign,
    sections: [{ ...section, components: [{ ...section.components[0]!, choice: { by: 'none' as const } }] }],
  };
  fs.writeFileSync(file('lost.json'), writeDesign(lost));
  fs.writeFileSync(file('faulty.json'), '{"format":"wick-design","version":3}');
});

describe('wick price', () => {
  it('prints the same summary as the application works out', async () => {
    const wanted = ['--explain', 'all', '--json'];
    const result = await wick('price', 'docs/formats/design.example.json', '--books', books, ...wanted);
    expect(result.status).toBe(0);
    const design = readDesign(fs.readFileSync('docs/formats/design.example.json', 'utf8'));
    const book = readPriceBook(fs.readFileSync('docs/formats/price-book.example.json', 'utf8'));
    if (!design.ok || !book.ok) throw new Error('the examples are faulty');
    const printed = JSON.parse(result.stdout) as {
      summary: DesignSummary;
      traces: Record<string, Record<string, { value: string }>>;
      months: { rows: unknown[]; firstYear: { cash: string } };
    };
    expect(printed.summary).toMatchObject(
      summarise(design.value, bookSet([indexBook(toBookData(book.value))])),
    );
    expect(printed.traces.likely!['pages-out']?.value).toBe('112');
    expect(Object.keys(printed.traces)).toEqual(['lean', 'likely', 'heavy']);
    // The same first 12 months wherever they are told.
    expect(printed.months.firstYear.cash).toBe(printed.summary.firstYear);
    expect(printed.summary.sections[0]!.lines[1]).toMatchObject({ name: 'Pages to travellers', says: [] });
  });

  it('prints totals and traces for people', async () => {
    const plain = (await wick('price', 'docs/formats/design.example.json', '--books', books)).stdout;
    expect(plain).toContain('Total likely      255.21 EUR/month');
    expect(plain).not.toContain('Charged after the allowance');
    expect(plain).not.toMatch(/[\u00a0\u202f]/);
    const one = ['--explain', 'Pages to travellers'];
    const { stdout } = await wick('price', 'docs/formats/design.example.json', '--books', books, ...one);
    expect(stdout).toContain('Charged after the allowance: 1400 GB');
    expect(stdout).toContain('[Harbour House r1, 2026-11-01, SAIL-OUT, quay]');
  });

  it('ends with 3 where something could not be priced', async () => {
    const result = await wick('price', file('lost.json'), '--books', books);
    expect(result.status).toBe(3);
    expect(result.stdout).toContain('incomplete: 1 not priced');
  });

  it.each([
    [['price', file('faulty.json'), '--books', books], 2, /version: /],
    [['price', file('nothing.json'), '--books', books], 4, /cannot be read/],
    [['price', 'docs/formats/design.example.json', '--books', file('nowhere')], 4, /cannot be read/],
    [['price'], 64, /needs DESIGN/],
    [['price', 'x'], 64, /needs --books/],
    [['price', 'x', '--books', 'y', '--as', 'pdf'], 64, /--as means nothing/],
    [['juggle'], 64, /There is no “wick juggle”/],
    [['price', '--colour'], 64, /colour/],
  ] as const)('%j ends with %i and one clear word', async (args, code, message) => {
    const result = await wick(...args);
    expect(result.status).toBe(code);
    expect(result.stderr).toMatch(message);
  });
});

describe('wick price, further', () => {
  it('prints the months of a design and its CSV', async () => {
    const months = await wick(
      'price',
      'docs/formats/design.example.json',
      '--books',
      books,
      '--months',
      '13',
    );
    expect(months.stdout).toMatch(/Year 2 {3}255\.21 {3}cash 1.043\.54/);
    expect(months.stdout).toMatch(/All 13 months {3}3.317\.69 {3}cash 4.106\.02/);
    const csv = await wick('price', 'docs/formats/design.example.json', '--books', books, '--format', 'csv');
    expect(csv.stdout).toContain('255.21');
  });

  it('tells what a month with more traffic costs, by line, in words and as data', async () => {
    const priced = (...args: string[]) =>
      wick('price', 'docs/formats/design.example.json', '--books', books, ...args);
    const text = await priced('--traffic', '100');
    expect(text.stdout).toMatch(/With 100 times the traffic {3}[\d ]+\.\d\d EUR\/month\n {2}\S/);
    const { traffic } = JSON.parse((await priced('--traffic', '100', '--json')).stdout) as {
      traffic: { now: string; then: string; rows: { now: string; then: string }[] };
    };
    const extra = traffic.rows.reduce((sum, row) => sum + Number(row.then) - Number(row.now), 0);
    expect(extra).toBeCloseTo(Number(traffic.then) - Number(traffic.now), 6);
    expect(extra).toBeGreaterThan(0);
    for (const wrong of ['0', '-3', 'much']) {
      const refused = await priced(`--traffic=${wrong}`);
      expect([refused.status, refused.stderr]).toEqual([
        2,
        expect.stringContaining('--traffic takes a number above zero'),
      ]);
    }
  });
});

describe('designs as engineers hand them over', () => {
  const example = 'docs/formats/design.example.json';
  const priced = (...args: string[]) => wick('price', ...args, '--books', books);

  it('are read from standard input and written to a file, and several at once', async () => {
    const piped = await runWick(['price', '-', '--books', books, '--format', 'csv'], {
      input: fs.readFileSync(example, 'utf8'),
    });
    expect([piped.status, piped.stdout.includes('255.21')]).toEqual([0, true]);
    const out = file('priced.json');
    expect(await priced(example, example, '--json', '--out', out)).toMatchObject({ status: 0, stdout: '' });
    const { designs } = JSON.parse(fs.readFileSync(out, 'utf8')) as { designs: { title: string }[] };
    expect(designs.map(({ title }) => title)).toEqual(['Ticket office', 'Ticket office']);
  });

  it('are read from the folder in which the call was made', () => {
    const there: NodeJS.ProcessEnv = { ...env, WICK_CALLED_IN: folder };
    fs.copyFileSync(example, file('here.json'));
    const args = ['price', 'here.json', '--books', 'books'];
    const result = spawnSync(process.execPath, [program, ...args], { encoding: 'utf8', env: there });
    expect([result.status, result.stderr]).toEqual([0, '']);
  });

  it('end with 8 above their budget, and say faults as data where data was wanted', async () => {
    const budgeted = {
      ...exampleDesign,
      assumptions: { ...exampleDesign.assumptions, budget: '100', contingency: '0.1', tax: '0.2' },
    };
    fs.writeFileSync(file('dear.json'), writeDesign(budgeted));
    const dear = await priced(file('dear.json'));
    expect(dear.status).toBe(8);
    expect(dear.stdout).toMatch(/With contingency and tax 336\.87\n[^]*Budget {12}100\.00 a month, exceeded/);
    const faulty = await priced(file('faulty.json'), '--json');
    const { error } = JSON.parse(faulty.stderr) as { error: { code: string; faults: { path: string }[] } };
    expect([faulty.status, error.code, error.faults.map(({ path: at }) => at)]).toEqual([
      2,
      'invalid',
      expect.arrayContaining(['version']),
    ]);
  });

  it('are refused in another encoding than UTF-8, with a key twice, with a book twice', async () => {
    fs.writeFileSync(file('latin.json'), Buffer.from('{"format":"wick-design","title":"Sk\xe6r"}', 'latin1'));
    expect((await priced(file('latin.json'))).stderr).toContain('looks like Windows-1252');
    fs.writeFileSync(file('twice.json'), '{\n "format": "wick-design",\n "format": "wick-design"}');
    expect((await priced(file('twice.json'))).stderr).toMatch(
      /line 3, column 2: format: “format” stands twice/,
    );
    const both = await wick(
      'price',
      example,
      '--books',
      books,
      '--books',
      'docs/formats/price-book.example.json',
    );
    expect([both.status, both.stderr]).toEqual([
      2,
      expect.stringContaining('are both harbour-house, revision 1'),
    ]);
  });

  it('are checked, held against each other line by line, and looked at under every way of paying', async () => {
    const checked = await wick('check', example, '--books', books);
    expect([checked.status, checked.stdout]).toEqual([0, expect.stringContaining('No name service')]);
    const section = exampleDesign.sections[0]!;
    const [servers, pages] = section.components;
    const changed = {
      ...exampleDesign,
      sections: [{ ...section, components: [{ ...servers!, id: 'other' }] }],
    };
    fs.writeFileSync(file('changed-design.json'), writeDesign(changed));
    const diff = await wick('diff', example, file('changed-design.json'), '--books', books, '--json');
    const { rows, change } = JSON.parse(diff.stdout) as {
      rows: { what: string; name: string }[];
      change: string;
    };
    expect(rows.map(({ what, name }) => `${what} ${name}`)).toEqual([
      `same ${servers!.name}`,
      `gone ${pages!.name}`,
    ]);
    expect(change).toBe('-112');
    const pay = await wick('pay', example, '--books', books, '--line', servers!.name, '--leave', '6');
    expect(pay.stdout).toMatch(/12 months, part upfront: 143\.21 a month, 860\.00 upfront, saves 30\.9 %/);
    expect((await wick('pay', example, '--books', books, '--line', 'nobody')).status).toBe(2);
  });
});

describe('wick report', () => {
  const report = (...args: string[]) =>
    wick('report', 'docs/formats/design.example.json', '--books', books, ...args);

  it('writes what the application hands over', async () => {
    const out = file('report.json');
    const result = await report('--as', 'json', '--out', out);
    expect([result.status, result.stdout]).toEqual([0, `${out}: 255.21 EUR a month\n`]);
    const written = JSON.parse(fs.readFileSync(out, 'utf8')) as { total: { monthly: string } };
    expect(written.total.monthly).toBe('255.21');
    expect((await report('--as', 'pdf', '--out', file('report.pdf'))).status).toBe(0);
    expect(fs.readFileSync(file('report.pdf')).subarray(0, 5).toString()).toBe('%PDF-');
    await report('--as', 'md', '--out', file('q.md'), '--variant', 'quotation', '--until', '2026-12-31');
    expect(fs.readFileSync(file('q.md'), 'utf8')).toContain('Quotation, valid until 2026-12-31.');
  });

  it.each([
    [['--as', 'docx', '--out', 'x'], 2, /--as takes one of/],
    [['--as', 'md', '--out', 'x', '--until', 'soon'], 2, /--until a date/],
    [['--as', 'md'], 64, /needs --out/],
    [['--as', 'md', '--out', 'nowhere/at/all.md'], 4, /no folder “nowhere\/at”/],
  ] as const)('%j ends with %i and one clear word', async (args, code, message) => {
    const result = await report(...args);
    expect([result.status, message.test(result.stderr)]).toEqual([code, true]);
  });
});
