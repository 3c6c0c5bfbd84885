/** The command line as one runs it: another process, files only, no database. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { indexBook } from '@/core/books';
import { bookSet } from '@/core/pricing';
import { type DesignSummary, summarise } from '@/core/range';
import { readDesign, readPriceBook, toBookData, writeDesign } from '@/formats';
import { exampleDesign } from '../../docs/formats/examples';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-cli-'));
const books = path.join(folder, 'books');
const file = (name: string): string => path.join(folder, name);
const env: NodeJS.ProcessEnv = { ...process.env, DATABASE_URL: '' };

function wick(...args: string[]) {
  return spawnSync(process.execPath, ['--import', 'tsx', 'src/cli/wick.ts', ...args], {
    encoding: 'utf8',
    env,
  });
}

beforeAll(() => {
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
  it('prints the same summary as the application works out', () => {
    const result = wick('price', 'docs/formats/design.example.json', '--books', books, '--json');
    expect(result.status).toBe(0);
    const design = readDesign(fs.readFileSync('docs/formats/design.example.json', 'utf8'));
    const book = readPriceBook(fs.readFileSync('docs/formats/price-book.example.json', 'utf8'));
    if (!design.ok || !book.ok) throw new Error('the examples are faulty');
    const printed = JSON.parse(result.stdout) as {
      summary: DesignSummary;
      traces: Record<string, { value: string }>;
    };
    expect(printed.summary).toEqual(summarise(design.value, bookSet([indexBook(toBookData(book.value))])));
    expect(printed.traces['pages-out']?.value).toBe('112');
  });

  it('prints totals and traces for people', () => {
    const { stdout } = wick('price', 'docs/formats/design.example.json', '--books', books);
    expect(stdout).toContain('Total likely      255.21 EUR/month');
    expect(stdout).toContain('Charged after the allowance: 1400 GB');
    expect(stdout).toContain('[Harbour House r1, 2026-11-01, SAIL-OUT, quay]');
  });

  it('ends with 3 where something could not be priced', () => {
    const result = wick('price', file('lost.json'), '--books', books);
    expect(result.status).toBe(3);
    expect(result.stdout).toContain('incomplete: 1 not priced');
  });

  it.each([
    [['price', file('faulty.json'), '--books', books], 2, /version: /],
    [['price', file('nothing.json'), '--books', books], 4, /cannot be read/],
    [['price', 'docs/formats/design.example.json', '--books', file('nowhere')], 4, /cannot be read/],
    [['price'], 64, /wick price DESIGN/],
    [['price', '--colour'], 64, /colour/],
  ] as const)('%j ends with %i and one clear word', (args, code, message) => {
    const result = wick(...args);
    expect(result.status).toBe(code);
    expect(result.stderr).toMatch(message);
  });
});
