/** Two small price books with round prices, so that worked examples can be checked by hand. */
import { indexBook, type PriceBook } from '@/engine/books';
import { bookSet, type BookSet } from '@/engine/pricing';
import { checkPriceBook, toBookData } from '@/features/price-books/format/price-book';
import {
  type OfferRow,
  type PriceBookFile,
  type RateRow,
} from '@/features/price-books/format/price-book-schema';
import { offer } from './offers';

function server(sku: string, vcpu: string, memory: string, more: Partial<OfferRow> = {}): OfferRow {
  return offer(sku, 'server', { family: 'Balanced', processor: 'Halden', vcpu, memory, ...more });
}

function other(sku: string, kind: OfferRow['kind']): OfferRow {
  return { ...server(sku, '0', '0'), kind, vcpu: null, memory: null, family: '', processor: '' };
}

function hourly(sku: string, price: string, region = 'severn'): RateRow {
  return {
    sku,
    region,
    meter: 'running',
    term: 'on-demand',
    unit: 'hour',
    charge: { structure: 'per-unit', price },
    upfront: null,
    allowance: null,
    pool: 'component',
  };
}

function committed(sku: string, term: RateRow['term'], price: string, upfront: string | null): RateRow {
  return { ...hourly(sku, price), term, upfront };
}

/** Prices in USD. A-4 costs 0.10 an hour; transfer: 100 GB free, then 10 at 1.00, 90 at 0.50, the rest at 0.10. */
export function smallBookFile(): PriceBookFile {
  return {
    format: 'wick-price-book',
    version: 1,
    book: { key: 'small', title: 'Small', provider: 'Small', currency: 'USD', monthHours: '720' },
    revision: { number: 3, effective: '2026-11-01', source: 'made for tests' },
    regions: [
      {
        code: 'severn',
        name: 'Severn',
        country: 'United Kingdom',
        latitude: 51.5,
        longitude: -2.7,
        carbon: 182,
      },
      { code: 'elbe', name: 'Elbe', country: 'Germany', latitude: 53.5, longitude: 10, carbon: null },
      { code: 'tasman', name: 'Tasman', country: 'Australia', latitude: -37.8, longitude: 145, carbon: 503 },
    ],
    offers: [
      server('A-2', '2', '8'),
      server('A-4', '4', '16'),
      server('A-8', '8', '32'),
      server('B-4', '4', '16', { processor: 'Merrow' }),
      server('L-4', '4', '16', { family: 'Light duty', burstable: true }),
      server('O-4', '4', '16', { lifecycle: 'retiring', retires: '2027-06-30', replacedBy: 'A-4' }),
      other('VOL', 'block-volume'),
      other('STORE', 'object-store'),
      other('OUT', 'transfer-out'),
    ],
    rates: [
      hourly('A-2', '0.06'),
      hourly('A-4', '0.1'),
      hourly('A-4', '0.2', 'tasman'),
      hourly('A-8', '0.19'),
      hourly('B-4', '0.1'),
      hourly('L-4', '0.03'),
      hourly('O-4', '0.05'),
      hourly('O-4', '0.05', 'tasman'),
      hourly('A-8', '0.21', 'elbe'),
      committed('A-4', '12-none', '0.07', null),
      committed('A-4', '12-part', '0.035', '300'),
      committed('A-4', '12-all', '0', '600'),
      committed('A-4', '36-part', '0.02', '720'),
      { ...hourly('VOL', '0.08'), meter: 'capacity', unit: 'GiB-month' },
      { ...hourly('STORE', '0.02'), meter: 'stored', unit: 'GB-month', pool: 'region' },
      { ...hourly('STORE', '0.005'), meter: 'writes', unit: 'thousand requests' },
      { ...hourly('STORE', '0.4'), meter: 'reads', unit: 'million requests' },
      {
        ...hourly('OUT', '0'),
        meter: 'transferred',
        unit: 'GB',
        pool: 'region',
        allowance: '100',
        charge: {
          structure: 'graduated',
          tiers: [
            { upTo: '10', price: '1' },
            { upTo: '100', price: '0.5' },
            { upTo: null, price: '0.1' },
          ],
        },
      },
    ],
  };
}

/** The same book under another key, in another currency, all prices times a factor of ten. */
export function foreignBookFile(): PriceBookFile {
  const file = smallBookFile();
  const tenfold = (text: string): string => String(Number((Number(text) * 10).toPrecision(12)));
  const rates = file.rates.map((rate): RateRow => ({
    ...rate,
    upfront: rate.upfront === null ? null : tenfold(rate.upfront),
    charge: tenfoldCharge(rate.charge, tenfold),
  }));
  return { ...file, book: { ...file.book, key: 'foreign', title: 'Foreign', currency: 'SEK' }, rates };
}

function tenfoldCharge(charge: RateRow['charge'], tenfold: (text: string) => string): RateRow['charge'] {
  if (charge.structure === 'per-unit') return { structure: 'per-unit', price: tenfold(charge.price) };
  if (charge.structure !== 'graduated') throw new Error(`the foreign book has no ${charge.structure}`);
  return {
    structure: 'graduated',
    tiers: charge.tiers.map((tier) => ({ ...tier, price: tenfold(tier.price) })),
  };
}

export function bookFrom(file: PriceBookFile): PriceBook {
  const checked = checkPriceBook(file);
  if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
  return indexBook(toBookData(checked.value));
}

export function smallBooks(): BookSet {
  return bookSet([bookFrom(smallBookFile()), bookFrom(foreignBookFile())]);
}
