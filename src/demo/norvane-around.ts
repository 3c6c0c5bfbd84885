/** Norvane’s network, and what watches and protects. */
import { capacity, flat, graduated, included, per, shareOfSpend } from './charges';
import type { ServiceProfile } from './provider-profile';

const NETWORK: readonly ServiceProfile[] = [
  {
    code: 'out',
    kind: 'transfer-out',
    name: 'Transfer to the internet',
    rates: [
      [
        'transferred',
        'GB',
        graduated(['10000', 0.0874], ['50000', 0.0831], ['150000', 0.0684], [null, 0.0492]),
        { pool: 'region', allowance: '100' },
      ],
    ],
  },
  {
    code: 'across',
    kind: 'transfer-between',
    name: 'Transfer inside',
    rates: [
      ['between-zones', 'GB', per(0.0098)],
      ['between-regions', 'GB', per(0.0196)],
    ],
  },
  {
    code: 'capstan-4',
    kind: 'balancer-connections',
    name: 'Capstan, connections',
    rates: [
      ['running', 'hour', per(0.0221)],
      ['units', 'unit-hour', capacity({ fresh: '650', open: '80000', gb: '1.5' }, 0.0064)],
    ],
  },
  {
    code: 'capstan-7',
    kind: 'balancer-requests',
    name: 'Capstan, requests',
    rates: [
      ['running', 'hour', per(0.0223)],
      ['units', 'unit-hour', capacity({ fresh: '60', open: '4500', gb: '1.5', requests: '700' }, 0.0083)],
    ],
  },
  { code: 'address', kind: 'address', name: 'Address', rates: [['running', 'hour', per(0.0048)]] },
  {
    code: 'gangway',
    kind: 'outbound-gateway',
    name: 'Gangway',
    rates: [
      ['running', 'hour', per(0.0443)],
      ['data', 'GB', per(0.0443)],
    ],
  },
  {
    code: 'link',
    kind: 'private-link',
    name: 'Private link',
    rates: [
      ['running', 'hour', per(0.0099)],
      ['data', 'GB', graduated(['1000000', 0.0099], [null, 0.0059]), { pool: 'region' }],
    ],
  },
  {
    code: 'tunnel',
    kind: 'vpn',
    name: 'Tunnel',
    rates: [['running', 'hour', per(0.0492)]],
  },
  {
    code: 'cable',
    kind: 'dedicated-line',
    name: 'Cable, 1 Gbit',
    rates: [
      ['running', 'hour', per(0.293)],
      ['transferred', 'GB', per(0.0204)],
      ['set-up', 'month', flat(540, true)],
    ],
  },
  {
    code: 'edge',
    kind: 'content-delivery',
    name: 'Edge',
    rates: [
      [
        'transferred',
        'GB',
        graduated(['10000', 0.0843], ['50000', 0.0791], [null, 0.0594]),
        { pool: 'provider', allowance: '1000' },
      ],
      ['requests', 'ten thousand requests', per(0.0099), { pool: 'provider', allowance: '1000' }],
    ],
  },
  {
    code: 'names',
    kind: 'name-service',
    name: 'Names',
    rates: [
      ['fee', 'month', flat(0.49)],
      ['requests', 'million requests', graduated(['1000', 0.394], [null, 0.197])],
    ],
  },
];

const AROUND: readonly ServiceProfile[] = [
  {
    code: 'wall',
    kind: 'firewall',
    name: 'Wall',
    rates: [
      ['running', 'hour', per(0.389)],
      ['data', 'GB', per(0.0641)],
    ],
  },
  {
    code: 'awning',
    kind: 'front-door-protection',
    name: 'Awning',
    rates: [
      ['fee', 'month', flat(4.95)],
      ['requests', 'million requests', per(0.592)],
    ],
  },
  {
    code: 'keys',
    kind: 'key-vault',
    name: 'Keys',
    rates: [
      ['keys', 'item-month', per(0.395)],
      ['requests', 'ten thousand requests', per(0.0296)],
    ],
  },
  {
    code: 'crew',
    kind: 'directory',
    name: 'Crew',
    rates: [
      [
        'users',
        'user-month',
        graduated(['50000', 0.0054], [null, 0.0045]),
        { pool: 'workspace', allowance: '10000' },
      ],
    ],
  },
  {
    code: 'watch',
    kind: 'monitoring',
    name: 'Watch',
    rates: [
      [
        'metrics',
        'item-month',
        graduated(['10000', 0.296], ['250000', 0.0986], [null, 0.0493]),
        { pool: 'workspace', allowance: '10' },
      ],
      ['alarms', 'item-month', per(0.0988)],
      ['dashboards', 'item-month', per(2.96), included('3', { pool: 'workspace' })],
      ['logs', 'GB', per(0.493), included('5', { pool: 'workspace' })],
      ['stored', 'GB-month', per(0.0297)],
    ],
  },
  {
    code: 'help-plain',
    kind: 'support-plan',
    name: 'Help, plain',
    rates: [['share', 'money', shareOfSpend([[null, '0.03']], '29')]],
  },
  {
    code: 'help-close',
    kind: 'support-plan',
    name: 'Help, close',
    rates: [
      [
        'share',
        'money',
        shareOfSpend(
          [
            ['10000', '0.1'],
            ['80000', '0.07'],
            ['250000', '0.05'],
            [null, '0.03'],
          ],
          '100',
        ),
      ],
    ],
  },
  {
    code: 'market-search',
    kind: 'software-fee',
    name: 'Fee of a search maker',
    isNew: true,
    rates: [
      ['share', 'money', shareOfSpend([[null, '0.18']], null, { over: 'provider', kinds: ['search-index'] })],
    ],
  },
];

export const NORVANE_AROUND = [...NETWORK, ...AROUND];
