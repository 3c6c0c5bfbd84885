/** `wick books from-bill` and `from-list`, as one runs them. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { billText, rowOf } from '@tests/support/bills';
import { readPriceBook } from '@/features/price-books/format/price-book';
import { runWick } from '@tests/support/run-wick';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-prices-'));
const at = (name: string): string => path.join(folder, name);
const wick = (...args: readonly string[]) => runWick(['books', ...args]);

beforeAll(async () => {
  const book = smallBookFile();
  fs.writeFileSync(at('book.json'), JSON.stringify({ ...book, book: { ...book.book, provider: 'Norvane' } }));
  const rows = [
    rowOf({ listUnitPrice: '0.12', contractedUnitPrice: '0.09', quantity: '100' }),
    rowOf({ sku: 'NEW', listUnitPrice: '3', contractedUnitPrice: '3', quantity: '2', description: '=1+1' }),
  ];
  fs.writeFileSync(at('bill.csv'), billText(rows));
});

describe('wick books from-bill', () => {
  it('holds what was paid against a book, and says what is not in it', async () => {
    const told = await wick('from-bill', at('bill.csv'), '--books', at('book.json'));
    expect([told.status, told.stderr]).toEqual([0, '']);
    expect(told.stdout).toContain('1 of 2 rates differ from');
    expect(told.stdout).toContain('2.00 USD more in this bill');
    expect(told.stdout).toContain('not in the book');
    const json = JSON.parse(
      (await wick('from-bill', at('bill.csv'), '--books', at('book.json'), '--json')).stdout,
    ) as {
      rates: object[];
    };
    expect(json.rates).toHaveLength(2);
  });

  it('writes the draft, and what was paid as a list that a map makes a book of', async () => {
    const draft = await wick(
      'from-bill',
      at('bill.csv'),
      '--books',
      at('book.json'),
      '--as',
      'list',
      '--out',
      at('next.json'),
    );
    expect([draft.status, draft.stderr]).toEqual([0, '']);
    const read = readPriceBook(fs.readFileSync(at('next.json'), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.value.revision).toMatchObject({ number: 4, effective: '2026-11-01' });
    expect((await wick('check', at('next.json'))).status).toBe(0);
    const list = await wick('from-bill', at('bill.csv'), '--as', 'price-list', '--out', at('paid.csv'));
    expect([list.status, list.stderr]).toEqual([0, '']);
    expect(fs.readFileSync(at('paid.csv'), 'utf8')).toContain("'=1+1");
    fs.writeFileSync(
      at('map.yaml'),
      `wick: price-list
version: 1
book: { key: paid, title: Paid, provider: Norvane, currency: USD, revision: 1, effective: 2026-11-01 }
columns: { offer: SkuId, name: Description, region: RegionId, unit: PricingUnit, price: ContractedUnitPrice }
regions: { severn: { code: severn, country: Wales, latitude: 51, longitude: -3 } }
lines: [{ when: { offer: "*" }, kind: server, meter: running, vcpu: 2, memory: 8 }]
`,
    );
    const made = await wick('from-list', at('paid.csv'), '--map', at('map.yaml'), '--out', at('paid.json'));
    expect([made.status, made.stderr]).toEqual([0, '']);
    expect((await wick('check', at('paid.json'))).stdout).toContain('1 regions, 2 offers, 2 rates');
  });

  it('refuses with places and its own exit, and wrong calls in one line', async () => {
    fs.writeFileSync(
      at('bad.csv'),
      'SkuId,RegionId,PricingUnit,ContractedUnitPrice,Description\nA,nowhere,Hours,1,x\n',
    );
    const bad = await wick('from-list', at('bad.csv'), '--map', at('map.yaml'));
    expect(bad.status).toBe(2);
    expect(bad.stdout).toContain('row 2, column 2, RegionId: “nowhere” is not among the regions of the map');
    expect((await wick('from-list', at('bad.csv'))).stderr).toContain('--map');
    expect((await wick('from-bill', at('bill.csv'), '--as', 'gold')).stderr).toContain(
      'list, contracted or price-list',
    );
    const none = await wick('from-bill', at('bill.csv'), '--as', 'list');
    expect(none.status).not.toBe(0);
    expect(none.stderr).toContain('There is no price book of Norvane');
    expect((await wick('from-list', at('nothing.csv'), '--map', at('map.yaml'))).stderr).toContain(
      'There is no file',
    );
  });
});
