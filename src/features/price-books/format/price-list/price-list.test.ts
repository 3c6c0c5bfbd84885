/** Any price list by its columns: what it becomes, and what is refused with row and heading. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parse } from 'yaml';
import { plainSheets } from '@/platform/files/sheet-inventory';
import { fileOfBytes } from '@/features/fleet/format/inventory-file';
import { readPriceBook } from '../price-book';
import { draftListMap, guessColumns } from './draft-map';
import { type PriceListMap, readPriceListMap } from './map-schema';
import { headingsOf, readPriceList } from './read-list';

const MAP = `wick: price-list
version: 1
book: { key: quay, title: Quay list, provider: Quay, currency: USD, revision: 4, effective: 2026-11-01 }
columns: { offer: Part, name: What it is, region: Site, unit: Sold by, price: Net price, term: Contract, tierFrom: From }
regions:
  North Pier: { code: north, country: Norland, latitude: 60, longitude: 5 }
units: { "per hr": hour, "1k calls": "1000 requests" }
terms: { "1 year": 12-none }
skip: [{ when: { offer: "FEE-*" } }]
lines:
  - { when: { offer: "VM-*" }, kind: server, meter: running, vcpu: 4, memory: 16 }
  - { when: { offer: "OUT*" }, kind: transfer-out, meter: transferred }
  - { when: { offer: "Q*" }, kind: queue, meter: requests }
`;
const HEAD = 'Part,What it is,Site,Sold by,Net price,Contract,From';
const GOOD = [
  'VM-1,Machine one,North Pier,per hr,0.10,,',
  'VM-1,Machine one,north pier,per hr,0.07,1 year,',
  'OUT,Sent out,North Pier,GB,0.05,On demand,100',
  'OUT,Sent out,North Pier,GB,0.09,,0',
  'FEE-1,A fee,North Pier,,12,,',
];

const mapOf = (text = MAP): PriceListMap => {
  const read = readPriceListMap(text);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
};
const listOf = (rows: readonly string[], head = HEAD) =>
  fileOfBytes('list.csv', new TextEncoder().encode([head, ...rows].join('\n')));
const read = (rows: readonly string[], map = mapOf()) => readPriceList(listOf(rows), map);

describe('a price list', () => {
  it('becomes a book: offers, regions, rates, terms, tiers in their order', async () => {
    const { book, rows, skipped, faults } = await read(GOOD);
    expect(faults).toEqual([]);
    expect([rows, skipped]).toEqual([5, 1]);
    expect(book!.offers).toMatchObject([
      { sku: 'VM-1', kind: 'server', name: 'Machine one', vcpu: '4', memory: '16' },
      { sku: 'OUT', kind: 'transfer-out' },
    ]);
    expect(book!.rates.map(({ sku, term, unit, charge }) => [sku, term, unit, charge])).toEqual([
      ['VM-1', 'on-demand', 'hour', { structure: 'per-unit', price: '0.1' }],
      ['VM-1', '12-none', 'hour', { structure: 'per-unit', price: '0.07' }],
      [
        ...['OUT', 'on-demand', 'GB'],
        {
          structure: 'graduated',
          tiers: [
            { upTo: '100', price: '0.09' },
            { upTo: null, price: '0.05' },
          ],
        },
      ],
    ]);
    expect(readPriceBook(JSON.stringify(book)).ok).toBe(true);
  });

  it('is the same as a workbook, with lines above the headings, and columns in another order', async () => {
    const cells = [HEAD, ...GOOD].map((line) => line.split(','));
    const moved = cells.map((row) => [...row].reverse());
    const bytes = await plainSheets(
      [{ name: 'Prices', rows: [['Quay', 'all prices net'], [], ...moved] }],
      new Date(0),
    );
    const sheet = await readPriceList(fileOfBytes('list.xlsx', bytes), mapOf());
    const { book } = await read(GOOD);
    expect(sheet.faults).toEqual([]);
    expect(sheet.book).toEqual(book);
  });

  const refused: [string, readonly string[], object][] = [
    ['a unit that is none', ['VM-1,x,North Pier,fortnightly,1,,'], { line: 2, column: 4, path: 'Sold by' }],
    ['a price that is none', ['VM-1,x,North Pier,hour,call us,,'], { line: 2, column: 5, path: 'Net price' }],
    ['no price', ['VM-1,x,North Pier,hour,,,'], { line: 2, path: 'Net price', message: 'has no price' }],
    ['a price below nought', ['VM-1,x,North Pier,hour,-1,,'], { line: 2, path: 'Net price' }],
    ['a region that is not in the map', ['VM-1,x,South Pier,hour,1,,'], { line: 2, path: 'Site' }],
    ['a term that is not in the map', ['VM-1,x,North Pier,hour,1,5 years,'], { line: 2, path: 'Contract' }],
    ['an offer that no line names', ['ZZ,x,North Pier,hour,1,,'], { line: 2, path: 'Part' }],
    ['no offer', [',x,North Pier,hour,1,,'], { line: 2, path: 'Part' }],
    ['a rate that stands twice', [GOOD[0]!, GOOD[0]!], { line: 2 }],
    [
      'tiers that do not begin at nought',
      ['OUT,x,North Pier,GB,1,,100', 'OUT,x,North Pier,GB,2,,200'],
      { path: 'From' },
    ],
    [
      'two units of one rate',
      ['OUT,x,North Pier,GB,1,,0', 'OUT,x,North Pier,GiB,2,,10'],
      { line: 3, path: 'Sold by' },
    ],
    ['a meter that is no such unit', ['VM-1,x,North Pier,GB,1,,'], { line: 2 }],
    [
      'a price of three that is stated for many',
      ['Q1,x,North Pier,3 requests,1,,'],
      { line: 2, path: 'Net price' },
    ],
    ['a list without rows', [], { path: '' }],
  ];
  it.each(refused)('is refused for %s, whole, with its place', async (_, rows, fault) => {
    const found = await read(rows);
    expect(found.book).toBeNull();
    expect(found.faults[0]).toMatchObject(fault);
  });

  it('tells which headings are missing and which are there; of every faulty row, up to a hundred', async () => {
    const other = await readPriceList(listOf(['1,2'], 'Article,Amount'), mapOf());
    expect(other.faults[0]!.message).toContain('“Part”');
    expect(other.faults[0]!.message).toContain('“Article”, “Amount”');
    const many = await read(Array.from({ length: 150 }, () => 'VM-1,x,Nowhere,hour,1,,'));
    expect([many.faults.length, many.more]).toEqual([100, 50]);
  });

  it('does not guess what a comma is', async () => {
    const row = ['VM-1,x,North Pier,hour,"0,045",,'];
    expect((await read(row)).faults[0]!.message).toContain('two ways');
    const comma = mapOf(`${MAP}decimals: comma\n`);
    expect((await read(row, comma)).book!.rates[0]!.charge).toMatchObject({ price: '0.045' });
    const point = mapOf(`${MAP}decimals: point\n`);
    const dear = await read(['VM-1,x,North Pier,hour,"USD 1,234.50",,'], point);
    expect(dear.book!.rates[0]!.charge).toMatchObject({ price: '1234.5' });
  });

  it('takes what a workbook writes very small, and nothing else with an exponent', async () => {
    const small = await read(['VM-1,x,North Pier,hour,2.5e-7,,']);
    expect(small.book!.rates[0]!.charge).toMatchObject({ price: '0.00000025' });
    for (const odd of ['1e9', '1e-40', 'e-7', '1e'])
      expect((await read([`VM-1,x,North Pier,hour,${odd},,`])).faults[0]!.message).toContain('no price');
  });

  it('is never taken in part and never throws, whatever stands in it', async () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.constantFrom('VM-1', 'OUT', 'North Pier', 'hour', 'GB', '0.1', '', '=1+1', '1e9', '100', '1 year'),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(fc.array(cell, { maxLength: 9 }), { maxLength: 12 }), async (rows) => {
        const text = rows.map((row) => row.map((each) => `"${each.replaceAll('"', '""')}"`).join(','));
        const found = await read(text);
        expect(found.book === null).toBe(found.faults.length > 0);
        if (found.book) expect(readPriceBook(JSON.stringify(found.book)).ok).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
});

describe('a map', () => {
  it('is drafted from the headings, and what it says is read', async () => {
    const sheets = await headingsOf(listOf(GOOD, 'SKU,Description,Region,Unit,Unit price,Term,From'));
    const draft = draftListMap(sheets, '2026-11-01');
    expect((parse(draft) as PriceListMap).columns).toEqual({
      ...{ offer: 'SKU', name: 'Description', region: 'Region', unit: 'Unit', price: 'Unit price' },
      ...{ term: 'Term', tierFrom: 'From' },
    });
    expect(readPriceListMap(draft).ok).toBe(true);
    expect(guessColumns(['nothing', 'of this'])).toEqual({});
  });

  it('is refused with line and column where it cannot be meant', () => {
    for (const [from, to] of [
      ['kind: server', 'kind: boat'],
      ['price: Net price', 'cost: Net price'],
      ['{ offer: "VM-*" }', '{}'],
      ['currency: USD', 'currency: dollars'],
    ]) {
      const found = readPriceListMap(MAP.replace(from!, to!));
      expect(found.ok).toBe(false);
      if (!found.ok) expect(found.faults[0]!.line).toBeGreaterThan(1);
    }
  });
});
