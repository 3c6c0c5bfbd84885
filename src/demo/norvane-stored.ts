/** What Norvane stores, runs and queries. */
import { chunks, flat, graduated, included, least, per } from './charges';
import type { ServiceProfile } from './provider-profile';

const STORAGE: readonly ServiceProfile[] = [
  {
    code: 'vol-even',
    kind: 'block-volume',
    name: 'Volume, even',
    more: { note: 'Solid state for most work.', attributes: { medium: 'solid state' } },
    rates: [
      ['capacity', 'GiB-month', per(0.0834)],
      ['iops', 'IOPS-month', per(0.0051), included('3000')],
      ['throughput', 'MiB/s-month', per(0.041), included('125')],
    ],
  },
  {
    code: 'vol-swift',
    kind: 'block-volume',
    name: 'Volume, swift',
    more: {
      note: 'Solid state with low delay, for databases.',
      attributes: { medium: 'solid state', delay: 'low' },
    },
    rates: [
      ['capacity', 'GiB-month', per(0.1312)],
      ['iops', 'IOPS-month', graduated(['32000', 0.0646], [null, 0.0452])],
    ],
  },
  {
    code: 'vol-steady',
    kind: 'block-volume',
    name: 'Volume, steady',
    more: { note: 'Magnetic, for long reads in sequence.', attributes: { medium: 'magnetic' } },
    rates: [['capacity', 'GiB-month', per(0.0471)]],
  },
  {
    code: 'vol-quiet',
    kind: 'block-volume',
    name: 'Volume, quiet',
    more: { note: 'Magnetic, seldom read.', attributes: { medium: 'magnetic' } },
    rates: [['capacity', 'GiB-month', per(0.0162), least({ each: '125' })]],
  },
  {
    code: 'store-near',
    kind: 'object-store',
    name: 'Store, near',
    more: { note: 'Read often.', attributes: { grade: 'often' } },
    drift: 0.98,
    rates: [
      [
        'stored',
        'GB-month',
        graduated(['50000', 0.0232], ['500000', 0.0218], [null, 0.0207]),
        { pool: 'region' },
      ],
      ['writes', 'thousand requests', per(0.0052)],
      ['reads', 'thousand requests', per(0.00041)],
    ],
  },
  {
    code: 'store-far',
    kind: 'object-store',
    name: 'Store, far',
    more: { note: 'Read a few times a year; reading costs more.', attributes: { grade: 'seldom' } },
    rates: [
      ['stored', 'GB-month', per(0.0104), { pool: 'region', ...least({ keptDays: '30' }) }],
      ['writes', 'thousand requests', per(0.0102)],
      ['reads', 'thousand requests', per(0.00107)],
      ['retrieved', 'GB', per(0.0102)],
    ],
  },
  {
    code: 'store-deep',
    kind: 'object-store',
    name: 'Store, deep',
    more: { note: 'Kept for years, read in hours.', attributes: { grade: 'archive' } },
    rates: [
      ['stored', 'GB-month', per(0.0012), { pool: 'region', ...least({ keptDays: '180' }) }],
      ['writes', 'thousand requests', per(0.0513)],
      ['reads', 'thousand requests', per(0.0211)],
      ['retrieved', 'GB', per(0.0206)],
    ],
  },
  {
    code: 'share',
    kind: 'file-share',
    name: 'Share',
    rates: [
      ['stored', 'GiB-month', per(0.296)],
      ['throughput', 'MiB/s-month', per(5.93)],
    ],
  },
  {
    code: 'share-rare',
    kind: 'file-share',
    name: 'Share, rare',
    rates: [
      ['stored', 'GiB-month', per(0.0241), least({ keptDays: '30' })],
      ['retrieved', 'GB', per(0.0103)],
    ],
  },
  { code: 'snap', kind: 'snapshot', name: 'Snapshots', rates: [['stored', 'GiB-month', per(0.0487)]] },
  {
    code: 'safe',
    kind: 'backup',
    name: 'Safe copies',
    rates: [
      ['stored', 'GB-month', per(0.0491)],
      ['restored', 'GB', per(0.0196)],
    ],
  },
];

const RUN: readonly ServiceProfile[] = [
  {
    code: 'berth',
    kind: 'container-run-time',
    name: 'Berth',
    more: {
      capabilities: ['replicas'],
      limits: {
        vcpuLeast: '0.25',
        vcpuMost: '16',
        memoryPerVcpuLeast: '2',
        memoryPerVcpuMost: '8',
      },
    },
    rates: [
      ['vcpu', 'vCPU-hour', per(0.0398), chunks('1', 'second', '60')],
      ['memory', 'GiB-hour', per(0.00437), chunks('1', 'second', '60')],
    ],
  },
  {
    code: 'fleet',
    kind: 'container-cluster',
    name: 'Fleet control',
    rates: [['running', 'hour', per(0.0985)]],
  },
  {
    code: 'flint',
    kind: 'function',
    name: 'Flint',
    rates: [
      ['requests', 'million requests', per(0.197), included('1', { pool: 'workspace' })],
      [
        'run-time',
        'GiB-second',
        graduated(['6000000000', 0.0000163], ['15000000000', 0.0000147], [null, 0.0000131]),
        { pool: 'provider', allowance: '400000', ...chunks('1', 'millisecond') },
      ],
    ],
  },
  {
    code: 'shift',
    kind: 'batch-run',
    name: 'Shift',
    rates: [['run-time', 'vCPU-second', per(0.0000112), chunks('1', 'second', '60')]],
  },
  {
    code: 'rack',
    kind: 'site-equipment',
    name: 'Rack at your site',
    more: { note: 'Run by Norvane in your rooms; three years at least.' },
    rates: [
      ['fee', 'month', flat(6940)],
      ['set-up', 'month', flat(8200, true)],
    ],
  },
];

const DATA: readonly ServiceProfile[] = [
  {
    code: 'ledger-kv',
    kind: 'key-value-store',
    name: 'Pigeonhole',
    rates: [
      ['reads', 'million requests', per(0.244)],
      ['writes', 'million requests', per(1.22)],
      ['stored', 'GB-month', per(0.246), included('25', { pool: 'region' })],
    ],
  },
  {
    code: 'hall',
    kind: 'warehouse',
    name: 'Hall',
    more: { attributes: { 'units-per-hour': '8' } },
    rates: [
      ['running', 'unit-hour', per(0.351), chunks('1', 'second', '60')],
      ['stored', 'TB-month', per(23.9)],
      ['scanned', 'TB', per(4.91)],
    ],
  },
  {
    code: 'works',
    kind: 'data-platform',
    name: 'Works',
    more: { vcpu: '8', memory: '32', attributes: { 'units-per-hour': '1.37' } },
    rates: [
      ['running', 'hour', per(0.391)],
      ['units', 'unit-hour', per(0.148)],
    ],
  },
  {
    code: 'post',
    kind: 'queue',
    name: 'Post',
    rates: [
      [
        'requests',
        'million requests',
        graduated(['100000', 0.403], [null, 0.297]),
        { pool: 'region', allowance: '1', ...chunks('64', 'KiB') },
      ],
    ],
  },
  {
    code: 'current',
    kind: 'stream',
    name: 'Current',
    drift: 1.03,
    rates: [
      ['running', 'hour', per(0.0394)],
      ['in', 'GB', per(0.0789)],
      ['out', 'GB', per(0.0397)],
      ['stored', 'GB-month', per(0.0232)],
    ],
  },
  {
    code: 'door',
    kind: 'api-front-door',
    name: 'Door',
    rates: [
      [
        'requests',
        'million requests',
        graduated(['300', 0.986], [null, 0.887]),
        { pool: 'region', ...chunks('512', 'KiB') },
      ],
    ],
  },
];

export const NORVANE_STORED = [...STORAGE, ...RUN, ...DATA];
