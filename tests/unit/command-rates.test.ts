/** `wick rates` as one runs it, on the demo's files. */
import fs from 'node:fs';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { bareDesign, type MeasuredRates } from '@/features/unit-prices/calc';
import { indexBook } from '@/engine/books';
import { bookSet, priceDesign } from '@/engine/pricing';
import { type PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { readDesign } from '@/features/design/format/design';
import { toBookData } from '@/features/price-books/format/price-book';
import { runWick } from '@tests/support/run-wick';
import { DEMO_FILES, demoFiles } from '@tests/support/demo-files';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const folder = DEMO_FILES;
const books = path.join(folder, 'books');
let booking = '';

function wick(...args: string[]) {
  return runWick([...args]);
}
const rates = (...args: string[]) => wick('rates', ...args, '--books', books);
const measured = async (...args: string[]) =>
  JSON.parse((await rates(...args, '--json')).stdout) as MeasuredRates[];
const outgoing = (all: readonly MeasuredRates[]): MeasuredRates =>
  all.find(({ measure }) => measure.key === 'transfer-out')!;

beforeAll(async () => {
  await demoFiles();
  const designs = path.join(folder, 'designs');
  booking = path.join(
    designs,
    fs.readdirSync(designs).find((name) => name.includes('booking'))!,
  );
});

describe('wick rates', () => {
  it('says what a design of the one line costs, at the height of the design', async () => {
    const read = readDesign(fs.readFileSync(booking, 'utf8'));
    if (!read.ok) throw new Error('the demo design is faulty');
    const files = fs.readdirSync(books).map((name) => fs.readFileSync(path.join(books, name), 'utf8'));
    const all = bookSet(files.map((text) => indexBook(toBookData(JSON.parse(text) as PriceBookFile))));
    const { measure, rates: found } = outgoing(await measured(booking));
    expect(measure.quantity).toBe('11600');
    const priced = found.filter(({ amount }) => amount !== null);
    expect(priced.length).toBeGreaterThan(20);
    for (const { line, amount } of priced) {
      expect(priceDesign(bareDesign(read.value, line!), all, 'likely').monthly.value.toString()).toBe(amount);
    }
  });

  it('takes quantities, a place, and what is included or not', async () => {
    const ten = outgoing(await measured('--data', '10')).rates[0]!;
    expect(ten.amount).toBe('0');
    expect(
      Number(outgoing(await measured('--data', '10', '--without-free')).rates[0]!.amount),
    ).toBeGreaterThan(0);
    const german = outgoing(await measured('--within', 'Germany')).rates;
    expect(new Set(german.map(({ country }) => country))).toEqual(new Set(['Germany']));
  });

  it('writes text, CSV and Markdown with the same amounts, and says what has no price', async () => {
    const text = (await rates('--data', '1000')).stdout;
    const amount = /Data transfer out +1 000 GB +([\d.]+)/.exec(text)![1]!;
    expect((await rates('--data', '1000', '--format', 'csv')).stdout).toContain(
      `Data transfer out,1 000 GB,${amount},`,
    );
    expect((await rates('--data', '1000', '--format', 'markdown')).stdout).toContain(`| ${amount} |`);
    expect(text).toContain('the design has no exchange rate between them');
  });

  it.each([
    [['--data', '0'], 2, /--data takes a number above zero/],
    [['--requests', 'many'], 2, /--requests takes a number above zero/],
    [['--within', 'Atlantis'], 2, /No book has a region in “Atlantis”/],
    [['a.json', 'b.json'], 64, /rates/],
  ] as const)('%j is refused in one sentence', async (args, code, message) => {
    const result = await rates(...args);
    expect(result.stderr).toMatch(message);
    expect(result.status).toBe(code);
  });
});
