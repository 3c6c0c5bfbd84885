import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { BAD_BOOKS } from '@tests/support/bad-books';
import { packed, piecesOf, readAll, textOf } from '@tests/support/streams';
import { wideBookFile } from '@tests/support/wide-book';
import { checkPriceBook } from '@/features/price-books/format/price-book';
import { type PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { notFlat, writeBookCsv, writeBookJson } from './write-book';
import { endOfValue, locate } from './json-scan';
import { QuickCheck } from './quick-check';
import { BookChecker } from '../price-book-checks';
import { drawn } from '@tests/support/drawn';

const json = (file: PriceBookFile) => textOf(writeBookJson(piecesOf(file)));
const csv = (file: PriceBookFile) => textOf(writeBookCsv(piecesOf(file)));

async function readBack(data: string | Uint8Array, size?: number): Promise<PriceBookFile> {
  const { faults, kept, head } = await readAll(data, { size });
  expect(faults).toEqual([]);
  expect(head).toEqual(kept.head);
  const { regions, offers, rates } = kept;
  return { format: 'wick-price-book', version: 1, ...head!, regions, offers, rates };
}

describe('a streamed price book', () => {
  it.each([1, 13, 1000, 10_000_000])(
    'is the same after export and import as JSON, cut every %i bytes',
    async (size) => {
      expect(await readBack(await json(wideBookFile()), size)).toEqual(wideBookFile());
    },
  );

  it('is read however it is written: pretty, in one line, with a mark of byte order, packed', async () => {
    const file = smallBookFile();
    for (const text of [
      JSON.stringify(file),
      JSON.stringify(file, null, 4),
      `\uFEFF${JSON.stringify(file)}`,
    ]) {
      expect(await readBack(text)).toEqual(file);
      expect(await readBack(packed(text))).toEqual(file);
    }
  });

  it('is the same after export and import as flat CSV', async () => {
    const file = smallBookFile();
    file.offers[0]!.note = '=1+1';
    file.offers[1]!.note = '\'=quoted, "twice"\nand broken';
    file.revision.source = '@home';
    const text = await csv(file);
    expect(text).not.toMatch(/(^|,)"?[=@]/m);
    const back = await readBack(text, 100);
    const byKey = <T>(rows: readonly T[], key: (row: T) => string) =>
      [...rows].sort((a, b) => (key(a) < key(b) ? -1 : 1));
    // The order of offers and regions is that of their first rates.
    expect(byKey(back.offers, (offer) => offer.sku)).toEqual(byKey(file.offers, (offer) => offer.sku));
    expect(byKey(back.regions, (region) => region.code)).toEqual(
      byKey(file.regions, (region) => region.code),
    );
    expect(back.rates).toEqual(file.rates);
  });

  it('says how many rates the flat form cannot carry', () => {
    const count = (file: PriceBookFile) =>
      notFlat(
        file.rates,
        new Map(file.offers.map((each) => [each.sku, each])),
        new Map(file.regions.map((each) => [each.code, each])),
      );
    expect(count(smallBookFile())).toBe(0);
    expect(count(wideBookFile())).toBeGreaterThan(20);
  });

  it('finds in a stream the faults it finds in a whole file', async () => {
    const random = fc.record({
      at: fc.nat(),
      field: fc.constantFrom(
        'sku',
        'region',
        'meter',
        'term',
        'unit',
        'upfront',
        'allowance',
        'pool',
        'charge',
      ),
      value: fc.constantFrom<unknown>('moon', '1e400', '-1', '5', null, 7, '12-none', {
        structure: 'per-unit',
        price: 'x',
      }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(random, { minLength: 1, maxLength: 4 }), async (changes) => {
        const file = wideBookFile();
        for (const { at, field, value } of changes) {
          const rate = file.rates[at % file.rates.length] as unknown as Record<string, unknown>;
          rate[field] = value;
        }
        const whole = checkPriceBook(JSON.parse(JSON.stringify(file)));
        const streamed = await readAll(JSON.stringify(file));
        const paths = (faults: readonly { path: string }[]) => new Set(faults.map((fault) => fault.path));
        // A whole file with faults of form is not looked at for faults across it; a stream is looked at for both.
        expect(streamed.faults.length === 0).toBe(whole.ok);
        if (!whole.ok) for (const path of paths(whole.faults)) expect(paths(streamed.faults)).toContain(path);
      }),
      { numRuns: drawn(150) },
    );
  });

  it('accepts nothing by the fast way that the full check refuses', () => {
    const file = wideBookFile();
    const offers = new Map(file.offers.map((offer) => [offer.sku, offer]));
    const value = fc.constantFrom<unknown>(
      'S-4',
      'severn',
      'running',
      'hour',
      'on-demand',
      '12-part',
      '0.1',
      null,
      3,
    );
    const fields = ['sku', 'region', 'meter', 'term', 'unit', 'upfront', 'allowance', 'pool', 'note'];
    fc.assert(
      fc.property(
        fc.nat(),
        fc.array(fc.tuple(fc.constantFrom(...fields), value), { maxLength: 3 }),
        (at, changes) => {
          const quick = new QuickCheck();
          const row = { ...file.rates[at % file.rates.length]!, ...Object.fromEntries(changes) };
          if (!quick.accepts(row, (sku) => offers.get(sku))) return;
          const checked = checkPriceBook({ ...file, rates: [{ ...(row as object), region: 'severn' }] });
          expect(checked.ok).toBe(true);
        },
      ),
      { numRuns: drawn(500) },
    );
    const plain = file.rates.filter((rate) => new QuickCheck().accepts(rate, (sku) => offers.get(sku)));
    expect(plain.length).toBeGreaterThan(20);
  });

  it('tells line and column of a fault, to the field', async () => {
    const text = (await json(smallBookFile())).replace('"unit":"GiB-month"', '"unit":"barrel"');
    const { faults } = await readAll(text, { size: 50 });
    const lines = text.split('\n');
    const line = lines.findIndex((each) => each.includes('barrel'));
    expect(faults).toMatchObject([
      { path: 'rates[13].unit', line: line + 1, column: lines[line]!.indexOf('"barrel"') + 1 },
    ]);
  });

  it('tells line and column in a CSV', async () => {
    const text = (await csv(smallBookFile())).replace('GiB-month', 'barrel');
    const { faults } = await readAll(text);
    const line = text.split('\n').findIndex((each) => each.includes('barrel')) + 1;
    expect(faults).toMatchObject([{ path: 'rates[13].unit', line, column: 32 }]);
  });

  it('tells where a row of several lines begins, and which cell is another than before', async () => {
    const rows = (await csv(smallBookFile())).split('\n');
    const at = (column: string) => rows[0]!.trim().split(',').indexOf(column) + 1;
    const broken = [...rows];
    broken[2] = broken[2]!.replace(',a-4,', ',"a\n4",');
    broken[6] = broken[6]!.replace(/,hour,/, ',barrel,');
    const { faults } = await readAll(broken.join('\n'));
    expect(faults).toContainEqual(
      expect.objectContaining({ path: 'row 3.name', line: 3, column: at('x_SkuName') }),
    );
    // The row below is one line further down than it was.
    expect(faults).toContainEqual(expect.objectContaining({ line: 8, column: at('PricingUnit') }));
    const other = [...rows];
    other[3] = other[3]!.replace(',false,', ',true,');
    other[5] = other[5]!.replace('made for tests', 'made elsewhere');
    expect((await readAll(other.join('\n'))).faults).toMatchObject([
      { path: 'row 4', line: 4, column: at('x_Burstable') },
      {
        path: 'row 6',
        line: 6,
        column: at('x_Source'),
        message: expect.stringContaining('“made for tests”') as string,
      },
    ]);
  });

  it('ends at once when the caller says so, and keeps counting for it', async () => {
    const seen: number[] = [];
    const stop = new Error('stop');
    const between = async ({ bytes }: { bytes: number }): Promise<void> => {
      seen.push(bytes);
      if (seen.length === 3) throw stop;
    };
    await expect(readAll(JSON.stringify(wideBookFile()), { between, size: 1000 })).rejects.toBe(stop);
    expect(seen).toEqual([1000, 2000, 3000]);
  });

  it('gives the sink nothing more after the first fault', async () => {
    const file = smallBookFile();
    file.offers[3]!.kind = 'submarine' as never;
    const { kept } = await readAll(JSON.stringify(file));
    expect([kept.regions.length, kept.offers.length, kept.rates.length]).toEqual([3, 0, 0]);
  });
});

describe('a checker across rates', () => {
  it('finds the second of two rates for one key, added fast or in full', () => {
    const file = smallBookFile();
    const checker = new BookChecker();
    file.regions.forEach((region) => checker.addRegion(region, ''));
    file.offers.forEach((offer) => checker.addOffer(offer, ''));
    expect(checker.addPlainRate(file.rates[0], 0)).toBe(true);
    expect(checker.addPlainRate(file.rates[0], 1)).toBe(false);
    expect(checker.addRate(file.rates[0]!, 1, 'rates[1]')).toMatchObject([
      { message: expect.stringContaining('stands at rates[0]') as string },
    ]);
  });
});

describe('locate', () => {
  it('finds every value of any JSON by its path', () => {
    const walk = (value: unknown, path: string, see: (path: string, value: unknown) => void): void => {
      see(path, value);
      if (Array.isArray(value)) value.forEach((each, at) => walk(each, `${path}[${at}]`, see));
      else if (value && typeof value === 'object')
        for (const [key, each] of Object.entries(value)) walk(each, path ? `${path}.${key}` : key, see);
    };
    const keys = fc
      .string({ minLength: 1, maxLength: 4 })
      .filter((key) => !/[.[\]]/.test(key) && key !== '__proto__');
    const { tree } = fc.letrec<{ tree: unknown }>((tie) => ({
      tree: fc.oneof(
        { maxDepth: 4 },
        fc.constantFrom<unknown>(1, 'a"b\\', null, true),
        fc.array(tie('tree'), { maxLength: 3 }),
        fc.dictionary(keys, tie('tree'), { maxKeys: 3 }),
      ),
    }));
    fc.assert(
      fc.property(tree, fc.constantFrom(0, 2), (value, indent) => {
        const text = JSON.stringify(value, null, indent);
        walk(value, '', (path, each) => {
          const at = locate(text, path);
          const end = endOfValue(`${text} `, at);
          expect(JSON.parse(text.slice(at, end))).toEqual(each);
        });
      }),
    );
  });
});

describe('a bad book is refused with its place and reason', () => {
  it('in more than fifty ways', () => {
    expect(BAD_BOOKS.length).toBeGreaterThan(50);
  });

  it.each(BAD_BOOKS)('%s', async (_, data, path, message) => {
    const { faults } = await readAll(data, { size: 65_536 });
    const fault = faults.find((each) => each.path === path && message.test(each.message));
    expect(fault, JSON.stringify(faults.slice(0, 4))).toBeDefined();
    if (path !== '' && !/^(book|regions|rates)$/.test(path)) expect(fault!.line).toBeGreaterThan(0);
  });
});
