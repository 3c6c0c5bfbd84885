/** Two small providers that sell the same things under other names and habits, at round prices: for moving by hand. */
import { type BookSet, bookSet } from '@/engine/pricing';
import type { Design } from '@/engine/design';
import type { OfferRow, PriceBookFile, RateRow } from '@/features/price-books/format/price-book-schema';
import { bookFrom } from './books';
import { designOf } from './designs';
import { offer } from './offers';

type Region = PriceBookFile['regions'][number];
/** Kind, what it is, and what each of its meters costs: meter, unit, price. */
type Row = readonly [
  sku: string,
  kind: OfferRow['kind'],
  more: Partial<OfferRow>,
  rates: readonly (readonly [meter: string, unit: string, price: string, more?: Partial<RateRow>])[],
];

const region = (
  code: string,
  country: string,
  area: string,
  latitude: number,
  longitude: number,
): Region => ({
  code,
  name: code,
  country,
  area,
  latitude,
  longitude,
  carbon: null,
});

function shore(key: string, title: string, regions: readonly Region[], rows: readonly Row[]): PriceBookFile {
  return {
    format: 'wick-price-book',
    version: 1,
    book: { key, title, provider: title, currency: 'USD', monthHours: '730' },
    revision: { number: 1, effective: '2026-11-01', source: 'made for tests' },
    regions: [...regions],
    offers: rows.map(([sku, kind, more]) => offer(sku, kind, more)),
    rates: rows.flatMap(([sku, , , rates]) =>
      regions.flatMap(({ code }) =>
        rates.map(([meter, unit, price, more]): RateRow => ({
          sku,
          region: code,
          meter,
          term: 'on-demand',
          unit,
          charge: { structure: 'per-unit', price },
          upfront: null,
          allowance: null,
          pool: 'component',
          ...more,
        })),
      ),
    ),
  };
}

const size = (vcpu: string, memory: string, more: Partial<OfferRow> = {}): Partial<OfferRow> => ({
  vcpu,
  memory,
  ...more,
});
const is = (attributes: Record<string, string>, capabilities?: string[]): Partial<OfferRow> => ({
  attributes,
  ...(capabilities ? { capabilities } : {}),
});
const LIMITS = { vcpuLeast: '1', vcpuMost: '16', memoryPerVcpuLeast: '2', memoryPerVcpuMost: '8' };

export const NEAR: PriceBookFile = shore(
  'near',
  'Near',
  [
    region('severn', 'United Kingdom', 'Europe', 51.5, -2.7),
    region('hudson', 'United States', 'North America', 40.9, -73.9),
  ],
  [
    [
      'N-4',
      'server',
      size('4', '16', { processor: 'Halden' }),
      [
        ['running', 'hour', '0.2'],
        ['running', 'hour', '0.1', { term: '36-part', upfront: '365' }],
        ['running', 'hour', '0.12', { term: '12-none' }],
      ],
    ],
    [
      'N-DB',
      'relational-database',
      { ...size('4', '16'), ...is({ engine: 'open' }, ['replicas']) },
      [
        ['running', 'hour', '0.4'],
        ['stored', 'GiB-month', '0.1'],
      ],
    ],
    [
      'N-SSD',
      'block-volume',
      is({ medium: 'solid state' }),
      [
        ['capacity', 'GiB-month', '0.1'],
        ['iops', 'IOPS-month', '0.01'],
      ],
    ],
    ['N-HDD', 'block-volume', is({ medium: 'magnetic' }), [['capacity', 'GiB-month', '0.03']]],
    ['N-SELDOM', 'object-store', is({ grade: 'seldom' }), [['stored', 'GB-month', '0.01']]],
    ['N-ARCHIVE', 'object-store', is({ grade: 'archive' }), [['stored', 'GB-month', '0.002']]],
    [
      'N-RUN',
      'container-run-time',
      { limits: LIMITS, ...is({ billing: 'always' }) },
      [
        ['vcpu', 'vCPU-hour', '0.04'],
        ['memory', 'GiB-hour', '0.005'],
      ],
    ],
    ['N-QUEUE', 'queue', {}, [['requests', 'million requests', '0.5']]],
    ['N-ADDRESS', 'address', {}, [['running', 'hour', '0.005']]],
    ['N-OUT', 'transfer-out', {}, [['transferred', 'GB', '0.1']]],
    ['N-VPN', 'vpn', {}, [['running', 'hour', '0.05']]],
    ['N-HALL', 'warehouse', is({ 'units-per-hour': '8' }), [['running', 'unit-hour', '0.3']]],
    ['N-CREDIT', 'prepaid-credit', {}, [['credit', 'money', '1']]],
  ],
);

export const FAR: PriceBookFile = shore(
  'far',
  'Far',
  [
    region('tagus', 'Portugal', 'Europe', 38.7, -9.1),
    region('elbe', 'Germany', 'Europe', 53.5, 10),
    region('thames', 'United Kingdom', 'Europe', 51.4, 0.5),
    region('plata', 'Argentina', 'South America', -34.6, -58.3),
  ],
  [
    [
      'F-2',
      'server',
      size('2', '16', is({ 'vcpu-is': 'core' })),
      [
        ['running', 'hour', '0.16'],
        ['running', 'hour', '0.1', { term: '36-none' }],
      ],
    ],
    [
      'F-4',
      'server',
      size('4', '32', { ...is({ 'vcpu-is': 'core' }), processor: 'Halden' }),
      [['running', 'hour', '0.3']],
    ],
    ['F-SMALL', 'server', size('1', '16', is({ 'vcpu-is': 'core' })), [['running', 'hour', '0.01']]],
    [
      'F-DB',
      'relational-database',
      { ...size('8', '16'), ...is({ engine: 'open' }) },
      [
        ['running', 'hour', '0.5'],
        ['stored', 'GiB-month', '0.2'],
      ],
    ],
    [
      'F-DB-CASTRUM',
      'relational-database',
      { ...size('8', '16'), ...is({ engine: 'castrum' }, ['replicas']) },
      [['running', 'hour', '0.1']],
    ],
    [
      'F-QUICK',
      'block-volume',
      is({ medium: 'solid state', delay: 'low' }),
      [['capacity', 'GiB-month', '0.08']],
    ],
    ['F-BIN', 'block-volume', is({ medium: 'magnetic' }), [['capacity', 'GiB-month', '0.01']]],
    ['F-OFTEN', 'object-store', is({ grade: 'often' }), [['stored', 'GB-month', '0.03']]],
    ['F-ICE', 'object-store', is({ grade: 'archive' }), [['stored', 'GB-month', '0.001']]],
    [
      'F-AWAKE',
      'container-run-time',
      { limits: { ...LIMITS, memoryPerVcpuMost: '4' }, ...is({ billing: 'always' }) },
      [
        ['vcpu', 'vCPU-hour', '0.05'],
        ['memory', 'GiB-hour', '0.004'],
      ],
    ],
    [
      'F-ASKED',
      'container-run-time',
      { limits: LIMITS, ...is({ billing: 'on request' }) },
      [
        ['vcpu', 'vCPU-hour', '0.01'],
        ['memory', 'GiB-hour', '0.001'],
      ],
    ],
    ['F-POST', 'queue', {}, [['requests', 'million requests', '0.9']]],
    ['F-PARCEL', 'queue', {}, [['requests', 'million requests', '0.7']]],
    ['F-ADDRESS', 'address', {}, [['running', 'hour', '0.004']]],
    ['F-OUT', 'transfer-out', {}, [['transferred', 'GB', '0.05']]],
    ['F-HALL', 'warehouse', is({ 'units-per-hour': '100' }), [['running', 'unit-hour', '0.02']]],
  ],
);

export const SHORES: BookSet = bookSet([bookFrom(NEAR), bookFrom(FAR)]);

export const shoresDesign = (
  components: Parameters<typeof designOf>[0],
  part: Partial<Design> = {},
): Design =>
  designOf(components, {
    books: [
      { book: 'near', revision: 1 },
      { book: 'far', revision: 1 },
    ],
    ...part,
  });
