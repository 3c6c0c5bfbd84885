/** A price book that has every structure and habit once, at round prices, so that examples can be checked by hand. */
import type { OfferRow, PriceBookFile, RateRow } from '@/features/price-books/format/price-book-schema';
import { offer } from './offers';

type Charge = RateRow['charge'];

const size = (vcpu: string, memory: string): Partial<OfferRow> => ({ vcpu, memory, family: 'Balanced' });

export const perUnit = (price: string): Charge => ({ structure: 'per-unit', price });
const tiers = (...rows: readonly (readonly [string | null, string])[]) =>
  rows.map(([upTo, price]) => ({ upTo, price }));

/** A rate in both regions. */
function rates(
  sku: string,
  meter: string,
  unit: string,
  charge: Charge,
  more: Partial<RateRow> = {},
): RateRow[] {
  return ['severn', 'elbe'].map((region) => ({
    sku,
    region,
    meter,
    term: 'on-demand',
    unit,
    charge,
    upfront: null,
    allowance: null,
    pool: 'component',
    ...more,
  }));
}

const NO_MINIMUMS = { each: null, count: null, total: null, keptDays: null };
const REST_DUE = { rule: 'rest-due' } as const;

const SERVERS: readonly [OfferRow, RateRow[]][] = [
  [
    offer('S-4', 'server', size('4', '16')),
    [
      ...rates('S-4', 'running', 'hour', perUnit('0.1')),
      ...rates('S-4', 'running', 'hour', perUnit('0.06'), { term: '12-none', early: REST_DUE }),
      ...rates('S-4', 'running', 'hour', perUnit('0.03'), { term: '12-part', upfront: '219' }),
      ...rates('S-4', 'running', 'hour', perUnit('0.065'), { term: '12-none-exchangeable' }),
      ...rates('S-4', 'running', 'hour', perUnit('0.07'), { term: 'spend-12-none' }),
      ...rates('S-4', 'running', 'hour', perUnit('0.04'), {
        term: 'interruptible',
        range: { low: '0.02', high: '0.06' },
      }),
    ],
  ],
  [
    offer('S-8', 'server', size('8', '32')),
    [
      ...rates('S-8', 'running', 'hour', perUnit('0.2')),
      ...rates('S-8', 'running', 'hour', perUnit('0.15'), { term: 'spend-12-none' }),
    ],
  ],
  [
    offer('S-FREE', 'server', {
      limits: { vcpuLeast: '1', vcpuMost: '32', memoryPerVcpuLeast: '1', memoryPerVcpuMost: '8' },
      family: 'Free',
    }),
    rates('S-FREE', 'running', 'hour', { structure: 'by-parts', vcpu: '0.03', memory: '0.004', gpu: '1' }),
  ],
  [
    offer('S-SECOND', 'server', size('2', '8')),
    rates('S-SECOND', 'running', 'second', perUnit('0.00002'), {
      increment: { step: '1', unit: 'second', least: '60' },
    }),
  ],
  [
    offer('S-HOUR', 'server', size('2', '4')),
    rates('S-HOUR', 'running', 'hour', perUnit('0.05'), {
      increment: { step: '1', unit: 'hour', least: null },
    }),
  ],
  [
    offer('S-SUSTAIN', 'server', size('4', '16')),
    rates('S-SUSTAIN', 'running', 'hour', perUnit('0.1'), {
      sustained: [
        { upTo: '0.5', multiplier: '1' },
        { upTo: '1', multiplier: '0.6' },
      ],
    }),
  ],
  [
    offer('S-CAP', 'server', {
      ...size('2', '8'),
      grants: [{ sku: 'OUT', meter: 'transferred', amount: '500', unit: 'GB' }],
    }),
    rates('S-CAP', 'running', 'hour', perUnit('0.06'), { monthlyCap: '30' }),
  ],
  [
    offer('S-LICENSED', 'server', { ...size('2', '16'), capabilities: ['bring-licence'] }),
    [
      ...rates('S-LICENSED', 'running', 'hour', perUnit('0.12')),
      ...rates('S-LICENSED', 'licence.ledger-db', 'core-hour', perUnit('0.05'), {
        minimums: { ...NO_MINIMUMS, each: '4' },
      }),
    ],
  ],
  [
    offer('S-TIER', 'server', size('16', '64')),
    [
      ...rates(
        'S-TIER',
        'running',
        'hour',
        { structure: 'graduated', tiers: tiers(['1000', '0.1'], [null, '0.05']) },
        {
          sustained: [
            { upTo: '0.5', multiplier: '1' },
            { upTo: '1', multiplier: '0.6' },
          ],
        },
      ),
      ...rates('S-TIER', 'running', 'hour', perUnit('0.06'), { term: '12-none' }),
    ],
  ],
  [
    offer('HOST-2', 'dedicated-host', size('64', '512')),
    [
      ...rates('HOST-2', 'running', 'hour', perUnit('2'), { minimums: { ...NO_MINIMUMS, count: '3' } }),
      ...rates('HOST-2', 'running', 'hour', perUnit('0.5'), {
        term: '12-part',
        upfront: '1200',
        minimums: { ...NO_MINIMUMS, count: '3' },
      }),
    ],
  ],
  [
    offer('HOST', 'dedicated-host', size('64', '512')),
    rates('HOST', 'running', 'hour', perUnit('2'), { minimums: { ...NO_MINIMUMS, count: '3' } }),
  ],
];

const STORED: readonly [OfferRow, RateRow[]][] = [
  [
    offer('VOL', 'block-volume'),
    [
      ...rates('VOL', 'capacity', 'GiB-month', perUnit('0.08')),
      ...rates('VOL', 'iops', 'IOPS-month', perUnit('0.005'), { allowance: '3000' }),
    ],
  ],
  [
    offer('STORE', 'object-store'),
    [
      ...rates(
        'STORE',
        'stored',
        'GB-month',
        {
          structure: 'graduated',
          tiers: tiers(['1000', '0.02'], [null, '0.01']),
        },
        { pool: 'region', minimums: { ...NO_MINIMUMS, keptDays: '30' } },
      ),
      ...rates('STORE', 'writes', 'thousand requests', perUnit('0.005'), {
        increment: { step: '512', unit: 'KiB', least: null },
      }),
      ...rates('STORE', 'reads', 'million requests', perUnit('0.4'), { pool: 'provider', allowance: '1' }),
    ],
  ],
  [
    offer('SHARE', 'file-share'),
    rates('SHARE', 'stored', 'GiB-month', perUnit('0.2'), {
      basis: 'set-aside',
      minimums: { ...NO_MINIMUMS, each: '100' },
    }),
  ],
  [
    offer('BACKUP', 'backup'),
    [
      ...rates('BACKUP', 'protected', 'GB-month', {
        structure: 'stepped',
        bands: [
          { upTo: '50', fee: '5' },
          { upTo: '500', fee: '10' },
        ],
        beyond: { block: '500', fee: '10' },
      }),
      ...rates('BACKUP', 'stored', 'GB-month', perUnit('0.05'), {
        minimums: { ...NO_MINIMUMS, total: '100' },
      }),
    ],
  ],
  [
    offer('DB', 'relational-database', { ...size('4', '16') }),
    [
      ...rates('DB', 'running', 'hour', perUnit('0.3')),
      ...rates('DB', 'running', 'hour', perUnit('0.2'), { term: '12-none' }),
      ...rates('DB', 'stored', 'GiB-month', perUnit('0.1'), { allowance: '20' }),
    ],
  ],
  [
    offer('WAREHOUSE', 'warehouse', { attributes: { 'units-per-hour': '8' } }),
    [
      ...rates('WAREHOUSE', 'running', 'unit-hour', perUnit('0.5')),
      ...rates('WAREHOUSE', 'stored', 'TB-month', perUnit('25')),
      ...rates('WAREHOUSE', 'scanned', 'TB', { structure: 'per-block', block: '10', price: '40' }),
    ],
  ],
];

const TRAFFIC: readonly [OfferRow, RateRow[]][] = [
  [
    offer('OUT', 'transfer-out'),
    rates(
      'OUT',
      'transferred',
      'GB',
      { structure: 'graduated', tiers: tiers(['10000', '0.09'], [null, '0.05']) },
      { pool: 'provider', allowance: '100', allowanceMonths: 12 },
    ),
  ],
  [
    offer('EDGE', 'content-delivery'),
    [
      ...rates('EDGE', 'transferred', 'GB', {
        structure: 'volume',
        tiers: tiers(['1000', '0.08'], [null, '0.04']),
      }),
      ...rates('EDGE', 'requests', 'ten thousand requests', perUnit('0.01')),
    ],
  ],
  [
    offer('BALANCER', 'balancer-requests'),
    [
      ...rates('BALANCER', 'running', 'hour', perUnit('0.02')),
      ...rates('BALANCER', 'units', 'unit-hour', {
        structure: 'greatest-of',
        dimensions: [
          { dimension: 'new-connections', label: 'Connections begun a second', carries: '40', unit: 'item' },
          { dimension: 'open-connections', label: 'Connections held', carries: '2000', unit: 'item' },
          { dimension: 'data', label: 'Gigabytes an hour', carries: '2', unit: 'GB' },
        ],
        unitPrice: '0.01',
        basePrice: null,
        whole: true,
      }),
    ],
  ],
  [
    offer('LINE', 'dedicated-line'),
    [
      ...rates('LINE', 'running', 'hour', perUnit('0.3')),
      ...rates('LINE', 'transferred', 'GB', perUnit('0.02')),
      ...rates('LINE', 'set-up', 'month', { structure: 'flat', amount: '500', once: true }),
    ],
  ],
];

const REQUESTED: readonly [OfferRow, RateRow[]][] = [
  [
    offer('RUNTIME', 'container-run-time', {
      limits: { vcpuLeast: '0.25', vcpuMost: '8', memoryPerVcpuLeast: '0.5', memoryPerVcpuMost: '8' },
    }),
    [
      ...rates('RUNTIME', 'vcpu', 'vCPU-second', perUnit('0.00002')),
      ...rates('RUNTIME', 'memory', 'GiB-second', perUnit('0.000002')),
      ...rates('RUNTIME', 'requests', 'million requests', perUnit('0.4'), { allowance: '2' }),
    ],
  ],
  [
    offer('FUNCTION', 'function'),
    [
      ...rates('FUNCTION', 'requests', 'million requests', perUnit('0.2')),
      ...rates('FUNCTION', 'run-time', 'GiB-second', perUnit('0.00002'), {
        increment: { step: '100', unit: 'millisecond', least: null },
      }),
    ],
  ],
  [
    offer('QUEUE', 'queue'),
    rates('QUEUE', 'requests', 'million requests', perUnit('0.4'), {
      increment: { step: '64', unit: 'KiB', least: null },
      pool: 'workspace',
    }),
  ],
  [
    offer('QUEUE-2', 'queue'),
    rates('QUEUE-2', 'requests', 'million requests', perUnit('0.9'), { pool: 'workspace' }),
  ],
  [
    offer('PLAN', 'plan'),
    [
      ...rates('PLAN', 'plan-fee', 'month', { structure: 'flat', amount: '20', once: false }),
      ...rates('PLAN', 'requests', 'million requests', perUnit('2'), { allowance: '10' }),
      ...rates('PLAN', 'users', 'user-month', { structure: 'per-block', block: '5', price: '15' }),
    ],
  ],
];

const PAID_AROUND: readonly [OfferRow, RateRow[]][] = [
  [
    offer('SUPPORT', 'support-plan'),
    rates('SUPPORT', 'share', 'money', {
      structure: 'share-of-spend',
      tiers: [
        { upTo: '10000', share: '0.1' },
        { upTo: null, share: '0.07' },
      ],
      floor: '100',
      base: { over: 'provider', kinds: [] },
    }),
  ],
  [
    offer('CARE', 'support-plan'),
    [
      ...rates('CARE', 'share', 'money', {
        structure: 'share-of-spend',
        tiers: [{ upTo: null, share: '0.1' }],
        floor: null,
        base: { over: 'provider', kinds: [] },
      }),
      ...rates('CARE', 'set-up', 'month', { structure: 'flat', amount: '250', once: true }),
    ],
  ],
  [
    offer('SOFTWARE', 'software-fee'),
    rates('SOFTWARE', 'share', 'money', {
      structure: 'share-of-spend',
      tiers: [{ upTo: null, share: '0.2' }],
      floor: null,
      base: { over: 'design', kinds: ['server'] },
    }),
  ],
  [
    offer('SPEND', 'spend-commitment'),
    rates('SPEND', 'committed', 'money-hour', perUnit('1'), { term: '12-none' }),
  ],
  [
    offer('CREDIT', 'prepaid-credit'),
    rates(
      'CREDIT',
      'credit',
      'money',
      { structure: 'volume', tiers: tiers(['1000', '0.95'], [null, '0.9']) },
      { term: '12-none', overage: '1.1' },
    ),
  ],
];

const ALL = [...SERVERS, ...STORED, ...TRAFFIC, ...REQUESTED, ...PAID_AROUND];

export function wideBookFile(): PriceBookFile {
  return {
    format: 'wick-price-book',
    version: 1,
    book: { key: 'wide', title: 'Wide', provider: 'Wide', currency: 'USD', monthHours: '730' },
    revision: { number: 1, effective: '2026-11-01', source: 'made for examples' },
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
    ],
    offers: structuredClone(ALL.map(([each]) => each)),
    rates: structuredClone(ALL.flatMap(([, rows]) => rows)),
  };
}
