/** Haldreach’s services: free sizes, closed clusters, stepped fees, licences, prepaid credit. */
import {
  capacity,
  chunks,
  flat,
  graduated,
  included,
  least,
  per,
  perBlock,
  shareOfSpend,
  stepped,
  volume,
} from './charges';
import type { ServiceProfile } from './provider-profile';

export const HALDREACH_SERVICES: readonly ServiceProfile[] = [
  {
    code: 'free',
    kind: 'server',
    name: 'Server of your size',
    more: {
      family: 'Free size',
      processor: 'Halden',
      capabilities: ['bring-licence'],
      limits: { vcpuLeast: '1', vcpuMost: '64', memoryPerVcpuLeast: '1', memoryPerVcpuMost: '16' },
    },
    rates: [
      [
        'running',
        'hour',
        (level) => ({
          structure: 'by-parts',
          vcpu: (0.0301 * level).toFixed(6),
          memory: (0.0043 * level).toFixed(6),
          gpu: null,
        }),
      ],
      ['licence.atrium-server', 'core-hour', () => ({ structure: 'per-unit', price: '0.0452' })],
      [
        'licence.castrum-db',
        'core-hour',
        () => ({ structure: 'per-unit', price: '0.1821' }),
        least({ each: '4' }),
      ],
    ],
  },
  {
    code: 'cluster',
    kind: 'dedicated-host',
    name: 'Closed cluster, 64 cores a host',
    more: { vcpu: '64', memory: '768', capabilities: ['bring-licence'], note: 'Three hosts at least.' },
    rates: [
      ['running', 'hour', per(4.117), least({ count: '3' })],
      [
        'running',
        'hour',
        per(2.871),
        { term: '12-none', early: { rule: 'rest-due' }, ...least({ count: '3' }) },
      ],
      [
        'running',
        'hour',
        per(2.043),
        { term: '36-none', early: { rule: 'rest-due' }, ...least({ count: '3' }) },
      ],
    ],
  },
  {
    code: 'block',
    kind: 'block-volume',
    name: 'Block, by class of operations',
    more: { attributes: { medium: 'solid state' } },
    rates: [
      ['capacity', 'GiB-month', per(0.0891)],
      ['iops', 'IOPS-month', per(0.0047), included('500')],
    ],
  },
  {
    code: 'block-calm',
    kind: 'block-volume',
    name: 'Block, calm',
    more: { attributes: { medium: 'magnetic' } },
    rates: [['capacity', 'GiB-month', perBlock('32', 1.31)]],
  },
  {
    code: 'barn',
    kind: 'object-store',
    name: 'Barn',
    more: { attributes: { grade: 'often' } },
    rates: [
      [
        'stored',
        'GB-month',
        graduated(['51200', 0.0209], ['512000', 0.02], [null, 0.0192]),
        { pool: 'region' },
      ],
      ['writes', 'ten thousand requests', per(0.0541)],
      ['reads', 'ten thousand requests', per(0.0043)],
    ],
  },
  {
    code: 'cellar',
    kind: 'object-store',
    name: 'Cellar',
    more: { attributes: { grade: 'archive' } },
    rates: [
      ['stored', 'GB-month', per(0.0019), { pool: 'region', ...least({ keptDays: '180' }) }],
      ['writes', 'ten thousand requests', per(0.113)],
      ['reads', 'ten thousand requests', per(5.02)],
      ['retrieved', 'GB', per(0.0211)],
    ],
  },
  {
    code: 'files',
    kind: 'file-share',
    name: 'Files',
    rates: [['stored', 'GiB-month', per(0.158), { basis: 'set-aside', ...least({ each: '100' }) }]],
  },
  {
    code: 'guard',
    kind: 'backup',
    name: 'Guard',
    drift: 1.06,
    rates: [
      [
        'protected',
        'GB-month',
        stepped(
          [
            ['50', 5.05],
            ['500', 10.1],
          ],
          { block: '500', fee: 10.1 },
        ),
      ],
      ['stored', 'GB-month', per(0.0227)],
    ],
  },
  { code: 'image', kind: 'snapshot', name: 'Images', rates: [['stored', 'GiB-month', per(0.0512)]] },
  {
    code: 'relay',
    kind: 'queue',
    name: 'Relay',
    rates: [
      ['fee', 'month', flat(9.81)],
      [
        'requests',
        'million requests',
        graduated(['13', 0], ['100', 0.81], [null, 0.51]),
        { pool: 'region', ...chunks('64', 'KiB') },
      ],
    ],
  },
  {
    code: 'silo',
    kind: 'warehouse',
    name: 'Silo',
    more: { attributes: { 'units-per-hour': '100' } },
    rates: [
      ['running', 'unit-hour', per(0.0121)],
      ['stored', 'TB-month', per(24.1)],
    ],
  },
  {
    code: 'portal',
    kind: 'api-front-door',
    name: 'Portal',
    rates: [['requests', 'ten thousand requests', per(0.0351), included('1000', { pool: 'workspace' })]],
  },
  {
    code: 'leave',
    kind: 'transfer-out',
    name: 'Transfer out',
    rates: [
      [
        'transferred',
        'GB',
        graduated(['10000', 0.0861], ['50000', 0.0827], ['150000', 0.0697], [null, 0.0498]),
        { pool: 'workspace', allowance: '100' },
      ],
    ],
  },
  {
    code: 'spread',
    kind: 'balancer-requests',
    name: 'Spread',
    rates: [
      ['running', 'hour', per(0.244)],
      ['units', 'unit-hour', capacity({ fresh: '50', open: '2500', gb: '1' }, 0.0078)],
    ],
  },
  { code: 'plate', kind: 'address', name: 'Number plate', rates: [['running', 'hour', per(0.0049)]] },
  {
    code: 'bridge',
    kind: 'vpn',
    name: 'Bridge',
    rates: [
      ['running', 'hour', per(0.187)],
      ['data', 'GB', per(0.0343)],
    ],
  },
  {
    code: 'trunk',
    kind: 'dedicated-line',
    name: 'Trunk',
    rates: [
      ['fee', 'month', flat(429)],
      ['running', 'hour', per(0)],
      ['transferred', 'GB', per(0.0247)],
      ['set-up', 'month', flat(1180, true)],
    ],
  },
  {
    code: 'rampart',
    kind: 'firewall',
    name: 'Rampart',
    rates: [
      ['running', 'hour', per(1.243)],
      ['data', 'GB', per(0.0157)],
    ],
  },
  {
    code: 'badge',
    kind: 'directory',
    name: 'Badge',
    rates: [['users', 'user-month', per(5.91)]],
  },
  {
    code: 'belfry',
    kind: 'monitoring',
    name: 'Belfry',
    rates: [
      ['logs', 'GB', per(2.71), included('5', { pool: 'workspace' })],
      ['alarms', 'item-month', per(0.102)],
      ['stored', 'GB-month', per(0.113)],
    ],
  },
  {
    code: 'lic-suite',
    kind: 'licence',
    name: 'Ledger suite',
    rates: [
      ['users', 'user-month', perBlock('5', 61)],
      ['users', 'user-month', per(10.4), { term: '12-none', early: { rule: 'rest-due' } }],
    ],
  },
  {
    code: 'lic-castrum',
    kind: 'licence',
    name: 'Castrum engine, by core',
    rates: [['cores', 'core-month', per(131.4), least({ each: '4' })]],
  },
  {
    code: 'care',
    kind: 'support-plan',
    name: 'Care',
    rates: [
      [
        'share',
        'money',
        shareOfSpend(
          [
            ['50000', '0.09'],
            [null, '0.06'],
          ],
          '500',
        ),
      ],
    ],
  },
  {
    code: 'purse',
    kind: 'prepaid-credit',
    name: 'Purse',
    more: { note: 'Paid ahead each month; the more, the cheaper. What is beyond it costs list price.' },
    rates: [
      [
        'credit',
        'money',
        volume(['1000', 1], ['5000', 0.96], ['20000', 0.92], ['100000', 0.87], [null, 0.82]),
        { term: '12-none' },
      ],
      [
        'credit',
        'money',
        volume(['1000', 0.98], ['5000', 0.93], ['20000', 0.88], ['100000', 0.82], [null, 0.76]),
        { term: '36-none' },
      ],
    ],
  },
];
