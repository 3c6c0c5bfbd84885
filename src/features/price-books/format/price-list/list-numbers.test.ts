/** Numbers of price lists: never ten or a thousand times what they say, whoever wrote them, and of how many they are. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainSheets } from '@/platform/files/sheet-inventory';
import { fileOfBytes } from '@/features/fleet/format/inventory-file';
import { type PriceListMap, readPriceListMap } from './map-schema';
import { readPriceList } from './read-list';
import { drawn } from '@tests/support/drawn';

const mapOf = (more = ''): PriceListMap => {
  const read = readPriceListMap(`wick: price-list
version: 1
book: { key: quay, title: Quay list, provider: Quay, currency: USD, revision: 4, effective: 2026-11-01 }
columns: { offer: Part, unit: Unit, price: Price, tierFrom: From, tierUpTo: To, allowance: Free }
always: { region: north }
regions: { north: { code: north, country: Norland, latitude: 60, longitude: 5 } }
lines:
  - { when: { offer: "VM*" }, kind: server, meter: running, vcpu: 1, memory: 1 }
  - { when: { offer: "OUT*" }, kind: transfer-out, meter: transferred }
  - { when: { offer: "GIVEN*" }, kind: queue, meter: requests, unit: request }
  - { when: { offer: "Q*" }, kind: queue, meter: requests }
${more}`);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
};
const HEAD = ['Part', 'Unit', 'Price', 'From', 'To', 'Free'];
type Row = readonly (string | number)[];
const readText = (rows: readonly Row[], more = '') => {
  const text = [HEAD, ...rows].map((row) => row.map((each) => `"${each}"`).join(',')).join('\n');
  return readPriceList(fileOfBytes('list.csv', new TextEncoder().encode(text)), mapOf(more));
};
const readBook = async (rows: readonly Row[], more = '') =>
  readPriceList(
    fileOfBytes('list.xlsx', await plainSheets([{ name: 'L', rows: [HEAD, ...rows] }], new Date(0))),
    mapOf(more),
  );
const POINT = 'decimals: point\n';
const COMMA = 'decimals: comma\n';
const priceOf = async (read: ReturnType<typeof readText>) => {
  const { book, faults } = await read;
  expect(faults).toEqual([]);
  const { charge } = book!.rates[0]!;
  return charge.structure === 'per-unit' ? charge.price : null;
};

describe('a number of a price list', () => {
  it.each([
    ['0,05', POINT],
    ['1,50', POINT],
    ['12,34,567', POINT],
    [',500', POINT],
    ['1.5,000', POINT],
    ['0.05', COMMA],
    ['1.50', COMMA],
    ['1,5.000', COMMA],
  ])('%s is refused under %s: what parts no thousands is no number', async (text, more) => {
    const { book, faults } = await readText([['VM', 'hour', text, '', '', '']], more);
    expect(book).toBeNull();
    expect(faults).toMatchObject([{ line: 2, column: 3, path: 'Price' }]);
    expect(faults[0]!.message).toContain('parts no thousands');
  });

  it.each([
    ['1,234.50', POINT, '1234.5'],
    ['1,234,567.5', '', '1234567.5'],
    ['1.234.567,5', COMMA, '1234567.5'],
    ['1 234,5', COMMA, '1234.5'],
    ["1'234.5", '', '1234.5'],
    ['0.1', '', '0.1'],
  ])('%s is read under “%s”', async (text, more, price) => {
    expect(await priceOf(readText([['VM', 'hour', text, '', '', '']], more))).toBe(price);
  });

  it('that a workbook keeps as one is one, however the list writes those that are text', async () => {
    for (const price of [1.5, 1.125, 0.05, 1234.5])
      for (const more of ['', POINT, COMMA])
        expect(await priceOf(readBook([['VM', 'hour', price, '', '', '']], more))).toBe(String(price));
    expect(await priceOf(readBook([['VM', 'hour', '1,125', '', '', '']], COMMA))).toBe('1.125');
  });

  it('is the same from text and workbook, for every price', async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 9_999_999 }), async (thousandths) => {
        const price = thousandths / 1000;
        const row: Row = ['VM', 'hour', price, '', '', ''];
        expect(await priceOf(readBook([row], COMMA))).toBe(await priceOf(readText([row], POINT)));
      }),
      { numRuns: drawn(40) },
    );
  });
});

describe('how many a price is for', () => {
  it('is what the row says, also where the map names the unit', async () => {
    expect(await priceOf(readText([['Q', '1000 requests', '5', '', '', '']]))).toBe('0.005');
    expect(await priceOf(readText([['GIVEN', '1000 requests', '5', '', '', '']]))).toBe('0.005');
    expect(await priceOf(readText([['GIVEN', 'million requests', '5', '', '', '']]))).toBe('0.000005');
    expect(await priceOf(readText([['GIVEN', 'calls', '5', '', '', '']]))).toBe('5');
  });

  it('holds for what is included and for the bounds of tiers, too', async () => {
    const { book } = await readText([
      ['Q', '1000 requests', '5', '0', '10', '2'],
      ['Q', '1000 requests', '4', '10', '', '2'],
    ]);
    expect(book!.rates).toMatchObject([
      { allowance: '2000', charge: { tiers: [{ upTo: '10000', price: '0.005' }, { upTo: null }] } },
    ]);
  });
});

describe('tiers that count from one on', () => {
  const tiers = (...rows: Row[]) =>
    readText(rows.map(([from, to, price]) => ['OUT', 'GB', price!, from!, to!, '']));
  it('end where the list says, not where the next begins', async () => {
    const { book } = await tiers(['0', '100', '3'], ['101', '', '2']);
    expect(book!.rates[0]!.charge).toMatchObject({ tiers: [{ upTo: '100' }, { upTo: null }] });
  });

  it('are refused where the last one has an end: what is above has no price', async () => {
    const { faults } = await tiers(['0', '100', '3'], ['100', '500', '2']);
    expect(faults).toMatchObject([
      { line: 3, path: 'To', message: 'ends at 500; what is above has no price' },
    ]);
  });
});
