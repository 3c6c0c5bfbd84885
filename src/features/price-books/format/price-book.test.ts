import { describe, expect, it } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { MOST_FAULTS } from '@/platform/formats/faults';
import { readPriceBook, toBookData } from './price-book';

const text = (file: unknown): string => JSON.stringify(file);
type Loose = { [key: string]: Loose } & Loose[];

/** The small book with one thing made wrong. */
function broken(change: (file: Loose) => void): string {
  const file = structuredClone(smallBookFile()) as unknown as Loose;
  change(file);
  return text(file);
}

const at = (file: Loose, key: string, index: number): Loose => file[key]![index]!;
const set = (target: Loose, key: string, value: unknown): void =>
  void ((target as Record<string, unknown>)[key] = value);
const rateOf = (file: Loose, sku: string, term = 'on-demand'): Loose =>
  (file.rates as unknown as { sku: string; term: string }[]).find(
    (rate) => rate.sku === sku && rate.term === term,
  ) as unknown as Loose;

describe('a valid price book', () => {
  it('is read as it stands', () => {
    const read = readPriceBook(text(smallBookFile()));
    expect(read).toMatchObject({ ok: true });
    if (read.ok) expect(toBookData(read.value)).toMatchObject({ key: 'small', currency: 'USD', revision: 3 });
  });

  it('may begin with a byte order mark', () => {
    expect(readPriceBook(`\uFEFF${text(smallBookFile())}`).ok).toBe(true);
  });
});

describe('a faulty price book is refused whole, each fault with its place', () => {
  const cases: readonly [string, string, string, RegExp][] = [
    ['truncated', text(smallBookFile()).slice(0, 900), '', /not valid JSON/],
    ['not a book', '[]', '', /type object/],
    ['another version', broken((file) => set(file, 'version', 2)), 'version', /must be 1/],
    ['an unknown field', broken((file) => set(file, 'colour', 'red')), '', /colour/],
    [
      'negative price',
      broken((file) => set(rateOf(file, 'A-4').charge!, 'price', '-1')),
      'rates[1].charge.price',
      /negative/,
    ],
    [
      'price with exponent',
      broken((file) => set(rateOf(file, 'A-4').charge!, 'price', '1e400')),
      'rates[1].charge.price',
      /plain decimal/,
    ],
    [
      'price as a number',
      broken((file) => set(rateOf(file, 'A-4').charge!, 'price', 0.1)),
      'rates[1].charge.price',
      /type string/,
    ],
    [
      'unknown unit',
      broken((file) => set(rateOf(file, 'VOL'), 'unit', 'barrel')),
      'rates[13].unit',
      /must be one of/,
    ],
    [
      'unit of another meter',
      broken((file) => set(rateOf(file, 'VOL'), 'unit', 'hour')),
      'rates[13].unit',
      /cannot bill capacity/,
    ],
    [
      'unknown kind',
      broken((file) => set(at(file, 'offers', 0), 'kind', 'submarine')),
      'offers[0].kind',
      /must be one of/,
    ],
    [
      'unknown meter',
      broken((file) => set(rateOf(file, 'VOL'), 'meter', 'weight')),
      'rates[13].meter',
      /has no meter/,
    ],
    [
      'duplicate SKU',
      broken((file) => set(at(file, 'offers', 1), 'sku', 'A-2')),
      'offers[1].sku',
      /stands twice/,
    ],
    [
      'duplicate region',
      broken((file) => set(at(file, 'regions', 1), 'code', 'severn')),
      'regions[1].code',
      /stands twice/,
    ],
    [
      'two rates for one key',
      broken((file) => file.rates!.push(rateOf(file, 'A-4'))),
      'rates[18]',
      /same rate stands at rates\[1\]/,
    ],
    [
      'rate of an unknown SKU',
      broken((file) => set(rateOf(file, 'A-2'), 'sku', 'Q-1')),
      'rates[0].sku',
      /unknown SKU/,
    ],
    [
      'rate of an unknown region',
      broken((file) => set(rateOf(file, 'A-2'), 'region', 'moon')),
      'rates[0].region',
      /unknown region/,
    ],
    [
      'wrong currency',
      broken((file) => set(file.book!, 'currency', 'dollars')),
      'book.currency',
      /three capital letters/,
    ],
    [
      'wrong date',
      broken((file) => set(file.revision!, 'effective', '1 May')),
      'revision.effective',
      /date like/,
    ],
    ['revision zero', broken((file) => set(file.revision!, 'number', 0)), 'revision.number', /at least 1/],
    [
      'tiers that fall',
      broken((file) => set(at(rateOf(file, 'OUT').charge!, 'tiers', 1), 'upTo', '5')),
      'rates[17].charge.tiers[1].upTo',
      /must rise/,
    ],
    [
      'a tier without end in the middle',
      broken((file) => set(at(rateOf(file, 'OUT').charge!, 'tiers', 0), 'upTo', null)),
      'rates[17].charge.tiers[0].upTo',
      /only the last/,
    ],
    [
      'tiers that end',
      broken((file) => set(at(rateOf(file, 'OUT').charge!, 'tiers', 2), 'upTo', '500')),
      'rates[17].charge.tiers[2].upTo',
      /without an end/,
    ],
    [
      'no tiers',
      broken((file) => set(rateOf(file, 'OUT').charge!, 'tiers', [])),
      'rates[17].charge.tiers',
      /at least 1/,
    ],
    [
      'a server without memory',
      broken((file) => set(at(file, 'offers', 0), 'memory', null)),
      'offers[0].memory',
      /needs its memory/,
    ],
    [
      'a committed volume',
      broken((file) => set(rateOf(file, 'VOL'), 'term', '12-none')),
      'rates[13].term',
      /on demand only/,
    ],
    [
      'a commitment without its upfront',
      broken((file) => set(rateOf(file, 'A-4', '12-part'), 'upfront', null)),
      'rates[10].upfront',
      /needs an upfront/,
    ],
    [
      'on demand with upfront',
      broken((file) => set(rateOf(file, 'A-2'), 'upfront', '5')),
      'rates[0].upfront',
      /no upfront/,
    ],
    [
      'a name of 5 MB',
      broken((file) => set(at(file, 'offers', 0), 'name', 'x'.repeat(5_000_000))),
      'offers[0].name',
      /at most 200/,
    ],
    [
      'control characters',
      broken((file) => set(at(file, 'offers', 0), 'name', 'a\u0000b')),
      'offers[0].name',
      /control characters/,
    ],
    [
      'latitude off the globe',
      broken((file) => set(at(file, 'regions', 0), 'latitude', 91)),
      'regions[0].latitude',
      /at most 90/,
    ],
    ['no rates', broken((file) => set(file, 'rates', [])), 'rates', /at least 1/],
    ['nested beyond measure', `${'['.repeat(100_000)}${']'.repeat(100_000)}`, '', /levels deep/],
  ];

  it.each(cases)('%s', (_, file, path, message) => {
    const read = readPriceBook(file);
    expect(read.ok).toBe(false);
    if (read.ok) return;
    const fault = read.faults.find((each) => each.path === path && message.test(each.message));
    expect(fault, JSON.stringify(read.faults.slice(0, 5))).toBeDefined();
  });

  it('lists the first hundred faults and counts the rest', () => {
    const file = smallBookFile();
    const rates = Array.from({ length: 130 }, () => ({ ...file.rates[0]!, region: 'moon' }));
    const read = readPriceBook(text({ ...file, rates }));
    expect(!read.ok && read.faults.length).toBe(MOST_FAULTS);
    expect(!read.ok && read.more).toBe(30);
  });
});
