/** `wick books check | diff | search | import`, as one runs them. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { beforeAll, describe, expect, it } from 'vitest';
import type { PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { runWick } from '@tests/support/run-wick';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-books-'));
const file = (name: string): string => path.join(folder, name);
const books = path.join(folder, 'books');
const wick = (...args: readonly string[]) => runWick(args);

beforeAll(() => {
  fs.mkdirSync(books);
  fs.copyFileSync('docs/formats/price-book.example.json', path.join(books, 'book.json'));
});

describe('wick books', () => {
  const book = 'docs/formats/price-book.example.json';

  beforeAll(() => {
    const changed = JSON.parse(fs.readFileSync(book, 'utf8')) as PriceBookFile;
    changed.revision.number = 2;
    changed.rates[0]!.charge = { structure: 'per-unit', price: '0.077' };
    fs.writeFileSync(file('changed.json'), JSON.stringify(changed));
    const text = fs.readFileSync(book, 'utf8');
    fs.writeFileSync(file('bad.json'), text.replace('"unit": "hour"', '"unit": "barrel"'));
    fs.writeFileSync(file('packed.json.gz'), gzipSync(text));
  });

  it('checks files, packed or not, and tells faults by line and column', async () => {
    const good = await wick('books', 'check', book, file('packed.json.gz'));
    expect(good.status).toBe(0);
    expect(good.stdout.match(/good\. Harbour House, revision 1/g)).toHaveLength(2);
    const bad = await wick('books', 'check', file('bad.json'));
    expect(bad.status).toBe(2);
    const line = fs
      .readFileSync(file('bad.json'), 'utf8')
      .split('\n')
      .findIndex((each) => each.includes('barrel'));
    expect(bad.stdout).toContain(`line ${line + 1}, column`);
    expect((await wick('books', 'check', file('bad.json'), '--format', 'csv')).stdout).toContain(
      'rates[0].unit',
    );
  });

  it('tells what differs between two files', async () => {
    const result = await wick('books', 'diff', book, file('changed.json'));
    expect(result.status).toBe(0);
    expect(result.stdout).toMatch(/Rates: 0 added, 0 gone, 1 changed/);
    expect(result.stdout).toMatch(/cheaper .*0\.142 → 0\.077 {2}−45\.8/);
    const json = JSON.parse((await wick('books', 'diff', book, file('changed.json'), '--json')).stdout) as {
      changes: { what: string }[];
    };
    expect(json.changes).toMatchObject([{ what: 'cheaper' }]);
  });

  it('searches a folder of books', async () => {
    const found = await wick(
      'books',
      'search',
      '--kind',
      'server',
      '--vcpu',
      '4',
      '--books',
      books,
      '--json',
    );
    expect(JSON.parse(found.stdout)).toMatchObject([{ sku: 'BERTH-4-16', book: 'harbour-house' }]);
    const none = await wick('books', 'search', 'submarine', '--books', books);
    expect([none.status, none.stdout]).toEqual([4, 'Nothing found.\n']);
  });

  it.each([
    [['books', 'import', 'docs/formats/price-book.example.json'], 7, /DATABASE_URL/],
    [['books', 'search', '--kind', 'submarine', '--books', 'docs/formats'], 2, /./],
    [['books', 'check', 'nowhere.json'], 4, /cannot be read/],
    [['books', 'juggle'], 64, /needs one of: books check/],
    [['books', 'diff', 'one.json'], 64, /BEFORE and AFTER/],
    [['books', 'check', 'x', '--format', 'runes'], 64, /takes text, json, csv/],
  ] as const)('%j ends with %i', async (args, code, message) => {
    const result = await wick(...args);
    expect(result.status).toBe(code);
    expect(result.stderr).toMatch(message);
  });
});
