/** Osmere’s services. */
import { capacity, chunks, flat, graduated, included, least, per, shareOfSpend } from './charges';
import type { ServiceProfile } from './provider-profile';

const RUN_LIMITS = { vcpuLeast: '0.08', vcpuMost: '8', memoryPerVcpuLeast: '0.5', memoryPerVcpuMost: '8' };

const STORAGE: readonly ServiceProfile[] = [
  {
    code: 'plank',
    kind: 'block-volume',
    name: 'Plank',
    more: { note: 'Solid state for most work.', attributes: { medium: 'solid state' } },
    rates: [['capacity', 'GiB-month', per(0.0902)]],
  },
  {
    code: 'plank-quick',
    kind: 'block-volume',
    name: 'Plank, quick',
    more: { note: 'Solid state with low delay.', attributes: { medium: 'solid state', delay: 'low' } },
    rates: [
      ['capacity', 'GiB-month', per(0.1683)],
      ['iops', 'IOPS-month', per(0.0049), included('3000')],
    ],
  },
  {
    code: 'plank-slow',
    kind: 'block-volume',
    name: 'Plank, slow',
    more: { note: 'Magnetic.', attributes: { medium: 'magnetic' } },
    rates: [['capacity', 'GiB-month', per(0.0411)]],
  },
  {
    code: 'hold',
    kind: 'object-store',
    name: 'Hold',
    more: { note: 'Read often.', attributes: { grade: 'often' } },
    rates: [
      ['stored', 'GiB-month', graduated(['20480', 0.0211], [null, 0.0196]), { pool: 'region' }],
      ['writes', 'million requests', per(5.11)],
      ['reads', 'million requests', per(0.42)],
    ],
  },
  {
    code: 'hold-rare',
    kind: 'object-store',
    name: 'Hold, rare',
    more: { note: 'Read about once a month.', attributes: { grade: 'seldom' } },
    rates: [
      ['stored', 'GiB-month', per(0.0109), { pool: 'region', ...least({ keptDays: '30' }) }],
      ['writes', 'million requests', per(10.4)],
      ['reads', 'million requests', per(1.03)],
      ['retrieved', 'GB', per(0.0097)],
    ],
  },
  {
    code: 'hold-ice',
    kind: 'object-store',
    name: 'Hold, ice',
    more: { note: 'Kept for years.', attributes: { grade: 'archive' } },
    rates: [
      ['stored', 'GiB-month', per(0.0014), { pool: 'region', ...least({ keptDays: '365' }) }],
      ['writes', 'million requests', per(51.2)],
      ['reads', 'million requests', per(20.6)],
      ['retrieved', 'GB', per(0.0488)],
    ],
  },
  { code: 'copy', kind: 'snapshot', name: 'Copies of planks', rates: [['stored', 'GiB-month', per(0.0507)]] },
];

const SERVICES: readonly ServiceProfile[] = [
  {
    code: 'oar-always',
    kind: 'container-run-time',
    name: 'Oar, always awake',
    more: { capabilities: ['replicas'], limits: RUN_LIMITS, attributes: { billing: 'always' } },
    rates: [
      ['vcpu', 'vCPU-second', per(0.0000176)],
      ['memory', 'GiB-second', per(0.00000196)],
    ],
  },
  {
    code: 'oar-request',
    kind: 'container-run-time',
    name: 'Oar, on request',
    more: { capabilities: ['replicas', 'sleeps'], limits: RUN_LIMITS, attributes: { billing: 'on request' } },
    rates: [
      [
        'vcpu',
        'vCPU-second',
        per(0.0000236),
        { pool: 'workspace', allowance: '180000', ...chunks('100', 'millisecond') },
      ],
      [
        'memory',
        'GiB-second',
        per(0.0000024),
        { pool: 'workspace', allowance: '360000', ...chunks('100', 'millisecond') },
      ],
      ['requests', 'million requests', per(0.39), { pool: 'workspace', allowance: '2' }],
    ],
  },
  { code: 'rig', kind: 'container-cluster', name: 'Rig', rates: [['running', 'hour', per(0.0991)]] },
  {
    code: 'splash',
    kind: 'function',
    name: 'Splash',
    rates: [
      ['requests', 'million requests', per(0.391), included('2', { pool: 'workspace' })],
      [
        'run-time',
        'GiB-second',
        per(0.0000153),
        included('400000', { pool: 'workspace', ...chunks('100', 'millisecond') }),
      ],
    ],
  },
  {
    code: 'shelves',
    kind: 'key-value-store',
    name: 'Shelves',
    rates: [
      ['reads', 'million requests', per(0.31)],
      ['writes', 'million requests', per(0.93)],
      ['stored', 'GB-month', per(0.153)],
    ],
  },
  {
    code: 'estuary',
    kind: 'warehouse',
    name: 'Estuary',
    more: { attributes: { 'units-per-hour': '100' } },
    rates: [
      ['running', 'unit-hour', per(0.0389), chunks('1', 'second', '60')],
      ['stored', 'TB-month', per(19.6)],
      ['scanned', 'TB', per(6.14), included('1', { pool: 'workspace' })],
    ],
  },
  {
    code: 'bottle',
    kind: 'queue',
    name: 'Bottle',
    rates: [['requests', 'million requests', per(0.384), chunks('1', 'KiB')]],
  },
  {
    code: 'stream',
    kind: 'stream',
    name: 'Brook',
    rates: [
      ['in', 'GB', per(0.0392), included('10')],
      ['out', 'GB', per(0.0392)],
      ['stored', 'GB-month', per(0.264)],
    ],
  },
  {
    code: 'gate',
    kind: 'api-front-door',
    name: 'Gate',
    rates: [
      [
        'requests',
        'million requests',
        graduated(['1000', 2.93], [null, 1.47]),
        { pool: 'workspace', allowance: '2' },
      ],
    ],
  },
  {
    code: 'sail-out',
    kind: 'transfer-out',
    name: 'Outbound to the internet',
    rates: [
      [
        'transferred',
        'GiB',
        graduated(['1024', 0.1141], ['10240', 0.1083], [null, 0.0792]),
        { pool: 'region', allowance: '1' },
      ],
    ],
  },
  {
    code: 'rudder',
    kind: 'balancer-requests',
    name: 'Rudder',
    rates: [
      ['running', 'hour', per(0.0247)],
      ['data', 'GB', per(0.0079)],
    ],
  },
  {
    code: 'rudder-4',
    kind: 'balancer-connections',
    name: 'Rudder, connections',
    rates: [
      ['running', 'hour', per(0.0246)],
      ['units', 'unit-hour', capacity({ fresh: '500', open: '50000', gb: '2' }, 0.0071)],
    ],
  },
  { code: 'mooring', kind: 'address', name: 'Mooring', rates: [['running', 'hour', per(0.0039)]] },
  {
    code: 'sluice',
    kind: 'outbound-gateway',
    name: 'Sluice',
    rates: [
      ['running', 'hour', per(0.00139)],
      ['data', 'GB', per(0.0447)],
    ],
  },
  {
    code: 'shore',
    kind: 'content-delivery',
    name: 'Shore',
    rates: [
      [
        'transferred',
        'GB',
        graduated(['10000', 0.0794], ['150000', 0.0548], [null, 0.0199]),
        { pool: 'provider' },
      ],
      ['requests', 'ten thousand requests', per(0.0074)],
    ],
  },
  {
    code: 'zones',
    kind: 'name-service',
    name: 'Zones',
    rates: [
      ['fee', 'month', flat(0.2)],
      ['requests', 'million requests', graduated(['1000', 0.4], [null, 0.2])],
    ],
  },
  {
    code: 'oilskin',
    kind: 'front-door-protection',
    name: 'Oilskin',
    rates: [
      ['fee', 'month', flat(5.1)],
      ['requests', 'million requests', per(0.74)],
    ],
  },
  {
    code: 'strongbox',
    kind: 'key-vault',
    name: 'Strongbox',
    rates: [
      ['keys', 'item-month', per(0.061)],
      ['requests', 'ten thousand requests', per(0.0301)],
    ],
  },
  {
    code: 'lookout',
    kind: 'monitoring',
    name: 'Lookout',
    rates: [
      ['metrics', 'item-month', per(0.082), included('150', { pool: 'workspace' })],
      ['logs', 'GB', per(0.501), included('50', { pool: 'workspace' })],
      ['stored', 'GB-month', per(0.0101)],
    ],
  },
  {
    code: 'assist',
    kind: 'support-plan',
    name: 'Assist',
    rates: [
      [
        'share',
        'money',
        shareOfSpend(
          [
            ['100000', '0.06'],
            [null, '0.04'],
          ],
          '250',
        ),
      ],
    ],
  },
  {
    code: 'pledge',
    kind: 'spend-commitment',
    name: 'Pledge',
    more: { note: 'So much for every hour; buys servers at pledged prices in any region.' },
    rates: [
      ['committed', 'money-hour', () => ({ structure: 'per-unit', price: '1' }), { term: '12-none' }],
      ['committed', 'money-hour', () => ({ structure: 'per-unit', price: '1' }), { term: '36-none' }],
    ],
  },
];

export const OSMERE_SERVICES = [...STORAGE, ...SERVICES];
